// Shoots that grew too long. Shares of heading: extension handbooks on fruit trees, figures common practice; the aims are the brief’s.
import type { BearingHabit } from '../register/index';
import type { Limb } from '../tree/index';
import { overLong } from './shoots';

const mapped = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  more: Partial<Limb> = {},
): Limb => ({
  ...{ id, parentId, jointCm, lengthCm, baseMm, tipMm: 3, ageYears: 12, bearingDeg: 0, inclinationDeg: 40 },
  kind: parentId === null ? 'trunk' : 'scaffold',
  ...more,
});
const limb = (id: string, lengthCm: number, more: Partial<Limb> = {}): Limb =>
  mapped(id, 'A', 100, lengthCm, 8, { kind: 'shoot', ageYears: 1, ...more });
const long = (
  shoots: Limb[],
  species = 'apple',
  habit: BearingHabit = 'spur',
  ageYears: number | null = 20,
) =>
  overLong({
    limbs: [mapped('T', null, 0, 100, 120), mapped('A', 'T', 80, 220, 60), ...shoots],
    ...{ species, habit, ageYears },
  }).map(({ limbId, count, cut }) => [limbId, count, cut.upToCm ?? cut.atCm]);

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

test('of a bundle all are shortened', () => {
  expect(long([limb('s', 100, { bundle: { about: 12, overCm: 80 } })])).toEqual([['s', 12, 75]]);
});
