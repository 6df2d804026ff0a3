// Shoots that grew too long, and uprights in bundles, as problems of a plan.
import { overLong } from '../shaping/index';
import type { Limb } from '../tree/index';
import { preparePlan } from './prepare';
import { given, limb as mapped } from './testing/given';

const limb = (id: string, lengthCm: number, more: Partial<Limb> = {}): Limb => ({
  ...mapped(id, 'A', 100, lengthCm, 8, { kind: 'shoot', ageYears: 1, tipMm: 3, budsComplete: false }),
  ...more,
});
const on = (...shoots: Limb[]): Limb[] => [
  mapped('T', null, 0, 100, 120),
  mapped('A', 'T', 80, 220, 60),
  ...shoots,
];
const long = (shoots: Limb[]) =>
  overLong({ limbs: on(...shoots), species: 'apple', habit: 'spur', ageYears: 20 }).map(
    ({ limbId, count, cut }) => [limbId, count, cut.upToCm ?? cut.atCm],
  );

test('a bundle is one candidate, worth 0.4 for each of its shoots; a cut nearer the stem answers it too', () => {
  const bundle = limb('s', 100, { bundle: { about: 12, overCm: 80 } });
  expect(long([bundle])).toEqual([['s', 12, 75]]);
  const { asked, problem } = preparePlan(
    given(
      [{ id: 'f', limbId: 'A', fromCm: 60, toCm: 70, disorder: 'NEO', edge: 'definite', growthRapid: false }],
      { tree: { limbs: on(bundle) } },
    ),
  );
  const p = asked.findIndex(({ what }) => what === 'shoots');
  expect(asked[p]).toMatchObject({
    id: 'shoots s',
    value: expect.closeTo(4.8, 9),
    must: false,
    findingId: null,
  });
  const solvers = problem.candidates
    .filter(({ solves }) => solves.some(({ problem: at }) => at === p))
    .map(({ id }) => id);
  expect(solvers).toEqual(expect.arrayContaining(['s collar 75', 'A collar 0']));
});

test('uprights in a bundle are worth 1.5 each and their crown, with no bound above', () => {
  const bundle = limb('u', 120, {
    kind: 'sprout',
    ageYears: 3,
    inclinationDeg: 80,
    baseMm: 18,
    bundle: { about: 15, overCm: 100 },
  });
  const { asked, crown } = preparePlan(
    given(
      [
        {
          id: 'f',
          limbId: 'u',
          fromCm: 0,
          toCm: 5,
          disorder: 'MISPLACED',
          edge: 'definite',
          growthRapid: false,
          place: 'limb',
          fault: { kind: 'upright sprout', limbIds: ['u'], atCm: 0 },
        },
      ],
      { tree: { limbs: on(bundle) } },
    ),
  );
  const share = crown.pieces
    .filter(({ limbId }) => limbId === 'u')
    .reduce((sum, piece) => sum + piece.crown, 0);
  expect(asked.find(({ findingId }) => findingId === 'f')?.value).toBeCloseTo(15 * 1.5 + 0.06 * share, 6);
  expect(15 * 1.5 + 0.06 * share).toBeGreaterThan(14);
});
