// Trouble: the server goes away, someone else was faster, a thumb slipped. Nothing entered is lost and nothing counts twice.
import type { Page } from '@playwright/test';
import {
  allSent,
  expect,
  goTo,
  makeMove,
  open,
  PHONE,
  readAnew,
  runUpTo,
  sayKind,
  sayWhere,
  startRun,
  test,
  WIDE,
} from './orchard';

test.use({ viewport: PHONE });

test('a finding outlives a server that is killed and a page that is reloaded half way, and is saved once', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/round/slip-side-06');
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Dead', 'Dead wood');
  await sayWhere(page);
  await page.getByLabel('Note').fill('Dry to the fork.');
  await readAnew(page);
  await expect(page.getByLabel('Note')).toHaveValue('Dry to the fork.');
  await orchard.stop();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(page.getByText('1 to send')).toBeVisible();
  await expect(page.getByRole('button', { name: /^Change: Dead wood/ })).toBeVisible();
  await orchard.restart();
  await allSent(page);
  const { entries } = await (await page.request.get(`${orchard.url}/api/log?limit=200`)).json();
  const own = (entry: { treeId: string; entry: { kind: string } }) =>
    entry.treeId === 'slip-side-06' && entry.entry.kind === 'finding';
  expect(entries.filter(own)).toHaveLength(1);
});

test('two change the same finding: both versions are shown and the choice is kept', async ({
  page,
  orchard,
  browser,
}) => {
  await open(page, orchard.url, '/round/slip-side-11');
  const other = await (await browser.newContext({ viewport: WIDE })).newPage();
  await open(other, orchard.url, '/round/slip-side-11');
  for (const [opened, to] of [
    [page, '44'],
    [other, '52'],
  ] as const) {
    await opened.getByRole('button', { name: /^Change: Cytospora canker/ }).click();
    await opened.getByLabel('Ends at, cm', { exact: true }).fill(to);
  }
  await other.getByRole('button', { name: 'Save finding' }).click();
  await allSent(other);
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(page.getByText('1 change conflicts: choose one')).toBeVisible();
  await page.getByRole('button', { name: 'Show', exact: true }).click();
  const asked = page.getByRole('dialog', { name: 'Waiting on this device' });
  await expect(asked).toContainText('19 to 44 cm');
  await expect(asked).toContainText('19 to 52 cm');
  await asked.getByRole('button', { name: 'Keep mine' }).click();
  await page.keyboard.press('Escape');
  await allSent(page);
  await goTo(page, 'Book');
  await expect(page.getByText(/19 cm to 44 cm/).first()).toBeVisible();
  await expect(page.getByText(/19 cm to 52 cm/).first()).toBeVisible();
});

test('a page of an older version is told and reloaded; what waits on its device is there afterwards, and is sent once', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/round/slip-side-06');
  await expect(page.getByText('A newer version is here.')).toHaveCount(0);
  await page.route('**/api/health', async (route) => {
    const answer = await route.fetch();
    await route.fulfill({ json: { ...(await answer.json()), app: 'entry-00ff.js' } });
  });
  await page.route('**/api/findings/**', (route) => route.abort());
  await readAnew(page);
  await expect(page.getByText('A newer version is here.')).toBeVisible();
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Dead', 'Dead wood');
  await sayWhere(page);
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(
    page.getByText('A newer version is here. What waits to be sent stays on this device.'),
  ).toBeVisible();
  await page.unroute('**/api/health');
  await page.getByRole('button', { name: 'Reload', exact: true }).click();
  await expect(page.getByText('A newer version is here.')).toHaveCount(0, { timeout: 30_000 });
  await expect(page.getByText('1 to send')).toBeVisible();
  await page.unroute('**/api/findings/**');
  await allSent(page);
  await expect(page.getByRole('button', { name: /^Change: Dead wood/ })).toBeVisible();
  const { findings } = await (await page.request.get(`${orchard.url}/api/trees/slip-side-06`)).json();
  expect(findings.filter(({ disorder }: { disorder: string }) => disorder === 'DEAD')).toHaveLength(1);
});

test('a slip is undone, a cut that could not be made stays in the plan', async ({ page, orchard }) => {
  await page.clock.install();
  await open(page, orchard.url, '/cut');
  await startRun(page, [/Lee wall 07/]);
  await runUpTo(page, 'Made the cut');
  await makeMove(page, 'Made the cut');
  await expect(heading(page)).toHaveText('Check the cut face');
  // A finding that was made with a reading is taken back with it
  await page.getByRole('radio', { name: 'Still brown' }).click();
  await page.getByRole('button', { name: 'Still brown: plan a cut further back' }).click();
  await expect(heading(page)).toHaveText('Cut 2 of 2');
  await page.getByRole('button', { name: 'Undo: wood read, brown' }).click();
  await expect(heading(page)).toHaveText('Check the cut face');
  await page.getByRole('button', { name: /^Undo: cut on/ }).click();
  await expect(heading(page)).toHaveText('Cut 1 of 1');
  await page.getByRole('button', { name: 'Skip this cut' }).click();
  await page.getByRole('radio', { name: 'Out of reach' }).click();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByText('Not made today: Out of reach')).toBeVisible();
  await goTo(page, 'Plan');
  await expect(page.getByRole('link', { name: /Lee wall 07/ })).toContainText('1 step');
});

test.describe('with a passphrase', () => {
  const PASSPHRASE = 'lee wall and net loft';
  test.use({ serverEnv: { MORTISECT_PASSPHRASE: PASSPHRASE } });

  test('it is asked for first, and what was marked outlives a session that runs out', async ({
    page,
    orchard,
  }) => {
    const signIn = async (passphrase: string) => {
      await page.getByLabel('Passphrase of the site').fill(passphrase);
      await page.getByRole('button', { name: 'Sign in' }).click();
    };
    await page.goto(orchard.url);
    await signIn('harbour light');
    await expect(page.getByText('That is not the passphrase of this site.')).toBeVisible();
    await signIn(PASSPHRASE);
    await page.getByLabel('Who works on this device?').waitFor();
    await open(page, orchard.url, '/round/slip-side-06');
    await page.getByRole('button', { name: 'New finding' }).click();
    await sayKind(page, 'Dead', 'Dead wood');
    await sayWhere(page);
    await page.context().clearCookies();
    await page.getByRole('button', { name: 'Save finding' }).click();
    // Counted, though the sign-in may stand before it already
    await expect(page.getByText('1 to send')).toBeAttached();
    await readAnew(page);
    await signIn(PASSPHRASE);
    await allSent(page);
    await expect(page.getByRole('button', { name: /^Change: Dead wood/ })).toBeVisible();
  });
});

function heading(page: Page) {
  return page.getByRole('heading', { level: 1 });
}
