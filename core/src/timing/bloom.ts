// Fire blight: can flowers be infected today, when will strikes show, and when may they be cut out?
import { type Crop, firstFlower, hourlyDegreeDays, PETALS_DOWN, type StageDay } from '../stage/index';
import {
  type DayOfWeather,
  dayAfter,
  daysBetween,
  daysOf,
  type LocalClock,
  type Series,
} from '../weather/index';
import { suitability } from './lambda';
import { pathogenOf } from './pathogens';
import { type BloomDay, type BloomRisk, bloomRisks, type Strike } from './shapes';

/**
 * Steiner 1990, Acta Hortic. 273:139: open flowers; 110 degree-hours above 18.3 °C (198 above 65 °F) within the last 44.4
 * degree-days above 4.4 °C (80 above 40 °F) of flower life; dew or 0.25 mm of rain that day, or 2.5 mm the day before; a
 * mean of 15.6 °C (60 °F).
 */
export const HEAT_BASE_C = 18.3;
export const HEAT_DH = 110;
const FLOWER_BASE_C = 4.4;
/** A flower lives for 80 °F-days above 40 °F; of pear 120, from memory, confidence low. */
const FLOWER_DD: Readonly<Record<string, number>> = { pear: 66.7, 'asian-pear': 66.7 };
export const USUAL_FLOWER_DD = 44.4;
const WET_DAY_MM = 0.25;
const WET_DAY_BEFORE_MM = 2.5;
export const LEAST_MEAN_C = 15.6;
/** Strikes show after 57.2 degree-days above 12.8 °C (103 above 55 °F). */
export const SYMPTOM_BASE_C = 12.8;
export const SYMPTOM_DD = 57.2;
/** Doubling at the best temperature, h. From memory, confidence low. */
const DOUBLING_H = 1.33;
/** Wind that tears leaves, m/s: an injury that blight enters by. From memory, confidence low. */
const TEARING_WIND_MS = 20;

/** Weather as fire blight reads it: its known days, and what each adds. The same for every host of a place. */
interface BlightWeather {
  days: DayOfWeather[];
  sums: ReturnType<typeof hourSums>[];
}

export function blightWeather(series: Series, clock: LocalClock): BlightWeather {
  const days = daysOf(series, clock).filter((day) => day.meanC !== null);
  return { days, sums: days.map((day) => hourSums(series, day.fromHour, day.toHour)) };
}

/** From the first flower until the petals are down. */
export const hasFlowers = (stage: Pick<StageDay, 'share'> | undefined, crop: Crop): boolean =>
  stage !== undefined && stage.share >= firstFlower(crop) && stage.share < PETALS_DOWN;

/**
 * Conditions on each day. A day is told by its four conditions: none or one met low, two moderate, three high,
 * four infection; without open flowers nothing is at risk by them.
 *
 * @param course stage of the crop by day
 */
export function bloomDays(
  { days, sums }: BlightWeather,
  course: ReadonlyMap<string, StageDay>,
  crop: Crop,
): BloomDay[] {
  const life = FLOWER_DD[crop.code] ?? USUAL_FLOWER_DD;
  return days.map((day, i) => {
    const stage = course.get(day.day);
    const flowersOpen = hasFlowers(stage, crop);
    let lived = 0;
    let degreeHours = 0;
    for (let k = i; k >= 0 && lived < life; k--) {
      const { flowerDd, heatDh } = sums[k] as (typeof sums)[number];
      // Of the day on which the flower opened only the part that it lived
      const part = k === i || flowerDd === 0 ? 1 : Math.min(1, (life - lived) / flowerDd);
      lived += flowerDd;
      degreeHours += part * heatDh;
    }
    const heat = degreeHours >= HEAT_DH;
    const rainMm = day.rainMm ?? 0;
    const wet = rainMm >= WET_DAY_MM || day.wetHours > 0 || (days[i - 1]?.rainMm ?? 0) >= WET_DAY_BEFORE_MM;
    const meanC = day.meanC ?? 0;
    const warm = meanC >= LEAST_MEAN_C;
    const met = [flowersOpen, heat, wet, warm].filter(Boolean).length;
    return {
      day: day.day,
      flowersOpen,
      heat,
      wet,
      warm,
      degreeHours,
      meanC,
      rainMm,
      doublings: sums[i]?.doublings ?? 0,
      risk: flowersOpen ? (bloomRisks[Math.max(0, met - 1)] as BloomRisk) : 'low',
    };
  });
}

function hourSums(series: Series, fromHour: number, toHour: number) {
  const pathogen = pathogenOf('FB');
  const sums = { heatDh: 0, flowerDd: 0, symptomDd: 0, doublings: 0, tearing: false };
  for (let hour = fromHour; hour < toHour; hour++) {
    const t = series.temperatureC[hour - series.fromHour] ?? null;
    if ((series.windMs[hour - series.fromHour] ?? 0) >= TEARING_WIND_MS) sums.tearing = true;
    if (t === null) continue;
    sums.heatDh += Math.max(0, t - HEAT_BASE_C);
    sums.flowerDd += hourlyDegreeDays(t, FLOWER_BASE_C);
    sums.symptomDd += hourlyDegreeDays(t, SYMPTOM_BASE_C);
    sums.doublings += suitability(t, pathogen) / DOUBLING_H;
  }
  return sums;
}

/**
 * When strikes of each infection, or of an injury in growth, are expected to show.
 *
 * @param bloom days as told by {@link bloomDays}, of the same weather
 * @param growing whether shoots grow on a day, so that an injury counts
 */
export function strikesOf(
  { days, sums }: BlightWeather,
  bloom: readonly BloomDay[],
  growing: (day: string) => boolean,
): Strike[] {
  return days.flatMap((day, i) => {
    const infection = bloom[i]?.risk === 'infection';
    if (!infection && !(sums[i]?.tearing && growing(day.day))) return [];
    let degreeDays = 0;
    let showFrom: string | null = null;
    for (let k = i + 1; k < days.length; k++) {
      degreeDays += sums[k]?.symptomDd ?? 0;
      if (degreeDays < SYMPTOM_DD) continue;
      showFrom = days[k]?.day ?? null;
      break;
    }
    return [
      { day: day.day, cause: infection ? ('infection' as const) : ('injury' as const), showFrom, degreeDays },
    ];
  });
}

/**
 * Days between looks while strikes may appear: as fast as they ripen, five at least and fourteen at most.
 *
 * @param meanC daily mean
 * @example lookAgainDays(18) //=> 11
 */
export function lookAgainDays(meanC: number): number {
  if (meanC <= SYMPTOM_BASE_C) return 14;
  return Math.max(5, Math.min(14, SYMPTOM_DD / (meanC - SYMPTOM_BASE_C)));
}

/** Doubling time of the bacteria, h; null where they do not grow. @example doublingHours(15) //=> 4.39 */
export function doublingHours(temperatureC: number): number | null {
  const growth = suitability(temperatureC, pathogenOf('FB'));
  return growth > 0 ? DOUBLING_H / growth : null;
}

/** In-season cutting of strikes is worth it early, for so long after the first shows. Common practice, no source. */
const EARLY_DAYS = 14;

/** Without warmth for so long an infection is not waited for any more. Common practice, no source. */
const RIPENS_WITHIN_DAYS = 40;

/** Is a strike to be looked for about now, is it on its way, or is it no matter of these days? @param day local date */
export function strikeOn({ day: infected, showFrom }: Strike, day: string): 'shows' | 'ripens' | null {
  if (showFrom !== null) return Math.abs(daysBetween(day, showFrom)) <= EARLY_DAYS ? 'shows' : null;
  return daysBetween(infected, day) < RIPENS_WITHIN_DAYS ? 'ripens' : null;
}

/** Days on which strikes can be cut out: from when they show, for two weeks. */
export function removalSpan(strike: Strike): { from: string; to: string } | null {
  if (strike.showFrom === null) return null;
  return { from: strike.showFrom, to: dayAfter(strike.showFrom, EARLY_DAYS) };
}
