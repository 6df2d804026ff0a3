// Which season is it for the wood, as long as nobody has read the weather?

export const seasons = ['dormant', 'bloom', 'summer', 'autumn'] as const;
/** `bloom` runs from swelling buds to petal fall. */
export type Season = (typeof seasons)[number];

/** January to December in the northern hemisphere. Common practice, no source. */
const NORTHERN: readonly Season[] = [
  'dormant',
  'dormant',
  'dormant',
  'bloom',
  'bloom',
  'summer',
  'summer',
  'summer',
  'summer',
  'autumn',
  'dormant',
  'dormant',
];

/**
 * Season by the calendar alone; six months later south of the equator.
 *
 * @param day local date, YYYY-MM-DD
 * @param latitudeDeg negative in the south
 * @param setByHand the caretaker's own word, which wins
 * @example seasonOn('2026-11-24', 54) //=> 'dormant'
 */
export function seasonOn(day: string, latitudeDeg: number, setByHand: Season | null = null): Season {
  if (setByHand) return setByHand;
  const month = Number(day.slice(5, 7)) - 1;
  return NORTHERN[(month + (latitudeDeg < 0 ? 6 : 0)) % 12] as Season;
}

/** The growing season ends, and the winter of a calendar year begins, with this month of the north, January 0. */
const WINTER_FROM = 9;

/** The year in which the winter began that a day belongs to, with the summer after it. @example winterOf('2027-01-20', 54) //=> 2026 */
export function winterOf(day: string, latitudeDeg: number): number {
  const [year, month] = day.split('-').map(Number) as [number, number];
  const from = latitudeDeg < 0 ? WINTER_FROM - 6 : WINTER_FROM;
  return month - 1 >= from ? year : year - 1;
}

/** Clearances and blade rules know two states: dormant and growing. */
export function isGrowing(season: Season): boolean {
  return season !== 'dormant';
}
