// Trees that do not wait for a good day: strikes that move, broken and split wood. Danger to people comes before them.
import type { TimingNow } from '@mortisect/contracts';
import { dangersOf } from '@mortisect/core/handling';
import { isUrgent } from '@mortisect/core/present';
import type { ListedTree } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';

export function isDangerous({ tree }: Pick<ListedTree, 'tree'>): boolean {
  return dangersOf(tree.hazards).length > 0;
}

export function urgentTrees(trees: readonly ListedTree[]): ListedTree[] {
  return trees.filter((listed) => !isDangerous(listed) && listed.findings.some(isUrgent));
}

/** The next dry hours, in which such wood is cut; undefined where no weather is known or none come. */
export function dryHours(timingNow: TimingNow | undefined) {
  return timingNow?.timing?.deadWindows[0];
}

export function isDryNow(timingNow: TimingNow | undefined): boolean {
  const window = dryHours(timingNow);
  return timingNow !== undefined && window !== undefined && window.fromHour <= hourOf(timingNow.now);
}
