// First limb maps and their edits: always a sound map, whatever is asked for or done to it.

import fc from 'fast-check';
import { speciesTable, treeForms } from '../register/index';
import {
  growth,
  type Limb,
  limbNames,
  limbShape,
  measured,
  type StarterTree,
  split,
  starterMap,
  withGivenNames,
  withLimb,
  without,
} from './index';
import { limbMapFaults } from './limbMap';

const starter = fc.record({
  form: fc.constantFrom(...treeForms),
  species: fc.constantFrom(...speciesTable.map((species) => species.code)),
  heightCm: fc.integer({ min: 60, max: 900 }),
  spreadCm: fc.integer({ min: 40, max: 900 }),
  scaffolds: fc.integer({ min: 1, max: 12 }),
  girthCm: fc.integer({ min: 4, max: 200 }),
  ageYears: fc.option(fc.integer({ min: 1, max: 90 })),
  planeBearingDeg: fc.integer({ min: 0, max: 359 }),
});

const middling: StarterTree = {
  form: 'central leader',
  species: 'apple',
  heightCm: 380,
  spreadCm: 360,
  scaffolds: 6,
  girthCm: 38,
  ageYears: null,
};

test('every form of every size starts from a sound map that keeps within its height and spread', () => {
  fc.assert(
    fc.property(starter, (given) => {
      const limbs = starterMap(given);
      expect(limbMapFaults(limbs)).toEqual([]);
      expect(limbs.filter((limb) => limb.kind !== 'trunk' || given.form === 'multi-stem')).toHaveLength(
        given.scaffolds,
      );
      const leans = given.form === 'cordon' ? given.heightCm + 40 : 0;
      for (const { tip } of limbShape(limbs).values()) {
        expect(Math.hypot(tip.x, tip.y)).toBeLessThanOrEqual(given.spreadCm / 2 + leans + 6);
        expect(tip.z).toBeLessThanOrEqual(given.heightCm + leans + 6);
      }
    }),
  );
});

test('the main limbs together take no more wood than the stem has (da Vinci, as remembered: sections add up)', () => {
  fc.assert(
    fc.property(starter, (given) => {
      if (given.form === 'multi-stem') return;
      const [stem, ...main] = starterMap(given);
      const section = (limbs: Limb[]) => limbs.reduce((sum, limb) => sum + limb.baseMm ** 2, 0);
      // Rounding to whole mm, and no limb thinner than 5 mm
      expect(section(main)).toBeLessThanOrEqual(section([stem as Limb]) * 1.05 + main.length * 26 + 60);
    }),
  );
});

test('trained forms lie in their plane', () => {
  for (const form of ['espalier', 'fan'] as const) {
    for (const { tip } of limbShape(starterMap({ ...middling, form, planeBearingDeg: 90 })).values())
      expect(Math.abs(tip.y)).toBeLessThan(1e-6);
  }
});

const edit = fc.record({
  what: fc.constantFrom('add', 'split', 'length', 'joint', 'remove'),
  which: fc.nat(),
  share: fc.double({ min: 0, max: 1, noNaN: true }),
});

test('no series of edits makes an impossible map', () => {
  fc.assert(
    fc.property(starter, fc.array(edit, { maxLength: 25 }), (given, edits) => {
      let limbs = starterMap(given);
      for (const { what, which, share } of edits) {
        const limb = limbs[which % limbs.length] as Limb;
        const at = share * limb.lengthCm;
        if (what === 'add') limbs = withLimb(limbs, limb.id, at).limbs;
        if (what === 'split' && limb.lengthCm > 4) limbs = split(limbs, limb.id, at).limbs;
        if (what === 'length') limbs = measured(limbs, limb.id, { lengthCm: 1 + share * 400 });
        if (what === 'joint') limbs = measured(limbs, limb.id, { jointCm: share * 900 });
        if (what === 'remove') limbs = without(limbs, limb.id);
      }
      expect(limbMapFaults(limbs)).toEqual([]);
    }),
  );
});

test('a limb parted at s keeps its wood: length, thickness at the parting, and what hangs beyond', () => {
  const grown = withLimb(starterMap(middling), 'A', 100);
  const { limbs, id } = split(grown.limbs, 'A', 60);
  const inner = limbs.find((limb) => limb.id === 'A') as Limb;
  const outer = limbs.find((limb) => limb.id === id) as Limb;
  const before = grown.limbs.find((limb) => limb.id === 'A') as Limb;
  expect(inner.lengthCm + outer.lengthCm).toBeCloseTo(before.lengthCm, 9);
  expect(inner.tipMm).toBeCloseTo(outer.baseMm, 9);
  expect(limbs.find((limb) => limb.id === grown.id)).toMatchObject({ parentId: id, jointCm: 40 });
});

test('a given name stays when the limb is measured anew or another is taken away', () => {
  const limbs = withGivenNames(starterMap(middling), 0);
  const before = limbNames(limbs, 0);
  const moved = measured(without(limbs, 'B'), 'C', { bearingDeg: 10, jointCm: 20 });
  const after = limbNames(moved, 0);
  for (const id of ['A', 'C', 'D']) expect(after.get(id)).toBe(before.get(id));
  const named = measured(moved, 'C', { named: { hour: 1, own: 'The swing limb' } });
  expect(limbNames(named, 0).get('C')).toBe('The swing limb');
});

test('growth marks give the years and the vigour', () => {
  const limb = { ...(starterMap(middling)[1] as Limb), lengthCm: 100, yearMarksCm: [30, 65] };
  expect(growth(limb)).toEqual({
    yearsCm: [35, 35, 30],
    meanCm: expect.closeTo(33.33, 1),
    vigour: 'moderate',
  });
  expect(growth({ ...limb, yearMarksCm: [20] })?.vigour).toBe('moderate');
  expect(growth({ ...limb, yearMarksCm: [15], lengthCm: 90 })?.vigour).toBe('moderate');
  expect(growth({ ...limb, yearMarksCm: [80, 88, 94] })?.vigour).toBe('weak');
  expect(growth({ ...limb, yearMarksCm: [] })).toBeNull();
});
