// Trees that do not wait for a good day: strikes that move, broken and split wood. Danger to people comes before them.
import type { TimingNow } from '@mortisect/contracts';
import { disorderOf } from '@mortisect/core/disorders';
import { dangersOf } from '@mortisect/core/handling';
import { hourOf } from '@mortisect/core/weather';
import type { TreeView } from '../../data/orchardView';

export function isDangerous({ tree }: TreeView): boolean {
  return dangersOf(tree.hazards).length > 0;
}

/** Strikes that are active, and broken or split wood. */
export function isUrgent({ disorder, activity }: TreeView['findings'][number]): boolean {
  const row = disorderOf(disorder);
  return activity !== 'healed' && (row?.strike === true || row?.hanging === true);
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
