// How much warmth has there been, from hours or from the lowest and highest of a day?

/**
 * Degree-days above a base by a single sine through the day’s lowest and highest.
 *
 * @returns °C-days
 * @source Baskerville & Emin 1969, Ecology 50:514
 * @example sineDegreeDays(2, 18, 10) //=> 2.546
 */
export function sineDegreeDays(minC: number, maxC: number, baseC: number): number {
  if (minC >= baseC) return (minC + maxC) / 2 - baseC;
  if (maxC <= baseC) return 0;
  const mean = (minC + maxC) / 2;
  const half = (maxC - minC) / 2;
  const theta = Math.asin((baseC - mean) / half);
  return ((mean - baseC) * (Math.PI / 2 - theta) + half * Math.cos(theta)) / Math.PI;
}

/** Warmth of one hour above a base, °C-days. */
export function hourlyDegreeDays(temperatureC: number, baseC: number): number {
  return Math.max(0, temperatureC - baseC) / 24;
}

const BASE_C = 4;
const BEST_C = 25;
const MOST_C = 36;

/**
 * Growing degree hours of one hour: none up to 4 °C, 21 at 25 °C, none again from 36 °C.
 *
 * @source Anderson, Richardson & Kesner 1986, Acta Hortic. 184:71, without stress
 * @example growingDegreeHours(10) //=> 3.953
 */
export function growingDegreeHours(temperatureC: number): number {
  const range = BEST_C - BASE_C;
  if (temperatureC <= BASE_C || temperatureC >= MOST_C) return 0;
  if (temperatureC <= BEST_C) {
    return (range / 2) * (1 + Math.cos(Math.PI + (Math.PI * (temperatureC - BASE_C)) / range));
  }
  return range * (1 + Math.cos(Math.PI / 2 + ((Math.PI / 2) * (temperatureC - BEST_C)) / (MOST_C - BEST_C)));
}
