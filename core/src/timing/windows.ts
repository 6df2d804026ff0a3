// In which hours can a tree be cut: dry before, during and after, light, no storm, no deep frost, ground that bears?
import {
  daylight,
  type Ground,
  isLight,
  type LocalClock,
  lengthOf,
  type Series,
  WET_RAIN_MM,
} from '../weather/index';
import type { Block, DryWindow } from './shapes';

interface WindowRule {
  dryBeforeH: number;
  dryAfterH: number;
  climbWindMs: number;
  leastC: number;
}

/** Least that a wound asks for: dry bark and a day without rain. Common practice, no source. */
export const LEAST_BEFORE_H = 6;
export const LEAST_AFTER_H = 24;
/** Shorter than this no work is begun, h. */
export const LEAST_WINDOW_H = 2;

export interface Place {
  latitude: number;
  longitude: number;
  clock: LocalClock;
}

/**
 * Why each hour of a series will not do; an empty list is an hour to cut in.
 *
 * @param ground its state in every hour, as recorded or as somebody said
 */
export function blockedHours(
  series: Series,
  rule: WindowRule,
  place: Place,
  ground: readonly Ground[],
): Block[][] {
  const hours = lengthOf(series);
  const isWet = (rain: number | null | undefined) => (rain ?? 0) >= WET_RAIN_MM;
  const isUnknown = (rain: number | null | undefined) => rain == null;
  const lastRain = lastBefore(series, isWet, Number.NEGATIVE_INFINITY);
  const nextRain = nextAfter(series, isWet, Number.POSITIVE_INFINITY);
  // An hour of which nobody knows whether it rained is not dry; nor is what lies outside the record
  const lastUnknown = lastBefore(series, isUnknown, -1);
  const nextUnknown = nextAfter(series, isUnknown, hours);
  return Array.from({ length: hours }, (_, i) => {
    const why: Block[] = [];
    const hour = series.fromHour + i;
    const rain = series.rainMm[i] ?? null;
    const temperature = series.temperatureC[i] ?? null;
    const wind = series.windMs[i] ?? null;
    if (!isLight(hour, daylight(place.clock.day(hour), place.latitude, place.longitude))) why.push('dark');
    if (rain === null || temperature === null) why.push('not known');
    else if (rain >= WET_RAIN_MM) why.push('rain');
    else {
      const wet = i - (lastRain[i] as number) <= rule.dryBeforeH;
      const coming = (nextRain[i] as number) - i <= rule.dryAfterH;
      if (wet) why.push('bark wet');
      if (coming) why.push('rain coming');
      const unknownBefore = !wet && i - (lastUnknown[i] as number) <= rule.dryBeforeH;
      const unknownAfter = !coming && (nextUnknown[i] as number) - i <= rule.dryAfterH;
      if (unknownBefore || unknownAfter) why.push('not known');
    }
    if (wind !== null && wind > rule.climbWindMs) why.push('wind');
    if (temperature !== null && temperature < rule.leastC) why.push('frost');
    const under = ground[i];
    if (under === 'snow' || under === 'mud') why.push(under);
    return why;
  });
}

type OfRain = (rain: number | null | undefined) => boolean;

/** For each hour the last one before it that is so; `outside` where none is. */
function lastBefore(series: Series, isSo: OfRain, outside: number): Float64Array {
  const hours = lengthOf(series);
  const last = new Float64Array(hours);
  let at = outside;
  for (let i = 0; i < hours; i++) {
    last[i] = at;
    if (isSo(series.rainMm[i])) at = i;
  }
  return last;
}

/** For each hour the next one after it that is so; `outside` where none is. */
function nextAfter(series: Series, isSo: OfRain, outside: number): Float64Array {
  const hours = lengthOf(series);
  const next = new Float64Array(hours);
  let at = outside;
  for (let i = hours - 1; i >= 0; i--) {
    next[i] = at;
    if (isSo(series.rainMm[i])) at = i;
  }
  return next;
}

/**
 * Runs of hours without a block; nights do not part them, but they begin and end in daylight.
 *
 * @param blocked why each hour will not do, from `fromHour` on
 */
export function windowsOf(blocked: readonly (readonly Block[])[], fromHour: number): DryWindow[] {
  const fits = (i: number) => (blocked[i] ?? []).every((why) => why === 'dark');
  const windows: DryWindow[] = [];
  for (let from = 0; from < blocked.length; from++) {
    if (!fits(from)) continue;
    let to = from;
    while (to < blocked.length && fits(to)) to += 1;
    const light = Array.from({ length: to - from }, (_, k) => from + k).filter(
      (i) => blocked[i]?.length === 0,
    );
    const first = light[0];
    const last = light.at(-1);
    if (first !== undefined && last !== undefined && light.length >= LEAST_WINDOW_H) {
      windows.push({ fromHour: fromHour + first, toHour: fromHour + last + 1, lightHours: light.length });
    }
    from = to;
  }
  return windows;
}
