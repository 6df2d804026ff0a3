// What wood is this at s: how thick, how old, trunk, leader or limb?
import type { Limb } from './limbMap';

/** A limb map with its look-ups made once. Not for the wire. */
export interface LimbIndex {
  byId: Map<string, Limb>;
  childrenOf: Map<string, Limb[]>;
  /** Per stem, cm: above it the stem is leader. Infinity where no scaffold joins it. */
  leaderFromCm: Map<string, number>;
}

export function indexLimbs(limbs: Limb[]): LimbIndex {
  const byId = new Map<string, Limb>();
  const childrenOf = new Map<string, Limb[]>();
  const leaderFromCm = new Map<string, number>();
  for (const limb of limbs) {
    byId.set(limb.id, limb);
    childrenOf.set(limb.id, []);
    if (limb.kind === 'trunk') leaderFromCm.set(limb.id, Number.POSITIVE_INFINITY);
  }
  for (const limb of limbs) {
    if (limb.parentId === null) continue;
    childrenOf.get(limb.parentId)?.push(limb);
    const lowest = leaderFromCm.get(limb.parentId);
    if (limb.kind === 'scaffold' && lowest !== undefined) {
      leaderFromCm.set(limb.parentId, Math.min(lowest, limb.jointCm));
    }
  }
  return { byId, childrenOf, leaderFromCm };
}

/** Diameter over bark at s, mm; linear between base and tip. */
export function diameterMmAt(limb: Limb, s: number): number {
  return limb.baseMm - ((limb.baseMm - limb.tipMm) * s) / limb.lengthCm;
}

/** Age of the wood at s in years, from growth rings where they are marked, else spread evenly over the length. */
export function ageYearsAt(limb: Limb, s: number): number {
  if (limb.yearMarksCm) return 1 + limb.yearMarksCm.filter((mark) => mark > s).length;
  return Math.max(1, Math.ceil(limb.ageYears * (1 - s / (limb.uncutLengthCm ?? limb.lengthCm))));
}

/** Is the wood at s trunk: part of a stem at or below the joint of its lowest scaffold? */
export function isTrunk(index: LimbIndex, limb: Limb, s: number): boolean {
  return limb.kind === 'trunk' && s <= (index.leaderFromCm.get(limb.id) ?? Number.POSITIVE_INFINITY);
}

/** Is the wood at s leader: a stem above its lowest scaffold? */
export function isLeader(index: LimbIndex, limb: Limb, s: number): boolean {
  return limb.kind === 'trunk' && !isTrunk(index, limb, s);
}

/** A limb and everything that hangs on it. */
export function limbWithAll(index: LimbIndex, limb: Limb): Limb[] {
  const all = [limb];
  for (let i = 0; i < all.length; i++) all.push(...(index.childrenOf.get((all[i] as Limb).id) ?? []));
  return all;
}

/** The places passed on the way from (limbId, s) to the stool: that place, then each joint on the parent it lies on. */
export function* wayToStool(
  index: LimbIndex,
  limbId: string,
  s: number,
): Generator<{ limbId: string; atCm: number }> {
  let limb = index.byId.get(limbId);
  let atCm = s;
  while (limb) {
    yield { limbId: limb.id, atCm };
    atCm = limb.jointCm;
    limb = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  }
}

/** Does wood at s come off with a kerf on the same limb? Wood at the kerf itself stays, but a kerf at the collar takes all. */
export function comesOff(s: number, kerfCm: number): boolean {
  return s > kerfCm || kerfCm <= 0;
}

/** Does the wood at (limbId, s) come off when the kerf lies at (kerfLimbId, kerfCm)? */
export function isDistalOf(
  index: LimbIndex,
  limbId: string,
  s: number,
  kerfLimbId: string,
  kerfCm: number,
): boolean {
  for (const place of wayToStool(index, limbId, s)) {
    if (place.limbId === kerfLimbId) return comesOff(place.atCm, kerfCm);
  }
  return false;
}
