// Upright wood is thinned though nobody noted it. Steeper than 70° and over 40 cm: the brief’s figures, common practice, no source.
import { uprightKey } from '../shaping/index';
import type { Limb } from '../tree/index';
import { fault, given, limb, planTree, vase } from './testing/given';

const withUpright = (more: Partial<Limb> = {}, parentId = 'A') => [
  ...vase(),
  limb('U', parentId, 90, 120, 26, {
    kind: 'sprout',
    inclinationDeg: 80,
    ageYears: 7,
    bearingDeg: 10,
    ...more,
  }),
];
const asked = (limbs: Limb[], plan: object = {}, findings: object[] = [], tree: object = {}) =>
  planTree(given(findings, { tree: { limbs, ...tree }, plan })).prepared.asked.flatMap(
    ({ id, what, value }) => (what === 'upright' ? [[id, value] as const] : []),
  );

test.each<[string, Partial<Limb>, string, number]>([
  ['71°', { inclinationDeg: 71 }, 'A', 1],
  ['70°', { inclinationDeg: 70 }, 'A', 0],
  ['41 cm', { lengthCm: 41 }, 'A', 1],
  ['40 cm', { lengthCm: 40 }, 'A', 0],
  ['20 years', { ageYears: 20 }, 'A', 1],
  ['on the stem', {}, 'T', 0],
])('%s: %j on %s, %s', (_, more, parentId, count) => {
  expect(asked(withUpright(more, parentId))).toHaveLength(count);
});

test('what somebody noted, waved off or saw come at a cut is not asked for twice; a young tree is trained', () => {
  expect(asked(withUpright(), {}, [fault('f', 'U', 'upright sprout')])).toEqual([]);
  expect(asked(withUpright(), { waved: ['U'] })).toEqual([]);
  expect(asked(withUpright(), { regrown: ['U'] })).toEqual([]);
  expect(asked(withUpright(), {}, [], { plantedYear: 2020 })).toEqual([]);
  expect(asked(withUpright(), {}, [], { form: 'fan' })).toEqual([]);
  expect(uprightKey('U')).toBe('upright sprout:U');
});

test('it is worth 1.5 and 0.06 for each thousandth of the crown, 14 at most; a bundle 1.5 for each', () => {
  const { prepared } = planTree(given([], { tree: { limbs: withUpright() } }));
  const [, value] = asked(withUpright())[0] ?? ['', 0];
  const crown = prepared.crown.pieces
    .filter(({ limbId }) => limbId === 'U')
    .reduce((sum, piece) => sum + piece.crown, 0);
  expect(crown).toBeGreaterThan(0);
  expect(value).toBeCloseTo(1.5 + 0.06 * crown, 9);
  expect(asked(withUpright(), { settings: { weights: { upright: 13.5 } } })[0]?.[1]).toBe(14);
  const many = asked(withUpright({ baseMm: 12, bundle: { about: 12, overCm: 100 } }))[0]?.[1];
  expect(many).toBeGreaterThan(18);
});

test('it goes whole, back to its first level branch, or is tied down while it bends; each step says what it is for', () => {
  const level = limb('V', 'U', 40, 70, 14, {
    kind: 'lateral',
    inclinationDeg: 10,
    ageYears: 3,
    bearingDeg: 60,
  });
  const ids = (more: Partial<Limb>) =>
    planTree(given([], { tree: { limbs: [...withUpright(more), level] } }))
      .prepared.all.map(({ id }) => id)
      .filter((id) => id.startsWith('U '));
  expect(ids({ ageYears: 7 })).toEqual(['U collar 0', expect.stringMatching(/^U reduction /)]);
  expect(ids({ ageYears: 6 })).toContain('U tie down');
  const { plan } = planTree(given([], { tree: { limbs: withUpright() } }));
  expect(plan.steps).toMatchObject([
    { candidateId: 'U collar 0', serves: expect.arrayContaining(['upright']) },
  ]);
});
