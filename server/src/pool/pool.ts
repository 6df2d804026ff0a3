// The worker pool of one server process.
import { availableParallelism } from 'node:os';
import type { Openness, PlanResult } from '@mortisect/contracts';
import type { OrderInput, OrderResult, PlanInput } from '@mortisect/core/plan';
import { Piscina } from 'piscina';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { SheetPaper, TreeSheet } from '../files/sheet/sheet';
import type { Candidates } from './plan';
import type { OpennessTask } from './tasks';

export interface Pool {
  readTreeFile(file: TreeFile): Promise<TreeFileRead>;
  openness(task: OpennessTask): Promise<Openness>;
  candidates(input: PlanInput, signal?: AbortSignal): Promise<Candidates>;
  /** Given up when the signal says that nobody waits for it any more. */
  plan(input: PlanInput, signal?: AbortSignal): Promise<PlanResult>;
  order(input: OrderInput, signal?: AbortSignal): Promise<OrderResult>;
  cutSheet(sheets: TreeSheet[], paper: SheetPaper): Promise<Uint8Array<ArrayBuffer>>;
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
    candidates: (input, signal) => piscina.run(input, { name: 'candidates', ...(signal && { signal }) }),
    plan: (input, signal) => piscina.run(input, { name: 'plan', ...(signal && { signal }) }),
    order: (input, signal) => piscina.run(input, { name: 'order', ...(signal && { signal }) }),
    cutSheet: (sheets, paper) => piscina.run({ sheets, paper }, { name: 'cutSheet' }),
    close: () => piscina.destroy(),
  };
}
