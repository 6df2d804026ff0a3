// The round: a plot walked partly without the server, a limb map drawn from nothing, trees brought in from a file, at both sizes.
import type { Page } from '@playwright/test';
import {
  allSent,
  atBothSizes,
  dragBy,
  expect,
  goTo,
  type Orchard,
  open,
  readAnew,
  readOntoDevice,
  test,
  walk,
} from './orchard';

atBothSizes((name, _viewport, journey) => {
  test.describe('without the server', () => {
    // The app itself is kept by its service worker: only with it can the page be reloaded here
    test.use({ serviceWorkers: 'allow' });
    journey('phone')(
      'a plot is walked: two findings, eight sound trees, the server away for half of it',
      async ({ page, orchard }) => {
        test.setTimeout(120_000);
        await open(page, orchard.url, '/round');
        await page.evaluate(() => navigator.serviceWorker.ready);
        await page.getByRole('button', { name: 'Continue the round' }).click();
        await readOntoDevice(page);
        await allSent(page);
        await page.getByRole('button', { name: 'Continue: Slip side 01' }).click();
        await walk(page, ['sound', 'sound', 'found']);
        // What the server has is told from what waits: only the next two are to send
        await allSent(page);
        await orchard.stop();
        await walk(page, ['sound', 'sound']);
        await expect(page.getByText('2 to send', { exact: false })).toBeVisible();
        await readAnew(page);
        await expect(page.getByText('2 to send', { exact: false })).toBeVisible();
        await walk(page, ['found', 'sound', 'sound']);
        await orchard.restart();
        await allSent(page);
        await walk(page, ['sound', 'sound']);
        await allSent(page);
        await expectRound(page, orchard);
      },
    );
  });

  journey('phone')(
    'a tree is written down and its limbs are drawn from nothing',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/round/register');
      await page.getByRole('button', { name: 'New tree' }).click();
      await page.getByLabel('Code on its tag').fill('Slip side 12');
      await page.getByLabel('Plot', { exact: true }).fill('Slip side');
      await page.getByLabel('Row', { exact: true }).fill('Along the slip');
      await page.getByRole('button', { name: 'Save and draw limbs' }).click();
      await expect(page.getByText(/2 fields are not usable yet/)).toBeVisible();
      await page.getByLabel('Height, cm', { exact: true }).fill('380');
      await page.getByLabel('Spread, cm', { exact: true }).fill('360');
      await page.getByRole('button', { name: 'Save and draw limbs' }).click();
      await page.getByRole('button', { name: 'Draw it' }).waitFor();

      // From here on the taps are counted: six main limbs in two minutes on a phone (common practice, no source)
      const began = Date.now();
      let taps = 0;
      const tap = async (name: string | RegExp) => {
        taps++;
        await page.getByRole('button', { name }).click();
      };
      await tap('One more');
      await tap('One more');
      await tap('Draw it');
      const tip = page.getByRole('slider', { name: /^Tip of A: bearing/ });
      const before = await tip.getAttribute('aria-valuetext');
      await dragBy(page, tip, 30, 20);
      taps++;
      expect(await tip.getAttribute('aria-valuetext')).not.toBe(before);
      await tap('Undo');
      await expect(tip).toHaveAttribute('aria-valuetext', before ?? '');
      await tap('Redo');
      await dragBy(page, page.getByRole('slider', { name: 'Height on the parent limb' }), 0, -12);
      taps++;
      await tap('Save the limb map');
      await expect(page.getByRole('heading', { level: 1, name: 'Slip side 12' })).toBeVisible();
      expect(taps).toBeLessThanOrEqual(8);
      expect(Date.now() - began).toBeLessThan(120_000);
      await allSent(page);
      const { trees } = await (await page.request.get(`${orchard.url}/api/trees`)).json();
      const { id } = trees.find((tree: { code: string }) => tree.code === 'Slip side 12');
      // What was saved an instant ago may not have got into the outbox when the screen was asked
      const limbsThere = async () =>
        (await (await page.request.get(`${orchard.url}/api/trees/${id}`)).json()).limbs;
      await expect
        .poll(async () => (await limbsThere()).filter((limb: { kind: string }) => limb.kind === 'scaffold'))
        .toHaveLength(6);
      const limbs = await limbsThere();
      expect(
        limbs.every((limb: { kind: string; named?: object }) => limb.kind === 'trunk' || limb.named),
      ).toBe(true);
    },
  );

  // On a phone the register is a list
  if (name === 'wide')
    journey('wide')('the register is typed into by keys alone', async ({ page, orchard }) => {
      await open(page, orchard.url, '/round/register');
      const table = page.getByRole('grid', { name: 'Trees' });
      await page.getByRole('button', { name: 'Type in the table' }).press('Enter');
      await table.focus();
      await page.keyboard.press('ArrowDown');
      // A letter that is a key of the page elsewhere begins the cell here
      await page.keyboard.type('gable 02');
      await page.keyboard.press('Tab');
      await expect(page.getByText('gable 02: Code on its tag is now gable 02.')).toBeVisible();
      await expect(table).toBeFocused();
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press('ArrowRight');
      await page.keyboard.press('ArrowRight');
      await page.keyboard.type('99999');
      await page.keyboard.press('Enter');
      await expect(page.getByText('This can be 3,000 at most.')).toBeVisible();
      await page.keyboard.press('Escape');
      await readAnew(page);
      await expect(page.getByText('gable 02')).toBeVisible();
      await expect(page.getByText('Lee wall 02')).toHaveCount(0);
    });

  journey('wide')(
    'a CSV file with three bad rows: the good ones are taken, the bad ones handed back',
    async ({ page, orchard }) => {
      const head = 'Tag,Block,Row,Place,Species,Form,Height,Spread,Note';
      const good = Array.from(
        { length: 5 },
        (_, i) => `Quay ${i + 1},Quay,Only,${i + 1},Apple,fan,200,220,"=A1+""${i}"""`,
      );
      const bad = [
        'Quay 6,Quay,Only,6,Banana,fan,200,200,',
        'Quay 7,Quay,Only,7,Pear,fan,tall,200,',
        'Lee wall 07,Quay,Only,8,Pear,fan,200,200,',
      ];
      await open(page, orchard.url, '/round/register');
      await page.getByRole('button', { name: 'From a file' }).click();
      await page.getByLabel('File of trees').setInputFiles({
        name: 'quay.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from([head, ...good, ...bad].join('\r\n')),
      });
      await expect(page.getByText('5 good', { exact: true })).toBeVisible();
      await expect(page.getByText('3 refused', { exact: true })).toBeVisible();
      for (const reason of [/“Banana” is not a species/, /“tall” is not a number/, /in the register already/])
        await expect(page.getByText(reason)).toBeVisible();
      const download = page.waitForEvent('download');
      await page.getByRole('button', { name: 'Download the refused rows with reasons' }).click();
      expect((await download).suggestedFilename()).toBe('refused-rows.csv');
      await page.getByRole('button', { name: 'Take 5 good rows' }).click();
      await expect(page.getByText('5 trees written down')).toBeVisible();
      await page.getByRole('button', { name: 'To the register' }).click();
      await page.getByLabel('Find').fill('quay');
      await expect(page.getByText('Quay 5')).toBeVisible();
      await page.goto(`${orchard.url}/round/register/import`);
      await page.getByLabel('File of trees').setInputFiles({
        name: 'broken.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from([0xff, 0xfe, 0x00, 0xd8, 0x41]),
      });
      await expect(page.getByText('Nothing was read, nothing was changed')).toBeVisible();
    },
  );
});

/** Every tree of the plot once, in the order it was walked; two findings; nothing twice. */
async function expectRound(page: Page, orchard: Orchard): Promise<void> {
  const { actions } = await (await page.request.get(`${orchard.url}/api/round`)).json();
  const seen = actions
    .map(({ action }: { action: { kind: string; treeId?: string } }) => action)
    .filter(
      (action: { kind: string; treeId?: string }) =>
        action.kind === 'treeSeen' && action.treeId?.startsWith('slip-side'),
    );
  expect(seen.map((action: { treeId: string }) => action.treeId)).toEqual(
    ['01', '02', '03', '04', '05', '06', '07', '08', '09', '11'].map((place) => `slip-side-${place}`),
  );
  const { entries } = await (await page.request.get(`${orchard.url}/api/log?limit=60`)).json();
  const findings = entries.filter(
    (entry: { by: string; entry: { kind: string }; treeId: string | null }) =>
      entry.entry.kind === 'finding' && ['slip-side-03', 'slip-side-06'].includes(entry.treeId ?? ''),
  );
  expect(findings).toHaveLength(2);
  await goTo(page, 'Round');
  await expect(page.getByText('10 of 10 seen', { exact: false })).toBeVisible();
}
