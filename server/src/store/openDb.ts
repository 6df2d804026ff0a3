// The database: PGlite in a folder, or a PostgreSQL server; one schema, one set of migrations.
import { existsSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { gzipSync } from 'node:zlib';
import type { PGlite } from '@electric-sql/pglite';
import { sql } from 'drizzle-orm';
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core';
import { StartFailure } from '../failure';
import { endsAtPanic, type Lasting, lasting } from './failover';
import { isAtOnce } from './faults';
import * as schema from './schema';

export type Db = PgDatabase<PgQueryResultHKT, typeof schema>;
export type Store = Db | Parameters<Parameters<Db['transaction']>[0]>[0];

export interface OpenDb {
  db: Db;
  kind: 'pglite' | 'postgres';
  /** The whole database as a tar file, from which `copyOf` opens another; null where a server keeps it. */
  dump: (() => Promise<Blob>) | null;
  /** The disk takes nothing for now: a copy is read, and whoever writes is refused. */
  isReadOnly(): boolean;
  close(): Promise<void>;
}

/** `copyOf`: in memory, begun as a copy of a data folder that PGlite wrote as a tar file. */
export type DbPlace = { url: string } | { folder: string } | { copyOf: Blob } | 'memory';

/** Databases on a server, each with connections of their own. */
const onServer = new WeakSet<Db>();

/**
 * Reads while others write: on a server as of one moment. The embedded database has one connection, which this leaves to others in between: what is
 * read there bounds itself.
 */
export function asOfNow<T>(db: Db, read: (store: Store) => Promise<T>): Promise<T> {
  return onServer.has(db)
    ? db.transaction(read, { isolationLevel: 'repeatable read', accessMode: 'read only' })
    : read(db);
}

/** One transaction. Where another wrote the same at the same moment it is done once more, and sees what the other wrote. */
export async function writing<T>(db: Db, work: (tx: Store) => Promise<T>): Promise<T> {
  try {
    return await db.transaction(work);
  } catch (error) {
    if (!isAtOnce(error)) throw error;
    return db.transaction(work);
  }
}

/** Lets whoever asks meanwhile be answered: the embedded database works on the thread that answers, and its promises alone never let go of it. */
export const giveWay = (): Promise<void> => new Promise((resolve) => setImmediate(resolve));

/** Values of each column that are looked at: a thirtieth of what the database would look at, and enough to choose an index. */
const LOOKED_AT = 3;

/** After much came in: how large the tables are now, by which the database chooses its ways. A server looks by itself; the embedded one never does. */
export async function measureTables(db: Db): Promise<void> {
  if (onServer.has(db)) return;
  await db.execute(sql.raw(`set default_statistics_target = ${LOOKED_AT}`));
  for (const table of ['history', 'trees', 'rows', 'findings', 'actions', 'weather_hours']) {
    await giveWay();
    await db.execute(sql`analyze ${sql.identifier(table)}`);
  }
}

const migrationsFolder = fileURLToPath(new URL('../../drizzle', import.meta.url));
// Any fixed number: server processes that start together migrate one after the other.
const MIGRATION_LOCK = 7_301_442;

/**
 * Opens the database and brings it to the schema of this code.
 *
 * @throws {StartFailure} when the database is newer than this code, damaged, or does not answer
 */
export function openDb(place: DbPlace): Promise<OpenDb> {
  return typeof place === 'object' && 'url' in place ? openServer(place.url) : openEmbedded(place);
}

async function openServer(url: string): Promise<OpenDb> {
  const { default: pg } = await import('pg');
  const { drizzle } = await import('drizzle-orm/node-postgres');
  const { migrate } = await import('drizzle-orm/node-postgres/migrator');
  const pool = new pg.Pool({ connectionString: url, max: 8, connectionTimeoutMillis: 5000 });
  // A connection that the server ends while nobody uses it is made anew when one is wanted; unheard, it would end the process
  pool.on('error', () => undefined);
  const client = await pool.connect().catch(async (error: Error) => {
    await pool.end();
    throw new StartFailure(
      `The PostgreSQL server named by DATABASE_URL does not answer (${error.message}).`,
      'Check the URL, and that the server runs.',
    );
  });
  const db = drizzle({ client: pool, schema });
  try {
    await client.query('select pg_advisory_lock($1)', [MIGRATION_LOCK]);
    await refuseNewer(db);
    await migrate(db, { migrationsFolder });
  } catch (error) {
    client.release(true);
    await pool.end();
    throw error;
  }
  await client.query('select pg_advisory_unlock($1)', [MIGRATION_LOCK]);
  client.release();
  onServer.add(db);
  return { db, kind: 'postgres', dump: null, isReadOnly: () => false, close: () => pool.end() };
}

async function openEmbedded(place: Exclude<DbPlace, { url: string }>): Promise<OpenDb> {
  const { drizzle } = await import('drizzle-orm/pglite');
  const { migrate } = await import('drizzle-orm/pglite/migrator');
  const kept = await openPGlite(place).catch((error: unknown) => {
    const where = typeof place === 'object' && 'folder' in place ? place.folder : 'memory';
    const isBegun = existsSync(path.join(where, 'db'));
    throw new StartFailure(
      `The database in ${where} cannot be ${isBegun ? 'opened' : 'begun'} (${reasonOf(error)}).`,
      isBegun
        ? 'Nothing was changed, and the folder may be damaged. Keep it as it is, and bring the last good copy into another: npm run restore -- COPY --data FOLDER.'
        : 'Make room there, or choose another folder with --data FOLDER.',
    );
  });
  const db = drizzle({ client: kept.client as PGlite, schema });
  try {
    if ((await refuseNewer(db)) && typeof place === 'object' && 'folder' in place)
      await layAside(kept, place.folder);
    await migrate(db, { migrationsFolder });
  } catch (error) {
    await kept.close();
    throw error;
  }
  return { db, kind: 'pglite', dump: kept.dump, isReadOnly: kept.isReadOnly, close: kept.close };
}

async function openPGlite(place: Exclude<DbPlace, { url: string }>): Promise<Lasting> {
  const { PGlite } = await import('@electric-sql/pglite');
  const { SYNCED_START, SyncedFiles, syncFolder, syncTree } = await import('./syncedFiles');
  // A cluster that its makers have begun: to begin one here takes four seconds, to copy one takes half of one
  const { dataDir: begun } = await import('@electric-sql/pglite-prepopulatedfs');
  if (place === 'memory') return inMemory(await PGlite.create({ loadDataDir: await begun() }));
  if ('copyOf' in place) return inMemory(await PGlite.create({ loadDataDir: place.copyOf }));
  const folder = path.join(place.folder, 'db');
  if (!existsSync(folder)) {
    // Under another name until all of it is there: a start that is cut off begins anew
    const beginning = `${folder}.begun`;
    rmSync(beginning, { recursive: true, force: true });
    try {
      const client = await PGlite.create({ dataDir: beginning, loadDataDir: await begun() });
      await client.close();
      await syncTree(beginning);
    } catch (error) {
      rmSync(beginning, { recursive: true, force: true });
      throw error;
    }
    renameSync(beginning, folder);
    syncFolder(place.folder);
  }
  return lasting(folder, async (at) =>
    endsAtPanic(await PGlite.create({ fs: new SyncedFiles(at), startParams: SYNCED_START })),
  );
}

/** The file system of the engine throws numbers. @source WASI snapshot preview 1: errno */
const REASONS: Record<number, string> = {
  2: 'no right to write there',
  19: 'the disk takes no more of this user',
  29: 'the disk fails',
  51: 'there is no room on the disk',
  69: 'the disk can only be read',
};

function reasonOf(error: unknown): string {
  if (error instanceof Error) return error.message;
  const { errno } = (error ?? {}) as { errno?: unknown };
  return typeof errno === 'number' ? (REASONS[errno] ?? `fault ${errno} of the file system`) : String(error);
}

const inMemory = (client: PGlite): Lasting => ({
  client,
  dump: () => client.dumpDataDir('none'),
  isReadOnly: () => false,
  close: () => client.close(),
});

/** @returns whether migrations wait that a database that is kept already has not seen */
async function refuseNewer(db: Db): Promise<boolean> {
  const journal = path.join(migrationsFolder, 'meta/_journal.json');
  if (!existsSync(journal))
    throw new StartFailure(
      'The migrations of the database are missing.',
      'Restore the server/drizzle folder.',
    );
  const newestKnown = Math.max(
    ...JSON.parse(readFileSync(journal, 'utf8')).entries.map((entry: { when: number }) => entry.when),
  );
  const there = await db.execute(sql`select to_regclass('drizzle.__drizzle_migrations') as name`);
  if ((there as unknown as { rows: { name: string | null }[] }).rows[0]?.name == null) return false;
  const last = await db.execute(sql`select max(created_at) as last from drizzle.__drizzle_migrations`);
  const newestThere = Number((last as unknown as { rows: { last: string | null }[] }).rows[0]?.last ?? 0);
  if (newestThere > newestKnown) {
    throw new StartFailure(
      'The database was written by a newer version of Mortisect than this one.',
      'Nothing was changed. Start the newer version, or use another data folder.',
    );
  }
  return newestThere > 0 && newestThere < newestKnown;
}

/** In the data folder: the database as it was before it was last brought to another schema. */
export const BEFORE_UPGRADE = 'db-before-upgrade.tar.gz';

/** Whole, or not at all. */
async function layAside({ dump }: Lasting, folder: string): Promise<void> {
  const file = path.join(folder, BEFORE_UPGRADE);
  const packed = gzipSync(Buffer.from(await (await dump()).arrayBuffer()));
  writeFileSync(`${file}.part`, packed, { flush: true, mode: 0o600 });
  renameSync(`${file}.part`, file);
}
