// While a stem is far too tall, the thin wood of a renovation waits: a third of what may go in the first season. The brief’s figures; common practice, no source.
import type { Limb } from '../tree/index';
import { preparePlan } from './prepare';
import { fault, given, limb, planTree } from './testing/given';

const TARGET = 350;
/** A stem with ten crossing limbs low on it, thin ones or not, and a leader that a side branch can take over from. */
function tall(heightCm: number, mm: number): Limb[] {
  return [
    limb('T', null, 0, heightCm, 120, { tipMm: 30 }),
    limb('H', 'T', 320, 120, 40, { bearingDeg: 90, inclinationDeg: 10, kind: 'branch' }),
    ...Array.from({ length: 10 }, (_, i) =>
      limb(`L${i}`, 'T', 60 + 8 * i, 150, mm, { bearingDeg: 36 * i, inclinationDeg: 20 }),
    ),
  ];
}
const input = (tree: object = {}, plan: object = {}, { heightCm = 451, mm = 24 } = {}) => {
  const limbs = tall(heightCm, mm);
  return given(
    limbs.slice(2).map(({ id }) => fault(`f ${id}`, id, 'crossing')),
    {
      tree: {
        ...{ limbs, form: 'open centre', renovated: true, plantedYear: null, vigour: 'strong', heightCm },
        ...{ targetHeightCm: TARGET, ...tree },
      },
      plan: { seasons: 3, pace: 'hard first', ...plan },
    },
  );
};
const quota = (...of: Parameters<typeof input>) =>
  preparePlan(input(...of)).problem.quotas.find(({ what }) => what === 'thin cuts');

test('thin cuts of the first season take at most a third of it, later ones what they like, and the stem comes down first', () => {
  const { plan, prepared } = planTree(input(), 200);
  const [first, second] = plan.seasons;
  const third = Math.floor((prepared.problem.limits[0] as number) / 3);
  expect(prepared.problem.quotas[0]?.limits).toEqual([third, 1000, 1000]);
  expect(first?.thin?.limit).toBe(third);
  expect(first?.thin?.used).toBeGreaterThan(third / 2);
  expect(first?.thin?.used).toBeLessThanOrEqual(third);
  expect(second?.thin).toBeNull();
  const thinIn = (season: number) =>
    plan.steps.filter((step) => step.season === season && step.candidateId.startsWith('L')).length;
  expect(plan.steps.some(({ season, candidateId }) => season === 1 && candidateId.startsWith('T '))).toBe(
    true,
  );
  expect(thinIn(1) + thinIn(2) + thinIn(3)).toBeGreaterThan(thinIn(1));
  // It stands beside the limit of the crown, not in its place
  expect(first).toMatchObject({ limit: prepared.problem.limits[0], quotas: [] });
});

test.each<[string, Parameters<typeof input>, boolean]>([
  ['more than a metre too tall', [], true],
  ['a metre too tall', [{}, {}, { heightCm: 450 }], false],
  ['renovated evenly', [{}, { pace: 'evenly' }], true],
  ['renovated a little each year', [{}, { pace: 'a little' }], false],
  ['not renovated', [{ renovated: false }], false],
  ['whose stem only an arborist could lower', [{ hazards: ['cavity'], leanDeg: 20 }], false],
  ['with no height set', [{ targetHeightCm: null }], false],
])('a tree %s', (_, of, has) => {
  expect(quota(...of) !== undefined).toBe(has);
});

test('what is thin, and what a thicker cut may take as well', () => {
  const counted = (mm: number) => quota({}, {}, { mm })?.units.filter((units) => units > 0).length;
  expect([counted(24.9), counted(25)]).toEqual([10, 0]);
  const limbs = [...tall(451, 24), limb('M', 'H', 60, 60, 12, { bearingDeg: 60 })];
  const withBranch = given([fault('m', 'M', 'crossing'), fault('h', 'H', 'crossing')], {
    tree: { ...input().tree, limbs },
    plan: { pace: 'hard first' },
  });
  const { problem } = preparePlan(withBranch);
  const units = (id: string) =>
    problem.quotas[0]?.units[problem.candidates.findIndex((each) => each.id === id)];
  expect([units('M collar 0'), units('H collar 0')]).toEqual([0, 0]);
});
