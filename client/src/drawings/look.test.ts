// A plan on the screen: what lies under the finger stays there, and the plan is never lost.
import fc from 'fast-check';
import { inView, nearerAt } from './look';

const plan = { width: 100, height: 40 };
const screen = { width: 300, height: 200 };

test.each<[number, number, number, number]>([
  [0, 0, 0, 20],
  [0, 30, 0, 30],
  [900, 900, 150, 100],
  [-900, -900, 150 - 200, 100 - 80],
  [149, 21, 149, 21],
])('moved to %d, %d it lies at %d, %d', (x, y, toX, toY) => {
  expect(inView({ scale: 2, x, y }, plan, screen)).toEqual({ scale: 2, x: toX, y: toY });
});

test('a place of the plan under the finger stays under it', () => {
  const one = fc.double({ min: -500, max: 500, noNaN: true });
  const scale = fc.double({ min: 0.1, max: 30, noNaN: true });
  fc.assert(
    fc.property(one, one, one, one, scale, scale, (x, y, atX, atY, from, to) => {
      const before = { scale: from, x, y };
      const after = nearerAt(before, to, { x: atX, y: atY });
      expect(after.scale).toBe(to);
      expect(after.x + ((atX - x) / from) * to).toBeCloseTo(atX, 4);
      expect(after.y + ((atY - y) / from) * to).toBeCloseTo(atY, 4);
    }),
  );
});
