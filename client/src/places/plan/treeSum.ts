// What is due on a tree now, and what its plan comes to in a few words: the same in the list and on the plan of the orchard.
import { kindOf } from '@mortisect/core/disorders';
import { dangersOf } from '@mortisect/core/handling';
import {
  type Grain,
  grainOfAll,
  type ListedPlan,
  listedNow,
  visitKey,
  wholeMinutes,
} from '@mortisect/core/plan';
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
export function sumOf({ findings }: Pick<TreeView, 'findings'>, listed: ListedPlan | undefined): Sum | null {
  if (!listed) return null;
  const { orders, now, cuts } = listed;
  const steps = listedNow(listed);
  const ill = new Set(findings.filter(({ disorder }) => kindOf(disorder) === 'diseased').map(({ id }) => id));
  const infected = steps.filter(({ solves }) => solves.some(({ findingId }) => ill.has(findingId)));
  return {
    steps: steps.length,
    minutes: wholeMinutes(now ? (orders[visitKey({ season: 1, pass: now })]?.tally.minutes ?? 0) : 0),
    crown: steps.reduce((sum, { crown, exempt }) => sum + crown + exempt, 0),
    grain: grainOfAll(steps),
    infectedKg: infected.reduce((sum, { candidateId }) => sum + (cuts[candidateId]?.massKg ?? 0), 0),
  };
}

/** What the tree is brought to, in whichever season and by whom. */
export function goalsOf(listed: ListedPlan | undefined): Goal[] {
  if (!listed) return [];
  const { steps, height } = listed.plan;
  const isLowered = height?.limbs.some(({ left }) => left === 'hand over');
  return [...new Set([...steps.flatMap(({ serves }) => serves), ...(isLowered ? ['height' as const] : [])])];
}

export function headWords(say: Say, view: TreeView, { plan }: ListedPlan, sum: Sum | null): string {
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
export const isDanger = ({ tree, findings }: TreeView, listed: ListedPlan | undefined): boolean =>
  dangersOf(tree.hazards).length > 0 ||
  findings.some(({ id }) => listed?.plan.handOver.includes(id)) ||
  listed?.plan.verdict?.choice === 'remove tree';

/** The same, or is any part of it an arborist’s, a limb that is too tall for one too? */
export const warnsOf = (view: TreeView, listed: ListedPlan | undefined): boolean =>
  isDanger(view, listed) || (listed?.plan.handOver.length ?? 0) > 0;
