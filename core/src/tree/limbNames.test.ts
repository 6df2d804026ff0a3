// Names that anyone finds again from the ground: unlike each other, alike every time, true to clock and height.
import fc from 'fast-check';
import type { Limb } from './limbMap';
import { limbNames } from './limbNames';
import { stem } from './testing/given';

const side = (id: string, jointCm: number, bearingDeg: number, more: Partial<Limb> = {}): Limb => ({
  ...stem,
  id,
  parentId: 'T',
  jointCm,
  lengthCm: 100,
  baseMm: 30,
  tipMm: 5,
  kind: 'scaffold',
  bearingDeg,
  inclinationDeg: 0,
  ...more,
});
const nameOf = (limbs: Limb[], id: string, twelve = 0) => limbNames(limbs, twelve).get(id);

test.each([
  [30, 0, '12 o’clock, low'],
  [130, 90, '3 o’clock, middle'],
  [290, 181, '6 o’clock, high'],
])('joined at %i cm of 300, bearing %i°: %s', (joint, bearing, name) => {
  expect(nameOf([stem, side('S', joint, bearing)], 'S')).toBe(`A · ${name}`);
});

test('a sucker, a second stem and a limb on a limb say what they are', () => {
  const limbs = [
    stem,
    { ...stem, id: 'U' },
    side('S', 30, 90),
    side('K', 0, 60, { parentId: null, kind: 'sucker' }),
    side('L', 55, 180, { parentId: 'S', kind: 'lateral' }),
  ];
  expect(nameOf(limbs, 'U')).toBe('Stem 2');
  expect(nameOf(limbs, 'K')).toBe('X1 · sucker at 2 o’clock');
  expect(nameOf(limbs, 'L')).toBe('A1 · 6 o’clock, 55 cm out');
  // 55 cm is 21.65 in
  expect(limbNames(limbs, 0, 'us').get('L')).toBe('A1 · 6 o’clock, 22 in out');
});

test('no two limbs share a name, and the same map gives the same names', () => {
  const grown = fc.array(
    fc.record({ joint: fc.integer({ min: 0, max: 300 }), bearing: fc.integer({ min: 0, max: 359 }) }),
    { maxLength: 30 },
  );
  fc.assert(
    fc.property(grown, fc.integer({ min: 0, max: 359 }), (all, twelve) => {
      const limbs = [stem, ...all.map(({ joint, bearing }, i) => side(`S${i}`, joint, bearing))];
      const names = [...limbNames(limbs, twelve).values()];
      expect(new Set(names).size).toBe(limbs.length);
      expect([...limbNames(limbs, twelve).values()]).toEqual(names);
    }),
  );
});

test('turning the whole tree and 12 o’clock together changes no name', () => {
  const limbs = [stem, side('S', 30, 40), side('R', 200, 250)];
  const turned = limbs.map((limb) => ({ ...limb, bearingDeg: limb.bearingDeg + 77 }));
  expect([...limbNames(turned, 77).values()]).toEqual([...limbNames(limbs, 0).values()]);
});
