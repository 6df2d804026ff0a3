// First limb maps and their edits: always a sound map, whatever is asked for or done to it.

import fc from 'fast-check';
import { speciesTable, treeForms } from '../register/index';
import {
  growth,
  type Limb,
  limbNames,
  limbShape,
  measured,
  StarterTree,
  split,
  starterMap,
  stemByForm,
  withGivenNames,
  withLimb,
  without,
} from './index';
import { limbMapFaults } from './limbMap';
import { limbId } from './starterMap';

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

/** Main limbs as joint, bearing, inclination and length; the stem as its length. */
const drawn = (given: Partial<StarterTree>) => {
  const [stem, ...main] = starterMap({ ...middling, heightCm: 400, spreadCm: 400, ...given });
  return {
    stemCm: stem?.lengthCm,
    main: main.map(({ jointCm, bearingDeg, inclinationDeg, lengthCm }) => [
      jointCm,
      bearingDeg,
      inclinationDeg,
      lengthCm,
    ]),
  };
};

// Of a tree 4 m high and wide, with three or four main limbs. Shapes by form: common practice, no source.
test.each<[StarterTree['form'], number, number, number[][]]>([
  // Limbs leave from 22 to 32 % of the height, evenly round, at 45°, and the stem ends at the highest
  [
    'open centre',
    3,
    128,
    [
      [88, 0, 45, 283],
      [108, 120, 45, 283],
      [128, 240, 45, 283],
    ],
  ],
  // From 20 to 78 %, at the turn of leaves, the higher the shorter: the last 45 % of the first
  [
    'central leader',
    3,
    400,
    [
      [80, 0, 32, 236],
      [196, 138, 32, 171],
      [312, 275, 32, 106],
    ],
  ],
  ['central leader', 1, 400, [[196, 0, 32, 171]]],
  // From 22 to 60 %, and the leader is cut above the last
  [
    'modified leader',
    3,
    260,
    [
      [88, 0, 32, 236],
      [164, 138, 32, 171],
      [240, 275, 32, 106],
    ],
  ],
  [
    'wild',
    2,
    400,
    [
      [60, 0, 55, 236],
      [280, 138, 55, 106],
    ],
  ],
  // Tiers from 25 to 95 %, a pair each, along the wires
  [
    'espalier',
    4,
    400,
    [
      [100, 90, 2, 200],
      [100, 270, 2, 200],
      [380, 90, 2, 200],
      [380, 270, 2, 200],
    ],
  ],
  // From 18° to 75°, steep ones as long as the height lets them
  [
    'fan',
    4,
    89,
    [
      [80, 90, 18, 210],
      [83, 270, 18, 210],
      [86, 90, 75, 325],
      [89, 270, 75, 322],
    ],
  ],
  // Leans at 50°, so that 4 m of height are 5.22 m of stem; short laterals to both sides, up to 40 cm
  [
    'cordon',
    2,
    522,
    [
      [80, 180, 25, 40],
      [440, 0, 25, 40],
    ],
  ],
])('a %s with %i main limbs', (form, scaffolds, stemCm, main) => {
  expect(drawn({ form, scaffolds })).toEqual({ stemCm, main });
});

test('a trained form lies along its own wires, and a limb on a short cordon is as long as the crown is wide', () => {
  expect(
    drawn({ form: 'espalier', scaffolds: 2, planeBearingDeg: 30 }).main.map(([, bearing]) => bearing),
  ).toEqual([30, 210]);
  expect(drawn({ form: 'cordon', scaffolds: 2, planeBearingDeg: 300, spreadCm: 60 }).main).toEqual([
    [80, 30, 25, 30],
    [440, 210, 25, 30],
  ]);
  expect(starterMap({ ...middling, form: 'cordon', planeBearingDeg: 30 })[0]).toMatchObject({
    inclinationDeg: 50,
    bearingDeg: 30,
  });
  expect(
    starterMap({ ...middling, form: 'cordon' })
      .slice(1)
      .every(({ kind }) => kind === 'lateral'),
  ).toBe(true);
  expect(
    starterMap({ ...middling, form: 'fan' })
      .slice(1)
      .every(({ kind }) => kind === 'scaffold'),
  ).toBe(true);
});

test('thickness and age: girth over π, limbs as their share of the section and their length ask, 2.5 cm of girth a year', () => {
  // 62.8 cm round is 200 mm through; 85 % of the section over two limbs is 130 mm each, if they are long enough
  const [stem, first] = starterMap({
    ...middling,
    girthCm: 62.83,
    form: 'open centre',
    scaffolds: 2,
    spreadCm: 900,
    heightCm: 900,
  });
  expect(stem).toMatchObject({ baseMm: 200, tipMm: 160, ageYears: 25, inclinationDeg: 90 });
  expect(first).toMatchObject({ baseMm: 130, tipMm: 8, ageYears: 23, guessed: true });
  // Short ones are as thick as 1.4 times their length over the slenderness of the species
  const slenderness = speciesTable.find(({ code }) => code === 'apple')?.slendernessCmPerMm ?? Number.NaN;
  const [, short] = starterMap({ ...middling, girthCm: 62.83, form: 'cordon', scaffolds: 1 });
  expect(short).toMatchObject({ lengthCm: 40, baseMm: Math.round((40 / slenderness) * 1.4) });
  expect(starterMap({ ...middling, girthCm: 2, scaffolds: 1, spreadCm: 10 })).toMatchObject([
    { baseMm: 8, tipMm: 8, ageYears: 2 },
    { baseMm: 5, tipMm: 5, ageYears: 1, lengthCm: 5 },
  ]);
  expect(starterMap({ ...middling, ageYears: 9 }).map(({ ageYears }) => ageYears)).toEqual([
    9,
    ...Array(6).fill(7),
  ]);
});

test('stems of a shrub lean out evenly, as far as the crown is wide but no farther than 40°, and share the section', () => {
  const shrub = {
    ...middling,
    form: 'multi-stem' as const,
    scaffolds: 4,
    heightCm: 300,
    spreadCm: 200,
    girthCm: 62.83,
  };
  const lean = (Math.atan(100 / 300) * 180) / Math.PI;
  expect(starterMap(shrub)).toMatchObject(
    ['T', 'T2', 'T3', 'T4'].map((id, i) => ({
      id,
      kind: 'trunk',
      bearingDeg: 90 * i,
      inclinationDeg: Math.round((90 - lean) * 10) / 10,
      lengthCm: 316,
      baseMm: 100,
      ageYears: 25,
    })),
  );
  expect(starterMap({ ...shrub, spreadCm: 900 })[0]).toMatchObject({ inclinationDeg: 50, lengthCm: 392 });
});

test('limbs are called A to Z without T, which is the stem, then A2 and on', () => {
  const named = [0, 18, 19, 20, 25, 26, 45, 52].map(limbId);
  expect(named).toEqual(['A', 'S', 'T2', 'U', 'Z', 'A3', 'T3', 'A4']);
  const all = Array.from({ length: 400 }, (_, i) => limbId(i));
  expect(new Set(all).size).toBe(400);
});

test.each([
  ['species', '', false],
  ['species', 'a'.repeat(41), false],
  ['heightCm', 19, false],
  ['heightCm', 20, true],
  ['heightCm', 3000, true],
  ['heightCm', 3001, false],
  ['spreadCm', 9, false],
  ['spreadCm', 10, true],
  ['spreadCm', 3000, true],
  ['spreadCm', 3001, false],
  ['scaffolds', 0, false],
  ['scaffolds', 1, true],
  ['scaffolds', 24, true],
  ['scaffolds', 25, false],
  ['scaffolds', 2.5, false],
  ['girthCm', 1.9, false],
  ['girthCm', 2, true],
  ['girthCm', 800, true],
  ['girthCm', 801, false],
  ['ageYears', 0, false],
  ['ageYears', 1, true],
  ['ageYears', 300, true],
  ['ageYears', 301, false],
  ['planeBearingDeg', -1, false],
  ['planeBearingDeg', 0, true],
  ['planeBearingDeg', 359, true],
  ['planeBearingDeg', 360, false],
])('a tree to start from with %s %j: %s', (key, value, takes) => {
  expect(StarterTree.safeParse({ ...middling, [key]: value }).success).toBe(takes);
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
  expect(limbNames(named, 0).get('C')).toBe('E · The swing limb');
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

test.each([
  ['open centre', null],
  ['fan', null],
  ['modified leader', 260],
  ['central leader', 400],
  ['espalier', 400],
  ['wild', 400],
] as const)('the stem of a %s of 400 cm goes up to %s cm (common practice, no source)', (form, cm) =>
  expect(stemByForm({ form, heightCm: 400 })).toBe(cm),
);
