// Spacing and renewal of bearing wood. Distances and shares are the brief’s, after extension handbooks on peach, apple and pear, from memory.
import type { Limb } from '../tree/index';
import { renewals, surplusBearing } from './bearing';

const limb = (id: string, parentId: string | null, jointCm: number, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm, lengthCm: 45, baseMm: 7, tipMm: 3, ageYears: 1, bearingDeg: 0 },
  inclinationDeg: 20,
  kind: 'shoot',
  ...more,
});
const frame = [
  limb('T', null, 0, { kind: 'trunk', lengthCm: 60, baseMm: 90, inclinationDeg: 90, ageYears: 9 }),
  limb('A', 'T', 50, { kind: 'scaffold', lengthCm: 300, baseMm: 60, inclinationDeg: 40, ageYears: 9 }),
];
const goes = (more: Limb[], species = 'peach') =>
  surplusBearing({ limbs: [...frame, ...more], species }).map(({ limbId }) => limbId);

test.each([
  [9.9, 1],
  [10, 0],
])('peach shoots %s cm apart: %s of the two nearest goes beside what the share takes', (apart, gone) => {
  // Of eight three stay at most: the two that are looked at lie best
  const far = Array.from({ length: 6 }, (_, i) => limb(`f${i}`, 'A', 100 + 30 * i, { inclinationDeg: 80 }));
  const near = [limb('n1', 'A', 20), limb('n2', 'A', 20 + apart)];
  expect(goes([...near, ...far]).filter((id) => id.startsWith('n'))).toHaveLength(gone);
});

test('of a peach’s shoots at most 45 in a hundred stay, the level ones of good length first', () => {
  const shoots = Array.from({ length: 20 }, (_, i) =>
    limb(`s${i}`, 'A', 10 + 14 * i, i < 9 ? {} : i < 15 ? { inclinationDeg: 75 } : { lengthCm: 110 }),
  );
  const gone = goes(shoots);
  expect(gone).toHaveLength(11);
  expect(gone.some((id) => Number(id.slice(1)) < 9)).toBe(false);
});

test('what was cut back, is older, or stands for many is not thinned; nor is any of a plum', () => {
  const two = [limb('a', 'A', 20), limb('b', 'A', 22), limb('c', 'A', 24)];
  expect(goes(two)).toHaveLength(2);
  expect(goes([...two.slice(0, 1), { ...(two[1] as Limb), uncutLengthCm: 90 }])).toEqual(['a']);
  expect(goes([{ ...(two[0] as Limb), bundle: { about: 9, overCm: 30 } }])).toEqual([]);
  expect(goes(two, 'european-plum')).toEqual([]);
});

test.each([
  [14.9, 1],
  [15, 0],
])('apple spurs %s cm apart: %s goes', (apart, gone) => {
  const spurs = [
    limb('a', 'A', 100, { kind: 'spur', ageYears: 3 }),
    limb('b', 'A', 100 + apart, { kind: 'spur', ageYears: 3 }),
  ];
  expect(goes(spurs, 'apple')).toHaveLength(gone);
  expect(goes(spurs, 'peach')).toEqual([]);
});

const lateral = (id: string, jointCm: number, ageYears: number): Limb =>
  limb(id, 'A', jointCm, { kind: 'lateral', lengthCm: 90, baseMm: 20, ageYears });
const renewed = (more: Limb[], species = 'apple') =>
  renewals({ limbs: [...frame, ...more], species }, []).map(({ limbId, followerId }) => [limbId, followerId]);

test.each([
  ['apple', 5],
  ['pear', 5],
  ['european-plum', 5],
  ['apricot', 4],
  ['peach', 2],
])('%s: a lateral of more than %s years with a young branch low down', (species, years) => {
  const follower = limb('y', 'L', 20, { ageYears: 2, kind: 'branch' });
  expect(renewed([lateral('L', 100, years), follower], species)).toEqual([]);
  expect(renewed([lateral('L', 100, years + 1), follower], species)).toEqual([['L', 'y']]);
  expect(renewed([lateral('L', 100, years + 1), { ...follower, ageYears: 3 }], species)).toEqual([]);
  expect(renewed([lateral('L', 100, years + 1), { ...follower, jointCm: 30 }], species)).toEqual([
    ['L', 'y'],
  ]);
  expect(renewed([lateral('L', 100, years + 1), { ...follower, jointCm: 30.1 }], species)).toEqual([]);
  expect(renewed([lateral('L', 100, years + 1), follower], 'sweet-cherry')).toEqual([]);
});

test('a fifth of a tree’s laterals in a year, the oldest first', () => {
  const many = Array.from({ length: 11 }, (_, i) => [
    lateral(`L${i}`, 20 + 20 * i, 6 + i),
    limb(`y${i}`, `L${i}`, 15, { ageYears: 1 }),
  ]).flat();
  expect(renewed(many).map(([id]) => id)).toEqual(['L10', 'L9', 'L8']);
});
