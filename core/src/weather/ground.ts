// Can a tree be reached: snow lying, or ground too soft for ladder and cart?
import { lengthOf, type Series } from './hour';

export const grounds = ['reachable', 'snow', 'mud'] as const;
export type Ground = (typeof grounds)[number];

/** Falls as snow below, °C; lying snow melts by so much a degree-day; enough to hinder. Common practice, no source. */
const SNOW_BELOW_C = 1;
const MELT_MM_A_DEGREE_DAY = 3;
const HINDERS_FROM_MM = 8;
/** Rain within two days that makes the ground soft, mm. Common practice, no source. */
const MUD_FROM_MM = 25;
const MUD_HOURS = 48;

/**
 * State of the ground in every hour of a series, from its own record: water that fell in frost and has not melted, else
 * rain of the last two days.
 *
 * @returns one word an hour; hours before the record are taken for dry
 */
export function groundByRecord(series: Series): Ground[] {
  const hours = lengthOf(series);
  let snowMm = 0;
  let rain48 = 0;
  return Array.from({ length: hours }, (_, i) => {
    const temperature = series.temperatureC[i] ?? null;
    const rain = series.rainMm[i] ?? 0;
    const frozen = temperature !== null && temperature < SNOW_BELOW_C;
    if (frozen) snowMm += rain;
    if (temperature !== null)
      snowMm = Math.max(0, snowMm - (MELT_MM_A_DEGREE_DAY * Math.max(0, temperature)) / 24);
    rain48 += (frozen ? 0 : rain) - fellBefore(series, i - MUD_HOURS);
    if (snowMm >= HINDERS_FROM_MM) return 'snow';
    return rain48 >= MUD_FROM_MM ? 'mud' : 'reachable';
  });
}

function fellBefore(series: Series, i: number): number {
  if (i < 0) return 0;
  const temperature = series.temperatureC[i] ?? null;
  return temperature !== null && temperature < SNOW_BELOW_C ? 0 : (series.rainMm[i] ?? 0);
}
