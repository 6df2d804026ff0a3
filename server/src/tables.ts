// `npm run rebuild`: do the tables say what the history says? With `--tables rebuild` they do afterwards.

import path from 'node:path';
import { english } from '@mortisect/words/all';
import { refusalWords } from '@mortisect/words/trade';
import type { Config } from './config';
import { completeHistory } from './services/beginnings';
import { damageWords } from './services/condition';
import { spoiltPhotos } from './services/photos';
import { compareTables, rebuild } from './services/rebuild';
import { damagedPages } from './store/pages';
import { withStore } from './store/withStore';

const SHOWN = 20;

/**
 * @param now ISO moment, for lines that the history still lacks
 * @returns what to tell, and whether the tables agree in the end
 * @throws {StartFailure} when the folder is in use or the database is not to be had; nothing is changed then
 */
export async function checkTables(config: Config, now: string): Promise<{ words: string[]; agree: boolean }> {
  return withStore(config, async ({ db }) => {
    await completeHistory(db, now);
    const { differences: found, aside } = await compareTables(db);
    const rebuilt = config.tables === 'rebuild' && found.length > 0;
    if (rebuilt) await rebuild(db);
    const damaged = config.databaseUrl ? [] : await damagedPages(path.join(config.dataFolder, 'db'));
    const photos = await spoiltPhotos(config.photoFolder);
    const left = rebuilt ? (await compareTables(db)).differences : found;
    return {
      words: [
        found.length === 0
          ? 'The tables say what the history says.'
          : `${found.length === 1 ? '1 row does' : `${found.length} rows do`} not say what the history says:`,
        ...found.slice(0, SHOWN).map(({ table, id, why }) => `  ${table} ${id}: ${why}`),
        ...(found.length > SHOWN ? [`  and ${found.length - SHOWN} more`] : []),
        ...aside.map(
          ({ seq, why }) => `  line ${seq} is kept and leads to nothing: ${refusalWords(english, why)}`,
        ),
        ...(rebuilt ? ['They were made anew from the history.'] : []),
        ...(damaged.length > 0
          ? [
              `The database is damaged: ${await damageWords(db, damaged)}. The disk may be failing: bring back the last good copy (npm run restore).`,
            ]
          : []),
        ...photos.map((id) => `  photo ${id} is not what was kept: send it again, or take it from a copy`),
        ...(found.length > 0 && !rebuilt ? ['Nothing was changed. `npm run rebuild` makes them anew.'] : []),
      ],
      agree: left.length === 0 && damaged.length === 0 && photos.length === 0,
    };
  });
}
