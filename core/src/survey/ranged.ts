// How far may each figure of a limb be off, when all that it is made from may be?
import { spreadOf } from './fit';
import { rayTo } from './space';
import { PLUMB, type Standing, sizesOf, type Wood, type WoodFault } from './wood';

/** A figure and how far it may be off: nine times in ten no farther. */
export interface Ranged {
  value: number;
  give: number;
}

export interface RangedWood {
  wood: Wood;
  lengthCm: Ranged;
  /** Along what it stands on. */
  jointCm: Ranged;
  /** As seen from the first place, which is where it was said to be. */
  bearingDeg: Ranged;
  inclinationDeg: Ranged;
  /** How far both lines to its tip pass each other by, cm; null where there is one. */
  missCm: number | null;
}

/** Numbers that may be off, and how far together. */
export interface Uncertain {
  values: number[];
  covariance: number[][];
}

/** Nine times in ten, of what is spread evenly to both sides. */
export const NINE_OF_TEN = 1.645;
const FIGURES = ['lengthCm', 'jointCm', 'bearingDeg', 'inclinationDeg'] as const;

/**
 * A limb’s figures with their ranges, to first order of all that may be off.
 *
 * @param make the limb from the values
 */
export function rangedWood(
  { values, covariance }: Uncertain,
  make: (values: readonly number[]) => Wood | WoodFault,
): RangedWood | WoodFault {
  const wood = make(values);
  if ('why' in wood) return wood;
  const sizes = sizesOf(wood);
  const spread = spreadOf(
    (moved) => {
      const other = make(moved);
      if ('why' in other) return FIGURES.map((name) => sizes[name]);
      const of = sizesOf(other);
      // The shorter way round from the bearing that it has
      const turn = ((of.bearingDeg - sizes.bearingDeg + 540) % 360) - 180;
      return FIGURES.map((name) => (name === 'bearingDeg' ? sizes.bearingDeg + turn : of[name]));
    },
    values,
    covariance,
  );
  const ranged = (name: (typeof FIGURES)[number]): Ranged => ({
    value: sizes[name],
    give: NINE_OF_TEN * (spread[FIGURES.indexOf(name)] as number),
  });
  return {
    wood,
    missCm: wood.missCm,
    lengthCm: ranged('lengthCm'),
    jointCm: ranged('jointCm'),
    bearingDeg: ranged('bearingDeg'),
    inclinationDeg: ranged('inclinationDeg'),
  };
}

/** Measured wood as what others stand on; the plumb stem where nobody has measured any. */
export function standingOn(on: Pick<RangedWood, 'wood' | 'lengthCm'> | null | undefined): Standing {
  return on ? { ray: rayTo(on.wood.base, on.wood.tip), lengthCm: on.lengthCm.value } : PLUMB;
}

/** Two sets of numbers that have nothing to do with each other. @param spread one standard deviation of each of the others */
export function together(
  known: Uncertain,
  { values, spread }: { values: number[]; spread: readonly number[] },
): Uncertain {
  const size = known.values.length + values.length;
  const covariance = Array.from({ length: size }, (_, row) =>
    Array.from({ length: size }, (_, column) => {
      if (row < known.values.length && column < known.values.length)
        return known.covariance[row]?.[column] as number;
      return row === column ? (spread[row - known.values.length] as number) ** 2 : 0;
    }),
  );
  return { values: [...known.values, ...values], covariance };
}
