// Which trees of the run have a window now, by the weather.

import { type TimingNow, windowsAt } from '@mortisect/contracts';
import { isPlainDead } from '@mortisect/core/disorders';
import type { SiteToday } from '@mortisect/core/present';
import type { Stop } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';
import type { Say } from '@mortisect/words';
import { dayHour } from '../../data/moment';

/** Windows of a tree: those of dead wood where nothing else is cut on it. Null where no weather is known. */
function windowsOf({ tree, items }: Stop, { timing, groupOf }: TimingNow) {
  if (!timing) return null;
  if (items.every(({ disorders }) => isPlainDead(disorders)))
    return timing.deadWindows.map((deadWindow) => ({ ...deadWindow, verdict: 'go' as const, dryH: null }));
  return timing.groups.find((group) => group.key === groupOf[tree.id])?.windows ?? null;
}

/** Ids of the trees that may be cut now; all of them where no weather is known. */
export function openNow(stops: readonly Stop[], timingNow: TimingNow | undefined): ReadonlySet<string> {
  const open = stops.filter((stop) => {
    const windows = timingNow && windowsOf(stop, timingNow);
    return !timingNow || !windows || windowsAt(windows, hourOf(timingNow.now)).open !== null;
  });
  return new Set(open.map(({ tree }) => tree.id));
}

/** “good until Fri 16:00”, “wait until Fri 09:00”. */
export function windowWords(
  say: Say,
  stop: Stop,
  timingNow: TimingNow | undefined,
  { site }: SiteToday,
): string {
  const windows = timingNow && windowsOf(stop, timingNow);
  if (!timingNow || !windows) return say('cut.noWeatherToGoBy');
  const { open, next, nextGood } = windowsAt(windows, hourOf(timingNow.now));
  if (open) {
    const words = open.verdict === 'go' ? 'good' : 'possible';
    return say('cut.until', { words, dayHour: dayHour(open.toHour, site.timeZone) });
  }
  const ahead = nextGood ?? next;
  return ahead
    ? say('cut.waitUntil', { dayHour: dayHour(ahead.fromHour, site.timeZone) })
    : say('cut.waitNoWindowInTenDays');
}
