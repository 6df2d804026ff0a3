// Which trees of the run have a window now, by the weather: without words, which other places would have to read.

import { groupOf, type TimingNow, windowsAt } from '@mortisect/contracts';
import { isPlainDead } from '@mortisect/core/disorders';
import type { Stop } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';

type Windows = { fromHour: number; toHour: number; verdict: 'go' | 'possible'; dryH: number | null }[];
const DEAD_WOOD = 'dead wood';

/** Trees of one kind have their windows in common: those of dead wood where nothing else is cut on a tree. */
export const kindOf = ({ tree, items }: Stop, timingNow: TimingNow): string | undefined =>
  items.every(({ disorders }) => isPlainDead(disorders)) ? DEAD_WOOD : groupOf(timingNow).get(tree.id);

/** Null where no weather is known. */
export function windowsOf(kind: string | undefined, { timing }: TimingNow): Windows | null {
  if (!timing) return null;
  if (kind === DEAD_WOOD)
    return timing.deadWindows.map((deadWindow) => ({ ...deadWindow, verdict: 'go' as const, dryH: null }));
  return timing.groups.find((group) => group.key === kind)?.windows ?? null;
}

/** Ids of the trees that may be cut now; all of them where no weather is known. */
export function openNow(stops: readonly Stop[], timingNow: TimingNow | undefined): ReadonlySet<string> {
  const openOf = new Map<string | undefined, boolean>();
  const isOpen = (stop: Stop): boolean => {
    if (!timingNow) return true;
    const kind = kindOf(stop, timingNow);
    const known = openOf.get(kind);
    if (known !== undefined) return known;
    const windows = windowsOf(kind, timingNow);
    const open = !windows || windowsAt(windows, hourOf(timingNow.now)).open !== null;
    openOf.set(kind, open);
    return open;
  };
  return new Set(stops.flatMap((stop) => (isOpen(stop) ? stop.tree.id : [])));
}

/** What a run would be made of: the trees that may be cut now; all of them where none may, for whoever chooses by themselves. */
export function proposedOf(stops: Stop[], timingNow: TimingNow | undefined): Stop[] {
  const open = openNow(stops, timingNow);
  return open.size === 0 ? stops : stops.filter(({ tree }) => open.has(tree.id));
}
