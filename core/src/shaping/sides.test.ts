// Sides of a crown: the measure is |Σ A·x| / (Σ A · R), worked by hand here; the limits are the brief’s, common practice, no source.
import type { Leaf } from '../faults/index';
import type { Limb } from '../tree/index';
import { crownRadiusCm, hasSides, isWithin, leafLoad, loadsTaken, sidesOf, withoutLoad } from './sides';

const leaf = (bearingDeg: number, outCm: number, areaM2 = 1, limbId = 'A', atCm = 50): Leaf => {
  const deg = (bearingDeg * Math.PI) / 180;
  return { limbId, atCm, areaM2, at: { x: outCm * Math.sin(deg), y: outCm * Math.cos(deg), z: 100 } };
};
const round = (bearings: readonly number[]) => bearings.map((deg) => leaf(deg, 100));
const FULL = { radiusCm: 200, limbCount: 24 };
const COARSE = { ...FULL, limbCount: 23 };
const ALL = [0, 45, 90, 135, 180, 225, 270, 315];

test('a crown hangs off its stem by what its leaf pulls, as a share of its radius', () => {
  expect(sidesOf(leafLoad(round(ALL)), FULL).offCentre).toBeCloseTo(0, 9);
  // 3 m² at 1 m to the east, 1 m² at 1 m to the west: 2 m²·m of 4 m² · 2 m
  const off = sidesOf(leafLoad([leaf(90, 100, 3), leaf(270, 100, 1)]), FULL);
  expect(off.offCentre).toBeCloseTo(0.25, 9);
  expect(off.heavyDeg).toBeCloseTo(90, 9);
  expect(sidesOf(leafLoad([]), FULL)).toEqual({ offCentre: 0, heavyDeg: 0, gaps: [] });
});

test('a sector with under 3 % of the leaf is a gap, and bare sectors side by side are one', () => {
  const withShare = (share: number) =>
    sidesOf(leafLoad([...round(ALL.slice(1)), leaf(0, 100, (7 * share) / (1 - share))]), FULL).gaps.map(
      ({ middleDeg }) => middleDeg,
    );
  expect(withShare(0.0299)).toEqual([0]);
  expect(withShare(0.0301)).toEqual([]);
  expect(
    sidesOf(leafLoad(round([45, 90, 135, 180, 225])), FULL).gaps.map(({ middleDeg }) => middleDeg),
  ).toEqual([315]);
  expect(sidesOf(leafLoad(round([0, 90, 180, 270])), FULL).gaps.map(({ middleDeg }) => middleDeg)).toEqual([
    45, 135, 225, 315,
  ]);
  // The borders of a sector
  expect(
    sidesOf(leafLoad(round([...ALL.slice(1), 22.4])), FULL).gaps.map(({ middleDeg }) => middleDeg),
  ).toEqual([]);
  expect(
    sidesOf(leafLoad(round([...ALL.slice(1), 22.6])), FULL).gaps.map(({ middleDeg }) => middleDeg),
  ).toEqual([0]);
});

test('a coarse map shows a gap only where three sectors side by side are bare', () => {
  const two = leafLoad(round([0, 45, 90, 135, 180, 225]));
  const three = leafLoad(round([0, 45, 90, 135, 180]));
  expect([two, three].map((load) => sidesOf(load, COARSE).gaps.map(({ middleDeg }) => middleDeg))).toEqual([
    [],
    [270],
  ]);
  expect([two, three].map((load) => sidesOf(load, FULL).gaps.map(({ middleDeg }) => middleDeg))).toEqual([
    [292.5],
    [270],
  ]);
});

const stick = (id: string, parentId: string | null, kind: Limb['kind'], bearingDeg: number): Limb => ({
  ...{ id, parentId, kind, bearingDeg, jointCm: 50, lengthCm: 100, baseMm: 40, tipMm: 10, ageYears: 9 },
  inclinationDeg: parentId === null ? 90 : 0,
});

test('what a kerf takes of the leaf is what hangs beyond it, on the limb and on all that it carries', () => {
  const limbs = [
    stick('T', null, 'trunk', 0),
    stick('A', 'T', 'scaffold', 90),
    stick('B', 'A', 'lateral', 0),
  ];
  const leaves = [leaf(90, 40, 1, 'A', 40), leaf(90, 90, 2, 'A', 90), leaf(45, 90, 4, 'B', 60)];
  const [farOut, nearer, whole] = loadsTaken(limbs, leaves, [
    { limbId: 'A', atCm: 80 },
    { limbId: 'A', atCm: 45 },
    { limbId: 'A', atCm: 0 },
  ]);
  expect([farOut, nearer, whole].map((load) => load?.areaM2)).toEqual([2, 6, 7]);
  const left = withoutLoad(leafLoad(leaves), leafLoad(leaves.slice(1)));
  expect(left.areaM2).toBe(1);
  expect(left.east).toBeCloseTo(40, 9);
  expect(left.sectors).toEqual([0, 0, 1, 0, 0, 0, 0, 0]);
  expect(crownRadiusCm(limbs)).toBeCloseTo(Math.hypot(50, 100), 6);
});

test('a tree that is trained flat has no sides, nor has one with a single main limb', () => {
  const two = [
    stick('T', null, 'trunk', 0),
    stick('A', 'T', 'scaffold', 90),
    stick('B', 'T', 'scaffold', 270),
  ];
  expect(hasSides(two, 'open centre')).toBe(true);
  expect(hasSides(two, 'espalier')).toBe(false);
  expect(hasSides(two.slice(0, 2), 'open centre')).toBe(false);
});

test.each([
  [350, 10, 22.5, true],
  [347, 10, 22.5, false],
  [-13, 10, 22.5, false],
  [32.5, 10, 22.5, true],
  [33, 10, 22.5, false],
  [190, 10, 180, true],
])('%s° lies within %s° ± %s: %s', (bearing, middle, within, lies) => {
  expect(isWithin(bearing, middle, within)).toBe(lies);
});
