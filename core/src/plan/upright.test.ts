// Upright wood of any age, and what a renovation is worth. Figures: common practice, no source; worked with a pencil.
import type { Limb } from '../tree/index';
import { preparePlan, startingPlanSettings } from './index';
import { fault, given, limb, planTree, vase } from './testing/given';

/** An upright on scaffold A: of so many millimetres at its base. */
const withUpright = (baseMm: number, more: Limb[] = []): Limb[] => [
  ...vase(),
  limb('U', 'A', 90, 180, baseMm, { inclinationDeg: 85, ageYears: 9 }),
  ...more,
];
const worthAt = (id: string, input: ReturnType<typeof given>) =>
  preparePlan(input).asked.find(({ findingId }) => findingId === id)?.value ?? 0;
const settings = startingPlanSettings();
const of = (limbs: Limb[], more: object = {}, plan: object = {}) =>
  given([fault('up', 'U', 'upright sprout')], { tree: { limbs, ...more }, plan });

test('it is worth one and a half, and six hundredths more for each thousandth of the crown that it carries, fourteen at most', () => {
  for (const baseMm of [20, 45, 70]) {
    const input = of(withUpright(baseMm));
    const w = preparePlan(input)
      .crown.pieces.filter(({ limbId }) => limbId === 'U')
      .reduce((sum, { crown }) => sum + crown, 0);
    expect(w).toBeGreaterThan(5);
    expect(worthAt('up', input)).toBeCloseTo(1.5 + 0.06 * w, 6);
  }
  const steep = { ...settings, weights: { ...settings.weights, uprightCrown: 1 } };
  expect(worthAt('up', of(withUpright(45), {}, { settings: steep }))).toBe(14);
});

test('a thick old upright goes whole, or back to its first level branch, and not to a steep one', () => {
  const level = limb('L', 'U', 60, 80, 25, { inclinationDeg: 30 });
  const steep = limb('S', 'U', 30, 80, 25, { inclinationDeg: 31 });
  const ids = (more: Limb[]) => preparePlan(of(withUpright(50, more))).all.map(({ id }) => id);
  expect(ids([])).toEqual(['U collar 0']);
  expect(ids([steep])).toEqual(['U collar 0']);
  expect(ids([steep, level]).toSorted()).toEqual(['U collar 0', expect.stringMatching(/^U reduction 6\d/)]);
  const { plan } = planTree(of(withUpright(50)));
  expect(plan.steps).toMatchObject([{ candidateId: 'U collar 0', solves: [{ findingId: 'up' }] }]);
});

test.each([
  ['narrow union', 14, 6],
  ['double leader', 14, 6],
  ['crossing', 7, 10],
  ['rubbing', 10, 10],
  ['inward', 7, 9],
  ['over another', 8, 8],
  ['too low', 6, 6],
] as const)('%s is worth %i, and %i while a renovation runs', (kind, usual, renovated) => {
  const input = (more: object, plan: object = {}) =>
    given([fault('f', 'A1', kind, ['A1', 'B2'], 40)], { tree: more, plan });
  expect(worthAt('f', input({}))).toBe(usual);
  expect(worthAt('f', input({ renovated: true }))).toBe(renovated);
  // A figure that the site has set itself stays
  const own = Object.fromEntries(
    Object.entries(settings.weights).map(([key, start]) => [key, key === 'discount' ? start : 3]),
  );
  expect(worthAt('f', input({ renovated: true }, { settings: { ...settings, weights: own } }))).toBe(3);
});
