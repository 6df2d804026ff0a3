// Brings the server up and takes it down, leaving nothing half done.
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Logger } from 'pino';
import { version } from '../package.json';
import type { Config } from './config';
import { openControl } from './control';
import { loadEmptySite } from './demo/emptySite';
import { loadDemo } from './demo/load';
import { StartFailure } from './failure';
import { setUpAccess } from './http/access';
import { makeApp } from './http/app';
import { makePool } from './pool/pool';
import { completeHistory } from './services/beginnings';
import { makeChanges } from './services/changes';
import { makeCopyKeeper } from './services/copies';
import { makePlanKeeper } from './services/keptPlans';
import { getTiming } from './services/timing';
import { runClinic } from './standIns/clinicHours';
import { holdDataFolder } from './store/dataFolder';
import { openDb } from './store/openDb';

export interface Running {
  url: string;
  stop(): Promise<void>;
}

const GRACE_MS = 10_000;
const AHEAD_MS = 4000;

/**
 * @throws {StartFailure} when the port, the folder or the database is not to be had; nothing is changed then
 */
export async function start(config: Config, log: Logger): Promise<Running> {
  const undo: (() => Promise<void> | void)[] = [];
  const now = () => config.now ?? new Date().toISOString();
  try {
    const server = createServer();
    // The port first: a second start on the same port must not touch the database.
    await listen(server, config);
    // Whoever listens for changes would keep the server from closing
    let hangUp = () => {};
    undo.push(() => {
      hangUp();
      return close(server);
    });
    server.on('request', notYet);
    const folder = config.databaseUrl ? null : holdDataFolder(config.dataFolder);
    if (folder) undo.push(() => folder.release());
    const store = await openDb(
      config.databaseUrl ? { url: config.databaseUrl } : { folder: config.dataFolder },
    );
    undo.push(() => store.close());
    const access = await setUpAccess(config, store.db);
    if (config.demo) await loadDemo(store.db, now(), config.demoTrees);
    else await loadEmptySite(store.db, now());
    await completeHistory(store.db, now());
    const pool = makePool();
    undo.push(() => pool.close());
    let isAhead = false;
    const changes = makeChanges(store.db, () => isAhead && plans.wake());
    const plans = makePlanKeeper({ db: store.db, pool, now, log, onKept: () => changes.announcePlan() });
    undo.push(() => plans.close());
    const copies = makeCopyKeeper({
      db: store.db,
      photoFolder: config.photoFolder,
      folder: config.copyFolder,
      read: pool.readCopy,
      now,
      log,
    });
    undo.push(() => copies.close());
    if (folder) undo.push(await openControl(config.dataFolder, copies));
    hangUp = () => changes.close();
    undo.push(runClinic(store.db, log, now, config.clinicSeconds, () => changes.announce(null)));
    const app = makeApp({ db: store.db, config, access, pool, changes, copies, log, version, now });
    // Once whoever opens it has their first screen: Today need not wait for ten past years to be worked through
    const ahead = setTimeout(async () => {
      await getTiming(store.db, pool, now()).catch(() => undefined);
      isAhead = true;
      plans.wake();
    }, AHEAD_MS);
    undo.push(() => clearTimeout(ahead));
    server.off('request', notYet);
    server.on('request', app);
    return { url: urlOf(server, config), stop: () => unwind(undo) };
  } catch (error) {
    await unwind(undo);
    throw error;
  }
}

const notYet = (_request: unknown, response: import('node:http').ServerResponse) => {
  response.writeHead(503, { 'Content-Type': 'application/problem+json', 'Retry-After': '1' });
  response.end(
    JSON.stringify({
      type: 'starting',
      title: 'Starting',
      status: 503,
      detail: 'The server is starting. Try again in a moment.',
      instance: '',
    }),
  );
};

function listen(server: Server, { host, port }: Config): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) => {
      reject(
        error.code === 'EADDRINUSE'
          ? new StartFailure(
              `Port ${port} on ${host} is taken.`,
              `Stop what uses it, or choose another with --port NUMBER.`,
            )
          : new StartFailure(
              `The server cannot listen on ${host}:${port} (${error.code}).`,
              'Check --host and --port.',
            ),
      );
    });
    server.listen(port, host, resolve);
  });
}

function urlOf(server: Server, { host }: Config): string {
  const { port } = server.address() as AddressInfo;
  return `http://${host.includes(':') ? `[${host}]` : host}:${port}`;
}

/** Lets requests in flight finish, within the grace time. */
function close(server: Server): Promise<void> {
  return new Promise((resolve) => {
    const hard = setTimeout(() => server.closeAllConnections(), GRACE_MS);
    server.close(() => {
      clearTimeout(hard);
      resolve();
    });
    server.closeIdleConnections();
  });
}

/** Last taken, last given back: requests finish, then the database closes, then the lock goes. */
async function unwind(undo: (() => Promise<void> | void)[]): Promise<void> {
  const [closeServer, ...rest] = undo.splice(0);
  await closeServer?.();
  for (const step of rest.reverse()) await step();
}
