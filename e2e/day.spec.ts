// A day in the orchard: a round and a run on two devices with a server that comes and goes; then all of it stands on another server, byte for byte.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { NOW, nameDevice, PHONE, WIDE } from '../scripts/browser.mjs';
import { startServer, stopServer } from '../scripts/server.mjs';
import {
  allSent,
  closeDown,
  dueMove,
  expect,
  goTo,
  makeMove,
  type Orchard,
  open,
  readAnew,
  readOntoDevice,
  runUpTo,
  startRun,
  test,
  walk,
} from './orchard';

test.use({ viewport: PHONE, serviceWorkers: 'allow' });

test('a day with two devices and a server that comes and goes', async ({ page, browser, orchard }) => {
  test.setTimeout(420_000);
  await page.clock.install();
  await open(page, orchard.url, '/round');
  await page.evaluate(() => navigator.serviceWorker.ready);
  const table = await (await browser.newContext({ viewport: WIDE })).newPage();
  await nameDevice(table, orchard.url, 'Boat crew', '/plan');
  await table.evaluate(() => navigator.serviceWorker.ready);
  await expect(table.getByText('Trees with something to do')).toBeVisible();

  // In the morning the round; for most of it there is no signal
  await page.getByRole('button', { name: 'Continue the round' }).click();
  await readOntoDevice(page);
  await page.getByRole('button', { name: 'Continue: Slip side 01' }).click();
  await walk(page, ['sound', 'sound', 'found']);
  await expect(table.getByText('Slip side 03').first()).toBeVisible();
  await orchard.stop();
  await walk(page, ['sound', 'sound', 'found']);
  await readAnew(page);
  await walk(page, ['sound']);
  await goTo(page, 'Plan');
  await expect(page.getByText('Slip side 06').first()).toBeVisible();
  // Whoever sits at the table looks at a tree meanwhile
  await table
    .getByRole('link', { name: /Lee wall 07/ })
    .first()
    .click();
  await expect(table.getByRole('heading', { level: 1, name: 'Lee wall 07' })).toBeVisible();
  await orchard.restart();
  await allSent(page);
  await goTo(table, 'Plan');
  await expect(table.getByText('Slip side 06').first()).toBeVisible();

  // Then the run, of what was planned; the server is pulled out in the middle of it
  await goTo(page, 'Cut');
  await startRun(page, [/Net loft 23/, /Lee wall 12/]);
  await runUpTo(page, 'Made the cut');
  await orchard.stop();
  await makeMove(page, 'Made the cut');
  await runUpTo(page, 'Made the cut');
  const card = await page.getByRole('heading', { level: 1 }).innerText();
  await readAnew(page);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(card);
  await expect(dueMove(page)).toHaveText('Made the cut');
  await orchard.restart();
  // A cut that lets light in need no more be made once others do
  const planned = Number(/of (\d+)/.exec(card)?.[1]);
  const cuts = await closeDown(page);
  expect(cuts).toBeGreaterThan(planned / 2);
  expect(cuts).toBeLessThanOrEqual(planned);
  await allSent(page);

  // Both say the same of the day
  const summaries = async () => {
    const [here, there] = [await summary(page), await summary(table)];
    return {
      here: here.filter((row) => !there.includes(row)),
      there: there.filter((row) => !here.includes(row)),
    };
  };
  await expect.poll(summaries, { timeout: 90_000 }).toEqual({ here: [], there: [] });
  await goTo(table, 'Book');
  await expect(table.getByText(/Run closed/).first()).toBeVisible();
  const made = await cutsOf(page, orchard.url);
  expect(made).toHaveLength(cuts);
  await expectTheSameElsewhere(page, browser, orchard, made);
});

/** What Today says to everybody: not who did what when, and whom that concerns. */
async function summary(page: Page): Promise<string[]> {
  await goTo(page, 'Today');
  await readAnew(page);
  await expect(page.getByText(/recheck/).first()).toBeVisible();
  // Until its rows stand still
  for (let rows = -1; ; await page.waitForTimeout(1_000)) {
    const now = await page.getByRole('main').getByRole('link').count();
    if (now === rows) break;
    rows = now;
  }
  const rows = await page.getByRole('main').getByRole('link').allInnerTexts();
  return rows
    .map((row) => row.replace(/\s+/g, ' ').trim())
    .filter((row) => !row.includes('crew'))
    .sort();
}

async function cutsOf(page: Page, url: string): Promise<string[]> {
  const { entries } = await (await page.request.get(`${url}/api/log?limit=200`)).json();
  return entries
    .filter(
      (entry: { at: string; entry: { action?: { kind: string } } }) =>
        entry.at >= NOW && entry.entry.action?.kind === 'cutMade',
    )
    .map((entry: { treeId: string }) => entry.treeId);
}

/** The archive into an empty server: the same cuts in its log, and the same archive out of it again. */
async function expectTheSameElsewhere(
  page: Page,
  browser: Browser,
  orchard: Orchard,
  made: string[],
): Promise<void> {
  const folder = mkdtempSync(path.join(tmpdir(), 'day-'));
  const { child, url } = await startServer(
    ['--data', path.join(folder, 'data'), '--port', '0', '--now', NOW],
    {
      quiet: true,
    },
  );
  const elsewhere = await (await browser.newContext({ viewport: WIDE, serviceWorkers: 'block' })).newPage();
  try {
    const archiveOf = async (from: string) => (await page.request.get(`${from}/api/archive.ndjson`)).body();
    const archive = await archiveOf(orchard.url);
    await nameDevice(elsewhere, url, 'Table', '/round/register/import');
    await elsewhere.getByLabel('File of trees').setInputFiles({
      name: 'archive.ndjson',
      mimeType: 'application/x-ndjson',
      buffer: archive,
    });
    await elsewhere.getByRole('button', { name: 'Bring the whole orchard' }).click();
    await expect(elsewhere.getByText('48 trees came in')).toBeVisible({ timeout: 60_000 });
    expect((await archiveOf(url)).equals(archive)).toBe(true);
    expect(await cutsOf(elsewhere, url)).toEqual(made);
  } finally {
    await elsewhere.context().close();
    await stopServer(child);
    rmSync(folder, { recursive: true, force: true });
  }
}
