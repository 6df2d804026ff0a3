// What was entered is kept or asked about: forms that are left, sizes nobody has, findings let go, a limb that is missing, a phone that joins.
import {
  allSent,
  atBothSizes,
  expect,
  goTo,
  open,
  PHONE,
  readAnew,
  runUpTo,
  sayKind,
  startRun,
  test,
} from './orchard';

atBothSizes((name, _viewport, journey) => {
  journey('both')(
    'a form with changes is not left by a slip, and an odd size is asked about',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/round/register');
      await page.getByRole('button', { name: 'New tree' }).click();
      await page.getByLabel('Code on its tag').fill('Slip side 12');
      await page.getByLabel('Plot', { exact: true }).fill('Slip side');
      await page.getByLabel('Row', { exact: true }).fill('Along the slip');
      await page.getByLabel('Height, cm', { exact: true }).fill('380');
      await page.getByLabel('Spread, cm', { exact: true }).fill('3.5');
      const question = page.getByRole('dialog', { name: 'Leave without saving?' });
      const waysOut = [
        () => goTo(page, 'Plan'),
        () => page.goBack(),
        () => page.getByRole('button', { name: 'Cancel' }).click(),
        ...(name === 'wide'
          ? [
              () =>
                page
                  .locator('main')
                  .press('g')
                  .then(() => page.keyboard.press('p')),
            ]
          : []),
      ];
      for (const [at, leave] of waysOut.entries()) {
        await leave();
        await expect(question, `way out ${at}`).toBeVisible();
        await question.getByRole('button', { name: 'Stay here' }).click();
        await expect(question).toHaveCount(0);
        await expect(page.getByLabel('Code on its tag')).toHaveValue('Slip side 12');
      }
      await page.getByRole('button', { name: 'Save and draw limbs' }).click();
      const doubt = page.getByRole('dialog', { name: 'Is that right?' });
      await expect(doubt.getByText('Spread 3.5 cm: few fruit trees have that.')).toBeVisible();
      await doubt.getByRole('button', { name: 'I mean 3.5 m' }).click();
      await expect(page.getByLabel('Spread, cm', { exact: true })).toHaveValue('350');
      await page.getByRole('button', { name: 'Save and draw limbs' }).click();
      await page.getByRole('button', { name: 'Draw it' }).waitFor();
      const { trees } = await (await page.request.get(`${orchard.url}/api/trees`)).json();
      const added = trees.find((tree: { code: string }) => tree.code === 'Slip side 12');
      expect(added).toMatchObject({ spreadCm: 350 });

      // Deleted it is in no list; the register and its own address take it back
      const codes = async (): Promise<string[]> =>
        (await (await page.request.get(`${orchard.url}/api/trees`)).json()).trees.map(
          (tree: { code: string }) => tree.code,
        );
      const remove = async () => {
        await page.goto(`${orchard.url}/round/${added.id}/edit`);
        await page.getByRole('button', { name: 'Delete this tree' }).click();
        await page.getByRole('button', { name: 'Delete the tree' }).click();
        await expect(page.getByRole('heading', { name: 'Deleted trees' })).toBeVisible();
        expect(await codes()).not.toContain('Slip side 12');
      };
      await remove();
      await page.getByRole('button', { name: 'Restore Slip side 12' }).click();
      await expect(page.getByRole('heading', { name: 'Deleted trees' })).toHaveCount(0);
      expect(await codes()).toContain('Slip side 12');
      await remove();
      await page.goBack();
      await page.goto(`${orchard.url}/round/${added.id}`);
      await expect(page.getByText('It is in no list and goes for good in 30 days.')).toBeVisible();
      await page.getByRole('button', { name: 'Restore this tree' }).click();
      await expect(page.getByText('This tree is deleted')).toHaveCount(0);
      expect(await codes()).toContain('Slip side 12');

      // The same by the limb map, and this time it is meant
      await page.goto(`${orchard.url}/round/${added.id}/map`);
      await page.getByRole('button', { name: 'Draw it' }).click();
      await goTo(page, 'Today');
      await question.getByRole('button', { name: 'Leave, lose the changes' }).click();
      await expect(page.getByRole('heading', { level: 1, name: 'Orrin Bight' })).toBeVisible();
      await expect(question).toHaveCount(0);
    },
  );

  journey('phone')(
    'settings with changes are asked about; what is wrong is gone to',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/book/settings');
      await page.getByLabel('Latitude, °').fill('abc');
      await page.getByRole('button', { name: 'Save site' }).click();
      await expect(page.getByLabel('Latitude, °')).toBeFocused();
      await goTo(page, 'Cut');
      await page.getByRole('button', { name: 'Leave, lose the changes' }).click();
      await expect(page).toHaveURL(/\/cut$/);
      await goTo(page, 'Book');
      await page.goto(`${orchard.url}/book/settings`);
      await expect(page.getByLabel('Latitude, °')).toHaveValue('54.2');
    },
  );

  journey('phone')(
    'a finding let go is taken up again, one taken back is put back, a limb is added on the way',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/round/net-loft-03');
      await page.getByRole('button', { name: 'New finding' }).click();
      await sayKind(page, 'Dead');
      await page.getByRole('button', { name: 'Cancel' }).click();
      await page.getByRole('button', { name: 'Continue marking' }).click();
      await expect(page.getByText('Dead wood', { exact: true }).first()).toBeVisible();
      await page.getByRole('button', { name: 'Its limb is not on the map: add it' }).click();
      const sheet = page.getByRole('dialog', { name: 'A limb that is not on the map' });
      await sheet.getByLabel('It points to').selectOption('7');
      await sheet.getByLabel('Length, cm').fill('9999');
      await sheet.getByRole('button', { name: 'Add it' }).click();
      await expect(sheet.getByLabel('Length, cm')).toBeFocused();
      await sheet.getByLabel('Length, cm').fill('120');
      await sheet.getByRole('button', { name: 'Add it' }).click();
      await expect(sheet).toHaveCount(0);
      await page.getByRole('button', { name: 'Save finding' }).click();
      await expect(page.getByText('Saved', { exact: true })).toBeVisible();
      const read = async () => (await page.request.get(`${orchard.url}/api/trees/net-loft-03`)).json();
      const limbOfTheLast = ({ limbs, findings }: Awaited<ReturnType<typeof read>>) =>
        limbs.find(({ id }: { id: string }) => id === findings.at(-1).limbId);
      await expect.poll(async () => limbOfTheLast(await read())).toMatchObject({ lengthCm: 120 });
      const finding = (await read()).findings.at(-1);

      await page
        .getByRole('button', { name: new RegExp(`^Change: Dead wood on ${finding.limbName}`) })
        .click();
      await page.getByRole('button', { name: 'Delete this finding' }).click();
      await expect.poll(async () => (await read()).findings.at(-1).state).toBe('withdrawn');
      await page.getByRole('button', { name: 'Restore the finding' }).click();
      await expect(page.getByRole('button', { name: 'Restore the finding' })).toHaveCount(0);
      await expect
        .poll(async () => (await read()).findings.at(-1))
        .toMatchObject({ state: 'open', id: finding.id });
    },
  );

  journey('phone')(
    'a tree without limbs takes a finding, which is placed once they are drawn',
    async ({ page, orchard }) => {
      await page.request.put(`${orchard.url}/api/devices/0193f000-0000-7000-8000-000000000009`, {
        data: { name: 'Boat crew' },
      });
      const id = '0193f000-0000-7000-8000-00000000000a';
      const tree = {
        code: 'Slip side 12',
        plot: 'Slip side',
        row: 'Along the slip',
        place: 12,
        species: 'apple',
        form: 'open centre',
        heightCm: 300,
        spreadCm: 300,
      };
      await page.request.put(`${orchard.url}/api/trees/${id}`, {
        headers: { 'X-Device-Id': '0193f000-0000-7000-8000-000000000009' },
        data: { baseRevision: null, tree },
      });
      await open(page, orchard.url, `/round/${id}`);
      await page.getByRole('button', { name: 'New finding' }).click();
      const where = page.getByRole('dialog', { name: 'Where is it?' });
      await where.getByLabel('Seen from above, at').selectOption('3');
      await where.getByLabel('Above ground, cm').fill('180');
      await where.getByRole('button', { name: 'Mark it there' }).click();
      await sayKind(page, 'Dead');
      await page.getByRole('button', { name: 'Save finding' }).click();
      const read = async () =>
        (await (await page.request.get(`${orchard.url}/api/trees/${id}`)).json()).findings[0] ?? {};
      await expect.poll(read).toMatchObject({
        somewhere: { hour: 3, heightCm: 180 },
        measured: false,
        limbName: 'somewhere in the crown, 3 o’clock, 1.8 m up',
      });

      await page.goto(`${orchard.url}/round/${id}/map`);
      await page.getByRole('button', { name: 'Add a limb on it' }).click();
      await page.getByRole('button', { name: 'Save the limb map' }).click();
      await page.getByRole('button', { name: /^Change: Dead wood on somewhere/ }).click();
      await page.getByRole('button', { name: 'All limbs' }).click();
      await page.getByRole('dialog', { name: 'Limbs' }).getByRole('button').nth(1).click();
      await page.getByRole('button', { name: 'Save finding' }).click();
      await expect.poll(read).toMatchObject({ somewhere: null, measured: false });
      expect((await read()).limbId).not.toBe('T');
    },
  );
});

test('a blade that is clean already needs no minute, and what else is found leads back to the run', async ({
  page,
  orchard,
}) => {
  test.setTimeout(120_000);
  await page.setViewportSize(PHONE);
  await page.clock.install();
  await open(page, orchard.url, '/cut');
  await startRun(page, [/Lee wall 07/]);
  await page.getByRole('button', { name: 'This blade is clean already' }).click();
  await runUpTo(page, 'Made the cut');
  await page.getByRole('button', { name: 'Found more' }).click();
  await page.getByRole('button', { name: 'Back to the run' }).click();
  await expect(page.getByRole('button', { name: 'Made the cut' })).toBeVisible();
  const readKinds = async (): Promise<string[]> => {
    const { actions } = await (await page.request.get(`${orchard.url}/api/run`)).json();
    return actions.map(
      ({ action }: { action: { kind: string; before?: boolean } }) => `${action.kind} ${action.before ?? ''}`,
    );
  };
  await expect.poll(readKinds).toContain('bladeCleaned true');
  const kinds = await readKinds();
  expect(kinds.some((kind: string) => kind.startsWith('bladeWetted'))).toBe(false);
});

test('a stage seen earlier is dated so, and taken back', async ({ page, orchard }) => {
  await page.setViewportSize(PHONE);
  await open(page, orchard.url, '/book/weather');
  await page.getByRole('button', { name: 'Say what stage I saw' }).click({ timeout: 45_000 });
  await page.getByLabel('Kind of tree').selectOption('apple');
  await page.getByLabel('Stage of most buds').selectOption({ index: 3 });
  const day = page.getByLabel('Seen on, year-month-day');
  for (const [typed, said] of [
    ['2027-01-01', 'still to come'],
    ['2025-11-22', 'more than a year ago'],
    ['spring', 'Write the day like'],
  ] as const) {
    await day.fill(typed);
    await expect(page.getByText(said, { exact: false })).toBeVisible();
    await expect(page.getByRole('button', { name: /^Seen (on|today)/ })).toBeDisabled();
  }
  await day.fill('2026-04-02');
  await page.getByRole('button', { name: 'Seen on 2026-04-02' }).click();
  await page.getByRole('button', { name: 'Remove: Apple: green tip' }).click({ timeout: 45_000 });
  await expect(page.getByRole('button', { name: 'Remove: Apple: green tip' })).toHaveCount(0, {
    timeout: 45_000,
  });
});

test.describe('another phone', () => {
  test.use({ viewport: PHONE, serviceWorkers: 'allow' });
  test('joins the round, reads its trees by itself, and walks on without signal', async ({
    page,
    orchard,
    browser,
  }) => {
    test.setTimeout(120_000);
    await open(page, orchard.url, '/round');
    await page.getByRole('button', { name: 'Continue the round' }).click();
    await expect(page.getByRole('button', { name: /^Continue: / })).toBeVisible();
    await allSent(page);
    const other = await (await browser.newContext({ viewport: PHONE })).newPage();
    await open(other, orchard.url, '/round');
    await other.evaluate(() => navigator.serviceWorker.ready);
    await expect(other.getByText('it goes on without signal', { exact: false })).toBeVisible({
      timeout: 30_000,
    });
    await orchard.stop();
    await other.getByRole('button', { name: /^Continue: / }).click();
    const first = await other.getByRole('heading', { level: 1 }).innerText();
    await readAnew(other);
    await expect(other.getByRole('heading', { level: 1, name: first })).toBeVisible();
    await other.getByRole('button', { name: 'Mark sound' }).click();
    await expect(other.getByRole('heading', { level: 1 })).not.toHaveText(first);
    await expect(other.getByText('1 to send', { exact: false })).toBeVisible();
    await orchard.restart();
    await allSent(other);
    // The first phone read its list before: a reload shows what the other did
    await readAnew(page);
    await expect(page.getByText(/^\d+ of \d+$/).first()).toBeVisible();
    const { actions } = await (await page.request.get(`${orchard.url}/api/round`)).json();
    expect(actions.at(-1).action).toMatchObject({ kind: 'treeSeen', verdict: 'sound' });
    await other.context().close();
  });
});
