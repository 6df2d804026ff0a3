// A plan computed off the thread that answers, within a time that an answer may take.
import type { CandidatesResult, PlanResult } from '@mortisect/contracts';
import { candidateOut, inVisits, type PlanInput, planning, preparePlan } from '@mortisect/core/plan';

/** The search is cut off here; the answer says how far from proved it is. */
const MOST_MS = 1500;
const NODES_AT_ONCE = 4;

export function candidates(input: PlanInput): CandidatesResult {
  const { all, handOver, crown } = preparePlan(input);
  return { candidates: all.map(candidateOut), handOver, crownPieces: crown.pieces };
}

export function plan(input: PlanInput): PlanResult {
  const { prepared, step } = planning(input);
  const until = performance.now() + MOST_MS;
  let said = step(1);
  while (!said.proof.done && performance.now() < until) said = step(NODES_AT_ONCE);
  const { decisions: _, idlePins: __, ...told } = inVisits(prepared, said).plan;
  return { ...told, candidates: prepared.all.map(candidateOut) };
}
