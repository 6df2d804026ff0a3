// From centimetres and millimetres to the pixels of the tape.
import type { Window } from '../tapePath';

export interface TapeScale {
  x(u: number): number;
  u(x: number): number;
  pxPerCm: number;
  /** Half the drawn thickness of wood, px. */
  half(mm: number): number;
  width: number;
  /** Rows of the drawing from top to bottom, px. */
  rows: { chalk: number; wood: number; ruler: number; handles: number; figure: number; height: number };
}

const SIDE = 14;
const TALLEST_PX = { narrow: 64, wide: 88 } as const;
const WIDE_FROM_PX = 560;
const MOST_PX_PER_MM = 2.4;
/** The limb itself fills this share of the height; stouter parents are drawn as high as there is room. */
const LIMB_SHARE = 0.62;
const THINNEST_HALF_PX = 4;

/**
 * @param limbMm diameter of the limb at its base, mm
 * @param textScale the reader's text size, 1 where unchanged
 * @param shows rows that are needed: the chalk line over the wood, the handles under it
 */
export function tapeScale(
  width: number,
  window: Window,
  limbMm: number,
  textScale: number,
  shows: { chalk: boolean; handles: boolean },
): TapeScale {
  const pxPerCm = (width - 2 * SIDE) / (window.toU - window.fromU);
  const tallest = width >= WIDE_FROM_PX ? TALLEST_PX.wide : TALLEST_PX.narrow;
  const pxPerMm = Math.min(MOST_PX_PER_MM, (tallest * LIMB_SHARE) / limbMm);
  const chalk = shows.chalk ? 32 + 26 * textScale : 0;
  const wood = chalk + 32 + tallest / 2;
  const ruler = wood + tallest / 2 + 22;
  const handles = ruler + 14 + 16 * textScale;
  const figure = handles + (shows.handles ? 58 : 6);
  return {
    x: (u) => SIDE + (u - window.fromU) * pxPerCm,
    u: (x) => window.fromU + (x - SIDE) / pxPerCm,
    pxPerCm,
    half: (mm) => Math.min(tallest / 2, Math.max(THINNEST_HALF_PX, (mm * pxPerMm) / 2)),
    width,
    rows: { chalk, wood, ruler, handles, figure, height: figure + 40 * textScale },
  };
}
