// Days and windows in words for the screen.

import { cellAt, type Lane, type LaneWindow, type TimingNow, windowsAt } from '@mortisect/contracts';
import { temperatureReading, type Units, upperFirst } from '@mortisect/core/measure';
import { speciesName } from '@mortisect/core/register';
import { hourVerdict, type Verdict } from '@mortisect/core/timing';
import { lowerFirst } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { dayReasonWords, joined, told, VERDICT_WORDS } from '@mortisect/words/trade';
import { dayHour, longDayHour } from '../../data/moment';

type Timing = NonNullable<TimingNow['timing']>;

/** “Thu 26 Nov, 09:00 to Sat 16:00”. */
export function spanWords(
  say: Say,
  { fromHour, toHour }: Pick<LaneWindow, 'fromHour' | 'toHour'>,
  zone: string,
): string {
  return say('shared.to4', { longDayHour: longDayHour(fromHour, zone), dayHour: dayHour(toHour, zone) });
}

/** What holds now, in two words, and until when. */
export function nowWords(
  say: Say,
  lane: Lane,
  nowHour: number,
  zone: string,
): { figure: string; caption: string } {
  const { open, next, nextGood } = windowsAt(lane.windows, nowHour);
  if (open) {
    return {
      figure: open.verdict === 'go' ? say('shared.good') : say('shared.possible'),
      caption: say('shared.until2', { dayHour: dayHour(open.toHour, zone) }),
    };
  }
  const ahead = nextGood ?? next;
  return {
    figure: say('shared.wait'),
    caption: ahead
      ? say('shared.until2', { dayHour: dayHour(ahead.fromHour, zone) })
      : say('shared.noWindowInTenDays'),
  };
}

/** The next window of a lane in a sentence, with what makes it one. */
export function windowWords(
  say: Say,
  lane: Lane,
  timing: Timing,
  nowHour: number,
  zone: string,
  units: Units,
): string {
  const { open, next, nextGood } = windowsAt(lane.windows, nowHour);
  const window = open ?? nextGood ?? next;
  if (!window) return say('shared.noWindowInTheNextTenDays', { commonReason: commonReason(say, lane) });
  const parts = [
    ...(window.dryH === null ? [] : [say('shared.dryForHOnceItStarts', { dryH: window.dryH })]),
    ...(lane.id === 'dead'
      ? [say('shared.noLivingWoodIsCutDryBark')]
      : [frostWords(say, timing, window.fromHour, units)]),
  ];
  const span = open
    ? say('shared.nowTo', { longDayHour: longDayHour(window.toHour, zone) })
    : spanWords(say, window, zone);
  return `${window.verdict === 'go' ? say('shared.good') : say('shared.possible')}: ${span}. ${upperFirst(parts.join(', '))}.`;
}

function frostWords(say: Say, timing: Timing, fromHour: number, units: Units): string {
  const from = Math.max(0, fromHour - timing.fromHour);
  const temperatures = timing.temperatureC.slice(from).filter((value) => value !== null);
  if (temperatures.length === 0) return say('shared.theNightsAfterItAreNotForecast');
  return say('shared.coldestForecast', {
    temperature: joined(say, temperatureReading(Math.min(...temperatures), units)),
  });
}

/** What stands in the way on most of a lane’s half-days. */
function commonReason(say: Say, lane: Lane): string {
  const counts = new Map<string, number>();
  for (const { why, verdict } of lane.cells) {
    if (!why) continue;
    const words = dayReasonWords(say, why, verdict);
    counts.set(words, (counts.get(words) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? say('shared.nothingStandsOut');
}

/** Hours of a day as places in the columns of the site’s answer. */
export function hoursOfDay(timing: Timing, day: string): number[] {
  const found = timing.days.find((timed) => timed.day === day);
  if (!found) return [];
  return Array.from(
    { length: found.toHour - found.fromHour },
    (_, i) => found.fromHour + i - timing.fromHour,
  ).filter((i) => i >= 0 && i < timing.temperatureC.length);
}

/** One hour of a lane: its verdict, whether it is dark, and both in words. Hours gone by are past. */
export function hourSaid(
  say: Say,
  timing: Timing,
  lane: Pick<Lane, 'id' | 'cells'>,
  hour: number,
  nowHour: number,
): { verdict: Verdict; dark: boolean; says: string } {
  const i = hour - timing.fromHour;
  const living = (lane.id === 'dead' ? timing.dead : timing.living)[i] ?? [];
  const least = (lane.id === 'dead' ? timing.dead : timing.least)[i] ?? [];
  const { verdict, why } = hourVerdict(cellAt(timing, lane.cells, hour), living, least);
  const reasons = why.map((reason) => dayReasonWords(say, reason, verdict)).join(', ');
  const says = reasons
    ? `${say(VERDICT_WORDS[verdict]).toLowerCase()}: ${reasons}`
    : say(VERDICT_WORDS[verdict]).toLowerCase();
  return { verdict, dark: living.includes('dark'), says: hour < nowHour ? 'past' : says };
}

export function speciesList(say: Say, species: readonly string[]): string {
  const names = [...new Set(species)].map((name, i) =>
    i === 0 ? told(say, speciesName(name)) : lowerFirst(told(say, speciesName(name))),
  );
  return names.length <= 1
    ? (names[0] ?? '')
    : say('shared.and', { names: names.slice(0, -1).join(', '), names2: names.at(-1) ?? '' });
}
