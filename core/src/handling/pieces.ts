// In how many pieces does it come down, and where do the saw strokes go?
import { z } from 'zod';
import { alike, comesOff, diameterMmAt, indexLimbs, type Limb, type LimbIndex } from '../tree/index';
import { kgPerM3, type Load, limbMass, type Stick, stickM3 } from './limbMass';

export const Strokes = z.strictObject({
  undercutCm: z.number().nullable().describe('from below, cm along the limb; null where one stroke does'),
  undercutDepthMm: z.number().nullable(),
  topCutCm: z.number().nullable().describe('through from above, a little farther out'),
  finalCm: z.number().describe('the last cut, at the kerf'),
});
export type Strokes = z.infer<typeof Strokes>;

export interface Fall {
  /** Where the limb points, and falls: compass bearing, degrees. */
  bearingDeg: number;
  /** Nobody stands within it, cm. */
  clearZoneCm: number;
}

/** @source undercut 15–30 cm out, deeper for large wood: common arboricultural practice; the fractions common practice, no source */
const THREE_FROM_MM = 25;
const THREE_ALWAYS_MM = 50;
const THREE_ALWAYS_KG = 5;
const OUT_CM = 20;
const OUT_LARGE_CM = 30;
const LARGE_MM = 90;
const FARTHER_CM = 4;
const DEPTH = 1 / 3;

/**
 * Does it take three cuts? From 25 mm where it cannot be held in one hand, always from 50 mm or 5 kg.
 *
 * @example needsThreeCuts({ kerfMm: 30, kg: 2, held: true }) //=> false
 */
export function needsThreeCuts({ kerfMm, kg, held }: { kerfMm: number; kg: number; held: boolean }): boolean {
  return kerfMm >= THREE_ALWAYS_MM || kg > THREE_ALWAYS_KG || (kerfMm >= THREE_FROM_MM && !held);
}

/** How far out from the last cut the undercut goes, cm. @example undercutOutCm(90) //=> 30 */
export function undercutOutCm(kerfMm: number): number {
  return kerfMm >= LARGE_MM ? OUT_LARGE_CM : OUT_CM;
}

/** Depth of the undercut, mm: a third, before the bar pinches. */
export function undercutDepthMm(diameterMm: number): number {
  return diameterMm * DEPTH;
}

/** Where undercut, top cut and last cut go, cm along the limb. A limb that is too short for three is held and cut once. */
export function strokes(limb: Limb, kerfCm: number, kg: number): Strokes {
  const kerfMm = diameterMmAt(limb, Math.min(kerfCm, limb.lengthCm));
  const undercutCm = kerfCm + undercutOutCm(kerfMm);
  const topCutCm = undercutCm + FARTHER_CM;
  if (!needsThreeCuts({ kerfMm, kg, held: kg <= 2 }) || topCutCm >= limb.lengthCm) {
    return { undercutCm: null, undercutDepthMm: null, topCutCm: null, finalCm: kerfCm };
  }
  return {
    undercutCm,
    undercutDepthMm: undercutDepthMm(diameterMmAt(limb, undercutCm)),
    topCutCm,
    finalCm: kerfCm,
  };
}

/**
 * Pieces from the outside in, none heavier than the lift limit: heavy side branches first, each in its own pieces, then the limb in
 * lengths of equal weight, found by bisection.
 *
 * @returns in the order they come down; the last one ends at the kerf
 */
export function pieces(
  limbs: Limb[],
  species: string,
  kerf: { limbId: string; atCm: number },
  load: Load,
  liftKg: number,
): Stick[] {
  const index = indexLimbs(limbs);
  const limb = index.byId.get(kerf.limbId);
  if (!limb) return [];
  const perM3 = kgPerM3(species, load);
  // Unmapped twigs ride on the wood they grow on
  const whole = limbMass(limbs, species, kerf, load);
  const factor = whole.woodM3 > 0 ? whole.kg / (whole.woodM3 * perM3) : 1;
  return sticksOf(limb, Math.min(kerf.atCm, limb.lengthCm), index, perM3 * factor, liftKg);
}

function sticksOf(limb: Limb, fromCm: number, index: LimbIndex, perM3: number, liftKg: number): Stick[] {
  const riding: { jointCm: number; kg: number }[] = [];
  const first: Stick[] = [];
  for (const child of index.childrenOf.get(limb.id) ?? []) {
    if (!comesOff(child.jointCm, fromCm)) continue;
    const childSticks = sticksOf(child, 0, index, perM3, liftKg);
    const kg = alike(child) * childSticks.reduce((sum, stick) => sum + stick.kg, 0);
    // A bundle rides along: nobody lays its shoots down one by one
    if (kg > liftKg * RIDES_UP_TO && !child.bundle) first.push(...childSticks);
    else riding.push({ jointCm: child.jointCm, kg });
  }
  const beyond = (s: number) =>
    stickM3(limb, s, limb.lengthCm) * perM3 +
    riding.reduce((sum, rider) => (rider.jointCm >= s ? sum + rider.kg : sum), 0);
  const total = beyond(fromCm);
  const count = Math.max(1, Math.ceil(total / liftKg - 1e-9));
  const stops = [limb.lengthCm];
  for (let i = 1; i < count; i++)
    stops.push(whereBeyondIs((total * i) / count, beyond, fromCm, limb.lengthCm));
  stops.push(fromCm);
  const sticks = stops.slice(1).map((stop, i): Stick => {
    const toCm = stops[i] as number;
    return { limbId: limb.id, fromCm: stop, toCm, kg: beyond(stop) - (i === 0 ? 0 : beyond(toCm)) };
  });
  return [...first, ...sticks];
}
/** A side branch lighter than this share of the limit stays on the piece that it grows on. */
const RIDES_UP_TO = 0.3;

function whereBeyondIs(kg: number, beyond: (s: number) => number, fromCm: number, toCm: number): number {
  let [low, high] = [fromCm, toCm];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (beyond(middle) > kg) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** @source one and a half times limb and height, 3 m at least: common practice, no source; logging rules ask two tree lengths (29 CFR 1910.266) */
const ZONE_TIMES = 1.5;
const ZONE_LEAST_CM = 300;

/** Where it falls and how far off everybody stays. */
export function fall(limb: Limb, kerfCm: number, kerfHeightCm: number): Fall {
  return { bearingDeg: limb.bearingDeg, clearZoneCm: clearZoneCm(limb.lengthCm - kerfCm, kerfHeightCm) };
}

/** @example clearZoneCm(400, 0) //=> 600 */
export function clearZoneCm(limbCm: number, heightCm: number): number {
  return Math.max(ZONE_TIMES * limbCm, ZONE_TIMES * heightCm, ZONE_LEAST_CM);
}
