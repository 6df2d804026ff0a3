// Which limb may follow an old one, and from when is it thick enough?
import type { Limb } from '../tree/index';

/** A follower is worth the wait from half the thickness of what it replaces. Common practice, no source. */
const THICK_ENOUGH = 0.5;

/** Thinner limbs that grow beside it from the same wood; the stem has none. */
export function followersOf(limbs: readonly Limb[], limbId: string): Limb[] {
  const old = limbs.find((limb) => limb.id === limbId);
  if (!old || old.parentId === null) return [];
  return limbs.filter(
    (limb) =>
      limb.id !== limbId &&
      limb.kind !== 'trunk' &&
      limb.parentId === old.parentId &&
      limb.baseMm < old.baseMm,
  );
}

/** @returns mm at its base */
export function followerFromMm(old: Pick<Limb, 'baseMm'>): number {
  return Math.round(old.baseMm * THICK_ENOUGH);
}
