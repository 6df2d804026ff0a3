// Drawings of signs: one for each, within the sizes that things have on a tree, the same from the same seed.
import fc from 'fast-check';
import { disorders } from '../disorders/index';
import { drawnSign, drawnSigns, lookAlikesOf, lookOf, signScenes, signs, tellingSign } from './index';

test('every sign, and every look-alike, has a drawing', () => {
  expect(signs.filter(({ code }) => !drawnSigns.includes(code)).map(({ code }) => code)).toEqual([]);
  const names = disorders.flatMap(({ code }) => lookAlikesOf(code).map(({ name }) => name));
  expect(names.length).toBeGreaterThan(0);
  expect(names.filter((name) => !drawnSigns.includes(lookOf(name) ?? ''))).toEqual([]);
  expect(drawnSign('DREAMT', 1)).toBeNull();
  expect(lookOf('Dreamt')).toBeNull();
});

test('whatever the seed, marks stand in their scene and fit into it', () => {
  fc.assert(
    fc.property(fc.constantFrom(...drawnSigns), fc.integer(), (code, seed) => {
      const drawn = drawnSign(code, seed);
      if (!drawn) throw new Error(code);
      expect(drawn).toEqual(drawnSign(code, seed));
      expect(drawn.parts.length).toBeGreaterThan(0);
      for (const { marks } of drawn.parts) {
        expect(marks.length).toBeGreaterThan(0);
        for (const { x, y, turn, sizeMm } of marks) {
          for (const share of [x, y, turn]) expect(share >= 0 && share < 1).toBe(true);
          expect(sizeMm).toBeGreaterThan(0);
          expect(sizeMm).toBeLessThanOrEqual(signScenes[drawn.scene]);
        }
      }
    }),
  );
});

test('one seed draws otherwise than another', () => {
  const seen = new Set([1, 2, 3, 4, 5].map((seed) => JSON.stringify(drawnSign('BK_PIMPLE', seed))));
  expect(seen.size).toBe(5);
});

// Sizes of what is found on bark: perithecia and pycnidia below 2 mm (extension guides, from memory), shot holes 1 to 5 mm
test.each([
  ['BK_PIMPLE', 'pimple', [24, 36], [0.6, 1.2]],
  ['BK_BEAD', 'bead', [16, 24], [0.4, 0.8]],
  ['BK_CORAL', 'cushion', [9, 14], [1.5, 3]],
  ['BK_HOLES', 'pin hole', [5, 8], [1, 2]],
  ['LF_HOLE', 'hole in leaf', [5, 9], [2, 5]],
] as const)('%s: as many %ss as %j, %j mm', (code, mark, many, mm) => {
  const drawn = Array.from({ length: 300 }, (_, seed) =>
    drawnSign(code, seed)?.parts.find((part) => part.mark === mark),
  );
  const counts = drawn.map((part) => part?.marks.length ?? 0);
  expect([Math.min(...counts), Math.max(...counts)]).toEqual(many);
  const sizes = drawn.flatMap((part) => part?.marks.map(({ sizeMm }) => sizeMm) ?? []);
  const [least, most] = [Math.min(...sizes), Math.max(...sizes)];
  expect(least).toBeGreaterThanOrEqual(mm[0]);
  expect(most).toBeLessThanOrEqual(mm[1]);
  // The whole of the range is drawn from
  expect(most - least).toBeGreaterThan(0.8 * (mm[1] - mm[0]));
});

test('marks keep apart: of thirty the two nearest are farther than two at random would be', () => {
  const nearest = Array.from({ length: 40 }, (_, seed) => {
    const marks = drawnSign('BK_PIMPLE', seed)?.parts.find((part) => part.mark === 'pimple')?.marks ?? [];
    return Math.min(
      ...marks.flatMap((a, i) => marks.slice(i + 1).map((b) => Math.hypot(a.x - b.x, a.y - b.y))),
    );
  });
  const mean = nearest.reduce((sum, value) => sum + value, 0) / nearest.length;
  // Clark and Evans 1954, Ecology 35:445: among 30 random points of a unit square the nearest two are about 0.02 apart
  expect(mean).toBeGreaterThan(0.03);
});

// Facts of the trade: what each of these is known by
test.each([
  ['NEO', ['BK_RINGS', 'BK_BEAD']],
  ['NFB', ['BK_FIDDLE']],
  ['SIL', ['LF_SILVER']],
  ['EUT', ['IN_WEDGE']],
  ['BKT', ['SH_KNOT']],
  ['CGL', ['BK_GALL']],
  ['PMW', ['LF_POWDER', 'SH_WHITE']],
  ['GUM', ['BK_GUM']],
  ['COR', ['BK_CORAL']],
  ['ROD', ['BK_GNAW']],
] as const)('%s is known by one of %j', (code, known) => {
  expect(known).toContain(tellingSign(code));
});

test('a cause that no table knows has no telling sign, and none is known by what happened round the tree', () => {
  expect(tellingSign('OTHER')).toBeNull();
  for (const { code } of disorders) expect(tellingSign(code)?.startsWith('CX_') ?? false).toBe(false);
});
