// What a plan’s problem is built from.
import type { CrownMap, SeasonLimits } from '../crown/index';
import type { TreeCuts } from '../cuts/index';
import type { FormKept, Goal, OverLong, Renewal, SidesNow, Surplus, TooTall } from '../shaping/index';
import { isDistalOf, type Limb, type LimbIndex } from '../tree/index';
import type { KeepWorth } from './keepWorth';
import type { Priced } from './price';
import { ancestors, type PlanProblem } from './problem';
import type { Training } from './training';

/** A problem of the plan: a finding, or what the whole tree lacks. */
export interface Asked {
  id: string;
  findingId: string | null;
  what: 'finding' | Goal;
  value: number;
  must: boolean;
}

/** Adds a problem to the plan and gives its index. */
export type Ask = (question: Asked) => number;

/**
 * Asks for a goal that these candidates reach; a goal that no candidate reaches is not asked for.
 *
 * @param solvers indices of candidates
 * @param remains what a candidate leaves of it, 0..1; nothing where it is not said
 */
export function askGoal(
  { id, what, value }: { id: string; what: Goal; value: number },
  solvers: readonly number[],
  problem: PlanProblem,
  ask: Ask,
  remains: (k: number) => number = () => 0,
): void {
  if (solvers.length === 0) return;
  const p = ask({ id, findingId: null, what, value, must: false });
  for (const k of solvers) problem.candidates[k]?.solves.push({ problem: p, remains: remains(k) });
}

/** Does this cut take all of a limb? */
export function takesWhole({ kerf }: Pick<Priced, 'kerf'>, limbId: string, index: LimbIndex): boolean {
  return kerf !== null && isDistalOf(index, limbId, 0.01, kerf.limbId, kerf.atCm);
}

/** Does this cut shorten a limb to a place, or more; or take all of it? */
export function shortensTo(
  { kerf }: Pick<Priced, 'kerf'>,
  limbId: string,
  atCm: number,
  index: LimbIndex,
): boolean {
  return takesWhole({ kerf }, limbId, index) || (kerf?.limbId === limbId && kerf.atCm <= atCm);
}

/** The cut farthest out that takes the wood at s on a limb. @returns its index; −1 where none takes it */
export function nearestCut(
  { doable, index }: Pick<Parts, 'doable' | 'index'>,
  problem: PlanProblem,
  limbId: string,
  s: number,
): number {
  let found = -1;
  doable.forEach(({ priced }, k) => {
    if (!priced.kerf || !isDistalOf(index, limbId, s, priced.kerf.limbId, priced.kerf.atCm)) return;
    if (found < 0 || ancestors(problem, k).includes(found)) found = k;
  });
  return found;
}

/** Indices of the candidates for which this holds. */
export const thoseThat = (doable: readonly InForest[], holds: (priced: Priced) => boolean): number[] =>
  doable.flatMap(({ priced }, k) => (holds(priced) ? [k] : []));

/** Of what each candidate does alone, that which it does beyond the candidates next on its wood. @param alone one for each candidate */
export function beyondInner(
  { candidates }: Pick<PlanProblem, 'candidates'>,
  alone: readonly number[],
): number[] {
  const beyond = [...alone];
  candidates.forEach(({ parent }, child) => {
    if (parent !== null) beyond[parent] = (beyond[parent] as number) - (alone[child] as number);
  });
  return beyond;
}

/** A candidate with the index of the cut that takes its wood too. */
export interface InForest {
  priced: Priced;
  parent: number | null;
}

export interface Parts {
  doable: InForest[];
  cuts: TreeCuts;
  crown: CrownMap;
  limits: SeasonLimits;
  keep: KeepWorth[];
  index: LimbIndex;
  training: Training;
  /** What stands too high, and shoots that grew too long. */
  heights: { tall: TooTall[] };
  shoots: { long: OverLong[] };
  /** Of the crown; null for a tree that has none, or is still young. */
  sides: { now: SidesNow | null };
  bearing: { surplus: Surplus[]; renewed: Renewal[] };
  upright: { limbs: Limb[] };
  /** What keeps a tree flat that is trained so. */
  form: { kept: FormKept[] };
}
