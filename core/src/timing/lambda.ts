// How likely does a wound made in an hour take an infection while it heals?
import {
  dayOfYear,
  hourAt,
  isWet,
  lengthOf,
  localClock,
  northernDayOfYear,
  type Series,
  WET_RAIN_MM,
} from '../weather/index';
import type { Pathogen } from './pathogens';

/** Wood stays half as catching for so long after rain, h. Common practice, no source. */
export const WET_AFTER_RAIN_H = 6;
const AFTER_RAIN = 0.5;
/** A wound is done with when so little of its susceptibility is left, or after so many days. */
export const CLOSED_BELOW = 0.05;
export const HORIZON_DAYS = 90;
const HOURS = 24;

/**
 * Suitability of a temperature for infection, 0 to 1 and 1 at the best.
 *
 * @source Yan & Hunt 1999, Ann. Bot. 84:607 (beta response)
 * @example suitability(18, { minC: 4, bestC: 27.5, maxC: 36 }) //=> 0.506
 */
export function suitability(
  temperatureC: number,
  { minC, bestC, maxC }: Pick<Pathogen, 'minC' | 'bestC' | 'maxC'>,
): number {
  if (temperatureC <= minC || temperatureC >= maxC) return 0;
  const below = (temperatureC - minC) / (bestC - minC);
  return ((maxC - temperatureC) / (maxC - bestC)) * below ** ((bestC - minC) / (maxC - bestC));
}

/**
 * Share of a wound’s susceptibility that is left after warmth above the pathogen’s base.
 *
 * @param degreeDays since the cut, °C-days
 */
export function susceptibility(degreeDays: number, { halfClosedDd, sharpness }: Healing): number {
  return 1 / (1 + (degreeDays / halfClosedDd) ** sharpness);
}
type Healing = Pick<Pathogen, 'halfClosedDd' | 'sharpness'>;

/** What an hour’s wetness counts: 1 in rain, half for six hours after, none in dry; dew a tenth where that is wanted. */
export function wetnessWeights(series: Series, dew = 0): Float64Array {
  const hours = lengthOf(series);
  const weights = new Float64Array(hours);
  let since = Number.POSITIVE_INFINITY;
  for (let i = 0; i < hours; i++) {
    const rain = series.rainMm[i] ?? null;
    since = rain !== null && rain >= WET_RAIN_MM ? 0 : since + 1;
    if (since === 0) weights[i] = 1;
    else if (since <= WET_AFTER_RAIN_H) weights[i] = AFTER_RAIN;
    else if (dew > 0) weights[i] = isWet(hourAt(series, i)) ? dew : 0;
  }
  return weights;
}

/** Inoculum weight of a pathogen in every hour, from its months in the hemisphere of the place. */
export function inoculumWeights(
  pathogen: Pathogen,
  fromHour: number,
  hours: number,
  latitude: number,
): Float64Array {
  const weights = new Float64Array(hours);
  const utc = localClock('UTC');
  for (let i = 0; i < hours; ) {
    const hour = fromHour + i;
    const day = utc.day(hour);
    const weight = inoculumOn(pathogen, day, latitude);
    const until = Math.min(hours, i + HOURS - utc.hourOfDay(hour));
    weights.fill(weight, i, until);
    i = until;
  }
  return weights;
}

const MONTH_STARTS = [1, 32, 60, 91, 121, 152, 182, 213, 244, 274, 305, 335];

/** Inoculum weight on a day, 0 to 1: that of its month, half a year off in the south. */
export function inoculumOn(pathogen: Pathogen, day: string, latitude: number): number {
  const ofYear = northernDayOfYear(dayOfYear(day), latitude);
  const month = MONTH_STARTS.findLastIndex((start) => ofYear >= start);
  return pathogen.months[month] as number;
}

/** A run of weather made ready for pathogens: temperatures, and which hours are wet by how much. */
export interface Weathering {
  /** Of every hour, known throughout. */
  temperatureC: Float64Array;
  /** Hours that are wet, ascending, and their weights. */
  at: Int32Array;
  wet: Float64Array;
  /** Degree-days above a base, up to each hour; filled as they are asked for. */
  warmth: Map<number, Float64Array>;
}

/**
 * @param temperatureC of every hour
 * @param wetness weight of every hour, 0 to 1
 */
export function weathering(temperatureC: ArrayLike<number>, wetness: ArrayLike<number>): Weathering {
  const at: number[] = [];
  for (let i = 0; i < temperatureC.length; i++) if ((wetness[i] as number) > 0) at.push(i);
  return {
    temperatureC: Float64Array.from(temperatureC),
    at: Int32Array.from(at),
    wet: Float64Array.from(at, (i) => wetness[i] as number),
    warmth: new Map(),
  };
}

/** Degree-days above a base up to the beginning of each hour, and to the end of the last. */
function warmthAbove({ temperatureC, warmth }: Weathering, baseC: number): Float64Array {
  const cached = warmth.get(baseC);
  if (cached) return cached;
  const sums = new Float64Array(temperatureC.length + 1);
  for (let i = 0; i < temperatureC.length; i++) {
    sums[i + 1] = (sums[i] as number) + Math.max(0, (temperatureC[i] as number) - baseC) / HOURS;
  }
  warmth.set(baseC, sums);
  return sums;
}

/** What a pathogen’s hours add up to on a run of weather, ready to be summed for wounds of any age. */
export interface Exposure {
  /** Wet hours, by place in the series, ascending. */
  at: Int32Array;
  /** What each of them adds on a fresh wound with all of its inoculum. */
  hazard: Float64Array;
  /** Degree-days above the healing base up to the beginning of each hour. */
  warmth: Float64Array;
  pathogen: Pathogen;
}

const STEP_C = 0.2;
/** No pathogen here infects below. */
const TABLE_FROM_C = -5;
const TABLE = 250;

/** @param inoculum weight of every hour, 0 to 1 */
export function exposureOf(pathogen: Pathogen, weather: Weathering, inoculum: ArrayLike<number>): Exposure {
  const response = responseTable(pathogen);
  const { at, wet, temperatureC } = weather;
  const hazard = new Float64Array(at.length);
  for (let k = 0; k < at.length; k++) {
    const i = at[k] as number;
    const place = Math.max(0, Math.min(TABLE - 2, ((temperatureC[i] as number) - TABLE_FROM_C) / STEP_C));
    const below = Math.floor(place);
    const low = response[below] as number;
    const f = low + ((response[below + 1] as number) - low) * (place - below);
    hazard[k] = pathogen.perHour * (inoculum[i] as number) * f * (wet[k] as number);
  }
  return { at, hazard, warmth: warmthAbove(weather, pathogen.healsAboveC), pathogen };
}

/** The response to temperature in steps of a fifth of a degree; between them it is all but straight. */
function responseTable(pathogen: Pathogen): Float64Array {
  return Float64Array.from({ length: TABLE }, (_, i) => suitability(TABLE_FROM_C + i * STEP_C, pathogen));
}

/**
 * Expected infections of a wound made at the beginning of an hour: the sum over its healing of hazard times what is left of
 * its susceptibility. The chance of at least one is 1 − e^−Λ.
 *
 * @param cutAt place of the hour in the series
 * @param closedBelow susceptibility below which a wound is done with, 0..1
 * @returns Λ, not less than 0
 */
export function lambdaOf(exposure: Exposure, cutAt: number, closedBelow = CLOSED_BELOW): number {
  const { at, hazard, warmth, pathogen } = exposure;
  const { halfClosedDd } = pathogen;
  const end = cutAt + HORIZON_DAYS * HOURS;
  const start = warmth[cutAt] as number;
  const closed = start + halfClosedDd * (1 / closedBelow - 1) ** (1 / pathogen.sharpness);
  const cubic = pathogen.sharpness === 3;
  let sum = 0;
  for (let k = firstFrom(at, cutAt); k < at.length; k++) {
    const i = at[k] as number;
    if (i >= end) break;
    const grown = warmth[i] as number;
    if (grown > closed) break;
    const aged = (grown - start) / halfClosedDd;
    const power = cubic ? aged * aged * aged : aged ** pathogen.sharpness;
    sum += (hazard[k] as number) / (1 + power);
  }
  return sum;
}

/**
 * Share of a wound’s open time whose weather is known, each hour counting by what is left of the wound’s susceptibility.
 *
 * @param known 1 for every hour that is known, else 0
 * @param cutAt place of the hour in the series
 * @returns 0 to 1; 1 where all is known
 */
export function knownShareOf(
  { warmth, pathogen }: Exposure,
  known: ArrayLike<number>,
  cutAt: number,
): number {
  const end = Math.min(known.length, cutAt + HORIZON_DAYS * HOURS);
  let open = 0;
  let knownHours = 0;
  for (let i = cutAt; i < end; i++) {
    const left = susceptibility((warmth[i] as number) - (warmth[cutAt] as number), pathogen);
    if (left < CLOSED_BELOW) break;
    open += left;
    if (known[i]) knownHours += left;
  }
  return open > 0 ? knownHours / open : 0;
}

/** First place in an ascending list that is not below a value. */
function firstFrom(list: Int32Array, value: number): number {
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((list[middle] as number) < value) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** Chance of at least one infection. */
export const chanceOf = (lambda: number): number => 1 - Math.exp(-lambda);
