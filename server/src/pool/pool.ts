// The worker pool of one server process.
import { availableParallelism } from 'node:os';
import type { Openness } from '@mortisect/contracts';
import { Piscina } from 'piscina';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { OpennessTask } from './tasks';

export interface Pool {
  readTreeFile(file: TreeFile): Promise<TreeFileRead>;
  openness(task: OpennessTask): Promise<Openness>;
  close(): Promise<void>;
}

const IDLE_MS = 30_000;

export function makePool(): Pool {
  const piscina = new Piscina({
    filename: new URL('./tasks.worker.mjs', import.meta.url).href,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
  });
  return {
    readTreeFile: (file) => piscina.run(file, { name: 'readTreeFile' }),
    openness: (task) => piscina.run(task, { name: 'openness' }),
    close: () => piscina.destroy(),
  };
}
