// The command that compares the tables with the history: it says what differs, changes nothing unless asked, and keeps off a folder in use.
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { readConfig } from './config';
import { loadEmptySite } from './demo/emptySite';
import { completeHistory } from './services/beginnings';
import { holdDataFolder } from './store/dataFolder';
import { openDb } from './store/openDb';
import { site } from './store/schema';
import { checkTables } from './tables';
import { NOW } from './testing/orchard';

const folder = mkdtempSync(path.join(tmpdir(), 'tables-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const tables = (how: string) => checkTables(readConfig(['--data', folder, '--tables', how], {}), NOW);

test('a row that says something else is named; only a rebuild makes it anew', async () => {
  const { db, close } = await openDb({ folder });
  await loadEmptySite(db, NOW);
  await completeHistory(db, NOW);
  await db.update(site).set({ by: 'Nobody' });
  await close();
  const told = await tables('check');
  expect(told.agree).toBe(false);
  expect(told.words).toEqual([
    '1 row does not say what the history says:',
    '  site site: other',
    'Nothing was changed. `npm run rebuild` makes them anew.',
  ]);
  expect((await tables('rebuild')).agree).toBe(true);
  expect(await tables('check')).toEqual({ words: ['The tables say what the history says.'], agree: true });
  const photos = path.join(folder, 'photos');
  mkdirSync(photos);
  writeFileSync(path.join(photos, '0193f000-0000-7000-8000-0000000000f0.jpg'), 'half');
  const { words, agree } = await tables('check');
  expect([agree, words[1]]).toEqual([
    false,
    '  photo 0193f000-0000-7000-8000-0000000000f0 is not what was kept: send it again, or take it from a copy',
  ]);
  const held = holdDataFolder(folder);
  await expect(tables('check')).rejects.toThrow(/use|running|folder/i);
  held.release();
});
