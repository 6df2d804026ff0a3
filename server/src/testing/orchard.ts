// A running app with the demo orchard in a database of its own, for tests.
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import path from 'node:path';
import { FindingBody } from '@mortisect/core/records';
import { pino } from 'pino';
import request from 'supertest';
import { v7 } from 'uuid';
import { type Config, readConfig } from '../config';
import { loadEmptySite } from '../demo/emptySite';
import { loadDemo } from '../demo/load';
import { setUpAccess } from '../http/access';
import { makeApp } from '../http/app';
import { makePool, type Pool } from '../pool/pool';
import { makeChanges } from '../services/changes';
import { makeCondition } from '../services/condition';
import { makeCopyKeeper } from '../services/copies';
import { makeTreeLister } from '../services/listedTrees';
import { workThrough } from '../services/tasks';
import { makeWholeReads } from '../services/wholeReads';
import { answerSample } from '../standIns/clinicAnswers';
import { type Db, type DbPlace, type OpenDb, openDb } from '../store/openDb';

export const NOW = '2026-11-24T10:00:00.000Z';
export const deviceId = '0193f000-0000-7000-8000-0000000000aa';

export interface Orchard {
  app: ReturnType<typeof makeApp>;
  store: OpenDb;
  pool: Pool;
  close(): Promise<void>;
}

export async function openOrchard(
  place: DbPlace = 'memory',
  settings: Partial<Config> = {},
): Promise<Orchard> {
  const store = await openDb(place === 'memory' ? { copyOf: copyOf('demo') } : place);
  // Nothing to do in a copy: it has the demo
  await loadDemo(store.db, NOW);
  return appOn(store, { demo: true, ...settings });
}

/** A running app with an empty orchard, as a server without the demo begins. */
export async function openEmpty(settings: Partial<Config> = {}, store?: OpenDb): Promise<Orchard> {
  const opened = store ?? (await openDb({ copyOf: copyOf('empty') }));
  if (store) await loadEmptySite(store.db, NOW);
  return appOn(opened, settings);
}

async function appOn(store: OpenDb, settings: Partial<Config>): Promise<Orchard> {
  const config = { ...readConfig(['--copies', 'none'], {}), ...settings };
  // Compiled: a thread that reads TypeScript takes a second to come
  const pool = makePool(process.env.COMPILED_WORKER);
  const log = pino({ level: 'silent' });
  const changes = makeChanges(store.db);
  const now = () => NOW;
  const access = await setUpAccess(config, store.db, now);
  const { photoFolder, copyFolder: folder } = config;
  const condition = makeCondition({ store, folder: null, damagedPages: pool.damagedPages, now, log });
  const copies = makeCopyKeeper({
    db: store.db,
    database: condition.told,
    photoFolder,
    folder,
    read: pool.readCopy,
    now,
    log,
  });
  const app = makeApp({
    db: store.db,
    config,
    access,
    pool,
    changes,
    copies,
    lister: makeTreeLister({ db: store.db, pool, now }),
    wholeReads: makeWholeReads({ db: store.db, now }),
    condition,
    field: null,
    log,
    version: '0.0.0',
    now,
  });
  const close = async () => {
    changes.close();
    await copies.close();
    await pool.close();
    await store.close();
  };
  return { app, store, pool, close };
}

/** A database that `prepare` loaded: to begin one takes seconds, to copy one does not. */
export function copyOf(orchard: 'demo' | 'empty'): Blob {
  if (!process.env.ORCHARD_COPIES)
    throw new Error('Run the tests of the server through Jest: it prepares their orchards.');
  return new Blob([readFileSync(path.join(process.env.ORCHARD_COPIES, `${orchard}.tar`))]);
}

/** Dead wood on limb A of a tree, as a device sends it. */
export const deadOn = (treeId: string) =>
  FindingBody.parse({
    treeId,
    limbId: 'A',
    limbName: 'A',
    fromCm: 20,
    toCm: 40,
    disorder: 'DEAD',
    edge: 'definite',
    growthRapid: false,
    note: '',
    seenAt: NOW,
    withdrawn: false,
  });

export const newId = (): string => v7();

/** Requests to the app of a test, writes as from its device; `read` gives the body of what was answered with 200. */
export function requestsTo(orchard: () => Orchard) {
  const get = (url: string) => request(orchard().app).get(url).set('Host', '127.0.0.1');
  return {
    get,
    put: (url: string, body: object) =>
      request(orchard().app).put(url).set('Host', '127.0.0.1').set('X-Device-Id', deviceId).send(body),
    read: async (url: string) => (await get(url).expect(200)).body,
  };
}

/** Does the samples of the clinic that are due at once, by a clock of the server that stands at `at`. @returns how many were answered */
export const answerSamples = (db: Db, at = new Date().toISOString()): Promise<number> =>
  workThrough({
    db,
    kinds: { sample: { afterMs: 0, work: (tx, { subject }) => answerSample(tx, subject, NOW) } },
    log: pino({ level: 'silent' }),
    clock: () => at,
  });

/** A database of its own on the server named by TEST_DATABASE_URL. */
export async function freshServerDatabase(serverUrl: string): Promise<string> {
  const { default: pg } = await import('pg');
  const name = `test_${randomBytes(6).toString('hex')}`;
  const client = new pg.Client({ connectionString: serverUrl });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  const url = new URL(serverUrl);
  url.pathname = `/${name}`;
  return url.href;
}
