// A tree as it is typed, in both units.

import { TreeBody } from '@mortisect/core/records';
import { english } from '@mortisect/words/all';
import { emptyForm, formOfTree, nextPlace, treeOfForm, withKnown } from './treeForm';

const tree = TreeBody.parse({
  code: 'Wall 1',
  plot: 'Lee wall',
  row: 'Foot',
  place: 3,
  species: 'apple',
  form: 'fan',
  heightCm: 254,
  spreadCm: 381,
  girthCm: 25.4,
});

test.each(['metric', 'us'] as const)('a tree that nobody touched is saved in %s units as it was', (units) => {
  expect(treeOfForm(english, formOfTree(english, tree, units), units, tree)).toEqual({ tree });
});

test('what is missing or no length is said at its field, all at once', () => {
  const read = treeOfForm(
    english,
    { ...emptyForm(english), code: 'A', plot: 'P', row: 'R', girthCm: 'thick', plantedYear: 'long ago' },
    'metric',
  );
  expect('faults' in read && Object.keys(read.faults).sort()).toEqual([
    'girthCm',
    'heightCm',
    'plantedYear',
    'spreadCm',
  ]);
});

test('a known cultivar says how it bears and what it takes; an unknown one leaves the words that stand', () => {
  const form = { ...formOfTree(english, tree, 'metric'), habit: 'tip' as const };
  expect(withKnown({ ...form, cultivar: 'Jonathan' }, [])).toMatchObject({
    habit: 'spur',
    susceptible: true,
  });
  expect(withKnown({ ...form, cultivar: 'Nobody’s' }, [])).toMatchObject({
    habit: 'tip',
    susceptible: false,
  });
});

test('the next place follows the last of the row', () => {
  expect(
    nextPlace(
      [
        { plot: 'P', row: 'R', place: 4 },
        { plot: 'P', row: 'S', place: 9 },
      ] as never,
      'P',
      'R',
    ),
  ).toBe(5);
  expect(nextPlace([], 'P', 'R')).toBe(1);
});

test('a new tree is of the kind that is grown here, in its usual form', () => {
  expect(emptyForm(english)).toMatchObject({ species: 'apple', form: 'central leader', code: '' });
  expect(emptyForm(english, 'peach')).toMatchObject({ species: 'peach', form: 'open centre' });
});
