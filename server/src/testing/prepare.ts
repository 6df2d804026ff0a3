// Before the server's tests: the demo orchard is loaded once into a database, of which every test then opens a copy of its own.
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { loadDemo } from '../demo/load';
import { openDb } from '../store/openDb';
import { NOW } from './orchard';

export default async function prepare(): Promise<void> {
  const store = await openDb('memory');
  await loadDemo(store.db, NOW);
  process.env.DEMO_COPY = path.join(mkdtempSync(path.join(tmpdir(), 'demo-')), 'demo.tar');
  const dump = await store.dump?.();
  if (dump) writeFileSync(process.env.DEMO_COPY, Buffer.from(await dump.arrayBuffer()));
  await store.close();
}
