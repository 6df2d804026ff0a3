// A command's own turn at the database: nobody else has the folder meanwhile, and both are given back however it ends.
import type { Config } from '../config';
import { holdDataFolder } from './dataFolder';
import { type OpenDb, openDb } from './openDb';

/** @throws {StartFailure} when the folder is in use or the database is not to be had; nothing is changed then */
export async function withStore<T>(
  { databaseUrl, dataFolder }: Pick<Config, 'databaseUrl' | 'dataFolder'>,
  use: (store: OpenDb) => Promise<T>,
): Promise<T> {
  const folder = databaseUrl ? null : holdDataFolder(dataFolder);
  try {
    const store = await openDb(databaseUrl ? { url: databaseUrl } : { folder: dataFolder });
    try {
      return await use(store);
    } finally {
      await store.close();
    }
  } finally {
    folder?.release();
  }
}
