// What did each day add: cold toward the end of rest, warmth toward bloom?
import { dayOfYear, daysOf, type LocalClock, lengthOf, type Series } from '../weather/index';
import { dynamicPortions, isChillHour, utahUnits } from './chill';
import { growingDegreeHours, sineDegreeDays } from './warmth';

/** What a day added; sums of its hours. */
export interface ThermalDay {
  day: string;
  /** Day of the year, 1..366. */
  ofYear: number;
  minC: number;
  maxC: number;
  meanC: number;
  portions: number;
  utah: number;
  chillHours: number;
  /** Growing degree hours, °C·h. */
  warmth: number;
  /** Degree-days above 6.1 °C by a single sine through its lowest and highest. */
  degreeDays: number;
  /** Share of its hours that were measured or forecast. */
  known: number;
}

/** 43 °F, the base of the published guide to the stages of apple. */
export const DEGREE_DAYS_BASE_C = 6.1;

/** A day of which fewer hours are known counts as unknown. */
const LEAST_KNOWN_H = 12;

/**
 * The days of a series. A missing hour takes the temperature of the nearest known one of its day; a day of which less than
 * half is known is left out.
 */
export function thermalDays(series: Series, clock: LocalClock): ThermalDay[] {
  const portion = dynamicPortions();
  const days: ThermalDay[] = [];
  for (const day of daysOf(series, clock)) {
    if (day.known < LEAST_KNOWN_H || day.minC === null || day.maxC === null || day.meanC === null) continue;
    const hours = day.toHour - day.fromHour;
    const sums = { portions: 0, utah: 0, chillHours: 0, warmth: 0 };
    for (let hour = day.fromHour; hour < day.toHour; hour++) {
      const t = nearest(series, hour - series.fromHour, day.fromHour - series.fromHour, hours) ?? day.meanC;
      sums.portions += portion(t);
      sums.utah += utahUnits(t);
      sums.chillHours += isChillHour(t) ? 1 : 0;
      sums.warmth += growingDegreeHours(t);
    }
    days.push({
      day: day.day,
      ofYear: dayOfYear(day.day),
      minC: day.minC,
      maxC: day.maxC,
      meanC: day.meanC,
      ...sums,
      degreeDays: sineDegreeDays(day.minC, day.maxC, DEGREE_DAYS_BASE_C),
      known: day.known / hours,
    });
  }
  return days;
}

function nearest(series: Series, i: number, from: number, hours: number): number | null {
  for (let away = 0; away < hours; away++) {
    for (const at of [i - away, i + away]) {
      if (at < from || at >= from + hours || at >= lengthOf(series)) continue;
      const value = series.temperatureC[at] ?? null;
      if (value !== null) return value;
    }
  }
  return null;
}
