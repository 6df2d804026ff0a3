// The limb tape as one line: the limb from its base at 0 to its tip, and before 0 the parents that a measure runs down.
import { diameterMmAt, type Limb, type LimbIndex, wayToStool } from '@mortisect/core/tree';

/** One limb on the line. Its own s runs in cm from its base; the line's u is `s − offsetCm`. */
export interface TapeStretch {
  limb: Limb;
  offsetCm: number;
  /** Stretch of the line that it is drawn on, cm. */
  fromU: number;
  toU: number;
}

/** Wood of the parent that is always shown before the joint, as a share of the limb. */
const SHOWN_OF_PARENT = 0.16;
const SHOWN_BEYOND_KERF_CM = 8;

/**
 * The stretches of the line, limb first, then parent, grandparent and so on as far as `reach` goes.
 *
 * @param reach places that must be on the line, as limb and s in cm; those on other limbs are passed over
 */
export function tapePath(
  index: LimbIndex,
  limbId: string,
  reach: { limbId: string; atCm: number }[],
): TapeStretch[] {
  const limb = index.byId.get(limbId);
  if (!limb) return [];
  const stretches: TapeStretch[] = [{ limb, offsetCm: 0, fromU: 0, toU: limb.lengthCm }];
  let below = limb;
  let jointU = 0;
  while (below.parentId !== null) {
    const parent = index.byId.get(below.parentId);
    if (!parent) break;
    const offsetCm = below.jointCm - jointU;
    const nearest = Math.min(
      ...reach.filter((place) => place.limbId === parent.id).map((place) => place.atCm),
    );
    const beyond = [...wayToStool(index, parent.id, 0)].slice(1);
    const goesOn = reach.some((place) => beyond.some(({ limbId }) => limbId === place.limbId));
    const shownCm = goesOn
      ? 0
      : Math.min(nearest - SHOWN_BEYOND_KERF_CM, below.jointCm - limb.lengthCm * SHOWN_OF_PARENT);
    const fromS = Math.max(0, shownCm);
    stretches.push({ limb: parent, offsetCm, fromU: fromS - offsetCm, toU: jointU });
    if (!goesOn) break;
    jointU = -offsetCm;
    below = parent;
  }
  return stretches;
}

/** Where a place lies on the line, cm; null when its limb is not on it. */
export function placeOnTape(stretches: TapeStretch[], limbId: string, atCm: number): number | null {
  const stretch = stretches.find((stretch) => stretch.limb.id === limbId);
  return stretch ? atCm - stretch.offsetCm : null;
}

export interface Window {
  fromU: number;
  toU: number;
}

/** The whole line, or a piece of it for a closer look that stays within it. */
export function tapeWindow(stretches: TapeStretch[], closerCm: number | null, aroundU: number): Window {
  const fromU = Math.min(...stretches.map((stretch) => stretch.fromU));
  const toU = Math.max(...stretches.map((stretch) => stretch.toU));
  if (closerCm === null || closerCm >= toU - fromU) return { fromU, toU };
  const from = Math.min(Math.max(fromU, aroundU - closerCm / 2), toU - closerCm);
  return { fromU: from, toU: from + closerCm };
}

/** Outline of a stretch within the window, as pairs of u and diameter, base end first. */
export function outline(
  { limb, offsetCm, fromU, toU }: TapeStretch,
  window: Window,
): { u: number; mm: number }[] {
  const from = Math.max(fromU, window.fromU);
  const to = Math.min(toU, window.toU);
  if (from >= to) return [];
  return [from, to].map((u) => ({
    u,
    mm: diameterMmAt(limb, Math.min(limb.lengthCm, Math.max(0, u + offsetCm))),
  }));
}

const STEPS = { metric: [1, 2, 5, 10, 20, 50, 100], us: [2.54, 5.08, 15.24, 30.48, 60.96, 121.92] } as const;

/**
 * Marks of the ruler under a stretch: a label every step so that labels stand `apartPx` from one another.
 *
 * @returns s in cm of every labelled mark; between two of them stand `between` unlabelled ones
 */
export function rulerMarks(
  fromS: number,
  toS: number,
  pxPerCm: number,
  apartPx: number,
  units: 'metric' | 'us',
): number[] {
  const step = STEPS[units].find((step) => step * pxPerCm >= apartPx) ?? (STEPS[units].at(-1) as number);
  const marks: number[] = [];
  for (let n = Math.ceil((fromS - 1e-9) / step) || 0; n * step <= toS + 1e-9; n++) marks.push(n * step);
  return marks;
}
