// The height that the tree should have, as work that a plan can weigh: each cut that lowers a limb, and what each step down is worth.
import { heightId, heightLeft, stemKeptCm, type TooTall, tooTall } from '../shaping/index';
import { isDistalOf, type LimbIndex, limbShape } from '../tree/index';
import { type Candidate, cutId, lesionsOf, ofCut } from './candidates';
import type { PlanInput } from './input';
import { type Ask, askGoal, type InForest, type Parts } from './parts';
import { type Priced, remainsOf } from './price';
import { ancestors, type PlanProblem } from './problem';

export interface Heights {
  tall: TooTall[];
  candidates: Candidate[];
}

/** A limb is worth less than a stem or a main limb; none more than if it stood so far above. Common practice, no source. */
const LESSER = 0.5;
const MOST_METRES = 1.6;
/** Steps nearer than this are one. */
const SAME_STEP = 0.005;

/** What stands too high, and the cuts that lower it; nothing where no height is set. */
export function heightsOf(input: PlanInput, cuts: Parts['cuts']): Heights {
  const { targetHeightCm, limbs } = input.tree;
  if (targetHeightCm === null) return { tall: [], candidates: [] };
  const tall = tooTall(limbs, targetHeightCm, lesionsOf(input, cuts));
  return {
    tall,
    candidates: tall.flatMap((limb) =>
      limb.lowerings.map((lowering): Candidate => {
        const { cut, afterCm } = lowering;
        const remains = heightLeft(limb, afterCm, targetHeightCm);
        return {
          ...ofCut(cut, { id: heightId(limb.limbId) }, undefined, remains),
          lowers: { limbId: limb.limbId, tipCm: limb.tipCm, afterCm, heir: lowering.heir },
        };
      }),
    ),
  };
}

/**
 * A problem for each step that a limb can be brought down by, worth what that step is of the whole: so a plan over several seasons earns
 * each step in the season it is made in.
 */
export function askHeight(
  { tree: { limbs, targetHeightCm: target }, settings: { weights } }: PlanInput,
  { doable, index, crown, heights: { tall } }: Pick<Parts, 'doable' | 'index' | 'crown' | 'heights'>,
  problem: PlanProblem,
  ask: Ask,
): void {
  if (target === null) return;
  const shape = limbShape(limbs);
  for (const limb of tall) {
    const isMain = ['trunk', 'scaffold'].includes(index.byId.get(limb.limbId)?.kind ?? '');
    const aboveCm = limb.tipCm - target;
    const above = crown.pieces
      .filter(({ limbId, fromCm, toCm }) => {
        const stick = shape.get(limbId);
        const length = index.byId.get(limbId)?.lengthCm ?? 1;
        if (!stick || !limb.limbIds.has(limbId)) return false;
        return stick.base.z + ((stick.tip.z - stick.base.z) * (fromCm + toCm)) / 2 / length > target;
      })
      .reduce((sum, piece) => sum + piece.crown, 0);
    const value =
      weights.tooHigh * (isMain ? 1 : LESSER) * Math.min(MOST_METRES, aboveCm / 100) +
      weights.heightCrown * above;
    const leftBy = leftByCut(limb, target, doable, problem, index);
    const steps = [...new Set(leftBy.values())].sort((a, b) => b - a);
    let before = 1;
    for (const left of steps) {
      if (before - left < SAME_STEP) continue;
      askGoal(
        {
          id: `${heightId(limb.limbId)} ${Math.round(left * 1000)}`,
          what: 'height',
          value: value * (before - left),
        },
        [...leftBy].flatMap(([k, share]) => (share <= left ? [k] : [])),
        problem,
        ask,
      );
      before = left;
    }
  }
}

/** What every cut on a limb, and every cut that takes it whole, leaves of its height. A cut nearer the trunk leaves no more than one farther out. */
function leftByCut(
  limb: TooTall,
  target: number,
  doable: InForest[],
  problem: PlanProblem,
  index: LimbIndex,
): Map<number, number> {
  const left = new Map<number, number>();
  doable.forEach(({ priced }, k) => {
    const share = leftOf(limb, target, priced, index);
    if (share === null || share >= 1) return;
    for (const at of [k, ...ancestors(problem, k)]) left.set(at, Math.min(left.get(at) ?? 1, share));
  });
  return left;
}

function leftOf(limb: TooTall, target: number, { candidate, kerf }: Priced, index: LimbIndex): number | null {
  if (!kerf) return null;
  if (isDistalOf(index, limb.limbId, 0.01, kerf.limbId, kerf.atCm)) return 0;
  const lowering = limb.lowerings.find(({ cut }) => cutId(cut) === candidate.id);
  return lowering ? heightLeft(limb, lowering.afterCm, target) : null;
}

/** Deeper cuts of a stem wait until an earlier season has taken it near enough; cuts that somebody pinned, or that a must asks for, do not. */
export function stemSteps({ doable, index }: Pick<Parts, 'doable' | 'index'>, problem: PlanProblem): void {
  const isAsked = (k: number) =>
    problem.required.includes(k) ||
    problem.candidates[k]?.solves.some(({ problem: p }) => problem.problems[p]?.mustBy !== null) === true;
  const onStems = doable.flatMap(({ priced: { kerf } }, k) => {
    const stem = kerf && index.byId.get(kerf.limbId);
    return stem?.kind === 'trunk' ? [{ k, stem, atCm: kerf?.atCm ?? 0 }] : [];
  });
  for (const { k, stem, atCm } of onStems) {
    // One of several stems that goes at the stool is no deeper cut of it
    if (atCm <= 0 || atCm >= stemKeptCm(stem.lengthCm) || isAsked(k)) continue;
    const first = onStems.filter(
      (other) => other.stem === stem && other.atCm > atCm && atCm >= stemKeptCm(other.atCm),
    );
    problem.after.push([k, first.map((other) => other.k)]);
  }
}

/** Limbs that join above the height the tree should have: they are not worth keeping there. */
export function standTooHigh({ tall }: Pick<Heights, 'tall'>): Set<string> {
  return new Set(tall.flatMap(({ limbId, limbIds }) => [...limbIds].filter((id) => id !== limbId)));
}

/** Is it a cut that brings this limb down to a branch that takes over? Then the limb’s worth is not lost with it. */
export function lowersTo({ candidate: { lowers } }: Priced, limbId: string): boolean {
  return lowers?.limbId === limbId && lowers.heir !== 'none';
}

/** Limbs that only an arborist’s cut would bring down, or down far enough; thin ones are not worth the call. */
export function heightsHandedOver(
  { tall }: Pick<Heights, 'tall'>,
  index: LimbIndex,
  all: readonly Priced[],
  doable: readonly InForest[],
): string[] {
  const leastOf = (list: readonly Priced[], id: string) =>
    Math.min(1, ...list.flatMap((priced) => remainsOf(priced, id) ?? []));
  const own = doable.map(({ priced }) => priced);
  return tall.flatMap(({ limbId }) => {
    const id = heightId(limbId);
    if ((index.byId.get(limbId)?.baseMm ?? 0) < CALLED_FROM_MM) return [];
    return leastOf(all, id) < leastOf(own, id) - WORTH_A_VISIT ? [id] : [];
  });
}
/** An arborist is called for a limb that one cannot bring down oneself, not for the last few centimetres. */
const WORTH_A_VISIT = 0.1;
const CALLED_FROM_MM = 25;
