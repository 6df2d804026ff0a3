// Shoots that grew too long. Shares of heading: extension handbooks on fruit trees, figures common practice; the aims are the brief’s.

import type { BearingHabit } from '../register/index';
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
const long = (
  shoots: Limb[],
  species = 'apple',
  habit: BearingHabit = 'spur',
  ageYears: number | null = 20,
) =>
  overLong({ limbs: on(...shoots), species, habit, ageYears }).map(({ limbId, count, cut }) => [
    limbId,
    count,
    cut.upToCm ?? cut.atCm,
  ]);

test.each([
  ['of just 60 cm it is left', 60, 20, []],
  ['longer, a quarter goes', 64, 20, [['s', 1, 48]]],
  ['on a young tree it may grow to 90 cm', 90, 6, []],
  ['and no longer', 100, 6, [['s', 1, 75]]],
  ['of a tree a year older to 60 again', 80, 7, [['s', 1, 60]]],
  ['of unknown age too', 80, null, [['s', 1, 60]]],
])('a shoot of an apple: %s', (_, lengthCm, ageYears, expected) => {
  expect(long([limb('s', lengthCm)], 'apple', 'spur', ageYears)).toEqual(expected);
});

test.each([
  ['pear', 75],
  ['european-plum', 75],
  ['apricot', 70],
  ['japanese-plum', 70],
  ['sour-cherry', 70],
  ['peach', 50],
])('of a shoot of %s of a metre %d cm stay', (species, left) => {
  expect(long([limb('s', 100)], species)).toEqual([['s', 1, left]]);
});

test.each<[string, Limb, string, BearingHabit]>([
  ['a sweet cherry', limb('s', 120), 'sweet-cherry', 'spur'],
  ['a tip bearer', limb('s', 120), 'apple', 'tip'],
  ['a partial tip bearer', limb('s', 120), 'apple', 'partial tip'],
  ['a tree of unknown habit', limb('s', 120), 'apple', 'unknown'],
  ['wood of two years', limb('s', 120, { ageYears: 2 }), 'apple', 'spur'],
  ['a limb that is no shoot', limb('s', 120, { kind: 'lateral' }), 'apple', 'spur'],
  ['a shoot that was shortened already', limb('s', 90, { uncutLengthCm: 120 }), 'apple', 'spur'],
])('%s is left as long as it is', (_, shoot, species, habit) => {
  expect(long([shoot], species, habit)).toEqual([]);
});

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
