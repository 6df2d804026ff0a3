// Which jobs without a saw does an orchard have, and when are they due?

interface JobKind {
  code: string;
  name: string;
  /** Month by which it is done in the north, 1..12; six months later in the south. Common practice, no source. */
  byMonth: number;
  why: string;
}

/** A job in one’s own words. */
export const OWN_JOB = 'own';

/** Common practice, no source. */
export const jobKinds: readonly JobKind[] = [
  { code: 'guard', name: 'putOnRodentGuard', byMonth: 11, why: 'beforeSnowBarkIsGnawedUnder' },
  { code: 'stake', name: 'checkStakeOrProp', byMonth: 3, why: 'beforeSpringWindTiesGrowIn' },
  {
    code: 'vines',
    name: 'takeVinesOutOfTheCrown',
    byMonth: 3,
    why: 'theyShadeWeighAndHideDead',
  },
  {
    code: 'grass',
    name: 'clearGrassFromTheBase',
    byMonth: 10,
    why: 'rodentsLiveInItItKeeps',
  },
  {
    code: 'mulch',
    name: 'mulchClearOfTheStem',
    byMonth: 5,
    why: 'holdsWaterAgainstTheBarkIt',
  },
  {
    code: 'mummies',
    name: 'pickMummies',
    byMonth: 2,
    why: 'theyCarryBrownRotAndBlack',
  },
  {
    code: 'thin',
    name: 'thinFruit',
    byMonth: 6,
    why: 'onePerClusterTheLimbHolds',
  },
  { code: 'drain', name: 'leadWaterAway', byMonth: 10, why: 'rootsThatStandInWaterDie' },
  { code: 'cold air', name: 'openAWayForColdAir', byMonth: 3, why: 'coldAirPoolsBehindHedges' },
  { code: 'feed less', name: 'feedLess', byMonth: 3, why: 'richFeedingMakesSoftShoots' },
  { code: 'shade', name: 'cutBackWhatShades', byMonth: 2, why: 'cuttingThisTreeBringsNoLight' },
  { code: 'too close', name: 'takeOutEverySecondTree', byMonth: 2, why: 'crownsThatTouchShadeEachOther' },
  { code: OWN_JOB, name: 'somethingElseToDo', byMonth: 12, why: 'writeWhatIsToBeDone' },
];

/**
 * The next day a job is due: the last day of its month, this year or next.
 *
 * @param day local date, YYYY-MM-DD
 * @example jobDueOn('guard', '2026-11-24', 54) //=> '2026-11-30'
 */
export function jobDueOn(code: string, day: string, latitudeDeg: number): string {
  const north = jobKinds.find((job) => job.code === code)?.byMonth ?? 12;
  const month = latitudeDeg < 0 ? ((north + 5) % 12) + 1 : north;
  const year = Number(day.slice(0, 4));
  const due = lastDayOf(year, month);
  return due >= day ? due : lastDayOf(year + 1, month);
}

function lastDayOf(year: number, month: number): string {
  return new Date(Date.UTC(year, month, 0)).toISOString().slice(0, 10);
}
