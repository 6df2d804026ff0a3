// Where does a measure end that runs from a point on a limb toward the stool?
import type { Limb } from './limbMap';
import { isTrunk, type LimbIndex } from './wood';

/** One stretch of the walk on one limb, from distal to proximal, cm along the limb. */
export interface Stretch {
  limbId: string;
  fromCm: number;
  toCm: number;
}

export interface Walk {
  stretches: Stretch[];
  /** Where the walk ends; `trunk` when it would enter the trunk or the stool. */
  end: { on: 'limb'; limbId: string; atCm: number } | { on: 'trunk'; stemId: string | null };
}

/**
 * Walks a distance from (limbId, fromCm) toward the stool: along the limb, then from its joint down the parent, and so on.
 * It stops where it would enter the trunk; the leader of a stem is walked like a limb.
 *
 * @param distanceCm length of the walk, cm, ≥ 0
 * @returns the stretches walked and the end
 * @throws {UnknownLimb} when the limb is not in the map
 */
export function walkTowardStool(index: LimbIndex, limbId: string, fromCm: number, distanceCm: number): Walk {
  const stretches: Stretch[] = [];
  const first = index.byId.get(limbId);
  if (!first) throw new UnknownLimb(limbId);
  let limb: Limb = first;
  let at = fromCm;
  let left = distanceCm;
  for (;;) {
    if (isTrunk(index, limb, at)) return { stretches, end: { on: 'trunk', stemId: limb.id } };
    const stop = limb.kind === 'trunk' ? (index.leaderFromCm.get(limb.id) as number) : 0;
    if (at - left > stop || (at - left === stop && limb.kind !== 'trunk')) {
      stretches.push({ limbId: limb.id, fromCm: at, toCm: at - left });
      return { stretches, end: { on: 'limb', limbId: limb.id, atCm: at - left } };
    }
    stretches.push({ limbId: limb.id, fromCm: at, toCm: stop });
    left -= at - stop;
    if (limb.kind === 'trunk') return { stretches, end: { on: 'trunk', stemId: limb.id } };
    const parent: Limb | undefined = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
    if (!parent) return { stretches, end: { on: 'trunk', stemId: null } };
    at = limb.jointCm;
    limb = parent;
  }
}

/** A caller named a limb that the map does not have. */
export class UnknownLimb extends Error {
  constructor(readonly limbId: string) {
    super(`Limb ${limbId} is not in the map.`);
    this.name = 'UnknownLimb';
  }
}
