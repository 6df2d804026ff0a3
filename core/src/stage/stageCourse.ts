// How far is a crop: at rest, awake, in bud, in bloom, in growth?
import { dayAfter, dayOfYear, daysBetween, northernDayOfYear } from '../weather/index';
import { type Crop, crops, FRUIT_SET, PETALS_DOWN } from './crops';
import type { Phase, SeenStage, StageDay } from './shapes';
import type { ThermalDay } from './thermal';

/** Whether green tissue is out: from the first movement of buds until growth ends. */
export function showsGreen(phase: Phase): boolean {
  return phase === 'buds' || phase === 'bloom' || phase === 'petal fall' || phase === 'growth';
}

export interface CourseOptions {
  latitude: number;
  /** Days that the cultivar blooms after the usual of its crop; negative before. */
  offsetDays?: number;
  seen?: readonly SeenStage[];
}

/** The count begins on 1 October in the north. */
const COUNT_FROM = 274;
/** Growth ends, leaves are down, in the north: 15 September, 15 November; a day earlier for each degree beyond 50. Common practice, no source. */
const HARDENING_FROM = 258;
const LEAVES_DOWN = 319;
/** Stages are counted only where so much of the season is on record. */
const LEAST_RECORD = 0.85;

/**
 * The stage of a crop on consecutive days. Chill ends rest, warmth after it brings bloom; where the record of a season is
 * thin the calendar stands in, and a stage that was seen is gone on from, at the pace that it showed.
 *
 * @param days what each day added, oldest first, from 1 October (north) of the first season that is wanted
 * @returns one entry for each day given
 */
export function stageCourse(crop: Crop, days: readonly ThermalDay[], options: CourseOptions): StageDay[] {
  const { model, shift } = modelOf(crop, options);
  const sums = warmthCourse(model, days, options);
  const anchors = options.seen ?? [];
  const neededWarmth = need(model.warmth);
  const course: StageDay[] = [];
  for (let i = 0; i < days.length; i++) {
    const day = days[i] as ThermalDay;
    const here = sums[i] as Sum;
    const moved = sums[Math.max(0, Math.min(sums.length - 1, i - shift))] as Sum;
    // A shift never reaches into another season
    const start = moved.season === here.season ? moved : shift > 0 ? { ...here, share: 0, warmth: 0 } : here;
    const thin = here.record < LEAST_RECORD;
    let share = thin ? usualShare(crop, here.ofYear, options) : start.share;
    let basis: StageDay['basis'] = thin ? 'calendar' : 'weather';
    const seen = anchors.findLast(
      (anchor) =>
        anchor.day <= day.day &&
        daysBetween(anchor.day, day.day) < 330 &&
        seasonIn(anchor.day.slice(0, 4), dayOfYear(anchor.day), options.latitude) === here.season,
    );
    if (seen) {
      share = sinceSeen(seen, days, sums, i, shift, neededWarmth);
      basis = 'seen';
    }
    const place = placeOf(crop, here.ofYear, share, start.chillShare >= 1 || share > 0, options.latitude);
    course.push({
      day: day.day,
      ...place,
      share,
      chillShare: start.chillShare,
      portions: here.portions,
      utah: here.utah,
      chillHours: here.chillHours,
      warmth: start.warmth,
      degreeDays: here.degreeDays,
      basis,
    });
  }
  return course;
}

/**
 * Days of full bloom alone, without the stages between: for reckoning over many past years.
 *
 * @param days as for {@link stageCourse}; a season whose record is thin has none here
 * @returns local dates, oldest first; a day beyond the last given is left out
 */
export function fullBlooms(
  crop: Crop,
  days: readonly ThermalDay[],
  options: Omit<CourseOptions, 'seen'>,
): string[] {
  const { model, shift } = modelOf(crop, options);
  const chillNeed = need(model.portions);
  const warmthNeed = need(model.warmth);
  const blooms: string[] = [];
  let season = Number.NaN;
  let [portions, warmth, counted] = [0, 0, 0];
  for (let i = 0; i < days.length; i++) {
    const day = days[i] as ThermalDay;
    const seasonOfDay = seasonIn(day.day.slice(0, 4), day.ofYear, options.latitude);
    if (seasonOfDay !== season) {
      season = seasonOfDay;
      [portions, warmth, counted] = [0, 0, 0];
    }
    counted += 1;
    const before = warmth;
    if (portions >= chillNeed) warmth += day.warmth;
    portions += day.portions;
    if (before >= warmthNeed || warmth < warmthNeed) continue;
    const record = counted / (daysIntoSeason(northernDayOfYear(day.ofYear, options.latitude)) + 1);
    const bloom = days[i + shift];
    if (record >= LEAST_RECORD && bloom) blooms.push(bloom.day);
  }
  return blooms;
}

interface Sum {
  season: number;
  /** Day of the year as in the north. */
  ofYear: number;
  portions: number;
  utah: number;
  chillHours: number;
  chillShare: number;
  warmth: number;
  degreeDays: number;
  /** All warmth of the season, before the end of rest too. */
  allWarmth: number;
  share: number;
  /** Share of the season up to here that is on record. */
  record: number;
}

function warmthCourse(crop: Crop, days: readonly ThermalDay[], options: CourseOptions): Sum[] {
  const chillNeed = need(crop.portions);
  const warmthNeed = need(crop.warmth);
  let season = Number.NaN;
  let now: Sum;
  let counted = 0;
  return days.map((day) => {
    const ofYear = northernDayOfYear(day.ofYear, options.latitude);
    const seasonOfDay = seasonIn(day.day.slice(0, 4), day.ofYear, options.latitude);
    if (seasonOfDay !== season) {
      season = seasonOfDay;
      counted = 0;
      now = {
        season,
        ofYear,
        portions: 0,
        utah: 0,
        chillHours: 0,
        chillShare: 0,
        warmth: 0,
        degreeDays: 0,
        allWarmth: 0,
        share: 0,
        record: 0,
      };
    }
    counted += 1;
    const awake = now.portions >= chillNeed;
    const portions = now.portions + day.portions;
    const warmth = now.warmth + (awake ? day.warmth : 0);
    now = {
      season,
      ofYear,
      portions,
      // The Utah count begins where the running sum is lowest
      utah: Math.max(0, now.utah + day.utah),
      chillHours: now.chillHours + day.chillHours,
      chillShare: Math.min(1, portions / chillNeed),
      warmth,
      // From 1 January: the season begins in autumn
      degreeDays: ofYear >= COUNT_FROM ? 0 : now.degreeDays + day.degreeDays,
      allWarmth: now.allWarmth + day.warmth,
      share: warmth / warmthNeed,
      record: counted / (daysIntoSeason(ofYear) + 1),
    };
    return now;
  });
}

/** The middle of what is given for a crop. */
function need([least, most]: readonly [number, number]): number {
  return (least + most) / 2;
}

/** The crop whose sums it goes by, and how many days after them it is. */
function modelOf(crop: Crop, { offsetDays = 0 }: CourseOptions): { model: Crop; shift: number } {
  const { follows } = crop;
  const model = follows ? (crops.find((crop) => crop.code === follows.crop) ?? crop) : crop;
  return { model, shift: Math.round((follows?.days ?? 0) + offsetDays) };
}

const PACE = [0.6, 1.6] as const;

/** From what was seen, on at the pace that the season has shown. */
function sinceSeen(
  seen: SeenStage,
  days: readonly ThermalDay[],
  sums: readonly Sum[],
  i: number,
  shift: number,
  neededWarmth: number,
): number {
  const at = days.findIndex((day) => day.day >= seen.day);
  const then = sums[at] as Sum;
  const reckoned = sums[Math.max(0, at - shift)] as Sum;
  const pace = reckoned.season === then.season && reckoned.share > 0.1 ? seen.share / reckoned.share : 1;
  const held = Math.max(PACE[0], Math.min(PACE[1], pace));
  return seen.share + (((sums[i] as Sum).allWarmth - then.allWarmth) * held) / neededWarmth;
}

/** The season a day belongs to, named for the year it blooms in, in northern years. */
function seasonIn(year: string, dayOfYear: number, latitude: number): number {
  // South of the equator the northern day of a date in July to December lies in the first half
  const northYear = Number(year) + (latitude < 0 && dayOfYear >= 183 ? 1 : 0);
  return northernDayOfYear(dayOfYear, latitude) >= COUNT_FROM ? northYear + 1 : northYear;
}

function daysIntoSeason(ofYear: number): number {
  return ofYear >= COUNT_FROM ? ofYear - COUNT_FROM : ofYear + 365 - COUNT_FROM;
}

/** Full bloom of apple by the calendar: 5 May at 50°, two and a half days later for each degree. Common practice, no source. */
const APPLE_BLOOM = 125;
const AFTER_APPLE: Readonly<Record<string, number>> = {
  apricot: -20,
  almond: -40,
  peach: -12,
  nectarine: -12,
  'japanese-plum': -12,
  'european-plum': -7,
  'sweet-cherry': -7,
  'sour-cherry': -4,
  pear: -7,
  'asian-pear': -9,
  walnut: 14,
};
/** Days from the first movement of buds to full bloom. */
const BUDS_TO_BLOOM = 50;

/** Day of the year, in the north, on which a crop is usually in full bloom. */
export function usualBloomDay(crop: Crop, latitude: number, offsetDays = 0): number {
  const base = APPLE_BLOOM + 2.5 * (Math.min(62, Math.max(30, Math.abs(latitude))) - 50);
  return Math.round(base + (crop.follows?.days ?? AFTER_APPLE[crop.code] ?? 0) + offsetDays);
}

/**
 * Date of the usual full bloom that is ahead of a day, or past by no more than some days.
 *
 * @param day local date, YYYY-MM-DD
 */
export function usualBloomOn(
  crop: Crop,
  day: string,
  { latitude, offsetDays = 0 }: CourseOptions,
  pastDays: number,
): string {
  const away = usualBloomDay(crop, latitude, offsetDays) - northernDayOfYear(dayOfYear(day), latitude);
  return dayAfter(day, away < -pastDays ? away + 365 : away);
}

function usualShare(crop: Crop, ofYear: number, { latitude, offsetDays = 0 }: CourseOptions): number {
  if (ofYear >= HARDENING_FROM) return 0;
  const bloom = usualBloomDay(crop, latitude, offsetDays);
  return Math.max(0, 0.2 + ((ofYear - (bloom - BUDS_TO_BLOOM)) / BUDS_TO_BLOOM) * 0.8);
}

/** Last day of the year, in the north, on which leaves are on. */
export function leavesDownDay(latitude: number): number {
  return LEAVES_DOWN - Math.max(-25, Math.min(25, Math.abs(latitude) - 50));
}

function placeOf(
  crop: Crop,
  ofYear: number,
  share: number,
  awake: boolean,
  latitude: number,
): { phase: Phase; stage: string } {
  const leavesDown = leavesDownDay(latitude);
  const ended = ofYear >= HARDENING_FROM && (ofYear < COUNT_FROM || share < 0.2);
  if (ended && ofYear < leavesDown) return { phase: 'hardening', stage: 'growth ended' };
  if (ofYear < HARDENING_FROM && share >= FRUIT_SET) return { phase: 'growth', stage: 'fruit set' };
  if (share >= PETALS_DOWN) return { phase: 'petal fall', stage: 'petal fall' };
  const reached = crop.stages.findLast((stage) => share >= stage.share);
  if (reached) return { phase: share >= firstFlower(crop) ? 'bloom' : 'buds', stage: reached.name };
  // Far into summer a season whose record is thin has no share to go by
  if (ofYear > 181 && ofYear < HARDENING_FROM) return { phase: 'growth', stage: 'fruit set' };
  return awake ? { phase: 'awake', stage: 'buds not moving' } : { phase: 'rest', stage: 'at rest' };
}

/** Share from which flowers are open. */
export function firstFlower(crop: Crop): number {
  return crop.stages.find((stage) => stage.name === 'first bloom')?.share ?? 0.93;
}

/** The stages a caretaker can say they saw, with their shares; leaf fall begins a season anew. */
export function stagesToSee(crop: Crop): { name: string; share: number }[] {
  return [
    { name: 'buds not moving', share: 0 },
    ...crop.stages.map(({ name, share }) => ({ name, share })).filter((stage) => stage.name !== 'post bloom'),
    { name: 'petal fall', share: PETALS_DOWN },
    { name: 'fruit set', share: FRUIT_SET },
  ].filter((stage, i, all) => all.findIndex((other) => other.share === stage.share) === i);
}
