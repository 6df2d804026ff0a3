// What it costs that every commit is on the disk before it is answered for: the same writes with and without.
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';
import { SYNCED_START, SyncedFiles } from '../server/src/store/syncedFiles';

const WRITES = 400;

async function writesASecond(make: (folder: string) => Promise<PGlite>): Promise<number> {
  const folder = mkdtempSync(path.join(tmpdir(), 'commits-'));
  try {
    const db = await make(path.join(folder, 'db'));
    await db.exec('create table records (id int primary key, value jsonb not null)');
    const value = JSON.stringify({ kind: 'roundPaused', note: 'x'.repeat(300) });
    const from = performance.now();
    for (let id = 0; id < WRITES; id++) await db.query('insert into records values ($1, $2)', [id, value]);
    const ms = performance.now() - from;
    await db.close();
    return WRITES / (ms / 1000);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

async function main() {
  const plain = await writesASecond((folder) => PGlite.create({ fs: new NodeFS(folder) }));
  const safe = await writesASecond((folder) =>
    PGlite.create({ fs: new SyncedFiles(folder), startParams: SYNCED_START }),
  );
  process.stdout.write(
    `Commits of the embedded database, one after the other: ${safe.toFixed(0)} a second, each on the disk before it is answered for; ${plain.toFixed(0)} where a power cut may take them\n`,
  );
}
void main();
