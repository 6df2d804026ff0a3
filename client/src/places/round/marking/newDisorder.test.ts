// A disorder that is a new row of the table stands in the chooser, and its finding is urgent where its row says that it moves.
jest.mock('../../../../../core/src/disorders/handlingTable', () => {
  const { handlingTable } = jest.requireActual('../../../../../core/src/disorders/handlingTable');
  const { madeUp } = jest.requireActual('../../../../../core/src/testing/newDisorder');
  const disorder = { ...madeUp.disorder, strike: true, sits: 'base' };
  return { handlingTable: [...handlingTable, { ...madeUp, disorder }] };
});

import { isUrgent } from '@mortisect/core/present';
import { english } from '@mortisect/words/all';
import { limbs, NOW } from '../../../testing/orchard';
import { newMarking } from './draft';
import { findables } from './findables';

test('it is found by its name and its sign, says its kind, and sits where its row says', () => {
  const [found] = findables(english, 'diseased', 'blue rings');
  expect(found).toMatchObject({ key: 'ZZZ', name: 'Made-up canker', kinds: ['diseased', 'dead'] });
  const [limb] = limbs;
  if (!found || !limb) throw new Error('It is not there.');
  const marking = found.apply(newMarking(limb, 'metric', NOW), limbs);
  expect(marking).toMatchObject({ disorder: 'ZZZ', kind: 'diseased', place: 'base' });
});

test.each([
  ['active', true],
  ['unknown', true],
  ['healed', false],
] as const)('%s, it is urgent: %s', (activity, urgent) => {
  expect(isUrgent({ disorder: 'ZZZ', activity } as Parameters<typeof isUrgent>[0])).toBe(urgent);
});
