// How long a tree of the run may be cut, or from when on.

import { type TimingNow, windowsAt } from '@mortisect/contracts';
import type { SiteToday } from '@mortisect/core/present';
import type { Stop } from '@mortisect/core/run';
import { hourOf } from '@mortisect/core/weather';
import type { Say } from '@mortisect/words';
import { dayHour } from '../../data/moment';
import { kindOf, windowsOf } from './openWindows';

/** “good until Fri 16:00”, “wait until Fri 09:00”. */
export function windowWords(
  say: Say,
  stop: Stop,
  timingNow: TimingNow | undefined,
  { site }: SiteToday,
): string {
  const windows = timingNow && windowsOf(kindOf(stop, timingNow), timingNow);
  if (!timingNow || !windows) return say('cut.noWeatherToGoBy');
  const { open, next, nextGood } = windowsAt(windows, hourOf(timingNow.now));
  if (open) {
    const until = { dayHour: dayHour(open.toHour, site.timeZone) };
    return open.verdict === 'go' ? say('cut.goodUntil', until) : say('cut.possibleUntil', until);
  }
  const ahead = nextGood ?? next;
  return ahead
    ? say('cut.waitUntil', { dayHour: dayHour(ahead.fromHour, site.timeZone) })
    : say('cut.waitNoWindowInTenDays');
}
