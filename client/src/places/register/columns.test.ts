// Order of the register's columns.
import { english } from '@mortisect/words/all';
import fc from 'fast-check';
import { detail } from '../../testing/orchard';
import { columnsIn, sorted } from './columns';

const tree = (code: string, heightCm = 300) => detail([], { code, heightCm }).tree;
const codes = (trees: readonly { code: string }[]) => trees.map((tree) => tree.code);

test('numbers in a code count as numbers; down is the other way round; unsorted is as it came', () => {
  const trees = ['Row 10', 'Row 9', 'row 1', 'Quay 2'].map((code) => tree(code));
  expect(codes(sorted(english, trees, { columnId: 'code', down: false }))).toEqual([
    'Quay 2',
    'row 1',
    'Row 9',
    'Row 10',
  ]);
  expect(codes(sorted(english, trees, { columnId: 'code', down: true }))).toEqual([
    'Row 10',
    'Row 9',
    'row 1',
    'Quay 2',
  ]);
  expect(sorted(english, trees, null)).toBe(trees);
});

test('every column sorts without losing a tree, and equal ones keep their order', () => {
  const anyTrees = fc.array(
    fc.tuple(
      fc.string({ minLength: 1, maxLength: 6 }).map((code) => `x${code}`),
      fc.integer({ min: 100, max: 104 }),
    ),
    {
      maxLength: 30,
    },
  );
  fc.assert(
    fc.property(
      anyTrees,
      fc.constantFrom(...columnsIn(english).map((column) => column.id)),
      fc.boolean(),
      (list, columnId, down) => {
        const trees = list.map(([code, height]) => tree(code, height));
        const after = sorted(english, trees, { columnId, down });
        expect([...after].sort((a, b) => trees.indexOf(a) - trees.indexOf(b))).toEqual(trees);
        const key = columnsIn(english).find((column) => column.id === columnId)?.sort;
        after.slice(1).forEach((next, i) => {
          const before = after[i] as (typeof after)[number];
          if (key?.(before) === key?.(next)) expect(trees.indexOf(before)).toBeLessThan(trees.indexOf(next));
        });
      },
    ),
    { numRuns: 40 },
  );
});
