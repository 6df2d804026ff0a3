// What the calendar alone says of buds, where no weather is known; and from when on a record of weather counts.
import { dayAfter, dayOfYear, hourOf } from '../weather/index';
import type { Crop } from './crops';
import type { SeenStage, StageDay } from './shapes';
import { stageCourse, usualBloomOn } from './stageCourse';

/** Bloom comes so many days before or after its usual day. Common practice, no source. */
const BAND_DAYS = 12;
/** A bloom longer past than this is no news: the next one is told. */
const PAST_BLOOM_DAYS = 60;
const YEAR_HOURS = 365.2425 * 24;

interface ByCalendar {
  stage: StageDay | null;
  bloom: { day: string; from: string; to: string };
}

/** @param day local date; @param place of the trees, days by which the cultivar is off, stages that were seen */
export function stageByCalendar(
  crop: Crop,
  day: string,
  { latitude, offsetDays, seen }: { latitude: number; offsetDays: number; seen: readonly SeenStage[] },
): ByCalendar {
  // A day of which nothing was measured: its season has no record, so that the calendar answers
  const blank = {
    day,
    ofYear: dayOfYear(day),
    minC: 0,
    maxC: 0,
    meanC: 0,
    portions: 0,
    utah: 0,
    chillHours: 0,
    warmth: 0,
    degreeDays: 0,
    known: 0,
  };
  const [stage] = stageCourse(crop, [blank], { latitude, offsetDays, seen: [...seen] });
  const bloom = usualBloomOn(crop, day, { latitude, offsetDays }, PAST_BLOOM_DAYS);
  return {
    stage: stage ?? null,
    bloom: { day: bloom, from: dayAfter(bloom, -BAND_DAYS), to: dayAfter(bloom, BAND_DAYS) },
  };
}

/**
 * First hour that stages and frosts of this season and the last are counted from: a year before the first of October that begins it, in the
 * south the first of April.
 *
 * @param now ISO moment
 * @returns hours since 1970
 */
export function seasonsFrom(now: string, latitude: number): number {
  const today = new Date(now).toISOString();
  const year = Number(today.slice(0, 4));
  const begins = (year: number) => `${year}-${latitude < 0 ? '04' : '10'}-01`;
  const day = today.slice(0, 10) >= begins(year) ? begins(year) : begins(year - 1);
  return hourOf(`${day}T00:00:00Z`) - Math.round(YEAR_HOURS);
}
