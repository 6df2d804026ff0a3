// The training of young trees: one leader in tiers, an open centre, a modified leader. Figures of handbooks on the training of fruit trees, from memory; where the brief gives one, the brief’s.
import type { TreeForm } from '../register/index';
import type { Limb } from '../tree/index';
import { wishWorths, youngTree } from './young';

const limb = (id: string, jointCm: number, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId: 'T', jointCm, lengthCm: 80, baseMm: 14, tipMm: 5, ageYears: 2, bearingDeg: 0 },
  kind: 'scaffold',
  inclinationDeg: 40,
  ...more,
});
const stem = (lengthCm: number, more: Partial<Limb> = {}): Limb =>
  limb('T', 0, {
    ...{ parentId: null, lengthCm, baseMm: 50, tipMm: 40, kind: 'trunk', inclinationDeg: 90 },
    ...more,
  });
/** A tier of four, ten centimetres apart, spread round. */
const tier = (name: string, fromCm: number, count = 4) =>
  Array.from({ length: count }, (_, i) => limb(`${name}${i}`, fromCm + 10 * i, { bearingDeg: 90 * i }));
const wishes = (
  limbs: Limb[],
  form: TreeForm = 'central leader',
  more: { ageYears?: number; tied?: string[] } = {},
) =>
  youngTree({ limbs, form, ageYears: 4, tied: [], ...more }).wishes.map(({ kind, limbId, atCm, toLimbId }) =>
    [kind, limbId, ...(atCm > 0 ? [atCm] : []), ...(toLimbId ? [toLimbId] : [])].join(' '),
  );

test('a tier of four with its leader wants nothing but to be headed, by two fifths of what it has grown', () => {
  // The topmost limb joins at 80 cm, the leader ends at 150 cm: of 70 cm 28 go
  expect(wishes([stem(150), ...tier('a', 50)])).toEqual(['head the leader T 122']);
});

test.each([
  ['grown by 30 cm, it is headed', 110, ['head the leader T 98']],
  ['grown by less, it is left', 109.9, []],
])('a leader that has %s', (_, lengthCm, expected) => {
  expect(wishes([stem(lengthCm), ...tier('a', 50)])).toEqual(expected);
});

test('once headed it is not headed again until the map is drawn anew', () => {
  expect(wishes([stem(122, { uncutLengthCm: 150 }), ...tier('a', 50)])).toEqual([]);
  expect(wishes([stem(150, { uncutLengthCm: 150 }), ...tier('a', 50)])).toHaveLength(1);
});

test.each([
  ['30 cm below the tip, at 60°, it is a rival', 150, { jointCm: 120, inclinationDeg: 60 }, true],
  ['lower it is none', 150, { jointCm: 119.9, inclinationDeg: 80 }, false],
  ['flatter it is none', 150, { jointCm: 125, inclinationDeg: 59 }, false],
])('a limb beside the leader: %s', (_, lengthCm, where, isRival) => {
  const limbs = [stem(lengthCm), ...tier('a', 50), limb('r', 0, where)];
  expect(wishes(limbs).includes('rival r')).toBe(isRival);
  expect(wishes(limbs, 'central leader', { tied: ['r'] })).not.toContain('rival r');
});

test('a rival is worth most, a limb between tiers least, one that is only thick a little more', () => {
  expect(wishWorths).toMatchObject({ rival: 12, 'between tiers': 3, 'too stout': 5 });
});

test.each([
  ['59 cm above the tier it stands between', 139, ['between tiers b']],
  ['60 cm above it begins the next one', 140, []],
])('a limb %s', (_, jointCm, expected) => {
  const limbs = [stem(jointCm + 29, { tipMm: 30 }), ...tier('a', 50), limb('b', jointCm)];
  expect(wishes(limbs)).toEqual(expected);
  expect(youngTree({ limbs, form: 'central leader', ageYears: 4, tied: [] }).frame?.has('b')).toBe(
    expected.length === 0,
  );
});

test.each([
  [
    'a fifth of a tier is too many, the thinnest',
    [...tier('a', 50), limb('b', 65, { bearingDeg: 45, baseMm: 8 })],
    ['too many b'],
  ],
  [
    'two that stand nearer than 8 cm are one too many',
    [
      ...tier('a', 50, 3),
      limb('b', 77.9, { bearingDeg: 270, baseMm: 8 }),
      limb('c', 85, { bearingDeg: 300, baseMm: 7 }),
    ],
    ['too many b'],
  ],
  ['8 cm apart both may stay', [...tier('a', 50, 3), limb('b', 78, { bearingDeg: 270 })], []],
  ['below 45 cm it is too low', [...tier('a', 50), limb('b', 44.9)], ['too low b']],
  ['from 45 cm on it is not', [limb('b', 45), ...tier('a', 60, 3)], []],
])('%s', (_, limbs, expected) => {
  expect(wishes([stem(107), ...limbs])).toEqual(expected);
});

test.each([
  ['above 65° it is spread', { inclinationDeg: 66 }, ['spread it a1']],
  ['at 65° it stands well', { inclinationDeg: 65 }, []],
  // The leader measures 40 mm all along
  [
    'over half as thick as the leader it is spread or shortened, not removed',
    { baseMm: 20.1 },
    ['too stout a1'],
  ],
  ['at half it may stay', { baseMm: 20 }, []],
])('a limb of the frame: %s', (_, more, expected) => {
  const limbs = [
    stem(105, { baseMm: 40, tipMm: 40 }),
    ...tier('a', 50).map((each) => ({ ...each, baseMm: 10, ...(each.id === 'a1' && more) })),
  ];
  expect(wishes(limbs)).toEqual(expected);
  expect(wishes(limbs, 'central leader', { tied: ['a1'] })).toEqual([]);
});

test('a modified leader is lowered to its topmost limb once six stand, and until then is built like any other', () => {
  const six = [stem(190), ...tier('a', 50), ...tier('b', 145, 2)];
  expect(wishes(six, 'modified leader')).toEqual(['lower the leader T 155 b1']);
  // A central leader never ends
  expect(wishes(six, 'central leader')).toEqual(['head the leader T 176']);
  const five = [stem(190), ...tier('a', 50), ...tier('b', 145, 1)];
  expect(wishes(five, 'modified leader')).toEqual(['head the leader T 172']);
});

test('an open centre: four limbs, the others go, a steep one is spread, and no leader stands above them', () => {
  const five = [...tier('a', 50), limb('b', 85, { bearingDeg: 45, baseMm: 6 })];
  expect(wishes([stem(100), ...five], 'open centre')).toEqual(['too many b']);
  expect(wishes([stem(110.1), ...tier('a', 50)], 'open centre')).toEqual(['lower the leader T 80 a3']);
  expect(wishes([stem(110), ...tier('a', 50)], 'open centre')).toEqual([]);
  // Two limbs are no frame yet: the leader is still needed
  expect(wishes([stem(140), ...tier('a', 50, 2)], 'open centre')).toEqual([]);
  expect(wishes([stem(140), ...tier('a', 50, 3)], 'open centre')).toEqual(['lower the leader T 70 a2']);
  const steep = tier('a', 50).map((each, i) => (i === 1 ? { ...each, inclinationDeg: 66 } : each));
  expect(wishes([stem(100), ...steep], 'open centre')).toEqual(['spread it a1']);
  expect(wishes([stem(100), ...steep], 'open centre', { ageYears: 5 })).toEqual([]);
});

test.each<[string, number, TreeForm, number, string[]]>([
  ['of an open centre at the knee', 61, 'open centre', 1, ['head the whip T 55']],
  ['hardly higher is let grow', 60, 'open centre', 1, []],
  ['of a leader higher up', 86, 'central leader', 2, ['head the whip T 80']],
  ['of a leader that is not there yet', 85, 'modified leader', 2, []],
  ['in its third year no more', 120, 'central leader', 3, []],
  ['of a cordon never', 120, 'cordon', 1, []],
])('a whip %s', (_, lengthCm, form, ageYears, expected) => {
  expect(wishes([stem(lengthCm)], form, { ageYears })).toEqual(expected);
});

test('trees on several stems, on none, and trained flat are told nothing', () => {
  expect(wishes([stem(150), stem(140, { id: 'U' }), ...tier('a', 50)])).toEqual([]);
  expect(youngTree({ limbs: [], form: 'central leader', ageYears: 2, tied: [] })).toEqual({
    wishes: [],
    frame: null,
  });
  expect(wishes([stem(150), ...tier('a', 50)], 'fan')).toEqual([]);
});
