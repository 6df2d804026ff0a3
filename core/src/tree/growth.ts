// What do the growth marks on a limb say of its years and its vigour?
import type { Limb } from './limbMap';

/** Yearly shoot length, cm, below which growth is weak and above which it is strong. Common practice, no source. */
const WEAK_BELOW_CM = 20;
const STRONG_ABOVE_CM = 60;
const YEARS_READ = 3;

export interface Growth {
  /** Growth of each year, newest first, cm. */
  yearsCm: number[];
  /** Mean of the last years read, cm. */
  meanCm: number;
  vigour: 'weak' | 'moderate' | 'strong';
}

/**
 * Growth a year from the marks where one year's growth ends and the next begins. The wood beyond the last mark is this year's.
 *
 * @returns null where no mark was set: then age is only guessed from the length
 * @example growth({ lengthCm: 100, yearMarksCm: [30, 65], … }) //=> { yearsCm: [35, 35, 30], meanCm: 33.3, vigour: 'moderate' }
 */
export function growth({ yearMarksCm, lengthCm, uncutLengthCm }: Limb): Growth | null {
  const marks = [...(yearMarksCm ?? [])].sort((a, b) => a - b);
  if (marks.length === 0) return null;
  const ends = [0, ...marks, uncutLengthCm ?? lengthCm];
  const yearsCm = ends
    .slice(1)
    .map((end, i) => end - (ends[i] as number))
    .reverse();
  const read = yearsCm.slice(0, YEARS_READ);
  const meanCm = read.reduce((sum, cm) => sum + cm, 0) / read.length;
  const vigour = meanCm < WEAK_BELOW_CM ? 'weak' : meanCm > STRONG_ABOVE_CM ? 'strong' : 'moderate';
  return { yearsCm, meanCm, vigour };
}

/** What a limb map does not know, so that everything built on it can say so. */
interface MapGaps {
  /** Main limbs without a side branch on the map. */
  bareLimbIds: string[];
  /** Limbs whose age is guessed: no growth mark. */
  undated: number;
  /** Limbs whose buds were not mapped. */
  budless: number;
}

export function mapGaps(limbs: Limb[]): MapGaps {
  const parents = new Set(limbs.map((limb) => limb.parentId));
  return {
    bareLimbIds: limbs
      .filter((limb) => limb.kind === 'scaffold' && !parents.has(limb.id))
      .map((limb) => limb.id),
    undated: limbs.filter((limb) => !limb.yearMarksCm?.length).length,
    budless: limbs.filter((limb) => !limb.budsComplete).length,
  };
}
