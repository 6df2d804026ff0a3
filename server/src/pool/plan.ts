// A plan computed off the thread that answers, within a time that an answer may take.
import type { PlanResult } from '@mortisect/contracts';
import {
  type CandidateOut,
  candidateOut,
  inVisits,
  type PlanInput,
  planning,
  preparePlan,
  type TreePlan,
} from '@mortisect/core/plan';

/** The search is cut off here; the answer says how far from proved it is. */
const MOST_MS = 1500;
const NODES_AT_ONCE = 4;

export interface Candidates {
  candidates: CandidateOut[];
  handOver: string[];
  crownPieces: { limbId: string; fromCm: number; toCm: number; crown: number; fruit: number }[];
}

export function candidates(input: PlanInput): Candidates {
  const { all, handOver, crown } = preparePlan(input);
  return { candidates: all.map(candidateOut), handOver, crownPieces: crown.pieces };
}

export function plan(input: PlanInput): PlanResult {
  const { prepared, step } = planning(input);
  const until = performance.now() + MOST_MS;
  let said = step(1);
  while (!said.proof.done && performance.now() < until) said = step(NODES_AT_ONCE);
  return asResult(inVisits(prepared, said).plan, prepared.limits.because, prepared.all.map(candidateOut));
}

function asResult(plan: TreePlan, limitBecause: string, all: CandidateOut[]): PlanResult {
  const { steps, seasons, left, swallowed, handOver, verdict, clash, proof } = plan;
  const finite = (value: number) => (Number.isFinite(value) ? value : null);
  return {
    steps,
    seasons,
    limitBecause,
    candidates: all,
    left,
    swallowed,
    handOver,
    verdict,
    clash,
    proof: { ...proof, worth: finite(proof.worth), bound: finite(proof.bound), gap: finite(proof.gap) },
  };
}
