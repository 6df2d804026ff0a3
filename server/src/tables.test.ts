// The command that compares the tables with the history: it says what differs, changes nothing unless asked, and keeps off a folder in use.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readConfig } from './config';
import { loadEmptySite } from './demo/emptySite';
import { holdDataFolder } from './store/dataFolder';
import { openDb } from './store/openDb';
import { site } from './store/schema';
import { checkTables } from './tables';
import { NOW } from './testing/orchard';

const folder = mkdtempSync(path.join(tmpdir(), 'tables-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const tables = (how: string) => checkTables(readConfig(['--data', folder, '--tables', how], {}), NOW);
async function inDb<T>(work: (db: Awaited<ReturnType<typeof openDb>>['db']) => Promise<T>): Promise<T> {
  const store = await openDb({ folder });
  try {
    return await work(store.db);
  } finally {
    await store.close();
  }
}

test('a row that says something else is named; only a rebuild makes it anew', async () => {
  await inDb((db) => loadEmptySite(db, NOW));
  expect(await tables('check')).toEqual({ words: ['The tables say what the history says.'], agree: true });
  await inDb((db) => db.update(site).set({ by: 'Nobody' }));
  const told = await tables('check');
  expect(told.agree).toBe(false);
  expect(told.words).toEqual([
    '1 row does not say what the history says:',
    '  site site: other',
    'Nothing was changed. `npm run rebuild` makes them anew.',
  ]);
  expect((await tables('rebuild')).agree).toBe(true);
  expect(await inDb((db) => db.select({ by: site.by }).from(site))).toEqual([{ by: 'Mortisect' }]);
  const held = holdDataFolder(folder);
  await expect(tables('check')).rejects.toThrow(/use|running|folder/i);
  held.release();
}, 120_000);
