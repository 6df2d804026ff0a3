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

/** Clearances and blade rules know two states: dormant and growing. */
export function isGrowing(season: Season): boolean {
  return season !== 'dormant';
}
