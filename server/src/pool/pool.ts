// The worker pool of one server process.

import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { fileURLToPath } from 'node:url';
import type { Present } from '@mortisect/core/present';
import type { HistoryLine } from '@mortisect/core/records';
import type { Locale } from '@mortisect/words';
import { unsaid } from '@mortisect/words';
import { Piscina } from 'piscina';
import { ZodError } from 'zod';
import type { CopyRead } from '../files/archiveFile';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { WeatherFile, WeatherFileRead } from '../files/readWeather';
import type { SheetPaper, TreeSheet, WeekSheet } from '../files/sheet/sheet';
import { doesNotFit, HttpProblem } from '../refusal';
import type { DamagedPage } from '../store/pages';
import type { ComputeName } from './computeNames';
import type { ComputeBody, Computed, ComputeTask } from './computes';
import { askedBy, BACKGROUND, FairQueue, idleThread, type Turn } from './fairQueue';
import { foldOff } from './fold';
import type { listedTrees } from './listed';
import type * as planOf from './plan';
import type { Brings, SeasonShared, SeasonTask, seasonLp, siteWhatIf } from './seasonOfSite';
import { joined, type Sliced } from './slices';
import type { simulated } from './weatherSource';
import type * as when from './when';

/** The same function, carried out on a worker; given up when the signal says that nobody waits for it any more. */
type Off<F extends (task: never) => unknown> = (
  task: Parameters<F>[0],
  signal?: AbortSignal,
) => Promise<ReturnType<F>>;

/** Who waits for an answer, and how long. */
export interface Asking {
  /** Whoever shares this name shares one row of turns. */
  by: string;
  /** What may take seconds has a thread of its own, so that what is small need not wait for it. */
  isLarge: boolean;
  /** Aborted when nobody waits any more. */
  signal: AbortSignal;
}

export interface Pool {
  fold(lines: readonly HistoryLine[]): Promise<Present>;
  readTreeFile(file: TreeFile, signal?: AbortSignal): Promise<TreeFileRead>;
  readCopy(file: string): Promise<CopyRead>;
  damagedPages(folder: string): Promise<DamagedPage[]>;
  /**
   * What a compute route asks for, as JSON.
   *
   * @throws {HttpProblem} 413 where the answer would be too large, 422 for a species of which nothing is known, 503 where too much waits already or it took too long
   * @throws {ZodError} where a body that came as bytes is not what the route takes
   */
  compute<K extends ComputeName>(task: ComputeTask<K>, asking: Asking): Promise<JsonText>;
  listedTrees: Off<typeof listedTrees>;
  planToKeep: Off<typeof planOf.planToKeep>;
  treePlan: Off<typeof planOf.treePlan>;
  /** @throws {HttpProblem} 503 where too much waits already or it took too long */
  cutSheet(
    task: { sheets: TreeSheet[]; paper: SheetPaper; locale: Locale; week?: WeekSheet | null },
    signal?: AbortSignal,
  ): Promise<Uint8Array<ArrayBuffer>>;
  readWeatherFile(file: WeatherFile, signal?: AbortSignal): Promise<WeatherFileRead>;
  simulated: Off<typeof simulated>;
  timing: Off<typeof when.timing>;
  /** What has begun is finished, whoever has gone: its answer is kept for the next. */
  treeTiming: Off<typeof when.treeTiming>;
  /** As treeTiming. */
  treeSeason: Off<typeof when.treeSeason>;
  /** @throws {HttpProblem} 503 where too much waits already or it took too long */
  siteSeason(task: SeasonTask, signal?: AbortSignal): Promise<SeasonShared | null>;
  siteWhatIf(task: Parameters<typeof siteWhatIf>[0], signal?: AbortSignal): Promise<Brings | null>;
  seasonLp(input: Parameters<typeof seasonLp>[0], signal?: AbortSignal): Promise<string>;
  /** Tasks that wait for a thread. */
  waiting(): { lane: string; waiting: number }[];
  /** Of the code that computes, so that what another version computed is not taken for its own; null where it is read from sources, which change. */
  code: string | null;
  close(): Promise<void>;
}

/** An answer that is written already: UTF-8. */
export class JsonText {
  constructor(readonly bytes: Uint8Array<ArrayBuffer>) {}
}

const IDLE_MS = 30_000;
/** From the question to the answer. */
export const BUDGET_MS = 9000;
/** Sheets are drawn for a whole plot: some seconds for twenty trees. */
export const SHEETS_BUDGET_MS = 30_000;
/** A season of thousands of trees is shared out in a minute. */
const SEASON_BUDGET_MS = 120_000;
/** After that a thread is taken for one that never ends. */
const LONGEST_MS = 30_000;
/** Waiting and at work, of one who asks. */
export const MOST_OF_ONE = 16;
/** Waiting in one row of turns altogether. */
const MOST_WAITING = 200;
/** A thread that wants more ends alone, and not the server with it. */
const MOST_MEMORY_MB = 1024;

/** @param worker address of the module that each thread loads */
export function makePool(worker = new URL('./tasks.worker.mjs', import.meta.url).href): Pool {
  const lane = (maxThreads: number) =>
    new Piscina({
      filename: worker,
      minThreads: 0,
      maxThreads,
      idleTimeout: IDLE_MS,
      taskQueue: new FairQueue(),
      loadBalancer: idleThread,
      maxQueue: MOST_WAITING,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
    });
  const quick = lane(Math.max(1, availableParallelism() - 1));
  const slow = lane(1);
  const text = readFileSync(fileURLToPath(worker), 'utf8');
  const code = text.includes('./tasks.ts') ? null : createHash('sha256').update(text).digest('base64url');
  const off =
    <T extends object, R>(piscina: Piscina, name: string, by = 'server', turn?: Turn) =>
    (task: T, signal?: AbortSignal): Promise<R> =>
      piscina.run(askedBy(task, by, turn), { name, ...(signal && { signal }) });
  const finishing =
    <T extends object, R>(piscina: Piscina, name: string, by = 'server') =>
    (task: T, signal?: AbortSignal): Promise<R> => {
      const turn: Turn = { by, hasBegun: false };
      const givenUp = new AbortController();
      signal?.addEventListener('abort', () => !turn.hasBegun && givenUp.abort(), { once: true });
      return inTime(off<T, R>(piscina, name, by, turn), LONGEST_MS)(task, givenUp.signal);
    };
  const asking = new Map<string, number>();
  return {
    fold: (lines) => foldOff(lines, off(slow, 'fold')),
    async readTreeFile(file, signal) {
      const read = await off<TreeFile, Sliced<TreeFileRead, 'rows'>>(slow, 'readTreeFile')(file, signal);
      return 'fault' in read ? read : { ...read, rows: await joined(read.rows) };
    },
    // A path stands in an object, which can say who asks
    readCopy: (file) => off<object, CopyRead>(slow, 'readCopy')({ file }),
    damagedPages: (folder) => off<object, DamagedPage[]>(slow, 'damagedPages', BACKGROUND)({ folder }),
    async compute(task, { by, isLarge, signal }) {
      const before = asking.get(by) ?? 0;
      if (before >= MOST_OF_ONE) throw busy();
      asking.set(by, before + 1);
      const late = AbortSignal.timeout(BUDGET_MS);
      try {
        const lane = isLarge || mayTakeLong(task) ? slow : quick;
        return answerOf(
          await off<object, Computed>(lane, 'compute', by)(task, AbortSignal.any([signal, late])),
        );
      } catch (error) {
        throw asPoolProblem(error, late.aborted);
      } finally {
        const left = (asking.get(by) ?? 1) - 1;
        if (left === 0) asking.delete(by);
        else asking.set(by, left);
      }
    },
    listedTrees: off(quick, 'listedTrees'),
    planToKeep: off(slow, 'planToKeep', BACKGROUND),
    treePlan: inTime(off(quick, 'treePlan')),
    async readWeatherFile(file, signal) {
      const read = await off<WeatherFile, Sliced<WeatherFileRead, 'hours'>>(slow, 'readWeatherFile')(
        file,
        signal,
      );
      return 'fault' in read ? read : { ...read, hours: await joined(read.hours) };
    },
    simulated: off(quick, 'simulated'),
    timing: off(quick, 'timing'),
    treeTiming: finishing(quick, 'treeTiming'),
    treeSeason: finishing(quick, 'treeSeason'),
    siteSeason: inTime(off(slow, 'siteSeason'), SEASON_BUDGET_MS),
    siteWhatIf: inTime(off(slow, 'siteWhatIf'), SEASON_BUDGET_MS),
    seasonLp: inTime(off(slow, 'seasonLp'), SEASON_BUDGET_MS),
    cutSheet: inTime(off(slow, 'cutSheet'), SHEETS_BUDGET_MS),
    waiting: () => [
      { lane: 'quick', waiting: quick.queueSize },
      { lane: 'slow', waiting: slow.queueSize },
    ],
    code,
    close: async () => {
      await Promise.all([quick.destroy(), slow.destroy()]);
    },
  };
}

/** What is asked by an address has the same time as what is asked by a body. */
function inTime<T extends object, R>(
  work: (task: T, signal?: AbortSignal) => Promise<R>,
  budgetMs = BUDGET_MS,
) {
  return async (task: T, signal?: AbortSignal): Promise<R> => {
    const late = AbortSignal.timeout(budgetMs);
    try {
      return await work(task, signal ? AbortSignal.any([signal, late]) : late);
    } catch (error) {
      throw asPoolProblem(error, late.aborted, budgetMs);
    }
  };
}

/** Cuts of a visit up to which their order is found in a moment. */
const QUICK_CUTS = 40;
/** A question may be short and its answer long. */
const mayTakeLong = ({ route, given }: ComputeTask): boolean =>
  route === 'computeOrder' &&
  'body' in given &&
  (given.body as ComputeBody<'computeOrder'>).cuts.length > QUICK_CUTS;

function answerOf(computed: Computed): JsonText {
  if ('json' in computed) return new JsonText(computed.json);
  if ('issues' in computed) throw new ZodError(computed.issues);
  if ('problem' in computed) throw new HttpProblem(...computed.problem);
  if ('unknownSpecies' in computed)
    throw doesNotFit('species', unsaid('problem.noCourse', { species: computed.unknownSpecies }));
  const megabytes = Math.round(computed.tooLargeBytes / 1024 ** 2);
  throw new HttpProblem(413, 'too-large', unsaid('problem.answerTooLarge', { megabytes }));
}

export const tookTooLong = (ms: number) =>
  new HttpProblem(503, 'took-too-long', unsaid('problem.tookTooLong', { seconds: ms / 1000 }));

const busy = () => new HttpProblem(503, 'busy', unsaid('problem.busy'));

function asPoolProblem(error: unknown, isLate: boolean, budgetMs = BUDGET_MS): unknown {
  const { code, message = '' } = error as { code?: unknown; message?: string };
  if (isLate || code === 'ERR_WORKER_OUT_OF_MEMORY') return tookTooLong(budgetMs);
  return /queue is at limit/i.test(message) ? busy() : error;
}
