// Facts of solid geometry: bearing clockwise from north, inclination from the horizontal.
import fc from 'fast-check';
import type { Limb } from './limbMap';
import { limbShape, pointAlong } from './shape';
import { stem } from './testing/given';
import { comesOff, indexLimbs, isDistalOf, isLeader, isTrunk, limbWithAll, wayToStool } from './wood';

const on = (id: string, parentId: string, jointCm: number, more: Partial<Limb> = {}): Limb => ({
  ...stem,
  id,
  parentId,
  jointCm,
  lengthCm: 100,
  baseMm: 40,
  tipMm: 5,
  kind: 'scaffold',
  bearingDeg: 90,
  inclinationDeg: 0,
  ...more,
});

test.each([
  ['north, level', 0, 0, { x: 0, y: 100, z: 60 }],
  ['east, level', 90, 0, { x: 100, y: 0, z: 60 }],
  ['south-west, level', 225, 0, { x: -70.71, y: -70.71, z: 60 }],
  ['east, 30° up', 90, 30, { x: 86.6, y: 0, z: 110 }],
  ['hanging', 0, -90, { x: 0, y: 0, z: -40 }],
])('a limb of 100 cm joined at 60 cm, %s', (_, bearingDeg, inclinationDeg, tip) => {
  const placed = limbShape([stem, on('S', 'T', 60, { bearingDeg, inclinationDeg })]).get('S');
  expect(placed?.base.z).toBeCloseTo(60);
  for (const axis of ['x', 'y', 'z'] as const) expect(placed?.tip[axis]).toBeCloseTo(tip[axis], 1);
});

test('a limb is as long in space as its tape says, wherever it hangs, in whatever order the map lists it', () => {
  const angle = fc.integer({ min: -90, max: 90 });
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 359 }),
      angle,
      angle,
      fc.integer({ min: 0, max: 100 }),
      (bearing, up, twigUp, joint) => {
        const side = on('S', 'T', 60, { bearingDeg: bearing, inclinationDeg: up });
        const twig = on('L', 'S', joint, { bearingDeg: bearing / 2, inclinationDeg: twigUp, lengthCm: 37 });
        const placed = limbShape([twig, side, stem]).get('L');
        if (!placed) throw new Error('not placed');
        const { base, tip } = placed;
        expect(Math.hypot(tip.x - base.x, tip.y - base.y, tip.z - base.z)).toBeCloseTo(37);
        expect(pointAlong(placed, 0)).toEqual(base);
        const joined = limbShape([side, stem]).get('S');
        const at = joined && pointAlong(joined, joint / 100);
        expect(at?.z).toBeCloseTo(base.z);
      },
    ),
  );
});

describe('trunk, leader, and what comes off', () => {
  const limbs = [
    stem,
    on('S', 'T', 90),
    on('Q', 'T', 60),
    on('L', 'S', 40, { kind: 'lateral' }),
    on('K', 'T', 20, { kind: 'shoot' }),
  ];
  const index = indexLimbs(limbs);

  test('a stem is trunk up to the joint of its lowest scaffold, leader above; a shoot below does not count', () => {
    expect([20, 60, 60.1, 250].map((s) => isTrunk(index, stem, s))).toEqual([true, true, false, false]);
    expect([60, 61].map((s) => isLeader(index, stem, s))).toEqual([false, true]);
    const bare = indexLimbs([stem]);
    expect(isTrunk(bare, stem, 300)).toBe(true);
  });

  test('the way to the stool passes each joint', () => {
    expect([...wayToStool(index, 'L', 15)]).toEqual([
      { limbId: 'L', atCm: 15 },
      { limbId: 'S', atCm: 40 },
      { limbId: 'T', atCm: 90 },
    ]);
  });

  test.each([
    ['S', 30, true],
    ['S', 40, false],
    ['S', 0, true],
    ['T', 89, true],
    ['T', 90, false],
    ['Q', 0, false],
    ['L', 14.9, true],
  ])('wood at L 15 under a kerf at %s %f comes off: %s', (kerfLimb, kerfCm, off) => {
    expect(isDistalOf(index, 'L', 15, kerfLimb, kerfCm)).toBe(off);
  });

  test('wood at the kerf stays, but a kerf at the collar takes all of its limb', () => {
    expect([comesOff(10, 10), comesOff(10.1, 10), comesOff(0, 0)]).toEqual([false, true, true]);
  });

  test('a limb with all it carries', () => {
    expect(limbWithAll(index, limbs[1] as Limb).map((limb) => limb.id)).toEqual(['S', 'L']);
  });
});
