// What is an hour of weather, and how is a run of hours held?

import { z } from 'zod';
import { moment } from '../measure/index';
import { refusing } from '../refusal/index';

/** Hours that are held or computed at once: eleven years. */
const MOST_HOURS = 96_500;
export const HOUR_MS = 3_600_000;

const measured = (least: number, most: number) => z.number().min(least).max(most).nullable().default(null);

/** One hour. A value that is not known is null, never nought. */
export const WeatherHour = z
  .strictObject({
    at: moment.describe('the hour’s beginning; minutes are dropped'),
    temperatureC: measured(-70, 60),
    humidityPct: measured(0, 100).describe('relative humidity'),
    rainMm: measured(0, 300).describe('rain or melted snow of that hour'),
    windMs: measured(0, 90).describe('mean wind'),
    wetMinutes: measured(0, 60).describe('leaf wetness where it is measured'),
  })
  .meta({ id: 'WeatherHour' });
export type WeatherHour = z.infer<typeof WeatherHour>;

/** Hours of weather in any order, of a span that can be reckoned with. */
export const hoursUpTo = (least: number, most = MOST_HOURS) =>
  z
    .array(WeatherHour)
    .min(least)
    .max(most)
    .refine((hours) => spanOf(hours.map((hour) => hourOf(hour.at))) <= MOST_HOURS, refusing('hoursApart'));

function spanOf(numbers: readonly number[]): number {
  const least = numbers.reduce((first, number) => Math.min(first, number), Number.POSITIVE_INFINITY);
  return numbers.reduce((span, number) => Math.max(span, number - least + 1), 0);
}

const column = z.array(z.number().nullable()).max(MOST_HOURS);

/** A run of hours by columns, one value for each hour; all columns are of one length. */
export const Series = z
  .strictObject({
    fromHour: z.number().int().describe('hours since 1970-01-01T00:00Z of the first value'),
    temperatureC: column,
    humidityPct: column,
    rainMm: column,
    windMs: column,
    wetMinutes: column,
  })
  .refine(
    (series) => columns.every((name) => series[name].length === series.temperatureC.length),
    refusing('unevenColumns'),
  )
  .meta({ id: 'Series' });
export type Series = z.infer<typeof Series>;

export const columns = ['temperatureC', 'humidityPct', 'rainMm', 'windMs', 'wetMinutes'] as const;
export type Column = (typeof columns)[number];

/** Hours since 1970 of the hour that a moment is in. */
export function hourOf(moment: string): number {
  return Math.floor(Date.parse(moment) / HOUR_MS);
}

/** ISO moment at which an hour begins, UTC. */
export function momentOf(hour: number): string {
  return new Date(hour * HOUR_MS).toISOString();
}

export function emptySeries(fromHour: number, hours: number): Series {
  const blank = () => Array<number | null>(hours).fill(null);
  return {
    fromHour,
    temperatureC: blank(),
    humidityPct: blank(),
    rainMm: blank(),
    windMs: blank(),
    wetMinutes: blank(),
  };
}

/** Hours in a series. */
export function lengthOf(series: Series): number {
  return series.temperatureC.length;
}

/**
 * A series from hours in any order; hours that nobody reported are null, of an hour reported twice the later word counts.
 *
 * @param fromHour first hour of the series; the earliest hour given where missing
 * @param toHour hour after its last
 */
export function seriesOf(hours: readonly WeatherHour[], fromHour?: number, toHour?: number): Series {
  const numbers = hours.map((hour) => hourOf(hour.at));
  const first = fromHour ?? numbers.reduce((least, number) => Math.min(least, number), numbers[0] ?? 0);
  const end = toHour ?? numbers.reduce((most, number) => Math.max(most, number), first - 1) + 1;
  const series = emptySeries(first, Math.max(0, end - first));
  hours.forEach((hour, i) => {
    const at = (numbers[i] as number) - first;
    if (at < 0 || at >= lengthOf(series)) return;
    for (const name of columns) series[name][at] = hour[name];
  });
  return series;
}

/** The part of a series from one hour up to, not including, another; hours outside it are null. */
export function between(series: Series, fromHour: number, toHour: number): Series {
  const part = emptySeries(fromHour, Math.max(0, toHour - fromHour));
  const shift = fromHour - series.fromHour;
  for (const name of columns) {
    for (let i = 0; i < part[name].length; i++) part[name][i] = series[name][i + shift] ?? null;
  }
  return part;
}

/** Two series laid over one another: where the first knows a value it counts, else the second's. */
export function over(first: Series, second: Series): Series {
  const fromHour = Math.min(first.fromHour, second.fromHour);
  const toHour = Math.max(first.fromHour + lengthOf(first), second.fromHour + lengthOf(second));
  const firstPart = between(first, fromHour, toHour);
  const other = between(second, fromHour, toHour);
  for (const name of columns) {
    for (let i = 0; i < firstPart[name].length; i++) firstPart[name][i] ??= other[name][i] ?? null;
  }
  return firstPart;
}
