// The worker pool of one server process.
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { CandidatesResult, Openness, PlanResult } from '@mortisect/contracts';
import type { transmission } from '@mortisect/core/blades';
import type { OrderInput, OrderResult, PlanInput, runOrder } from '@mortisect/core/plan';
import type { Present } from '@mortisect/core/present';
import type { HistoryLine } from '@mortisect/core/records';
import { Piscina } from 'piscina';
import type { CopyRead } from '../files/archiveFile';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { WeatherFile, WeatherFileRead } from '../files/readWeather';
import type { SheetPaper, TreeSheet } from '../files/sheet/sheet';
import type * as planOf from './plan';
import type { OpennessTask } from './tasks';
import type { simulated } from './weatherSource';
import type * as when from './when';

/** The same function, carried out on a worker; given up when the signal says that nobody waits for it any more. */
type Off<F extends (task: never) => unknown> = (
  task: Parameters<F>[0],
  signal?: AbortSignal,
) => Promise<ReturnType<F>>;

export interface Pool {
  fold(lines: readonly HistoryLine[]): Promise<Present>;
  readTreeFile(file: TreeFile): Promise<TreeFileRead>;
  readCopy(file: string): Promise<CopyRead>;
  openness(task: OpennessTask): Promise<Openness>;
  candidates(input: PlanInput, signal?: AbortSignal): Promise<CandidatesResult>;
  /** Given up when the signal says that nobody waits for it any more. */
  plan(input: PlanInput, signal?: AbortSignal): Promise<PlanResult>;
  planToKeep: Off<typeof planOf.planToKeep>;
  treePlan: Off<typeof planOf.treePlan>;
  order(input: OrderInput, signal?: AbortSignal): Promise<OrderResult>;
  runOrder: Off<typeof runOrder>;
  transmission: Off<typeof transmission>;
  cutSheet(sheets: TreeSheet[], paper: SheetPaper): Promise<Uint8Array<ArrayBuffer>>;
  readWeatherFile(file: WeatherFile): Promise<WeatherFileRead>;
  simulated: Off<typeof simulated>;
  timing: Off<typeof when.timing>;
  treeTiming: Off<typeof when.treeTiming>;
  treeSeason: Off<typeof when.treeSeason>;
  stage: Off<typeof when.stage>;
  freeze: Off<typeof when.freeze>;
  woundRisk: Off<typeof when.woundRisk>;
  windows: Off<typeof when.windows>;
  season: Off<typeof when.season>;
  /** Of the code that computes, so that what another version computed is not taken for its own; null where it is read from sources, which change. */
  code: string | null;
  close(): Promise<void>;
}

const IDLE_MS = 30_000;

/** @param worker address of the module that each thread loads */
export function makePool(worker = new URL('./tasks.worker.mjs', import.meta.url).href): Pool {
  const piscina = new Piscina({
    filename: worker,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
  });
  const text = readFileSync(fileURLToPath(worker), 'utf8');
  const code = text.includes('./tasks.ts') ? null : createHash('sha256').update(text).digest('base64url');
  const off =
    <T, R>(name: string) =>
    (task: T, signal?: AbortSignal): Promise<R> =>
      piscina.run(task, { name, ...(signal && { signal }) });
  return {
    fold: off('fold'),
    readTreeFile: (file) => piscina.run(file, { name: 'readTreeFile' }),
    readCopy: (file) => piscina.run(file, { name: 'readCopy' }),
    openness: (task) => piscina.run(task, { name: 'openness' }),
    candidates: off('candidates'),
    plan: off('plan'),
    planToKeep: off('planToKeep'),
    treePlan: off('treePlan'),
    order: off('order'),
    runOrder: off('runOrder'),
    transmission: off('transmission'),
    readWeatherFile: off('readWeatherFile'),
    simulated: off('simulated'),
    timing: off('timing'),
    treeTiming: off('treeTiming'),
    treeSeason: off('treeSeason'),
    stage: off('stage'),
    freeze: off('freeze'),
    woundRisk: off('woundRisk'),
    windows: off('windows'),
    season: off('season'),
    cutSheet: (sheets, paper) => piscina.run({ sheets, paper }, { name: 'cutSheet' }),
    code,
    close: () => piscina.destroy(),
  };
}
