// How high a tree stands by its plan, and why what still stands too high does.
import { treeAfter } from '../cuts/index';
import { heightId, heightOf, TOO_TALL_FROM_CM } from '../shaping/index';
import type { Prepared } from './prepare';
import { answersIt } from './price';
import { pays } from './problem';
import type { HeightOfPlan, PlannedStep } from './treePlan';

/** How high the tree and each limb that was too tall stand by the plan. */
export function loweredBy(
  { input, heights: { tall }, all, handOver, problem, asked, chosenFrom }: Omit<Prepared, 'cuts'>,
  steps: readonly PlannedStep[],
): HeightOfPlan | null {
  const { limbs, targetHeightCm: target } = input.tree;
  if (target === null || tall.length === 0) return null;
  const kerfOf = new Map(all.map(({ id, kerf }) => [id, kerf]));
  const standing = (season: number) =>
    treeAfter(
      limbs,
      steps.flatMap((step) => (step.season <= season ? (kerfOf.get(step.candidateId) ?? []) : [])),
    );
  const atLast = standing(Number.POSITIVE_INFINITY);
  const isOutOfReach = (limbId: string) =>
    !chosenFrom.some((priced) => answersIt(priced, heightId(limbId))) &&
    all.some((priced) => answersIt(priced, heightId(limbId)));
  // Nothing stands where a first step could be made
  const isTooDeep = (limbId: string) => {
    const ks = chosenFrom.flatMap(({ kerf }, k) => (kerf?.limbId === limbId ? [k] : []));
    return (
      ks.length > 0 &&
      ks.every((k) => problem.after.some(([late, first]) => late === k && first.length === 0))
    );
  };
  const isOf = (limbId: string) => (p: number) => asked[p]?.id.startsWith(`${heightId(limbId)} `) === true;
  return {
    targetCm: target,
    nowCm: heightOf(limbs),
    afterCm: Array.from({ length: input.seasons }, (_, y) => heightOf(standing(y + 1))),
    limbs: tall.map(({ limbId, tipCm, limbIds, noHeir }) => {
      const afterCm = heightOf(
        atLast,
        atLast.filter(({ id }) => limbIds.has(id)),
      );
      const isReached = afterCm <= target + TOO_TALL_FROM_CM;
      const handed = handOver.includes(heightId(limbId));
      return {
        limbId,
        tipCm,
        afterCm,
        left: isReached
          ? 'reached'
          : handed
            ? 'hand over'
            : isOutOfReach(limbId)
              ? 'out of reach'
              : noHeir
                ? 'no heir'
                : isTooDeep(limbId)
                  ? 'too deep'
                  : problem.candidates.some((candidate) => pays(candidate, isOf(limbId), problem))
                    ? 'no room'
                    : 'not worth it',
      };
    }),
  };
}
