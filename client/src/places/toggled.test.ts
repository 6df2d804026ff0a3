// Many taken in or left out at once.
import { allToggled, toggled } from './toggled';

test.each<[string[], string[], string[]]>([
  [[], ['a', 'b'], ['a', 'b']],
  [['a'], ['a', 'b'], ['a', 'b']],
  [['a', 'b', 'c'], ['a', 'b'], ['c']],
  [['a'], [], ['a']],
])('of %j, %j taken: %j', (set, ids, after) => {
  expect([...allToggled(new Set(set), ids)].toSorted()).toEqual(after);
});

test('one in, one out, and the set before stays as it was', () => {
  const before = new Set(['a']);
  expect([...toggled(before, 'b', true)]).toEqual(['a', 'b']);
  expect([...toggled(before, 'a', false)]).toEqual([]);
  expect([...before]).toEqual(['a']);
});
