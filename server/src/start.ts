// Brings the server up and takes it down, leaving nothing half done.
import path from 'node:path';
import type { Logger } from 'pino';
import { version } from '../package.json';
import type { Config } from './config';
import { openControl } from './control';
import { loadEmptySite } from './demo/emptySite';
import { loadDemo } from './demo/load';
import { openDoor } from './door';
import { setUpAccess } from './http/access';
import { makeApp } from './http/app';
import type { Field } from './http/trust';
import type { Metrics } from './metrics';
import { makePool, type Pool } from './pool/pool';
import { completeHistory } from './services/beginnings';
import { makeChanges } from './services/changes';
import { makeCondition } from './services/condition';
import { makeCopyKeeper } from './services/copies';
import { deleteTree, markDeletedTrees } from './services/deletedTrees';
import { KEPT_MS } from './services/keptDays';
import { makePlanKeeper } from './services/keptPlans';
import { makeTreeLister } from './services/listedTrees';
import { listenToOthers } from './services/listening';
import { deletePhoto, markUnshown } from './services/removedPhotos';
import { runTasks, tasksWaiting } from './services/tasks';
import { getTiming } from './services/timing';
import { makeWholeReads } from './services/wholeReads';
import { answerSample } from './standIns/clinicAnswers';
import { holdDataFolder } from './store/dataFolder';
import { openDb } from './store/openDb';

export interface Running {
  url: string;
  /** How phones on the local network come in; null where they do not. */
  field: Field | null;
  stop(): Promise<void>;
}

const AHEAD_MS = 4000;
/** How often the queue of tasks is looked at: as often as the clinic is quick. */
const LOOKS_OFTEN_MS = 1000;
const LOOKS_SELDOM_MS = 5000;

/** The server's clock; one that was set for pictures and tests runs on from there. */
function clockOf({ now }: Pick<Config, 'now'>): () => string {
  const setAheadMs = now === undefined ? 0 : Date.parse(now) - Date.now();
  return () => new Date(Date.now() + setAheadMs).toISOString();
}

/**
 * @throws {StartFailure} when the port, the folder or the database is not to be had; nothing is changed then
 */
export async function start(config: Config, log: Logger): Promise<Running> {
  const undo: (() => Promise<void> | void)[] = [];
  const now = clockOf(config);
  try {
    // The port first: a second start on the same port must not touch the database.
    const door = await openDoor(config);
    // Whoever listens for changes would keep the server from closing
    let hangUp = () => {};
    undo.push(() => {
      hangUp();
      return door.close();
    });
    const folder = config.databaseUrl ? null : holdDataFolder(config.dataFolder);
    if (folder) undo.push(() => folder.release());
    const store = await openDb(
      config.databaseUrl ? { url: config.databaseUrl } : { folder: config.dataFolder },
    );
    undo.push(() => store.close());
    const access = await setUpAccess(config, store.db, now, door.hosts);
    if (config.demo) await loadDemo(store.db, now(), config.demoTrees);
    else await loadEmptySite(store.db, now());
    await completeHistory(store.db, now());
    const pool = makePool();
    undo.push(() => pool.close());
    let isAhead = false;
    const changes = makeChanges(store.db, () => isAhead && plans.wake());
    const { metricsPort } = config;
    const metrics = metricsPort === undefined ? null : await figures(metricsPort, pool, undo);
    const plans = makePlanKeeper({ db: store.db, pool, now, log, onKept: () => changes.announcePlan() });
    undo.push(() => plans.close());
    const lister = makeTreeLister({ db: store.db, pool, now });
    const wholeReads = makeWholeReads({ db: store.db, now });
    if (config.databaseUrl) {
      const others = await listenToOthers(config.databaseUrl, store.db, log, {
        onWritten: changes.hear.written,
        onPlan: changes.hear.plan,
      });
      changes.passOn(others.tell);
      undo.push(() => others.close());
    }
    const condition = makeCondition({
      store,
      folder: config.databaseUrl ? null : path.join(config.dataFolder, 'db'),
      damagedPages: pool.damagedPages,
      now,
      log,
    });
    const copies = makeCopyKeeper({
      db: store.db,
      database: condition.told,
      photoFolder: config.photoFolder,
      folder: config.copyFolder,
      read: pool.readCopy,
      now,
      log,
      ...(metrics && { onFailed: metrics.copyFailed }),
    });
    undo.push(() => copies.close());
    if (folder) undo.push(await openControl(config.dataFolder, copies));
    hangUp = () => changes.close();
    const sampleMs = config.clinicSeconds * 1000;
    undo.push(
      runTasks(
        {
          db: store.db,
          kinds: {
            sample: { afterMs: sampleMs, work: (tx, { subject }) => answerSample(tx, subject, now()) },
            photo: {
              afterMs: KEPT_MS,
              work: (tx, { subject }) => deletePhoto(tx, config.photoFolder, subject),
            },
            tree: {
              afterMs: KEPT_MS,
              work: (tx, { subject }) => deleteTree(tx, config.photoFolder, subject),
            },
          },
          log,
          onDone: () => changes.announce(null),
          ...(metrics && { onFailed: metrics.taskFailed }),
        },
        Math.min(LOOKS_SELDOM_MS, Math.max(LOOKS_OFTEN_MS, sampleMs)),
      ),
    );
    metrics?.tasks(() => tasksWaiting(store.db));
    const app = makeApp({
      db: store.db,
      config,
      access,
      pool,
      changes,
      copies,
      lister,
      wholeReads,
      condition,
      ...(metrics && { metrics }),
      field: door.field,
      log,
      version,
      now,
    });
    // Once whoever opens it has their first screen: Today need not wait for ten past years to be worked through
    const ahead = setTimeout(async () => {
      await getTiming(store.db, pool, now()).catch(() => undefined);
      isAhead = true;
      plans.wake();
      // Also of what is planned meanwhile
      void lister
        .readAhead()
        .then(() => plans.rested())
        .then(() => lister.readAhead())
        .then(() => Promise.all([wholeReads.trees(), wholeReads.orchardBytes()]))
        .catch(() => undefined);
      await Promise.all([markUnshown(store.db, config.photoFolder), markDeletedTrees(store.db)]).catch(
        (error) => log.error({ err: error }, 'what was deleted was not looked through'),
      );
      await condition
        .readThrough()
        .catch((error) => log.error({ err: error }, 'the database was not read through'));
    }, AHEAD_MS);
    undo.push(() => clearTimeout(ahead));
    door.answerWith(app);
    return { url: door.url, field: door.field?.() ?? null, stop: () => unwind(undo) };
  } catch (error) {
    await unwind(undo);
    throw error;
  }
}

/** Loaded where somebody wants figures. */
async function figures(port: number, pool: Pool, undo: (() => Promise<void> | void)[]): Promise<Metrics> {
  const { makeMetrics } = await import('./metrics');
  const metrics = makeMetrics();
  metrics.pool(() => pool.waiting());
  undo.push(await metrics.listen(port));
  return metrics;
}

/** Last taken, last given back: requests finish, then the database closes, then the lock goes. */
async function unwind(undo: (() => Promise<void> | void)[]): Promise<void> {
  const [closeServer, ...rest] = undo.splice(0);
  await closeServer?.();
  for (const step of rest.reverse()) await step();
}
