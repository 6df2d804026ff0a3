// What is acknowledged is on the disk: a power cut takes nothing that was answered for.
import { closeSync, fsyncSync, openSync, readdirSync } from 'node:fs';
import { open } from 'node:fs/promises';
import path from 'node:path';
import { PGlite } from '@electric-sql/pglite';
import { NodeFS } from '@electric-sql/pglite/nodefs';

/** A name in a folder is on the disk once the folder is. */
export function syncFolder(folder: string): void {
  const opened = openSync(folder, 'r');
  try {
    fsyncSync(opened);
  } finally {
    closeSync(opened);
  }
}

/** Files that are synced at once: the disk writes them together, in a tenth of the time that one after the other takes. */
const AT_ONCE = 16;

/** Everything under a folder: of files that were just unpacked. */
export async function syncTree(folder: string): Promise<void> {
  const inner = readdirSync(folder, { withFileTypes: true, recursive: true })
    .filter((entry) => entry.isDirectory() || entry.isFile())
    .map((entry) => path.join(entry.parentPath, entry.name));
  // What a folder names is on the disk before the folder is
  const left = [folder, ...inner];
  const syncNext = async () => {
    for (let next = left.pop(); next !== undefined; next = left.pop()) {
      const opened = await open(next, 'r');
      await opened.sync().finally(() => opened.close());
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, syncNext));
}

interface FsNode {
  parent: FsNode;
}

/** The part of Emscripten's file system that lies on Node's. */
interface NodeFiles {
  realPath(node: FsNode): string;
  stream_ops: { fsync?: (stream: { nfd?: number }) => number };
  node_ops: {
    rename(node: FsNode, folder: FsNode, name: string): void;
    mknod(folder: FsNode, ...rest: unknown[]): unknown;
  };
}

/** The folder of a database, with the syncing that PGlite’s own leaves out. */
export class SyncedFiles extends NodeFS {
  override async init(...given: Parameters<NodeFS['init']>): ReturnType<NodeFS['init']> {
    const made = await super.init(...given);
    const { preRun } = made.emscriptenOpts as { preRun: ((mod: { NODEFS: NodeFiles }) => void)[] };
    preRun.push(({ NODEFS: files }) => {
      files.stream_ops.fsync = ({ nfd }) => {
        if (nfd !== undefined) fsyncSync(nfd);
        return 0;
      };
      const { rename, mknod } = files.node_ops;
      files.node_ops.rename = (node, folder, name) => {
        rename(node, folder, name);
        syncFolder(files.realPath(folder));
      };
      files.node_ops.mknod = (folder, ...rest) => {
        const node = mknod(folder, ...rest);
        syncFolder(files.realPath(folder));
        return node;
      };
    });
    return made;
  }
}

/** `-F` is no syncing at all. The WAL is synced at each commit, and what a checkpoint relies on before it counts. */
const SYNCED = ['-c', 'fsync=on', '-c', 'wal_sync_method=fsync'];
/** The machine keeps files in memory by itself; 128 MB more of them inside the process are of no use to one orchard. */
const SMALL = ['-c', 'shared_buffers=16MB'];

export const SYNCED_START = [
  ...PGlite.defaultStartParams.filter((param) => param !== '-F'),
  ...SYNCED,
  ...SMALL,
];
