// Shade from outside: plain geometry, worked by hand.
import type { Limb } from '../tree/index';
import { lightInside, openSky } from './light';
import { lightGains } from './lightGain';
import { isShaded, Shade } from './shade';

/** A wall 10 m to the east, 5 m high and 8 m wide. */
const wall: Shade = { what: 'building', bearingDeg: 90, distanceCm: 1000, heightCm: 500, widthCm: 800 };
const toward = (bearingDeg: number, upDeg: number) => {
  const [bearing, up] = [(bearingDeg * Math.PI) / 180, (upDeg * Math.PI) / 180];
  return { x: Math.sin(bearing) * Math.cos(up), y: Math.cos(bearing) * Math.cos(up), z: Math.sin(up) };
};
const stem = { x: 0, y: 0, z: 0 };

// Its top is seen at atan(5 / 10) = 26.57°, its ends at atan(4 / 10) = 21.80° to each side
test.each<[string, number, number, boolean]>([
  ['straight at it, under its top', 90, 26.5, true],
  ['over its top', 90, 26.6, false],
  ['inside its northern end', 90 - 21.7, 0, true],
  ['past its northern end', 90 - 21.9, 0, false],
  ['inside its southern end', 90 + 21.7, 0, true],
  ['past its southern end', 90 + 21.9, 0, false],
  ['away from it', 270, 0, false],
  ['straight up', 90, 90, false],
])('%s: %s° and %s° up', (_, bearing, up, hides) => {
  expect(isShaded(stem, toward(bearing, up), [wall])).toBe(hides);
});

test('from a place higher up, or nearer, less or more of the sky is hidden', () => {
  expect(isShaded({ x: 0, y: 0, z: 300 }, toward(90, 12), [wall])).toBe(false);
  expect(isShaded({ x: 500, y: 0, z: 0 }, toward(90, 40), [wall])).toBe(true);
  expect(isShaded({ x: 1100, y: 0, z: 0 }, toward(90, 0), [wall])).toBe(false);
  expect(isShaded(stem, toward(0, 10), [{ ...wall, bearingDeg: 0 }])).toBe(true);
  expect(isShaded(stem, toward(90, 0), [])).toBe(false);
});

const limb = (id: string, parentId: string | null, bearingDeg: number): Limb => ({
  ...{
    id,
    parentId,
    bearingDeg,
    jointCm: 80,
    lengthCm: parentId ? 200 : 100,
    baseMm: 70,
    tipMm: 10,
    ageYears: 15,
  },
  kind: parentId ? 'scaffold' : 'trunk',
  inclinationDeg: parentId ? 35 : 90,
});
const tree = [limb('T', null, 0), ...['A', 'B', 'C', 'D'].map((id, i) => limb(id, 'T', 90 * i))];

test('a wall all round leaves the middle of the sky; two halves hide what both hide', () => {
  expect(openSky(tree, [])).toBe(1);
  const east = openSky(tree, [{ ...wall, widthCm: 30_000, heightCm: 10_000 }]);
  expect(east).toBeGreaterThan(0.4);
  expect(east).toBeLessThan(0.6);
  const both = openSky(
    tree,
    [90, 270].map((bearingDeg) => ({ ...wall, bearingDeg, widthCm: 30_000, heightCm: 10_000 })),
  );
  expect(both).toBeLessThan(east);
  // A crown that looks over a low hedge loses nothing of it
  expect(openSky(tree, [{ ...wall, what: 'hedge', heightCm: 100 }])).toBe(1);
});

test('light falls with what is hidden, and a cut gains none of that back', () => {
  const shades = [{ ...wall, distanceCm: 400, heightCm: 900, widthCm: 1500 }];
  expect(lightInside(tree, 5, tree, shades).share).toBeLessThan(lightInside(tree, 5).share);
  const kerfs = [{ limbId: 'B', atCm: 0 }];
  const [open, dark] = [lightGains(tree, 5, kerfs), lightGains(tree, 5, kerfs, shades)];
  expect(dark.share).toBeLessThan(open.share);
  // B stands between the stem and the wall: what it hid is hidden still
  expect(dark.points[0]).toBeLessThan((open.points[0] ?? 0) * 0.7);
});

test.each([
  ['distanceCm', 49],
  ['distanceCm', 20_001],
  ['heightCm', 49],
  ['heightCm', 10_001],
  ['widthCm', 49],
  ['widthCm', 30_001],
  ['bearingDeg', 361],
])('a %s of %s is refused at the field', (field, value) => {
  expect(Shade.safeParse({ ...wall, [field]: value }).error?.issues[0]?.path).toEqual([field]);
});
