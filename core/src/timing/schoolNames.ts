// The schools of pruning time and what each says for itself.
import { type Crop, FRUIT_SET, PETALS_DOWN, type StageDay } from '../stage/index';
import { dayAfter, dayOfYear, northernDayOfYear } from '../weather/index';

export const timingSchools = [
  'full dormancy',
  'late dormancy',
  'bloom',
  'after fruit set',
  'after harvest',
  'any dry day',
] as const;
export type TimingSchool = (typeof timingSchools)[number];

/** Common practice; the pull of each way is the trade’s. */
export const schoolWords: Record<
  TimingSchool,
  { name: string; when: string /** Both in one. */; nameAndWhen: string; for: string; against: string }
> = {
  'full dormancy': {
    name: 'dormantSchool',
    when: 'fromHalfOfTheChillUntil',
    nameAndWhen: 'schoolFullDormancy',
    for: 'woodIsSeenFireBlightRests',
    against: 'silverLeafBacterialCankerAndEutypa',
  },
  'late dormancy': {
    name: 'lateDormant',
    when: 'fromTheEndOfRestUntil',
    nameAndWhen: 'schoolLateDormancy',
    for: 'theHardFrostsArePastWounds',
    against: 'aShortWindowTooLateIt',
  },
  bloom: {
    name: 'atBloom',
    when: 'fromColouredBudsToPetalFall',
    nameAndWhen: 'schoolBloom',
    for: 'woundsOfStoneFruitCloseFast',
    against: 'neverOnHostsOfFireBlight',
  },
  'after fruit set': {
    name: 'afterFruitSet',
    when: 'fromFruitSetToTheStop',
    nameAndWhen: 'schoolAfterFruitSet',
    for: 'fewSporesFlyWoundsCloseIn',
    against: 'sunScorchHardinessLostIfLate',
  },
  'after harvest': {
    name: 'afterHarvest',
    when: 'fromTheStopDateUntilSix',
    nameAndWhen: 'schoolAfterHarvest',
    for: 'dryEarlyAutumnsCherryAndApricot',
    against: 'wetAutumnsAreTheWorstFor',
  },
  'any dry day': {
    name: 'anyDryDay',
    when: 'allYearWheneverTheWindowIs',
    nameAndWhen: 'schoolAnyDryDay',
    for: 'whatIsFoundIsCut',
    against: 'theSeasonOfSporesAndThe',
  },
};

/** Coloured buds. */
const COLOURED = 0.75;
const BEFORE_LEAVES_DOWN_DAYS = 42;

/** Which school’s season is a day in? */
export function isInSchool(
  school: TimingSchool,
  stage: StageDay,
  crop: Crop,
  options: { latitude: number; stopDay: string; leavesDownDay: number },
): boolean {
  const ofYear = northernDayOfYear(dayOfYear(stage.day), options.latitude);
  const stop = stopDayOfYear(options.stopDay);
  const firstBud = crop.stages[0]?.share ?? 0.22;
  switch (school) {
    case 'full dormancy':
      return (
        (stage.phase === 'rest' && stage.chillShare >= 0.5) ||
        (stage.phase === 'awake' && stage.share < firstBud)
      );
    case 'late dormancy':
      return stage.phase === 'awake' && stage.share < firstBud;
    case 'bloom':
      return stage.share >= COLOURED && stage.share < PETALS_DOWN && stage.phase !== 'hardening';
    case 'after fruit set':
      return stage.phase === 'growth' && stage.share >= FRUIT_SET - 1e-9 && ofYear <= stop;
    case 'after harvest':
      return ofYear > stop && ofYear <= options.leavesDownDay - BEFORE_LEAVES_DOWN_DAYS;
    case 'any dry day':
      return true;
  }
}

/** Day of the year, in the north, of a stop date. */
export function stopDayOfYear(stopDay: string): number {
  return dayOfYear(`2001-${stopDay}`);
}

const HALF_A_YEAR = 184;

/** The next local date, from a day on, after which no summer cut is made. @example nextStopDay('2026-11-29', '08-15', 54) //=> '2027-08-15' */
export function nextStopDay(day: string, stopDay: string, latitudeDeg: number): string {
  const year = Number(day.slice(0, 4));
  const stops = [year - 1, year, year + 1].map((of) => {
    const north = `${of}-${stopDay}`;
    return latitudeDeg < 0 ? dayAfter(north, HALF_A_YEAR) : north;
  });
  return stops.find((stop) => stop >= day) as string;
}
