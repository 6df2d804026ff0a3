// A tree of which nobody has drawn a limb.
import type { Limb } from './limbMap';

/** Of a stem that nobody measured. @source common practice, no source */
const STEM_MM = 40;
const AGE_YEARS = 5;
/** A stem is at least so thick and so long, and tapers to this. */
const LEAST_MM = 8;
const LEAST_CM = 30;
const MM_PER_CM = 10;

/**
 * The least a tree has: its stem, as high as the tree and as thick as it is said to be.
 *
 * @param girthCm round the stem; null where it is not known
 * @param ageYears null where it is not known
 * @example bareStem({ heightCm: 250, girthCm: 31.4, graftUnionCm: null, ageYears: 7 }).baseMm //=> 100
 */
export function bareStem({
  heightCm,
  girthCm,
  graftUnionCm,
  ageYears,
}: {
  heightCm: number;
  girthCm: number | null;
  graftUnionCm: number | null;
  ageYears: number | null;
}): Limb {
  const lengthCm = Math.max(LEAST_CM, heightCm);
  const baseMm = girthCm === null ? STEM_MM : Math.max(LEAST_MM, Math.round((girthCm / Math.PI) * MM_PER_CM));
  return {
    id: 'T',
    parentId: null,
    jointCm: 0,
    lengthCm,
    baseMm,
    tipMm: LEAST_MM,
    ageYears: ageYears === null ? AGE_YEARS : Math.max(1, ageYears),
    kind: 'trunk',
    bearingDeg: 0,
    inclinationDeg: 90,
    ...(graftUnionCm !== null && { graftUnionCm: Math.min(graftUnionCm, lengthCm) }),
  };
}
