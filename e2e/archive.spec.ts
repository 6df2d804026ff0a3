// A whole orchard moves to another server: out as a file, in by the front door, and the same there by eye and by bytes.
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { NOW, nameDevice } from '../scripts/browser.mjs';
import { startServer, stopServer } from '../scripts/server.mjs';
import { expect, test } from './orchard';

test('an archive brings the orchard into an empty server, with its log and what is due', async ({
  page,
  orchard,
}) => {
  const folder = mkdtempSync(path.join(tmpdir(), 'archive-'));
  // Each on a connection of its own: one that lay idle may be closed by the server while it is asked
  const headers = { connection: 'close' };
  const archiveOf = async (url: string) =>
    (await page.request.get(`${url}/api/archive.ndjson`, { headers })).body();
  const { child, url } = await startServer(
    ['--data', path.join(folder, 'data'), '--port', '0', '--now', NOW],
    { quiet: true },
  );
  try {
    const archive = await archiveOf(orchard.url);
    const file = path.join(folder, 'archive.ndjson');
    writeFileSync(file, archive);
    await nameDevice(page, url, 'Boat crew', '/round/register');
    await page.getByRole('button', { name: 'From a file' }).click();
    await expect(page.getByRole('button', { name: 'Choose a file' })).toBeEnabled();
    await page.getByLabel('File of trees').setInputFiles(file);
    await page.getByRole('button', { name: 'Bring the whole orchard' }).click();
    await expect(page.getByText('48 trees came in')).toBeVisible({ timeout: 60_000 });
    await page.getByRole('button', { name: 'To the register' }).click();
    await expect(page.getByText('Lee wall 07').first()).toBeVisible();
    const [here, there] = await Promise.all([archive, archiveOf(url)]);
    expect(there.equals(here)).toBe(true);
    await page.reload();
    await expect(page.getByText('Lee wall 07').first()).toBeVisible();
    // A second time it is not offered: an orchard stands there now
    await page.goto(`${url}/round/register/import`);
    await expect(page.getByRole('button', { name: 'Choose a file' })).toBeEnabled();
    await page.getByLabel('File of trees').setInputFiles(file);
    await expect(page.getByRole('button', { name: 'No good row' })).toBeVisible();
    expect((await archiveOf(url)).equals(archive)).toBe(true);
  } finally {
    await stopServer(child);
    rmSync(folder, { recursive: true, force: true });
  }
});
