// May this process have this data folder? One process a folder, told by a lock with its process id, and held by the system while it lives.
import {
  chmodSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { createServer, type Server } from 'node:net';
import path from 'node:path';
import { StartFailure } from '../failure';

interface HeldFolder {
  release(): void;
}

/**
 * Takes the data folder for this process. A lock whose process is gone is taken over.
 *
 * @param folder made when missing
 * @throws {StartFailure} when the folder cannot be written or a live process holds it; nothing in it is touched then
 */
export function holdDataFolder(folder: string): HeldFolder {
  const lock = path.join(folder, 'lock');
  try {
    makeFolder(folder);
    closeToOthers(folder);
    takeLock(lock, folder);
    const held = heldBySystem(folder);
    sweep(path.join(folder, 'photos'));
    return {
      release: () => {
        held?.close();
        letGo(lock);
      },
    };
  } catch (error) {
    if (error instanceof StartFailure) throw error;
    throw new StartFailure(
      `The data folder ${folder} cannot be written (${(error as NodeJS.ErrnoException).code ?? error}).`,
      'Choose another with --data FOLDER, or give this user the right to write there.',
    );
  }
}

/** The disk may take nothing any more; the next start finds that nobody holds this lock. */
function letGo(lock: string): void {
  try {
    rmSync(lock, { force: true });
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'EROFS') throw error;
  }
}

/**
 * A name that dies with its process, whoever removes the file of the lock: the system gives it to one process only.
 *
 * @returns null where the system has no such names
 * @source unix(7), Linux: abstract sockets
 */
function heldBySystem(folder: string): Server | null {
  if (process.platform !== 'linux') return null;
  const { dev, ino } = statSync(folder);
  const server = createServer();
  // That it is taken is known at once
  server.on('error', () => undefined);
  server.listen(`\0mortisect-${dev}-${ino}`).unref();
  if (server.listening) return server;
  throw inUse(folder, 'another process');
}

const inUse = (folder: string, by: string) =>
  new StartFailure(
    `The data folder ${folder} is in use by ${by}.`,
    'Stop that process first, or choose another folder with --data FOLDER.',
  );

/** A file that was being written when its process ended has this end; one that is still being written is younger. */
const PART = '.part';
const PART_LIVES_MS = 3_600_000;

/** Takes away what was left half written. @param folder it may be missing */
export function sweep(folder: string): void {
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder)) {
    const file = path.join(folder, name);
    if (name.endsWith(PART) && Date.now() - statSync(file).mtimeMs > PART_LIVES_MS)
      rmSync(file, { force: true });
  }
}

/** Level by level: Node's own recursive mkdir never returns on file systems that take no folders, such as /proc. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) return;
  makeFolder(path.dirname(folder));
  mkdirSync(folder, { mode: 0o700 });
}

/** Earlier versions left what they made here open to everybody on the machine. The folder itself may be somebody's own and stays as it is. */
function closeToOthers(folder: string): void {
  for (const made of ['db', 'photos'].map((name) => path.join(folder, name)))
    if (existsSync(made) && (statSync(made).mode & 0o077) !== 0) chmodSync(made, 0o700);
}

function takeLock(lock: string, folder: string): void {
  const mine = JSON.stringify({ pid: process.pid, started: startedAt(process.pid) });
  for (let tries = 0; tries < 3; tries++) {
    try {
      writeFileSync(lock, mine, { flag: 'wx' });
      return;
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error;
    }
    const pid = liveHolder(lock);
    if (pid !== null) throw inUse(folder, `process ${pid}`);
    rmSync(lock, { force: true });
  }
  throw new StartFailure(
    `The data folder ${folder} is being taken by several processes at once.`,
    'Start one of them.',
  );
}

/** The process id in the lock if that very process still runs; null for a stale or unreadable lock. */
function liveHolder(lock: string): number | null {
  let held: { pid?: unknown; started?: unknown };
  try {
    held = JSON.parse(readFileSync(lock, 'utf8'));
  } catch {
    return null;
  }
  if (typeof held.pid !== 'number' || !runs(held.pid)) return null;
  const started = startedAt(held.pid);
  // The same number may belong to a later process: its start time then differs.
  return held.started === null || started === null || held.started === started ? held.pid : null;
}

function runs(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/** Start time of a process in clock ticks since boot, where /proc tells it. */
function startedAt(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
  } catch {
    return null;
  }
}
