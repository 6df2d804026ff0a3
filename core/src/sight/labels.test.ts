// Words on a drawing: none over another, none outside, those that matter first.
import fc from 'fast-check';
import { type LabelWish, overlaps, placeLabels } from './index';

const within = { x: 0, y: 0, width: 200, height: 200 };
const wish = (id: string, x: number, y: number, rank: number): LabelWish => ({
  ...{ id, text: id, x, y, rank },
  width: 20,
  height: 10,
});
const boxOf = ({ x, y }: { x: number; y: number }) => ({ x: x - 10, y: y - 5, width: 20, height: 10 });

test('a word stands to the right of what it belongs to, the next one where there is room', () => {
  // Half its width and a third of its height away; then to the left, below, above
  expect(placeLabels([wish('a', 100, 100, 1)], within)).toEqual([{ id: 'a', text: 'a', x: 113.5, y: 100 }]);
  const all = placeLabels(
    [4, 3, 2, 1].map((rank) => wish(`${rank}`, 100, 100, rank)),
    within,
  );
  expect(all.map(({ x, y }) => [x, y].map((at) => Math.round(at * 10) / 10))).toEqual([
    [113.5, 100],
    [86.5, 100],
    [100, 116],
    [100, 84],
  ]);
});

test('at an edge it stands inward, and nowhere that is taken', () => {
  expect(placeLabels([wish('a', 199, 100, 1)], within)[0]?.x).toBeLessThan(190.1);
  const left = placeLabels([wish('a', 100, 100, 1)], within, [{ x: 101, y: 90, width: 60, height: 20 }]);
  expect(left[0]?.x).toBeCloseTo(86.5, 9);
  expect(placeLabels([wish('a', 100, 100, 1)], within, [{ x: 40, y: 40, width: 120, height: 120 }])).toEqual(
    [],
  );
  expect(placeLabels([wish('a', 100, 100, 1)], { x: 95, y: 95, width: 19, height: 60 })).toEqual([]);
});

test('boxes that share an edge do not overlap', () => {
  const box = { x: 0, y: 0, width: 10, height: 10 };
  expect([10, 9.9, -10, -9.9].map((x) => overlaps(box, { ...box, x }))).toEqual([false, true, false, true]);
  expect([10, 9.9, -10, -9.9].map((y) => overlaps(box, { ...box, y }))).toEqual([false, true, false, true]);
});

test('of any crowd no two words overlap, all are inside, and what is left out matters less than something near it', () => {
  fc.assert(
    fc.property(fc.array(fc.tuple(fc.nat(200), fc.nat(200)), { maxLength: 60 }), (all) => {
      const wishes = all.map(([x, y], i) => wish(`w${i}`, x, y, i));
      const placed = placeLabels(wishes, within);
      placed.forEach((one, i) => {
        const box = boxOf(one);
        expect(box.x >= 0 && box.y >= 0 && box.x + 20 <= 200 && box.y + 10 <= 200).toBe(true);
        for (const other of placed.slice(i + 1)) expect(overlaps(box, boxOf(other))).toBe(false);
      });
      const last = wishes.at(-1);
      if (last) expect(placed[0]?.id).toBe(last.id);
    }),
  );
});
