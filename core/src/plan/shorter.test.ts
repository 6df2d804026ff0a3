// The search for a shorter way against the dynamic programme that proves the shortest, and against what no single step may still improve.

import fc from 'fast-check';
import { woodClasses } from '../blades/index';
import { type RunTree, runOrder } from './index';
import { shorterOrder } from './shorter';

const spot = fc.record({ x: fc.integer({ min: 0, max: 80 }), y: fc.integer({ min: 0, max: 60 }) });
const way = (most: number, classes: number) =>
  fc.record({
    spots: fc.array(fc.array(spot, { minLength: 1, maxLength: most }), { minLength: 1, maxLength: classes }),
    start: fc.option(spot, { nil: null }),
    end: fc.option(spot, { nil: null }),
  });

interface Spot {
  x: number;
  y: number;
}
function given({ spots, start, end }: { spots: Spot[][]; start: Spot | null; end: Spot | null }) {
  const trees = spots.flatMap((group, g) =>
    group.map(
      (at, i): RunTree => ({
        ...{ ...at, id: `${g} ${i}`, cleanings: 1 },
        class: woodClasses[g] as RunTree['class'],
      }),
    ),
  );
  const groups = spots.map((group, g) =>
    group.map((_, i) => trees.findIndex(({ id }) => id === `${g} ${i}`)),
  );
  return { trees, groups, start, end };
}

function metresOf(order: readonly number[], { trees, start, end }: ReturnType<typeof given>): number {
  const walked = [...(start ? [start] : []), ...order.map((i) => trees[i] as Spot), ...(end ? [end] : [])];
  return walked
    .slice(1)
    .reduce((sum, at, i) => sum + Math.hypot(at.x - (walked[i] as Spot).x, at.y - (walked[i] as Spot).y), 0);
}

/** How much longer than the shortest. */
function longerBy(route: ReturnType<typeof given>): number {
  const said = shorterOrder(route);
  expect(said.map((i) => route.trees[i]?.class)).toEqual(route.trees.map((tree) => tree.class));
  expect(new Set(said).size).toBe(route.trees.length);
  const { walk } = runOrder({ ...route, metresPerMinute: 50 });
  return walk.metres === 0 ? 0 : metresOf(said, route) / walk.metres - 1;
}

test('up to eleven trees of one class: the shortest way, as the dynamic programme proves it', () => {
  fc.assert(
    fc.property(way(11, 1), (each) => {
      expect(longerBy(given(each))).toBeCloseTo(0, 9);
    }),
    { numRuns: 100, seed: 3 },
  );
});

test('three classes of up to nine: on average within half a per cent of it', () => {
  const ways = fc.sample(way(9, 3), { numRuns: 100, seed: 3 }).map((each) => longerBy(given(each)));
  const mean = ways.reduce((sum, each) => sum + each, 0) / ways.length;
  expect(mean).toBeLessThan(0.005);
});

const scattered = (count: number): Spot[] =>
  Array.from({ length: count }, (_, i) => ({ x: (i * 7919) % 211, y: (i * 104729) % 173 }));

test('neither a reversal beside a near tree nor a move of up to three makes it shorter, at the borders of classes too', () => {
  const route = given({
    spots: [scattered(40), scattered(70).slice(40), scattered(90).slice(70)],
    start: { x: 0, y: 0 },
    end: { x: 200, y: 0 },
  });
  const order = shorterOrder(route);
  const least = metresOf(order, route) - 1e-6;
  const near = (tree: number) => {
    const { x, y } = route.trees[tree] as Spot;
    const group = route.groups.find((each) => each.includes(tree)) as number[];
    const away = (i: number) => Math.hypot((route.trees[i] as Spot).x - x, (route.trees[i] as Spot).y - y);
    return group
      .filter((i) => i !== tree)
      .toSorted((a, b) => away(a) - away(b))
      .slice(0, 3);
  };
  let tried = 0;
  const notShorter = (other: number[]) => {
    tried += 1;
    expect(metresOf(other, route)).toBeGreaterThanOrEqual(least);
  };
  let from = 0;
  for (const { length } of route.groups) {
    const to = from + length;
    for (let i = from; i < to; i++) {
      const reversed = (a: number, b: number) =>
        notShorter([...order.slice(0, a), ...order.slice(a, b + 1).reverse(), ...order.slice(b + 1)]);
      reversed(from, i);
      reversed(i, to - 1);
      for (const other of near(order[i] as number)) {
        const j = order.indexOf(other);
        reversed(Math.min(i, j) + 1, Math.max(i, j));
        reversed(Math.min(i, j), Math.max(i, j) - 1);
        for (let pieces = 1; pieces <= 3 && i + pieces <= to; pieces++) {
          if (j >= i && j < i + pieces) continue;
          const rest = order.toSpliced(i, pieces);
          notShorter(rest.toSpliced(rest.indexOf(other) + 1, 0, ...order.slice(i, i + pieces)));
        }
      }
    }
    from = to;
  }
  expect(tried).toBeGreaterThan(1000);
});

test('the same trees give the same way', () => {
  const route = given({ spots: [scattered(120)], start: null, end: null });
  expect(shorterOrder(route)).toEqual(shorterOrder({ ...route, trees: [...route.trees] }));
});
