// How does a limb map change when a limb is added, split, measured anew or taken off the map?

import { within } from './bundle';
import type { Limb, LimbKind } from './limbMap';
import { limbId } from './starterMap';
import { UnknownLimb } from './walk';
import { diameterMmAt, indexLimbs, limbWithAll } from './wood';

/** What may be measured anew on a limb. */
export type Measured = Partial<
  Pick<
    Limb,
    | 'jointCm'
    | 'lengthCm'
    | 'baseMm'
    | 'tipMm'
    | 'ageYears'
    | 'bearingDeg'
    | 'inclinationDeg'
    | 'kind'
    | 'cultivar'
    | 'yearMarksCm'
    | 'graftUnionCm'
    | 'named'
    | 'bundle'
  >
>;

/**
 * The map with one limb measured anew. What hangs on it stays on the wood: joints, buds and marks beyond a new end move to it.
 *
 * @throws {UnknownLimb}
 */
export function measured(limbs: Limb[], id: string, change: Measured): Limb[] {
  const old = limbOf(limbs, id);
  const next = { ...old, ...change };
  const lengthCm = Math.max(1, next.lengthCm);
  const parent = old.parentId === null ? undefined : limbs.find((limb) => limb.id === old.parentId);
  const fitted: Limb = {
    ...next,
    lengthCm,
    tipMm: Math.min(next.tipMm, next.baseMm),
    jointCm: Math.min(Math.max(0, next.jointCm), parent?.lengthCm ?? next.jointCm),
    ...(next.buds && { buds: next.buds.filter((bud) => bud.atCm <= lengthCm) }),
    ...(next.yearMarksCm && {
      yearMarksCm: next.yearMarksCm.filter((mark) => mark < lengthCm).sort((a, b) => a - b),
    }),
    ...(next.graftUnionCm !== undefined && { graftUnionCm: Math.min(next.graftUnionCm, lengthCm) }),
  };
  if (fitted.bundle === undefined) delete fitted.bundle;
  if (change.lengthCm !== undefined) delete fitted.uncutLengthCm;
  if (change.baseMm !== undefined) delete fitted.guessed;
  return limbs.map((limb) => {
    if (limb.id === id) return parent ? within(fitted, parent.lengthCm) : fitted;
    if (limb.parentId !== id) return limb;
    return within(limb.jointCm > lengthCm ? { ...limb, jointCm: lengthCm } : limb, lengthCm);
  });
}

const BELOW: Record<LimbKind, LimbKind> = {
  trunk: 'scaffold',
  scaffold: 'branch',
  branch: 'lateral',
  lateral: 'shoot',
  shoot: 'shoot',
  spur: 'shoot',
  sprout: 'shoot',
  sucker: 'shoot',
};

/**
 * The map with a new limb at s on a parent: half as thick as the wood it stands on, on the side where there is most room.
 *
 * @param id that it gets; a free one where nothing is said
 * @returns the map and the id of the new limb
 * @throws {UnknownLimb}
 */
export function withLimb(
  limbs: Limb[],
  parentId: string,
  jointCm: number,
  id = freeId(limbs),
): { limbs: Limb[]; id: string } {
  const parent = limbOf(limbs, parentId);
  const siblings = limbs.filter((limb) => limb.parentId === parentId);
  const baseMm = Math.max(4, Math.round(diameterMmAt(parent, jointCm) * 0.5));
  const bearings = siblings.map((limb) => limb.bearingDeg);
  const limb: Limb = {
    id,
    parentId,
    jointCm,
    lengthCm: Math.max(
      10,
      Math.round((parent.kind === 'trunk' ? parent.lengthCm : parent.lengthCm - jointCm) * 0.5),
    ),
    baseMm,
    tipMm: Math.min(6, baseMm),
    ageYears: Math.max(1, Math.round(parent.ageYears * (1 - jointCm / parent.lengthCm))),
    kind: BELOW[parent.kind],
    bearingDeg: widestGap(parent.kind === 'trunk' ? bearings : [...bearings, parent.bearingDeg]),
    inclinationDeg: parent.kind === 'trunk' ? 35 : Math.max(0, Math.min(60, parent.inclinationDeg)),
    guessed: true,
  };
  return { limbs: [...limbs, limb], id };
}

/** What a thicket mostly is, until somebody measures it. Common practice, no source. */
const THICKET = { about: 10, lengthCm: 90, baseMm: 11, tipMm: 4, ageYears: 2, inclinationDeg: 80 } as const;

/**
 * The map with many alike on a limb, over the middle half of it: upright shoots of about a metre, as they mostly are.
 *
 * @returns the map and the id of the bundle
 * @throws {UnknownLimb}
 */
export function withBundle(limbs: Limb[], parentId: string): { limbs: Limb[]; id: string } {
  const parent = limbOf(limbs, parentId);
  const id = freeId(limbs);
  const { about, ...shoot } = THICKET;
  const bundle: Limb = {
    ...shoot,
    id,
    parentId,
    jointCm: Math.round(parent.lengthCm / 2),
    kind: 'sprout',
    bearingDeg: parent.bearingDeg,
    bundle: { about, overCm: Math.round(parent.lengthCm / 2) },
    guessed: true,
  };
  return { limbs: [...limbs, bundle], id };
}

/** The bearing in the middle of the widest gap between bearings; north when there are none. */
export function widestGap(bearingsDeg: readonly number[]): number {
  if (bearingsDeg.length === 0) return 0;
  const sorted = bearingsDeg.map((deg) => ((deg % 360) + 360) % 360).sort((a, b) => a - b);
  let best = { from: 0, gap: -1 };
  sorted.forEach((from, i) => {
    const to = i + 1 < sorted.length ? (sorted[i + 1] as number) : (sorted[0] as number) + 360;
    if (to - from > best.gap) best = { from, gap: to - from };
  });
  return Math.round(best.from + best.gap / 2) % 360;
}

/**
 * The map with a limb parted at s: the outer part becomes a limb of its own that goes on from the end of the inner, so that a bend can be drawn.
 *
 * @returns the map and the id of the outer part
 * @throws {UnknownLimb}
 */
export function split(limbs: Limb[], id: string, atCm: number): { limbs: Limb[]; id: string } {
  const limb = limbOf(limbs, id);
  const at = Math.min(Math.max(1, atCm), limb.lengthCm - 1);
  const outerId = freeId(limbs);
  const mm = diameterMmAt(limb, at);
  const { named: _named, graftUnionCm: _union, ...plain } = limb;
  const outer: Limb = {
    ...plain,
    id: outerId,
    parentId: id,
    jointCm: at,
    lengthCm: limb.lengthCm - at,
    baseMm: mm,
    kind: limb.kind === 'trunk' ? 'branch' : limb.kind === 'scaffold' ? 'branch' : limb.kind,
    ageYears: Math.max(1, Math.ceil(limb.ageYears * (1 - at / limb.lengthCm))),
    ...(limb.buds && {
      buds: limb.buds.filter((bud) => bud.atCm > at).map((bud) => ({ ...bud, atCm: bud.atCm - at })),
    }),
    ...(limb.yearMarksCm && { yearMarksCm: limb.yearMarksCm.filter((m) => m > at).map((m) => m - at) }),
  };
  delete outer.uncutLengthCm;
  const inner: Limb = {
    ...limb,
    lengthCm: at,
    tipMm: mm,
    uncutLengthCm: limb.uncutLengthCm ?? limb.lengthCm,
    ...(limb.buds && { buds: limb.buds.filter((bud) => bud.atCm <= at) }),
  };
  const rest = limbs.map((limb) => {
    if (limb.id === id) return inner;
    return limb.parentId === id && limb.jointCm > at
      ? { ...limb, parentId: outerId, jointCm: limb.jointCm - at }
      : limb;
  });
  return { limbs: [...rest, outer], id: outerId };
}

/** The map without a limb and what hangs on it. The last stem stays: a map needs one. */
export function without(limbs: Limb[], id: string): Limb[] {
  const index = indexLimbs(limbs);
  const gone = new Set(limbWithAll(index, limbOf(limbs, id)).map((limb) => limb.id));
  const left = limbs.filter((limb) => !gone.has(limb.id));
  return left.some((limb) => limb.kind === 'trunk') ? left : limbs;
}

/** A short id that the map does not have yet. */
function freeId(limbs: Limb[]): string {
  const taken = new Set(limbs.map((limb) => limb.id));
  for (let i = 0; ; i++) {
    const id = limbId(i);
    if (!taken.has(id)) return id;
  }
}

function limbOf(limbs: Limb[], id: string): Limb {
  const limb = limbs.find((limb) => limb.id === id);
  if (!limb) throw new UnknownLimb(id);
  return limb;
}
