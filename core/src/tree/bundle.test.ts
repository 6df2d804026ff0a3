// Bundles that a plan deals with in parts.
import fc from 'fast-check';
import { joinBundles, type Limb, LimbMap, limbNames, partBundles, stretch, wholeId } from './index';

const limb = (id: string, parentId: string | null, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm: 0, lengthCm: 300, baseMm: 60, tipMm: 10, ageYears: 8, bearingDeg: 90 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'sprout',
  inclinationDeg: 60,
  ...more,
});
const tree = (about: number, overCm: number, more: Partial<Limb> = {}): Limb[] => [
  limb('T', null),
  limb('A', 'T', { jointCm: 80 }),
  limb('u', 'A', { jointCm: 150, lengthCm: 90, baseMm: 12, bundle: { about, overCm }, ...more }),
];
const halves = ({ bundle: { about } }: { bundle: { about: number } }) =>
  [
    { which: 'steepest', about: about - Math.floor(about / 3) },
    { which: 'flattest', about: Math.floor(about / 3) },
  ] as const;

test('any bundle: its parts make a sound map, count as many, stand on its stretch and come together again', () => {
  fc.assert(
    fc.property(fc.integer({ min: 6, max: 200 }), fc.integer({ min: 0, max: 280 }), (about, overCm) => {
      const limbs = tree(about, overCm);
      const parts = partBundles(limbs, halves);
      expect(LimbMap.safeParse(parts).success).toBe(true);
      const [one, other] = parts.slice(2) as [Limb, Limb];
      expect((one.bundle?.about ?? 0) + (other.bundle?.about ?? 0)).toBe(about);
      const [from, to] = stretch(limbs[2] as Limb);
      expect(stretch(one)[0]).toBeCloseTo(from, 9);
      expect(stretch(one)[1]).toBeCloseTo(stretch(other)[0], 9);
      expect(stretch(other)[1]).toBeCloseTo(to, 9);
      const again = joinBundles(parts)[2] as Limb;
      expect(again).toMatchObject({ id: 'u', bundle: { about } });
      expect(again.bundle).not.toHaveProperty('part');
      expect(again.jointCm).toBeCloseTo(150, 9);
      expect(again.bundle?.overCm).toBeCloseTo(overCm, 9);
      expect(partBundles(parts, halves)).toEqual(parts);
    }),
    { numRuns: 60 },
  );
});

test('what has no parts stays one; of one part that is left the bundle is as many', () => {
  const limbs = tree(15, 140);
  expect(partBundles(limbs, () => [])).toEqual(limbs);
  const [, , , flattest] = partBundles(limbs, halves) as [Limb, Limb, Limb, Limb];
  expect(joinBundles([flattest])).toMatchObject([{ id: 'u', bundle: { about: 5 } }]);
  expect(['u~steepest', 'u~flattest', 'u', 'u~other'].map(wholeId)).toEqual(['u', 'u', 'u', 'u~other']);
});

test('both are named by the middle of the bundle', () => {
  const names = limbNames(partBundles(tree(15, 140), halves), 0);
  expect(names.get('u~steepest')).toBe('A1 · the 10 steepest of about 15, 150 cm out');
  expect(names.get('u~flattest')).toBe('A1 · the 5 flattest of about 15, 150 cm out');
});
