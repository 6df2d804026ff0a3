// Which of last year’s shoots grew too long, and how much of them goes?
import { headingFraction } from '../crown/index';
import { type Cut, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import type { BearingHabit } from '../register/index';
import { alike, type Limb } from '../tree/index';

/** What a year’s growth is to measure, cm; more while the tree is young. The brief’s figures; common practice, no source. */
export const AIM_CM = 60;
const YOUNG_AIM_CM = 90;
const YOUNG_UP_TO_YEARS = 6;
/** Each shoot that is brought back to its measure. */
export const SHOOT_WORTH = 0.4;
/** Species whose shoots are left as long as they are, and habits that bear at the tip of them. */
const LEFT_LONG: readonly string[] = ['sweet-cherry', 'fig', 'walnut'];
const BEAR_AT_TIP: readonly BearingHabit[] = ['tip', 'partial tip', 'unknown'];
/** May the tips of its limbs be what bears? Then none is shortened. */
export const bearsAtTip = (habit: BearingHabit) => BEAR_AT_TIP.includes(habit);

export interface OverLong {
  limbId: string;
  /** About so many. */
  count: number;
  lengthCm: number;
  cut: Cut;
}

interface Tree {
  limbs: Limb[];
  species: string;
  habit: BearingHabit;
  ageYears: number | null;
}

/** Shoots of one year that are longer than they should be, each or each bundle with the cut that takes off the share of its species. */
export function overLong({ limbs, species, habit, ageYears }: Tree): OverLong[] {
  if (LEFT_LONG.includes(species) || bearsAtTip(habit)) return [];
  const aimCm = ageYears !== null && ageYears <= YOUNG_UP_TO_YEARS ? YOUNG_AIM_CM : AIM_CM;
  return limbs.flatMap((limb): OverLong[] => {
    const isShoot = limb.kind === 'shoot' && limb.ageYears <= 1 && limb.uncutLengthCm === undefined;
    if (!isShoot || limb.lengthCm <= aimCm) return [];
    const cut = shapeCut(limbs, limb.id, limb.lengthCm * (1 - headingFraction(species)), {
      findingId: shootsId(limb.id),
      disorder: plainDisorder('misplaced'),
    });
    return cut ? [{ limbId: limb.id, count: alike(limb), lengthCm: limb.lengthCm, cut }] : [];
  });
}

/** What the problem of a limb’s shoots is called in a plan. */
export const shootsId = (limbId: string) => `shoots ${limbId}`;
