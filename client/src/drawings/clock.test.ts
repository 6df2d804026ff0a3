// Facts of the plane: a compass bearing seen from above, 12 at the site's own bearing.
import type { Limb } from '@mortisect/core/tree';
import { onSpoke, reachCm, spokes } from '@mortisect/core/tree';
import { limbsAt } from './clock';

const stem: Limb = {
  id: 'T',
  parentId: null,
  jointCm: 0,
  lengthCm: 300,
  baseMm: 110,
  tipMm: 30,
  ageYears: 12,
  kind: 'trunk',
  bearingDeg: 0,
  inclinationDeg: 90,
};
const side = (id: string, bearingDeg: number, jointCm = 60, inclinationDeg = 0): Limb => ({
  ...stem,
  id,
  parentId: 'T',
  jointCm,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 10,
  kind: 'scaffold',
  bearingDeg,
  inclinationDeg,
});

test.each([
  [0, 0, 0, -200],
  [90, 0, 200, 0],
  [180, 0, 0, 200],
  [90, 90, 0, -200],
  [120, 30, 200, 0],
])('bearing %i° with 12 at %i° lies at (%i, %i)', (bearing, twelve, x, y) => {
  const [spoke] = spokes([stem, side('S', bearing)], twelve);
  expect(spoke?.tip.x).toBeCloseTo(x);
  expect(spoke?.tip.y).toBeCloseTo(y);
});

test('a limb at 60° is half as long from above, and a place on it lies in proportion', () => {
  const [spoke] = spokes([stem, side('S', 90, 60, 60)], 0);
  expect(spoke && onSpoke(spoke, 100).x).toBeCloseTo(50);
  expect(spoke && reachCm([spoke])).toBeCloseTo(100);
});

test('a touch where limbs overlap names them all, elsewhere the nearest, however far', () => {
  const plan = spokes([stem, side('S', 90), side('R', 92, 200), side('Q', 270)], 0);
  expect(
    limbsAt(plan, { x: 60, y: 1 }, 25)
      .map((limb) => limb.id)
      .sort(),
  ).toEqual(['R', 'S']);
  expect(limbsAt(plan, { x: -120, y: 5 }, 25).map((limb) => limb.id)).toEqual(['Q']);
  expect(limbsAt(plan, { x: 0, y: 150 }, 25).map((limb) => limb.id)).toEqual(['R']);
  expect(limbsAt([], { x: 0, y: 0 }, 25)).toEqual([]);
});
