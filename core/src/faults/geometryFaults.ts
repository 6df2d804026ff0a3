// Which wood stands in the wrong place, measured on the limb map?
import { turn } from '../measure/index';
import { isTrainedFlat, speciesOf } from '../register/index';
import { diameterMmAt, indexLimbs, type Limb, limbShape, long, minus, pointAlong } from '../tree/index';
import type { Fault, FaultKind, FaultTree, Wood } from './fault';
import { crossingsAndRubs } from './pairs';
import { angleDeg } from './segments';
import type { Limits } from './thresholds';

/**
 * All geometric faults of a tree. Straight sticks stand for limbs; a bend is drawn by splitting the limb.
 *
 * @returns worst first; each with its measured value and the limit it goes by
 * @source limits: see thresholds
 */
export function geometryFaults(tree: FaultTree, limits: Limits): Fault[] {
  const wood = woodOf(tree);
  const faults = [
    ...crossingsAndRubs(wood, limits),
    ...wood.tree.limbs.flatMap((limb) => ofOneLimb(limb, wood, limits)),
    ...clusters(wood, limits),
    ...ofTheCrown(wood, limits),
  ];
  return faults.sort((a, b) => b.severity - a.severity);
}

function woodOf(tree: FaultTree): Wood {
  return {
    tree,
    index: indexLimbs(tree.limbs),
    shape: limbShape(tree.limbs),
    flat: isTrainedFlat(tree.form),
  };
}

function ofOneLimb(limb: Limb, wood: Wood, limits: Limits): Fault[] {
  if (limb.kind === 'trunk') return [];
  const found = [
    sucker(limb, wood),
    upright(limb, wood, limits),
    inward(limb, wood, limits),
    downward(limb, limits),
    union(limb, wood, limits),
    twin(limb, wood, limits),
    low(limb, wood, limits),
    high(limb, wood, limits),
    pastBearing(limb, wood),
  ];
  return found.filter((fault) => fault !== null);
}

function fault(
  kind: FaultKind,
  limb: Limb,
  measured: number,
  limit: number,
  unit: Fault['unit'],
  severity: number,
  atCm = 0,
): Fault {
  return { kind, limbIds: [limb.id], atCm, measured, limit, unit, severity };
}

/** From the rootstock: on the stool, or on a stem below the graft union. */
function sucker(limb: Limb, { index }: Wood): Fault | null {
  const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  const unionCm = parent?.graftUnionCm;
  const below = unionCm !== undefined && limb.jointCm < unionCm;
  if (limb.kind !== 'sucker' && !below) return null;
  return fault('sucker', limb, Math.max(0, limb.jointCm), unionCm ?? 0, 'cm', 2);
}

const THICK_FROM_MM = 10;

/** Upright wood of any age on a limb. What stands on the stem is a leader, its twin or a scaffold. */
function upright(limb: Limb, { index }: Wood, limits: Limits): Fault | null {
  const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  const fromVertical = 90 - limb.inclinationDeg;
  if (!parent || parent.kind === 'trunk') return null;
  if (limb.lengthCm <= limits.sproutFromCm || fromVertical >= limits.uprightDeg) return null;
  return fault('upright sprout', limb, fromVertical, limits.uprightDeg, '°', 1 + limb.lengthCm / 200);
}

const ON_THE_AXIS_CM = 15;

/** How far it heads back to the stem’s axis, 0 across and 100 straight at it. */
function inward(limb: Limb, { shape, flat }: Wood, limits: Limits): Fault | null {
  const placed = shape.get(limb.id);
  if (!placed || flat) return null;
  const outward = { x: placed.base.x, y: placed.base.y, z: 0 };
  if (long(outward) < ON_THE_AXIS_CM) return null;
  const along = minus(placed.tip, placed.base);
  const percent = (-(along.x * outward.x + along.y * outward.y) / (long(along) * long(outward))) * 100;
  return percent > limits.inwardPercent
    ? fault('inward', limb, percent, limits.inwardPercent, '%', percent / limits.inwardPercent)
    : null;
}

function downward(limb: Limb, limits: Limits): Fault | null {
  const below = -limb.inclinationDeg;
  if (below <= limits.downwardDeg || limb.baseMm <= THICK_FROM_MM) return null;
  return fault('downward', limb, below, limits.downwardDeg, '°', below / Math.max(5, limits.downwardDeg));
}

/** Common practice, no source. */
const NARROW_FROM_MM = 25;
const NARROW_SHARE = 1 / 3;
const SPREAD_FROM_MM = 8;
const SPREAD_UP_TO_YEARS = 8;

/** Does a narrow union of these two matter? A thin lateral may stand as it likes; a limb that is to carry can still be spread while it is young. */
function carries(limb: Limb, parent: Limb, { tree }: Wood): boolean {
  const stout = limb.baseMm >= diameterMmAt(parent, limb.jointCm) * NARROW_SHARE;
  if (limb.baseMm >= NARROW_FROM_MM && stout) return true;
  const treeYears = Math.max(0, ...tree.limbs.map(({ kind, ageYears }) => (kind === 'trunk' ? ageYears : 0)));
  return limb.kind === 'scaffold' && limb.baseMm >= SPREAD_FROM_MM && treeYears <= SPREAD_UP_TO_YEARS;
}

function union(limb: Limb, wood: Wood, limits: Limits): Fault | null {
  const { index, shape, flat } = wood;
  const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  const stick = shape.get(limb.id);
  const on = parent && shape.get(parent.id);
  if (!parent || !stick || !on || limb.bundle) return null;
  // What goes on from the end of its parent is a bend, no union
  if (limb.jointCm >= parent.lengthCm) return null;
  const angle = angleDeg(minus(on.tip, on.base), minus(stick.tip, stick.base));
  if (angle < limits.narrowUnionDeg && carries(limb, parent, wood))
    return fault(
      'narrow union',
      limb,
      angle,
      limits.narrowUnionDeg,
      '°',
      limits.narrowUnionDeg / Math.max(5, angle),
    );
  const fromVertical = 90 - limb.inclinationDeg;
  if (
    limb.kind === 'scaffold' &&
    limb.baseMm >= THICK_FROM_MM &&
    angle >= limits.narrowUnionDeg &&
    !flat &&
    fromVertical > limits.flatUnionDeg &&
    limb.inclinationDeg > -limits.downwardDeg
  ) {
    return fault(
      'flat union',
      limb,
      fromVertical,
      limits.flatUnionDeg,
      '°',
      fromVertical / limits.flatUnionDeg,
    );
  }
  return null;
}

const STEEP_DEG = 65;

function twin(limb: Limb, { index, flat }: Wood, limits: Limits): Fault | null {
  const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
  if (parent?.kind !== 'trunk' || flat || limb.inclinationDeg < STEEP_DEG || limb.jointCm >= parent.lengthCm)
    return null;
  const ratio = limb.baseMm / Math.max(1, diameterMmAt(parent, limb.jointCm));
  if (ratio < limits.twinRatio) return null;
  const doubled = fault('double leader', limb, ratio, limits.twinRatio, 'ratio', ratio / limits.twinRatio);
  return { ...doubled, limbIds: [limb.id, parent.id] };
}

const CLEAR_OF_THE_STEM_CM = 40;

/** The lowest point that stands out far enough to be mown into. */
function low(limb: Limb, { shape, flat }: Wood, limits: Limits): Fault | null {
  const placed = shape.get(limb.id);
  if (!placed || flat || limb.kind === 'sucker') return null;
  const out = (share: number) => pointAlong(placed, share);
  const points = [0, 0.25, 0.5, 0.75, 1].map((share) => ({ share, at: out(share) }));
  const low = points
    .filter(({ at }) => Math.hypot(at.x, at.y) > CLEAR_OF_THE_STEM_CM && at.z < limits.lowCm)
    .sort((a, b) => a.at.z - b.at.z)[0];
  if (!low) return null;
  return fault(
    'too low',
    limb,
    low.at.z,
    limits.lowCm,
    'cm',
    1 + (limits.lowCm - low.at.z) / Math.max(20, limits.lowCm),
    low.share * limb.lengthCm,
  );
}

/** Only what has its joint up there: a limb that merely ends high can be tipped. */
function high(limb: Limb, { shape, tree }: Wood, limits: Limits): Fault | null {
  const limitCm = tree.reachCm ?? limits.reachCm;
  const placed = shape.get(limb.id);
  if (!placed || placed.base.z <= limitCm) return null;
  return fault('out of reach', limb, placed.base.z, limitCm, 'cm', placed.base.z / limitCm);
}

/** Never scaffolds, leaders or wood that bears on spurs. */
function pastBearing(limb: Limb, { tree, flat }: Wood): Fault | null {
  const until = speciesOf(tree.species)?.lateralsBearUntilYears ?? null;
  if (limb.kind !== 'lateral' || until === null || (tree.habit === 'spur' && flat) || limb.ageYears <= until)
    return null;
  return fault('past bearing', limb, limb.ageYears, until, 'years', limb.ageYears / until);
}

function clusters({ tree, index }: Wood, limits: Limits): Fault[] {
  return tree.limbs.flatMap((parent) => {
    const joints = (index.childrenOf.get(parent.id) ?? [])
      .filter((limb) => limb.kind !== 'sucker' && !limb.bundle)
      .sort((a, b) => a.jointCm - b.jointCm);
    const found: Fault[] = [];
    for (let from = 0; from < joints.length; ) {
      const first = joints[from] as Limb;
      const itsJoints = joints.filter(
        (limb, i) => i >= from && limb.jointCm - first.jointCm <= limits.clusterWithinCm,
      );
      if (itsJoints.length >= limits.clusterLimbs) {
        const clusterFault = fault(
          'cluster',
          first,
          itsJoints.length,
          limits.clusterLimbs,
          'limbs',
          itsJoints.length / limits.clusterLimbs,
        );
        found.push({ ...clusterFault, limbIds: itsJoints.map((limb) => limb.id) });
        from += itsJoints.length;
      } else from++;
    }
    return found;
  });
}

function ofTheCrown(wood: Wood, limits: Limits): Fault[] {
  if (wood.flat) return outOfPlane(wood, limits);
  return [...emptySector(wood, limits), ...lopsided(wood, limits)];
}

function emptySector({ tree }: Wood, limits: Limits): Fault[] {
  const main = tree.limbs.filter((limb) => limb.kind === 'scaffold');
  if (main.length < 2) return [];
  const sorted = [...main].sort((a, b) => turn(a.bearingDeg) - turn(b.bearingDeg));
  return sorted.flatMap((limb, i) => {
    const next = sorted[(i + 1) % sorted.length] as Limb;
    const gap = turn(next.bearingDeg - limb.bearingDeg) || 360;
    if (gap <= limits.emptySectorDeg) return [];
    const sectorFault = fault(
      'empty sector',
      limb,
      gap,
      limits.emptySectorDeg,
      '°',
      gap / limits.emptySectorDeg,
    );
    return [{ ...sectorFault, limbIds: [limb.id, next.id] }];
  });
}

/** Where the wood’s weight lies against the stem, each limb by its section at its middle. */
function lopsided({ tree, shape }: Wood, limits: Limits): Fault[] {
  let [x, y, out, weight] = [0, 0, 0, 0];
  let heaviest: { limb: Limb; pull: number } | null = null;
  for (const limb of tree.limbs) {
    const placed = shape.get(limb.id);
    if (limb.kind !== 'scaffold' || !placed) continue;
    const middle = pointAlong(placed, 0.5);
    const mass = limb.baseMm ** 2 * limb.lengthCm;
    x += middle.x * mass;
    y += middle.y * mass;
    out += Math.hypot(middle.x, middle.y) * mass;
    weight += mass;
    const pull = Math.hypot(middle.x, middle.y) * mass;
    if (!heaviest || pull > heaviest.pull) heaviest = { limb, pull };
  }
  if (weight === 0 || out === 0 || !heaviest) return [];
  const percent = (Math.hypot(x, y) / out) * 100;
  return percent > limits.lopsidedPercent
    ? [
        fault(
          'lopsided',
          heaviest.limb,
          percent,
          limits.lopsidedPercent,
          '%',
          percent / limits.lopsidedPercent,
        ),
      ]
    : [];
}

const SHORT_CM = 20;

/** The plane is the line that the main limbs’ bearings share. */
function outOfPlane({ tree, shape }: Wood, limits: Limits): Fault[] {
  const plane = planeBearingDeg(tree.limbs);
  return tree.limbs.flatMap((limb) => {
    const placed = shape.get(limb.id);
    if (limb.kind === 'trunk' || !placed || limb.lengthCm < SHORT_CM) return [];
    const along = minus(placed.tip, placed.base);
    const off = Math.sin(((limb.bearingDeg - plane) * Math.PI) / 180) * Math.hypot(along.x, along.y);
    const degrees = (Math.asin(Math.min(1, Math.abs(off) / long(along))) * 180) / Math.PI;
    if (degrees <= limits.outOfPlaneDeg) return [];
    return [fault('out of plane', limb, degrees, limits.outOfPlaneDeg, '°', degrees / limits.outOfPlaneDeg)];
  });
}

/** Mean direction of the main limbs, opposite ones counted as one line, weighted by length. */
export function planeBearingDeg(limbs: Limb[]): number {
  const main = limbs.filter((limb) => limb.kind === 'scaffold');
  let [x, y] = [0, 0];
  for (const limb of main.length > 0 ? main : limbs) {
    const doubled = (2 * limb.bearingDeg * Math.PI) / 180;
    x += Math.cos(doubled) * limb.lengthCm;
    y += Math.sin(doubled) * limb.lengthCm;
  }
  return turn((Math.atan2(y, x) * 180) / Math.PI / 2);
}
