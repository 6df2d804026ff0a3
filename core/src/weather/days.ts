// What was each local day like?
import { z } from 'zod';
import { lengthOf, type Series } from './hour';
import type { LocalClock } from './localTime';
import { isWet } from './wetness';

/** A local day; null where no hour of it is known. */
export const DayOfWeather = z.object({
  day: z.iso.date(),
  fromHour: z.number().int().describe('first hour since 1970'),
  toHour: z.number().int().describe('the hour after its last'),
  minC: z.number().nullable(),
  maxC: z.number().nullable(),
  meanC: z.number().nullable().describe('mean of its hours'),
  rainMm: z.number().nullable(),
  wetHours: z.number(),
  maxWindMs: z.number().nullable(),
  known: z.number().describe('hours with a temperature'),
});
export type DayOfWeather = z.infer<typeof DayOfWeather>;

/** The local days of a series, the first and last of them perhaps only in part. */
export function daysOf(series: Series, clock: LocalClock): DayOfWeather[] {
  const days: DayOfWeather[] = [];
  const length = lengthOf(series);
  let from = 0;
  while (from < length) {
    const day = clock.day(series.fromHour + from);
    let to = from + 1;
    while (to < length && clock.day(series.fromHour + to) === day) to += 1;
    days.push(dayOf(series, day, from, to));
    from = to;
  }
  return days;
}

function dayOf(series: Series, day: string, from: number, to: number): DayOfWeather {
  const temperature = known(series.temperatureC, from, to);
  const rain = known(series.rainMm, from, to);
  const wind = known(series.windMs, from, to);
  let wetHours = 0;
  for (let i = from; i < to; i++) if (isWet(hourAt(series, i))) wetHours += 1;
  return {
    day,
    fromHour: series.fromHour + from,
    toHour: series.fromHour + to,
    minC: temperature.length > 0 ? Math.min(...temperature) : null,
    maxC: temperature.length > 0 ? Math.max(...temperature) : null,
    meanC: temperature.length > 0 ? sum(temperature) / temperature.length : null,
    rainMm: rain.length > 0 ? sum(rain) : null,
    wetHours,
    maxWindMs: wind.length > 0 ? Math.max(...wind) : null,
    known: temperature.length,
  };
}

/** The values of one hour, by its place in the series. */
export function hourAt(series: Series, i: number) {
  return {
    temperatureC: series.temperatureC[i] ?? null,
    humidityPct: series.humidityPct[i] ?? null,
    rainMm: series.rainMm[i] ?? null,
    windMs: series.windMs[i] ?? null,
    wetMinutes: series.wetMinutes[i] ?? null,
  };
}

function known(column: (number | null)[], from: number, to: number): number[] {
  const values: number[] = [];
  for (let i = from; i < to; i++) {
    const value = column[i];
    if (value !== null && value !== undefined) values.push(value);
  }
  return values;
}

const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);
