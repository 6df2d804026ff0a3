// Which of this wood bears?
import type { BearingHabit } from '../register/index';

export interface FruitingTree {
  species: string;
  habit: BearingHabit;
}

interface FruitingWood {
  /** Wood of these years bears, first and last. */
  years: readonly [number, number];
  /** Share that younger and older wood still bears. */
  young: number;
  old: number;
}

const SPUR: FruitingWood = { years: [2, 10], young: 0.1, old: 0.6 };
const LAST_YEARS_SHOOTS: FruitingWood = { years: [1, 2], young: 1, old: 0.2 };

/** Of species that differ from their bearing habit. @source extension bulletins on fruiting habit, from memory; the shares common practice */
const BY_SPECIES: Readonly<Record<string, FruitingWood>> = {
  peach: LAST_YEARS_SHOOTS,
  nectarine: LAST_YEARS_SHOOTS,
  'sour-cherry': LAST_YEARS_SHOOTS,
  apricot: { years: [1, 4], young: 1, old: 0.3 },
  almond: { years: [2, 5], young: 0.3, old: 0.4 },
  'european-plum': { years: [2, 12], young: 0.1, old: 0.6 },
  'japanese-plum': { years: [1, 5], young: 1, old: 0.4 },
  'sweet-cherry': { years: [2, 12], young: 0.1, old: 0.7 },
};

/** @source extension bulletins on fruiting habit, from memory; the shares are common practice */
const BY_HABIT: Readonly<Record<Exclude<BearingHabit, 'unknown'>, FruitingWood>> = {
  spur: SPUR,
  tip: { years: [1, 2], young: 1, old: 0.3 },
  'partial tip': { years: [1, 6], young: 0.7, old: 0.5 },
  'last year’s shoots': LAST_YEARS_SHOOTS,
};

/** Share of the crown on wood of this age that bears, 0..1. Where the habit is not known, half of all wood counts. */
export function fruitingShare({ species, habit }: FruitingTree, ageYears: number): number {
  const wood = BY_SPECIES[species] ?? (habit === 'unknown' ? undefined : BY_HABIT[habit]);
  if (!wood) return 0.5;
  if (ageYears < wood.years[0]) return wood.young;
  return ageYears <= wood.years[1] ? 1 : wood.old;
}
