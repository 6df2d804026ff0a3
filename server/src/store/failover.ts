// A disk that can be read and takes nothing any more: the embedded database is read on from a copy, which takes no writes, until the disk takes them again.
import { closeSync, cpSync, fsyncSync, mkdtempSync, openSync, rmSync, statfsSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import type { PGlite } from '@electric-sql/pglite';
import { isReadOnly, isUnwritten } from './faults';

/** What Drizzle asks of an embedded database. */
type Client = Pick<PGlite, 'query' | 'transaction'>;

/** A database that cannot write its log has ended; like a server that crashed it is begun anew. @source PostgreSQL documentation, appendix A: 57P02 crash_shutdown */
class Ended extends Error {
  readonly code = '57P02';
}

/** The functions of the engine that PGlite turns round in. */
interface Engine {
  _PostgresMainLoopOnce(): void;
  _PostgresSendReadyForQueryIfNecessary(): void;
  _pgl_pq_flush(): void;
  stackRestore(pointer: number): void;
}

/** An error of a statement, after which the engine goes on. @source PGlite, src/pglite.ts: POSTGRES_MAIN_LONGJMP */
const STATEMENT_FAILED = 100;

/**
 * Where PostgreSQL panics its process ends. PGlite takes that for one more failed statement and asks again, for ever, on the thread that
 * answers: from here on it throws instead.
 */
export function endsAtPanic(client: PGlite): PGlite {
  const engine = (client as unknown as { mod: Engine }).mod;
  const { _PostgresMainLoopOnce: once, stackRestore } = engine;
  let ended: Ended | null = null;
  engine._PostgresMainLoopOnce = () => {
    if (ended) throw ended;
    try {
      once();
    } catch (error) {
      if ((error as { status?: unknown }).status !== STATEMENT_FAILED)
        ended = new Ended('The database could not write its log.', { cause: error });
      throw error;
    }
  };
  // The one place where PGlite lets an error of ours out
  engine.stackRestore = (pointer) => {
    if (ended) throw ended;
    stackRestore(pointer);
  };
  for (const name of ['_PostgresSendReadyForQueryIfNecessary', '_pgl_pq_flush'] as const) {
    const go = engine[name];
    engine[name] = () => {
      if (!ended) go();
    };
  }
  return client;
}

interface Held {
  client: PGlite;
  /** Of the copy that is read; null where it is the database itself. */
  copy: string | null;
}

export interface Lasting {
  client: Client;
  dump(): Promise<Blob>;
  /** Nothing can be written for now. */
  isReadOnly(): boolean;
  close(): Promise<void>;
}

/**
 * A database that outlives its disk: one that ended is begun anew from what it had written; where nothing can be written, on a copy that is
 * only read.
 *
 * @param folder of the database
 * @param open opens it, from this folder or from a copy elsewhere
 */
export async function lasting(folder: string, open: (folder: string) => Promise<PGlite>): Promise<Lasting> {
  let held: Held = { client: await open(folder), copy: null };
  let turning: Promise<void> | null = null;

  const turn = async () => {
    if (takesWrites(folder)) {
      await leave(held);
      held = { client: await open(folder), copy: null };
    } else if (held.copy === null) {
      const copy = mkdtempSync(path.join(tmpdir(), 'mortisect-read-'));
      cpSync(folder, copy, { recursive: true });
      const client = await open(copy);
      await client.exec('set session characteristics as transaction read only');
      held = { client, copy };
    }
  };
  const turned = () => {
    turning ??= turn().finally(() => {
      turning = null;
    });
    return turning;
  };
  const run = async <T>(work: (client: PGlite) => Promise<T>): Promise<T> => {
    await turning;
    const { client, copy } = held;
    try {
      return await work(client);
    } catch (error) {
      const hasEnded = copy === null && (error instanceof Ended || isUnwritten(error));
      if (!hasEnded && !(copy !== null && isReadOnly(error) && takesWrites(folder))) throw error;
      // Others may have turned it meanwhile
      if (held.client === client) await turned();
      return work(held.client);
    }
  };
  return {
    client: {
      query: ((...given: Parameters<Client['query']>) =>
        run((client) => client.query(...given))) as Client['query'],
      transaction: (work) => run((client) => client.transaction(work)),
    },
    dump: () => run((client) => client.dumpDataDir('none')),
    isReadOnly: () => held.copy !== null,
    close: async () => {
      await turning;
      if (held.copy === null) await held.client.close().catch(ignoreEnded);
      else await leave(held);
    },
  };
}

/** A copy has served; the database itself stays. */
async function leave({ client, copy }: Held): Promise<void> {
  if (copy === null) return;
  await client.close().catch(ignoreEnded);
  rmSync(copy, { recursive: true, force: true });
}

function ignoreEnded(error: unknown): void {
  if (!(error instanceof Ended)) throw error;
}

/** A piece of the log is 16 MB, and the next is begun beside it. */
const ROOM_BYTES = 32 * 1024 ** 2;

/** Whether the disk under a folder takes what is written, and has room for it. */
function takesWrites(folder: string): boolean {
  const probe = path.join(folder, '..', 'probe');
  try {
    const opened = openSync(probe, 'w', 0o600);
    try {
      writeSync(opened, 'x');
      fsyncSync(opened);
    } finally {
      closeSync(opened);
    }
    rmSync(probe, { force: true });
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize > ROOM_BYTES;
  } catch {
    return false;
  }
}
