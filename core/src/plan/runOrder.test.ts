// The order of trees against brute force, against the bound, and against the rule of the trade (sound before infected: common practice, no source).

import fc from 'fast-check';
import { woodClasses } from '../blades/index';
import { RunOrderInput, type RunTree, runOrder } from './index';

const tree = fc.record({
  class: fc.constantFrom(...woodClasses),
  x: fc.integer({ min: 0, max: 80 }),
  y: fc.integer({ min: 0, max: 60 }),
});
const orchard = (most: number, least = 1) =>
  fc
    .array(tree, { minLength: least, maxLength: most })
    .map((trees) => trees.map((tree, i): RunTree => ({ ...tree, id: `t${i}`, cleanings: 1 })));
const ends = fc.option(
  fc.record({ x: fc.integer({ min: 0, max: 80 }), y: fc.integer({ min: 0, max: 60 }) }),
  {
    nil: null,
  },
);

test('no order of the same classes is shorter: every one of them is tried', () => {
  fc.assert(
    fc.property(orchard(6), ends, ends, (trees, start, end) => {
      const said = runOrder({ trees, start, end, metresPerMinute: 50 });
      const least = Math.min(
        ...permutations(trees)
          .filter(inClasses)
          .map((order) => metresOf(order, start, end)),
      );
      expect(said.walk.metres).toBeCloseTo(least, 6);
      expect(said.gap).toBe(0);
    }),
    { numRuns: 60 },
  );
});

test('sixty trees: each once, sound first, never below the bound, and near it', () => {
  fc.assert(
    fc.property(orchard(60, 40), ends, (trees, end) => {
      const said = runOrder({ trees, start: null, end, metresPerMinute: 50 });
      const byId = new Map(trees.map((tree) => [tree.id, tree]));
      const order = said.order.map((id) => byId.get(id) as RunTree);
      expect(new Set(said.order).size).toBe(trees.length);
      expect(inClasses(order)).toBe(true);
      expect(metresOf(order, null, end)).toBeCloseTo(said.walk.metres, 6);
      expect(said.bound).toBeLessThanOrEqual(said.walk.metres + 1e-9);
      expect(said.gap).toBeLessThan(0.35);
    }),
    { numRuns: 15 },
  );
});

test('as listed it may carry disease back to sound trees; in the order of the run never', () => {
  const at = (id: string, woodClass: RunTree['class'], x: number): RunTree => ({
    id,
    class: woodClass,
    x,
    y: 0,
    cleanings: 2,
  });
  const said = runOrder({
    trees: [at('a', 'infected', 0), at('b', 'sound', 5), at('c', 'suspect', 10), at('d', 'sound', 15)],
    start: { x: 20, y: 0 },
    end: null,
    metresPerMinute: 50,
  });
  expect(said.order).toEqual(['d', 'b', 'c', 'a']);
  expect(said.naive.carried).toBe(2);
  expect(said.cleanings).toBe(8);
  expect(said.walk).toEqual({ metres: 30, minutes: 0.6 });
});

function inClasses(order: readonly RunTree[]): boolean {
  const ranks = order.map((stop) => woodClasses.indexOf(stop.class));
  return ranks.every((rank, i) => i === 0 || rank >= (ranks[i - 1] as number));
}

function metresOf(
  order: readonly RunTree[],
  start: { x: number; y: number } | null,
  end: typeof start,
): number {
  const way = [...(start ? [start] : []), ...order, ...(end ? [end] : [])];
  return way.slice(1).reduce((sum, at, i) => {
    const from = way[i] as { x: number; y: number };
    return sum + Math.hypot(at.x - from.x, at.y - from.y);
  }, 0);
}

function permutations<T>(items: readonly T[]): T[][] {
  if (items.length < 2) return [[...items]];
  return items.flatMap((item, i) => permutations(items.toSpliced(i, 1)).map((rest) => [item, ...rest]));
}

test('more than eleven trees on a line: no bound above the way that is known to be the shortest', () => {
  for (const count of [12, 20, 33]) {
    const trees = Array.from({ length: count }, (_, i) => ({
      id: `t${i}`,
      class: 'sound' as const,
      x: ((i * 7) % count) * 10,
      y: 0,
      cleanings: 1,
    }));
    const said = runOrder(RunOrderInput.parse({ trees }));
    // From one end to the other
    expect(said.walk.metres).toBeGreaterThanOrEqual((count - 1) * 10 - 1e-9);
    expect(said.bound).toBeLessThanOrEqual((count - 1) * 10 + 1e-9);
    expect(said.gap).toBeLessThanOrEqual(0.05);
  }
});

test.each([
  [144, 1],
  [400, 1.0025],
  [2000, 1.0094],
])(
  '%i trees of one class in rows: near the way up one row and down the next, which is the shortest',
  (count, most) => {
    const perRow = 20;
    const rows = Array.from({ length: count }, (_, i): RunTree => {
      // As somebody found them: in no order
      const at = (i * 7919) % count;
      return {
        id: `t${at}`,
        class: 'suspect',
        x: (at % perRow) * 4,
        y: Math.floor(at / perRow) * 4,
        cleanings: 1,
      };
    });
    const said = runOrder({ trees: rows, start: null, end: null, metresPerMinute: 50 });
    expect(new Set(said.order).size).toBe(count);
    expect(said.walk.metres).toBeLessThanOrEqual((count - 1) * 4 * most + 1e-6);
    expect(said.bound).toBeCloseTo((count - 1) * 4, 6);
  },
);
