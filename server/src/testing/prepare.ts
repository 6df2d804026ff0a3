// Before the server's tests: its worker is compiled, and the demo orchard and an empty one are each loaded once into a database, of which every test then opens a copy of its own.
import { existsSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { root, serverBuilt } from '../../../scripts/steps.mjs';
import { loadEmptySite } from '../demo/emptySite';
import { loadDemo } from '../demo/load';
import { completeHistory } from '../services/beginnings';
import { type Db, openDb } from '../store/openDb';
import { NOW } from './orchard';

/** Many runs after one another name a folder with `ORCHARDS_AT`: the first fills it, and none takes it away. */
export default async function prepare(): Promise<void> {
  const folder = process.env.ORCHARDS_AT ?? mkdtempSync(path.join(tmpdir(), 'orchards-'));
  process.env.ORCHARD_COPIES = folder;
  process.env.COMPILED_WORKER = pathToFileURL(path.join(root, 'server/dist/js/tasks.worker.mjs')).href;
  if (existsSync(path.join(folder, 'empty.tar'))) return;
  await serverBuilt();
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
