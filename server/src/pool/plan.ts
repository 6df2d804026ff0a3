// A plan computed off the thread that answers, within a time that an answer may take.
import type { CandidatesResult, PlanResult } from '@mortisect/contracts';
import {
  candidateOut,
  inVisits,
  type KeptPlan,
  keptPlanOf,
  type PlanInput,
  planning,
  preparePlan,
  type Solved,
  solvedFrom,
  toldOf,
} from '@mortisect/core/plan';

/** The search is cut off here; the answer says how far from proved it is. */
const MOST_MS = 1500;
const NODES_AT_ONCE = 4;

export function candidates(input: PlanInput): CandidatesResult {
  const { all, handOver, crown } = preparePlan(input);
  return { candidates: all.map(candidateOut), handOver, crownPieces: crown.pieces };
}

export function plan(input: PlanInput): PlanResult {
  return resultOf(search(input));
}

/** A tree to be planned, with the plan that is kept of it. */
export interface TreeToPlan {
  input: PlanInput;
  kept: KeptPlan | null;
}

/** The kept plan where it still holds, else one searched now. */
export function solvedOf({ input, kept }: TreeToPlan, mostMs = MOST_MS): Solved {
  return (kept && solvedFrom(kept, input)) ?? search(input, mostMs);
}

/** As `plan`, from what is kept. */
export function treePlan(tree: TreeToPlan): PlanResult {
  return resultOf(solvedOf(tree));
}

/** Searched to be kept. */
export function planToKeep(input: PlanInput): KeptPlan {
  return keptPlanOf(search(input));
}

function search(input: PlanInput, mostMs = MOST_MS): Solved {
  const { prepared, step } = planning(input);
  const until = performance.now() + mostMs;
  let found = step(1);
  while (!found.proof.done && performance.now() < until) found = step(NODES_AT_ONCE);
  return { prepared: toldOf(prepared), ...inVisits(prepared, found) };
}

function resultOf({ prepared, plan: { decisions: _, idlePins: __, ...told } }: Solved): PlanResult {
  return { ...told, candidates: prepared.all.map(candidateOut) };
}
