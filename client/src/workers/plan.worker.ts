// Plans are searched off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import {
  inVisits,
  marginCurve,
  type OrderResult,
  type PlanInput,
  type Planning,
  planning,
  type RunOrder,
  type RunOrderInput,
  runOrder,
} from '@mortisect/core/plan';
import { expose } from 'comlink';

const SLICE_MS = 40;
/** A search that is not proved by then stays at its gap; it is taken up again when the tree is opened. */
const MOST_MS = 60_000;

export interface Solved {
  prepared: Planning['prepared'];
  plan: ReturnType<Planning['step']>;
  /** The order of each visit, by its key. */
  orders: Record<string, OrderResult>;
}

const stopped = new Set<number>();
const rest = () => new Promise((resolve) => setTimeout(resolve, 0));

const solved = (prepared: Solved['prepared'], plan: Solved['plan']): Solved => ({
  prepared,
  ...inVisits(prepared, plan),
});

const work = {
  /** Searches until proved, or stopped by its number; tells the plan as it gets better. */
  async solve(
    job: number,
    input: PlanInput,
    tell: (solved: Solved) => void,
    mostMs = MOST_MS,
  ): Promise<Solved> {
    const { prepared, step } = planning(input);
    const from = performance.now();
    let plan = step(0);
    let told = 0;
    while (!plan.proof.done && !stopped.has(job) && performance.now() - from < mostMs) {
      const slice = performance.now();
      do plan = step(1);
      while (!plan.proof.done && performance.now() - slice < SLICE_MS);
      if (!plan.proof.done && performance.now() - told > 4 * SLICE_MS) {
        told = performance.now();
        tell(solved(prepared, plan));
      }
      await rest();
    }
    stopped.delete(job);
    return solved(prepared, plan);
  },
  stop(job: number): void {
    stopped.add(job);
  },
  order: (input: RunOrderInput): RunOrder => runOrder(input),
  curve: (input: PlanInput, findingId: string) => marginCurve(input, findingId),
};
export type PlanWork = typeof work;

expose(work);
