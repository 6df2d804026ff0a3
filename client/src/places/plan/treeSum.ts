// What is due on a tree now, and what its plan comes to in a few words: the same in the list and on the plan of the orchard.
import { dangersOf } from '@mortisect/core/handling';
import { type Grain, grainOfAll, type Solved, visitsOf, wholeMinutes } from '@mortisect/core/plan';
import { openDecisions, type TreeView } from '@mortisect/core/present';
import type { Goal } from '@mortisect/core/shaping';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';

export interface Sum {
  steps: number;
  minutes: number;
  crown: number;
  infectedKg: number;
  grain: Grain;
}

/** What is due now on a tree. */
export function sumOf(solved: Solved | undefined): Sum | null {
  if (!solved) return null;
  const visit = visitsOf(solved).find((visit) => visit.isNow);
  const steps = visit?.steps ?? [];
  return {
    steps: steps.length,
    minutes: wholeMinutes(visit?.order.tally.minutes ?? 0),
    crown: steps.reduce((sum, stepView) => sum + stepView.step.crown + stepView.step.exempt, 0),
    grain: grainOfAll(steps.map(({ step }) => step)),
    infectedKg: steps.reduce(
      (sum, stepView) => (stepView.kind === 'diseased' ? sum + (stepView.priced.handling?.massKg ?? 0) : sum),
      0,
    ),
  };
}

/** What the tree is brought to, in whichever season and by whom. */
export function goalsOf(solved: Solved | undefined): Goal[] {
  if (!solved) return [];
  const { steps, height } = solved.plan;
  const isLowered = height?.limbs.some(({ left }) => left === 'hand over');
  return [...new Set([...steps.flatMap(({ serves }) => serves), ...(isLowered ? ['height' as const] : [])])];
}

export function headWords(say: Say, view: TreeView, { plan }: Solved, sum: Sum | null): string {
  if (plan.clash) return say('plan.pinsClash');
  if (plan.verdict) return told(say, plan.verdict.choice);
  const later = plan.steps.length - (sum?.steps ?? 0);
  return [
    ...(sum && sum.steps > 0 ? [say('plan.steps2', { steps: sum.steps })] : []),
    ...(later > 0 ? [say('plan.later', { later })] : []),
    ...(plan.handOver.length > 0 ? [say('plan.handOver')] : []),
    ...(openDecisions(view).length > 0 ? [say('plan.toDecide')] : []),
  ].join(', ');
}

/** Does it endanger people, or does a finding ask for more than one may do oneself? */
export const isDanger = ({ tree, findings }: TreeView, solved: Solved | undefined): boolean =>
  dangersOf(tree.hazards).length > 0 ||
  findings.some(({ id }) => solved?.plan.handOver.includes(id)) ||
  solved?.plan.verdict?.choice === 'remove tree';

/** The same, or is any part of it an arborist’s, a limb that is too tall for one too? */
export const warnsOf = (view: TreeView, solved: Solved | undefined): boolean =>
  isDanger(view, solved) || (solved?.plan.handOver.length ?? 0) > 0;
