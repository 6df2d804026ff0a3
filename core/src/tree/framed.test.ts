// A frame by clock: what was tapped stands where it was tapped, and the map is sound.
import fc from 'fast-check';
import { treeForms } from '../register/index';
import { framedMap, LimbMap, limbShape, reachedLength, type StarterTree, thickAs } from './index';

const tree: Omit<StarterTree, 'scaffolds'> = {
  ...{ form: 'open centre', species: 'apple', heightCm: 380, spreadCm: 360, girthCm: 50 },
  ...{ ageYears: 14, planeBearingDeg: 90 },
};
const tapped = fc.record({
  bearingDeg: fc.integer({ min: 0, max: 359 }),
  reachCm: fc.integer({ min: 20, max: 300 }),
  baseMm: fc.constantFrom(...Object.values(thickAs)),
});

test('main limbs of every form point and reach where they were tapped, seen from above', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...treeForms),
      fc.array(tapped, { minLength: 1, maxLength: 9 }),
      fc.constantFrom(0, 1, 2, 12),
      (form, limbs, shoots) => {
        const map = framedMap({ ...tree, form }, limbs, shoots);
        expect(LimbMap.safeParse(map).error).toBeUndefined();
        const shape = limbShape(map);
        const main = form === 'multi-stem' ? map : map.slice(1, 1 + limbs.length);
        for (const [i, { bearingDeg, reachCm, baseMm }] of limbs.entries()) {
          const { id, inclinationDeg, ...limb } = main[i] as (typeof map)[number];
          expect(limb).toMatchObject({ bearingDeg, baseMm });
          const { base, tip } = shape.get(id) as { base: Point; tip: Point };
          if (form === 'multi-stem') expect(Math.abs(Math.hypot(tip.x, tip.y) - reachCm)).toBeLessThan(2);
          else if (inclinationDeg < 75)
            expect(Math.abs(Math.hypot(tip.x - base.x, tip.y - base.y) - reachCm)).toBeLessThan(1);
        }
        const bundles = map.filter(({ bundle }) => bundle);
        expect(bundles).toHaveLength(shoots >= 2 && form !== 'multi-stem' ? limbs.length : 0);
        expect(bundles.every(({ bundle }) => bundle?.about === shoots)).toBe(true);
      },
    ),
  );
});
interface Point {
  x: number;
  y: number;
}

test('nothing tapped is the stem alone', () => {
  expect(framedMap(tree, [], 12).map(({ kind }) => kind)).toEqual(['trunk']);
});

// Right-angled triangles: at 60° a limb is twice as long as it reaches; near upright no more is made of it than at 80°
test.each([
  [100, 0, 100],
  [100, 60, 200],
  [100, -60, 200],
  [100, 89, 588],
  [1, 0, 5],
])('a reach of %i cm at %i° is a limb of %i cm', (reachCm, inclinationDeg, lengthCm) => {
  expect(reachedLength(reachCm, inclinationDeg)).toBe(lengthCm);
});

test('wood as thick as a finger is thinner than as a thumb, a wrist and a forearm', () => {
  const { finger, thumb, wrist, forearm } = thickAs;
  expect([finger, thumb, wrist, forearm]).toEqual([15, 22, 60, 90]);
});
