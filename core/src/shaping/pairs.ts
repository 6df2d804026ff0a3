// Of two limbs that are in each other's way, which stays?
import type { FaultKind } from '../faults/index';
import { bloomOn, type Limb, limbShape } from '../tree/index';

/** What speaks for the one that stays; the first that tells them apart decides. The brief's order; common practice, no source. */
export const pairReasons = ['sound', 'outward', 'flatter', 'by school', 'more bloom', 'younger'] as const;
export type PairReason = (typeof pairReasons)[number];

export interface Ranked {
  staysId: string;
  goesId: string;
  /** What decided; null where nothing tells them apart. */
  because: PairReason | null;
  /** All that speaks for the one that stays, and for the other. */
  forStays: PairReason[];
  forGoes: PairReason[];
}

/** Faults of two limbs of which one may stay. */
export const PAIRS: readonly FaultKind[] = ['rubbing', 'crossing', 'over another', 'double leader'];

/** Less than this nobody sees. Common practice, no source. */
const OUTWARD_BY_DEG = 20;
const FLATTER_BY_DEG = 10;

export interface PairFacts {
  limbs: Limb[];
  /** Limbs with disease, dead wood or damage on them. */
  ill: ReadonlySet<string>;
  /** Limbs that somebody said bear more bloom, each with the one it was compared with. */
  moreBloom: readonly { limbId: string; than: string }[];
  /** The one that the site's school keeps of two limbs one over the other. */
  school?: string | undefined;
}

/** @returns null where one of them is not on the map */
export function rankPair(aId: string, bId: string, facts: PairFacts): Ranked | null {
  const [a, b] = [aId, bId].map((id) => facts.limbs.find((limb) => limb.id === id));
  if (!a || !b) return null;
  // Above 0 speaks for a, below for b
  const shape = limbShape(facts.limbs);
  const offOutward = (limb: Limb): number => {
    const base = shape.get(limb.id)?.base;
    if (!base || Math.hypot(base.x, base.y) < 1) return 0;
    const outDeg = (Math.atan2(base.x, base.y) * 180) / Math.PI;
    return Math.abs(((limb.bearingDeg - outDeg + 540) % 360) - 180);
  };
  const said = (one: Limb, other: Limb) =>
    facts.moreBloom.some(({ limbId, than }) => limbId === one.id && than === other.id);
  const beyond = (difference: number, least: number) => (Math.abs(difference) > least ? difference : 0);
  const bloom =
    said(a, b) !== said(b, a) ? (said(a, b) ? 1 : -1) : bloomOn(facts.limbs, a) - bloomOn(facts.limbs, b);
  const speaks: Record<PairReason, number> = {
    sound: Number(facts.ill.has(b.id)) - Number(facts.ill.has(a.id)),
    outward: beyond(offOutward(b) - offOutward(a), OUTWARD_BY_DEG),
    flatter: beyond(Math.abs(b.inclinationDeg) - Math.abs(a.inclinationDeg), FLATTER_BY_DEG),
    'by school': facts.school === a.id ? 1 : facts.school === b.id ? -1 : 0,
    'more bloom': bloom,
    younger: b.ageYears - a.ageYears,
  };
  const because = pairReasons.find((reason) => speaks[reason] !== 0) ?? null;
  const aStays = because === null || speaks[because] > 0;
  const forA = pairReasons.filter((reason) => speaks[reason] > 0);
  const forB = pairReasons.filter((reason) => speaks[reason] < 0);
  return aStays
    ? { staysId: a.id, goesId: b.id, because, forStays: forA, forGoes: forB }
    : { staysId: b.id, goesId: a.id, because, forStays: forB, forGoes: forA };
}
