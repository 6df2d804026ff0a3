// `npm run backup` and `npm run restore`: a safe copy of everything, and everything back from one.
import { createReadStream, existsSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { english } from '@mortisect/words/all';
import type { Config } from './config';
import { askForCopy } from './control';
import { loadEmptySite } from './demo/emptySite';
import { StartFailure } from './failure';
import { readCopy } from './files/archiveFile';
import { makePool } from './pool/pool';
import { tellProblemsIn } from './refusal';
import { importArchive } from './services/archive';
import { completeHistory } from './services/beginnings';
import { copyName, makeCopy } from './services/copies';
import { withStore } from './store/withStore';

const NOT_IN_A_COPY =
  'A copy holds no passphrase, no sessions, no keys of weather stations and no calendar address: set these anew where you restore it.';

/**
 * Makes a copy in the file that was named, or in the folder of copies; a server may run meanwhile.
 *
 * @returns what to tell
 * @throws {StartFailure | HttpProblem} when there is nothing to copy, no room, or the database is not to be had
 */
export async function backup(config: Config): Promise<string[]> {
  tellProblemsIn(english);
  const now = config.now ?? new Date().toISOString();
  const file = config.backup ? path.resolve(config.backup) : path.join(folderOf(config), copyName(now));
  const copy =
    (await askedOf(config, file)) ??
    (await withStore(config, (store) => makeCopy({ ...config, db: store.db }, file)));
  return [
    `A copy of everything lies in ${copy.file}`,
    `  ${megabytes(copy.bytes)}, ${copy.lines} lines, read back and found whole.`,
    `  ${NOT_IN_A_COPY}`,
  ];
}

const askedOf = ({ databaseUrl, dataFolder }: Config, file: string) =>
  databaseUrl === undefined ? askForCopy(dataFolder, file) : null;

function folderOf({ copyFolder }: Config): string {
  if (copyFolder !== null) return copyFolder;
  throw new StartFailure('There is no folder for copies.', 'Name the file: npm run backup -- FILE.');
}

const megabytes = (bytes: number) => `${(bytes / 1024 ** 2).toFixed(1)} MB`;

/**
 * Brings a copy into a data folder or a database that has no orchard yet.
 *
 * @returns what to tell
 * @throws {StartFailure | HttpProblem} when the copy is not whole, or something stands there already; nothing is changed then
 */
export async function restore(config: Config, file: string): Promise<string[]> {
  tellProblemsIn(english);
  if (!existsSync(file) || !statSync(file).isFile())
    throw new StartFailure(`There is no copy ${path.resolve(file)}.`, 'Name the file of a copy.');
  // Before anything is begun: most of what can be wrong is wrong with the copy
  await readCopy(file);
  const isNew = config.databaseUrl === undefined && !existsSync(config.dataFolder);
  try {
    const came = await withStore(config, async (store) => {
      await loadEmptySite(store.db, config.now ?? new Date().toISOString());
      await completeHistory(store.db, config.now ?? new Date().toISOString());
      const pool = makePool();
      try {
        return await importArchive({
          say: english,
          db: store.db,
          pool,
          photoFolder: config.photoFolder,
          body: createReadStream(file),
        });
      } finally {
        await pool.close();
      }
    });
    const { trees, findings, actions, hours, photos } = came;
    return [
      `Everything of ${path.resolve(file)} is in ${config.databaseUrl === undefined ? config.dataFolder : 'the database'}:`,
      `  trees ${trees}, findings ${findings}, things done ${actions}, hours of weather ${hours}, photos ${photos}.`,
      ...came.aside.map(({ seq, why }) => `  line ${seq} is kept and leads to nothing: ${why}`),
      `  ${NOT_IN_A_COPY}`,
    ];
  } catch (error) {
    if (isNew) rmSync(config.dataFolder, { recursive: true, force: true });
    throw error;
  }
}
