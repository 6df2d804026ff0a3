// Before the server's tests: its worker is compiled, and the demo orchard and an empty one are each loaded once into a database, of which every test then opens a copy of its own.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { root, serverBuilt } from '../../../scripts/steps.mjs';
import { loadEmptySite } from '../demo/emptySite';
import { loadDemo } from '../demo/load';
import { completeHistory } from '../services/beginnings';
import { type Db, openDb } from '../store/openDb';
import { NOW } from './orchard';

export default async function prepare(): Promise<void> {
  await serverBuilt();
  process.env.COMPILED_WORKER = pathToFileURL(path.join(root, 'server/dist/js/tasks.worker.mjs')).href;
  const folder = mkdtempSync(path.join(tmpdir(), 'orchards-'));
  process.env.ORCHARD_COPIES = folder;
  for (const [name, load] of [
    ['demo', (db: Db) => loadDemo(db, NOW)],
    ['empty', (db: Db) => loadEmptySite(db, NOW).then(() => completeHistory(db, NOW))],
  ] as const) {
    const store = await openDb('memory');
    await load(store.db);
    const dump = await store.dump?.();
    if (dump) writeFileSync(path.join(folder, `${name}.tar`), Buffer.from(await dump.arrayBuffer()));
    await store.close();
  }
}
