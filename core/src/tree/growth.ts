// What do the growth marks on a limb say of its years and its vigour?
import { alike } from './bundle';
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
  return { yearsCm, meanCm, vigour: vigourAt(meanCm) };
}

const vigourAt = (cm: number) => (cm < WEAK_BELOW_CM ? 'weak' : cm > STRONG_ABOVE_CM ? 'strong' : 'moderate');

/** How strongly a tree grows, by the length of its shoots. */
export interface TreeVigour {
  vigour: Growth['vigour'];
  /** Half of the readings are shorter, cm a year. */
  medianCm: number;
  /** Lengths of a year that were read. */
  readings: number;
}

/** Fewer readings say nothing of a tree, nor do those of older years or of upright shoots. Common practice, no source. */
const LEAST_READINGS = 4;
const YEARS_OF_TREE = 2;
const UPRIGHT_FROM_DEG = 70;

/**
 * The median of what its shoots grew in each of the last two years: shoots of last year by their length, older limbs by the rings of bud scars
 * that were marked on them. What stands upright, shot up at a cut or was cut back is not read.
 *
 * @returns null where too little was measured
 */
export function treeVigour(limbs: readonly Limb[]): TreeVigour | null {
  const readings = limbs.flatMap((limb): number[] => {
    const { kind, inclinationDeg, guessed, lengthCm, ageYears, uncutLengthCm } = limb;
    const isRead = kind !== 'trunk' && kind !== 'sprout' && kind !== 'sucker' && !guessed;
    if (!isRead || inclinationDeg > UPRIGHT_FROM_DEG || uncutLengthCm !== undefined) return [];
    const marked = growth(limb);
    if (marked) return marked.yearsCm.slice(0, YEARS_OF_TREE);
    return kind === 'shoot' && ageYears <= 1 ? Array<number>(alike(limb)).fill(lengthCm) : [];
  });
  if (readings.length < LEAST_READINGS) return null;
  const sorted = readings.toSorted((a, b) => a - b);
  const medianCm = sorted[Math.ceil(sorted.length / 2) - 1] as number;
  return { vigour: vigourAt(medianCm), medianCm, readings: readings.length };
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
