// Trees that do not wait for a good day: strikes that move, broken and split wood. Danger to people comes before them.
import type { TimingNow } from '@mortisect/contracts';
import { dangersOf } from '@mortisect/core/handling';
import { isUrgent, type TreeView } from '@mortisect/core/present';
import { hourOf } from '@mortisect/core/weather';

export function isDangerous({ tree }: TreeView): boolean {
  return dangersOf(tree.hazards).length > 0;
}

export function urgentTrees(views: readonly TreeView[]): TreeView[] {
  return views.filter((view) => !isDangerous(view) && view.findings.some(isUrgent));
}

/** The next dry hours, in which such wood is cut; undefined where no weather is known or none come. */
export function dryHours(told: TimingNow | undefined) {
  return told?.timing?.deadWindows[0];
}

export function isDryNow(told: TimingNow | undefined): boolean {
  const window = dryHours(told);
  return told !== undefined && window !== undefined && window.fromHour <= hourOf(told.now);
}
