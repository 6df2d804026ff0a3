// A plan that was searched before, by another machine or on another day: what it rests on, and how it is taken up without a search.
import { digest } from 'ohash/crypto';
import type { PlanInput } from './input';
import type { KeptPlan } from './keptShape';
import { listedOf } from './listed';
import { type Prepared, preparePlan } from './prepare';
import { visitKey } from './visit';
import { type Solved, toldOf } from './visits';

/**
 * What a plan rests on as one word: the same for the same input, however its keys are ordered and whether or not it came over a wire.
 *
 * @returns SHA-256 in Base64url
 */
export function planStamp(input: PlanInput): string {
  return digest(JSON.stringify(input, byKey));
}

/** Objects with their keys in order. What an older record does not say and what nobody knows is the same. */
function byKey(_key: string, value: unknown): unknown {
  if (value === null || typeof value !== 'object' || Array.isArray(value)) return value;
  const known = Object.entries(value).filter(([, part]) => part !== null);
  return Object.fromEntries(known.sort(([a], [b]) => (a < b ? -1 : 1)));
}

export function keptPlanOf(solved: Solved): KeptPlan {
  const { prepared } = solved;
  return { stamp: planStamp(prepared.given), problem: problemStamp(prepared), ...listedOf(solved) };
}

/** The last digits of a sine differ from browser to browser: they make no other problem. */
const problemStamp = ({ problem }: Pick<Prepared, 'problem'>) => digest(JSON.stringify(problem, rounded));

const rounded = (_key: string, value: unknown) =>
  typeof value === 'number' && !Number.isInteger(value) ? Number(value.toPrecision(DIGITS)) : value;
const DIGITS = 6;

/**
 * The plan with what it is made of, without a search.
 *
 * @returns null where it was searched for another input, or by a planner that weighs anything else: a device may be newer than what it was told last
 */
export function solvedFrom({ stamp, problem, plan, orders }: KeptPlan, input: PlanInput): Solved | null {
  if (stamp !== planStamp(input)) return null;
  const prepared = preparePlan(input);
  const fits = problem === problemStamp(prepared) && plan.steps.every((step) => orders[visitKey(step)]);
  return fits ? { prepared: toldOf(prepared), plan, orders } : null;
}
