// Plans are searched off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import {
  inVisits,
  type KeptPlan,
  type ListedPlan,
  listedOf,
  marginCurve,
  type PlanInput,
  type Prepared,
  planning,
  type Solved,
  solvedFrom,
  toldOf,
} from '@mortisect/core/plan';
import { expose } from 'comlink';

const SLICE_MS = 40;
/** A search that is not proved by then stays at its gap; it is taken up again when the tree is opened. */
const MOST_MS = 60_000;
/** A page that took this long to draw a plan is left alone so many times as long. */
const RESTS = 3;

const stopped = new Set<number>();
const rest = () => new Promise((resolve) => setTimeout(resolve, 0));

const solved = (prepared: Prepared, plan: Solved['plan']): Solved => ({
  prepared: toldOf(prepared),
  ...inVisits(prepared, plan),
});

async function search(
  job: number,
  input: PlanInput,
  tell: (solved: Solved) => void | Promise<void>,
  mostMs = MOST_MS,
): Promise<Solved> {
  const { prepared, step } = planning(input);
  const from = performance.now();
  let plan = step(0);
  let telling: Promise<void> | null = null;
  let quietUntil = 0;
  const tellNow = async () => {
    const since = performance.now();
    await tell(solved(prepared, plan));
    const now = performance.now();
    quietUntil = now + Math.max(4 * SLICE_MS, RESTS * (now - since));
    telling = null;
  };
  while (!plan.proof.done && !stopped.has(job) && performance.now() - from < mostMs) {
    const slice = performance.now();
    do plan = step(1);
    while (!plan.proof.done && performance.now() - slice < SLICE_MS);
    if (!plan.proof.done && telling === null && performance.now() >= quietUntil) telling = tellNow();
    await rest();
  }
  await telling;
  stopped.delete(job);
  return solved(prepared, plan);
}

const work = {
  /** Of kept plans, which still hold for their trees as they are. Whoever asks for something else waits for one tree. */
  async stillHold(list: { kept: KeptPlan; input: PlanInput }[]): Promise<boolean[]> {
    const hold: boolean[] = [];
    for (const { kept, input } of list) {
      hold.push(solvedFrom(kept, input) !== null);
      await rest();
    }
    return hold;
  },
  /** A kept plan with what it is made of; null where it does not hold any more. */
  takeUp: (kept: KeptPlan, input: PlanInput): Solved | null => solvedFrom(kept, input),
  /**
   * Searches until proved, or stopped by its number; tells the plan as it gets better. The page is told again only once it has drawn what it
   * was told last, and it hears the last word last: a slow phone stays usable, and no early plan takes the place of the proved one.
   */
  solve: search,
  /** The same as lists take it. */
  list: async (
    job: number,
    input: PlanInput,
    tell: (listed: ListedPlan) => void | Promise<void>,
    mostMs: number,
  ): Promise<ListedPlan> => listedOf(await search(job, input, (solved) => tell(listedOf(solved)), mostMs)),
  stop(job: number): void {
    stopped.add(job);
  },
  curve: (input: PlanInput, findingId: string) => marginCurve(input, findingId),
};
export type PlanWork = typeof work;

expose(work);
