// Common practice, no source: a follower is worth the wait from half the thickness of what it replaces.
import { followerFromMm, followersOf } from './index';
import { limb } from './testing/given';

const limbs = [
  limb('T', null, 0, 200, 150),
  limb('A', 'T', 60, 200, 90),
  limb('B', 'T', 80, 200, 90),
  limb('C', 'T', 90, 200, 89),
  limb('A1', 'A', 50, 90, 30),
];

test('it is thinner, and grows from the same wood; the stem and a limb that is not there have none', () => {
  expect(followersOf(limbs, 'A').map(({ id }) => id)).toEqual(['C']);
  expect(followersOf(limbs, 'C')).toEqual([]);
  expect(followersOf(limbs, 'T')).toEqual([]);
  expect(followersOf(limbs, 'gone')).toEqual([]);
});

test.each([
  [90, 45],
  [89, 45],
  [88, 44],
])('of %i mm from %i mm on', (mm, fromMm) => {
  expect(followerFromMm({ baseMm: mm })).toBe(fromMm);
});
