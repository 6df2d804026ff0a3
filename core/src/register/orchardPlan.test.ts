// The plan of an orchard is to scale. Lengths on the globe are checked against known distances.
import { orchardPlan, treeToward } from './index';

const row = (id: string, plotId: string, spacingCm = 400) => ({ id, plotId, name: `Row ${id}`, spacingCm });
const tree = (id: string, rowId: string, place: number, more: object = {}) => ({
  ...{ id, rowId, place, plotId: rowId[0] as string, latitude: null, longitude: null },
  ...more,
});
const plots = ['a', 'b', 'c'].map((id) => ({ id, name: `Plot ${id}` }));

test('along a row by its spacing, rows side by side, a plot with its edge', () => {
  const { plots: drawn } = orchardPlan({
    plots,
    rows: [row('a1', 'a'), row('a2', 'a', 250)],
    trees: [tree('p', 'a1', 1), tree('q', 'a1', 4), tree('r', 'a2', 2), tree('lost', 'zz', 1)],
  });
  const [plot] = drawn;
  expect(drawn).toHaveLength(1);
  const at = (id: string) => plot?.trees.find((each) => each.id === id);
  expect((at('q')?.x ?? 0) - (at('p')?.x ?? 0)).toBeCloseTo(12, 9);
  // The second row begins at 2.5 m and lies 5 m beside
  expect((at('r')?.x ?? 0) - (at('p')?.x ?? 0)).toBeCloseTo(5 - 4, 9);
  expect((at('r')?.y ?? 0) - (at('p')?.y ?? 0)).toBeCloseTo(5, 9);
  expect(at('lost')).toBeUndefined();
  expect(plot).toMatchObject({ x: 0, y: 0, width: 12 + 6, height: 5 + 6 });
  expect(plot?.rows.map(({ id, from, to }) => [id, from.x, to.x])).toEqual([
    ['a1', 3, 15],
    ['a2', 4, 4],
  ]);
});

test('plots lie over no other and all of them within the whole', () => {
  const many = [...'abcdefgh'].map((id) => ({ id, name: `Plot ${id}` }));
  // Higher and lower ones side by side
  const rows = many.flatMap(({ id }, p) =>
    Array.from({ length: 1 + ((p * 5) % 4) }, (_, r) => row(`${id}${r}`, id)),
  );
  const trees = rows.flatMap(({ id }, r) =>
    Array.from({ length: 2 + (r % 5) }, (_, i) => tree(`${id}-${i}`, id, i + 1)),
  );
  const whole = orchardPlan({ plots: many, rows, trees });
  for (const [i, plot] of whole.plots.entries()) {
    expect(plot.x + plot.width).toBeLessThanOrEqual(whole.width + 1e-9);
    expect(plot.y + plot.height).toBeLessThanOrEqual(whole.height + 1e-9);
    for (const { x, y } of plot.trees) {
      expect(x > plot.x && x < plot.x + plot.width && y > plot.y && y < plot.y + plot.height).toBe(true);
    }
    for (const other of whole.plots.slice(0, i))
      expect(plot.x >= other.x + other.width + 9.99 || plot.y >= other.y + other.height + 9.99).toBe(true);
  }
  // Side by side, then below: neither one line nor one column
  const lines = new Set(whole.plots.map(({ y }) => y)).size;
  expect(lines > 1 && lines < 8).toBe(true);
  // Wider than high, but no ribbon
  expect(whole.width / whole.height).toBeGreaterThan(0.8);
  expect(whole.width / whole.height).toBeLessThan(3);
  expect(orchardPlan({ plots, rows: [], trees: [] })).toEqual({ plots: [], width: 0, height: 0 });
});

// A hundredth of a degree: 1,113 m to the north anywhere, and at 60° north half as far to the east. WGS 84.
test('where every tree was measured it lies as it was, north up; else by the spacing', () => {
  const spot = (id: string, latitude: number | null, longitude: number | null) =>
    tree(id, 'a1', id.charCodeAt(0), { latitude, longitude });
  const drawn = (...trees: ReturnType<typeof tree>[]) =>
    orchardPlan({ plots, rows: [row('a1', 'a')], trees }).plots[0]?.trees ?? [];
  const [south, north, east] = drawn(spot('a', 59.995, 10), spot('b', 60.005, 10), spot('c', 59.995, 10.01));
  expect((south?.y ?? 0) - (north?.y ?? 0)).toBeCloseTo(1111, -1);
  expect((east?.x ?? 0) - (south?.x ?? 0)).toBeCloseTo(556, -1);
  const [one, two] = drawn(spot('a', 60, 10), spot('b', null, 10));
  expect((two?.x ?? 0) - (one?.x ?? 0)).toBeCloseTo(4, 9);
  expect(two?.y).toBe(one?.y);
});

test('the next tree in a direction, rather straight on than near', () => {
  const trees = [
    { id: 'a', x: 0, y: 0 },
    { id: 'b', x: 4, y: 0 },
    { id: 'c', x: 1.5, y: 2 },
    { id: 'd', x: 0, y: 9 },
  ];
  const way = (from: string, toward: Parameters<typeof treeToward>[2]) => treeToward(trees, from, toward);
  expect([way('a', 'right'), way('b', 'left'), way('a', 'down'), way('d', 'up')]).toEqual([
    'b',
    'a',
    'c',
    'a',
  ]);
  expect([way('a', 'left'), way('a', 'up'), way('gone', 'up')]).toEqual(['a', 'a', 'a']);
});
