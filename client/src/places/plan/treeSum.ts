// What is due on a tree now in a few words: the same in the list and on the plan of the orchard.
import { dangersOf } from '@mortisect/core/handling';
import type { ListedTree } from '@mortisect/core/run';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';

export function headWords(say: Say, { due, toDecide }: ListedTree): string {
  if (!due) return '';
  if (due.clash) return say('plan.pinsClash');
  if (due.verdict) return told(say, due.verdict);
  return [
    ...(due.steps > 0 ? [say('plan.steps2', { steps: due.steps })] : []),
    ...(due.later > 0 ? [say('plan.later', { later: due.later })] : []),
    ...(due.handOver > 0 ? [say('plan.handOver')] : []),
    ...(toDecide.length > 0 ? [say('plan.toDecide')] : []),
  ].join(', ');
}

/** Does it endanger people, or does a finding ask for more than one may do oneself? */
export const isDanger = ({ tree, due }: ListedTree): boolean =>
  dangersOf(tree.hazards).length > 0 || due?.handsOver === true || due?.verdict === 'remove tree';

/** The same, or is any part of it an arborist’s, a limb that is too tall for one too? */
export const warnsOf = (listed: ListedTree): boolean => isDanger(listed) || (listed.due?.handOver ?? 0) > 0;
