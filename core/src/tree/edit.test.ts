// What one edit does to a map, to the centimetre.

import { cutBack } from './cutBack';
import {
  type Limb,
  measured,
  onSpoke,
  reachCm,
  split,
  spokes,
  UnknownLimb,
  walkTowardStool,
  widestGap,
  withLimb,
  without,
} from './index';
import { LimbMap, LONGEST_CM, THICKEST_MM } from './limbMap';
import { stem as plainStem } from './testing/given';
import { indexLimbs } from './wood';

const stem: Limb = { ...plainStem, graftUnionCm: 15 };
const side: Limb = {
  ...stem,
  id: 'S',
  parentId: 'T',
  jointCm: 90,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 20,
  ageYears: 8,
  kind: 'scaffold',
  bearingDeg: 120,
  inclinationDeg: 40,
  yearMarksCm: [50, 120, 180],
  buds: [60, 100, 150].map((atCm) => ({ atCm, points: 'under' as const, kind: 'leaf' as const, live: true })),
};
delete side.graftUnionCm;
const twig: Limb = {
  ...side,
  id: 'L',
  parentId: 'S',
  jointCm: 140,
  lengthCm: 80,
  baseMm: 24,
  tipMm: 4,
  ageYears: 3,
  kind: 'lateral',
};
delete twig.yearMarksCm;
delete twig.buds;
const map = [stem, side, twig];
const limb = (limbs: Limb[], id: string) => limbs.find((limb) => limb.id === id) as Limb;
const buds = ({ buds: some }: Limb) => some?.map(({ atCm }) => atCm);

describe('measured anew', () => {
  test('a shorter limb loses the buds and marks beyond its end, and carries at its end what hung beyond', () => {
    const shorter = measured([stem, { ...side, uncutLengthCm: 260 }, twig], 'S', { lengthCm: 120 });
    expect(limb(shorter, 'S')).toMatchObject({ lengthCm: 120, yearMarksCm: [50] });
    expect(buds(limb(shorter, 'S'))).toEqual([60, 100]);
    expect('uncutLengthCm' in limb(shorter, 'S')).toBe(false);
    expect(limb(shorter, 'L').jointCm).toBe(120);
    expect(limb(measured(map, 'S', { lengthCm: 100 }), 'S').buds).toHaveLength(2);
    expect(limb(measured(map, 'S', { lengthCm: 140 }), 'L').jointCm).toBe(140);
    expect(limb(measured(map, 'S', { lengthCm: 0.2 }), 'S').lengthCm).toBe(1);
  });

  test('marks are kept in order, a tip is no thicker than its base, a joint lies on the parent', () => {
    expect(limb(measured(map, 'S', { yearMarksCm: [120, 50] }), 'S').yearMarksCm).toEqual([50, 120]);
    expect(limb(measured(map, 'S', { baseMm: 15 }), 'S')).toMatchObject({ baseMm: 15, tipMm: 15 });
    expect(limb(measured(map, 'S', { tipMm: 5 }), 'S')).toMatchObject({ baseMm: 60, tipMm: 5 });
    expect(limb(measured(map, 'L', { jointCm: 999 }), 'L').jointCm).toBe(200);
    expect(limb(measured(map, 'L', { jointCm: -4 }), 'L').jointCm).toBe(0);
    expect(limb(measured(map, 'T', { lengthCm: 10 }), 'T').graftUnionCm).toBe(10);
    expect(limb(measured(map, 'T', { graftUnionCm: 12 }), 'T').graftUnionCm).toBe(12);
    expect('buds' in limb(measured(map, 'L', { bearingDeg: 9 }), 'L')).toBe(false);
  });

  test('what was guessed is a guess until its thickness is measured', () => {
    const guessed = [stem, { ...side, guessed: true }];
    expect(limb(measured(guessed, 'S', { bearingDeg: 9 }), 'S').guessed).toBe(true);
    expect('guessed' in limb(measured(guessed, 'S', { baseMm: 50 }), 'S')).toBe(false);
  });

  test('a limb that the map does not have is named', () => {
    for (const edit of [() => measured(map, 'Z', {}), () => withLimb(map, 'Z', 1), () => split(map, 'Z', 1)])
      expect(edit).toThrow(UnknownLimb);
    expect(() => without(map, 'Z')).toThrow('Limb Z is not in the map.');
  });
});

describe('a new limb', () => {
  test('is half as thick as the wood it stands on, half as long as what is beyond it, and as old as that wood', () => {
    const { limbs, id } = withLimb(map, 'S', 50);
    // 60 → 20 mm over 200 cm: 50 mm at 50 cm
    expect(limb(limbs, id)).toEqual({
      id: 'A',
      parentId: 'S',
      jointCm: 50,
      lengthCm: 75,
      baseMm: 25,
      tipMm: 6,
      ageYears: 6,
      kind: 'branch',
      bearingDeg: 300,
      inclinationDeg: 40,
      guessed: true,
    });
  });

  test('on a stem is half as long as the stem, at 35°; no limb is thinner than 4 mm, shorter than 10 cm, younger than a year', () => {
    expect(limb(withLimb(map, 'T', 150).limbs, 'A')).toMatchObject({
      kind: 'scaffold',
      lengthCm: 150,
      inclinationDeg: 35,
      // Opposite the only other
      bearingDeg: 300,
    });
    expect(limb(withLimb(map, 'L', 79).limbs, 'A')).toMatchObject({
      baseMm: 4,
      tipMm: 4,
      lengthCm: 10,
      ageYears: 1,
      kind: 'shoot',
    });
    const at = (inclinationDeg: number) =>
      limb(withLimb([stem, { ...side, inclinationDeg }], 'S', 50).limbs, 'A').inclinationDeg;
    expect([at(-20), at(0), at(60), at(75)]).toEqual([0, 0, 60, 60]);
  });

  test.each([
    [[], 0],
    [[90], 270],
    [[0, 90], 225],
    [[0, 200], 100],
    [[350, 10], 180],
    [[-10, 370], 180],
    [[0, 120, 240], 60],
    [[300, 20], 160],
  ])('between %j° there is most room at %i°', (bearings, middle) => {
    expect(widestGap(bearings)).toBe(middle);
  });
});

describe('parted at s', () => {
  test('each part keeps its own buds and marks, measured from its own base; the outer is as old as its wood', () => {
    const { limbs, id } = split(map, 'S', 100);
    expect(limb(limbs, 'S')).toMatchObject({
      lengthCm: 100,
      tipMm: 40,
      uncutLengthCm: 200,
      kind: 'scaffold',
    });
    expect(buds(limb(limbs, 'S'))).toEqual([60, 100]);
    expect(limb(limbs, id)).toMatchObject({
      parentId: 'S',
      jointCm: 100,
      lengthCm: 100,
      baseMm: 40,
      tipMm: 20,
      kind: 'branch',
      ageYears: 4,
      yearMarksCm: [20, 80],
    });
    expect(buds(limb(limbs, id))).toEqual([50]);
    expect(limb(limbs, 'L')).toMatchObject({ parentId: id, jointCm: 40 });
    expect('uncutLengthCm' in limb(limbs, id)).toBe(false);
  });

  test('what hangs at the place itself stays on the inner part; a stem goes on as a branch, a lateral as a lateral', () => {
    expect(limb(split(map, 'S', 140).limbs, 'L')).toMatchObject({ parentId: 'S', jointCm: 140 });
    expect(limb(split(map, 'T', 200).limbs, 'A')).toMatchObject({ kind: 'branch' });
    expect('graftUnionCm' in limb(split(map, 'T', 200).limbs, 'A')).toBe(false);
    expect(limb(split(map, 'L', 40).limbs, 'A')).toMatchObject({ kind: 'lateral', ageYears: 2 });
    const again = split([stem, { ...side, uncutLengthCm: 260, named: { hour: 3 } }, twig], 'S', 100).limbs;
    expect(limb(again, 'S')).toMatchObject({ uncutLengthCm: 260, named: { hour: 3 } });
    expect('named' in limb(again, 'A')).toBe(false);
    expect([-5, 999].map((at) => limb(split(map, 'S', at).limbs, 'S').lengthCm)).toEqual([1, 199]);
  });
});

test('a limb goes with all it carries, but the last stem stays', () => {
  expect(without(map, 'S').map(({ id }) => id)).toEqual(['T']);
  expect(without(map, 'T')).toBe(map);
  expect(without([...map, { ...stem, id: 'T2' }], 'T').map(({ id }) => id)).toEqual(['T2']);
});

describe('cut back', () => {
  test('the graft union and the buds below the kerf stay; a kerf beyond the end changes nothing; the nearer of two counts', () => {
    expect(cutBack(map, [{ limbId: 'T', atCm: 100 }])[0]).toMatchObject({ lengthCm: 100, graftUnionCm: 15 });
    expect(cutBack(map, [{ limbId: 'T', atCm: 10 }])[0]).toMatchObject({ lengthCm: 10, graftUnionCm: 10 });
    const at = (...atCm: number[]) =>
      limb(
        cutBack(
          map,
          atCm.map((s) => ({ limbId: 'S', atCm: s })),
        ),
        'S',
      );
    expect(buds(at(100))).toEqual([60, 100]);
    expect('graftUnionCm' in at(100)).toBe(false);
    expect(at(200)).toBe(side);
    expect(at(250)).toBe(side);
    expect([at(150, 100).lengthCm, at(100, 150).lengthCm]).toEqual([100, 100]);
    expect(cutBack([stem, { ...side, uncutLengthCm: 260 }], [{ limbId: 'S', atCm: 100 }])[1]).toMatchObject({
      uncutLengthCm: 260,
    });
  });
});

describe('the walk toward the stool', () => {
  const index = indexLimbs([...map, { ...twig, id: 'K', parentId: null, kind: 'sucker' }]);

  test.each([
    // S joins the stem at 90 cm: above is the leader, which is walked like a limb
    ['T', 200, 100, { on: 'limb', limbId: 'T', atCm: 100 }],
    ['T', 200, 110, { on: 'trunk', stemId: 'T' }],
    ['T', 200, 109.9, { on: 'limb', limbId: 'T', atCm: expect.closeTo(90.1, 6) }],
    ['T', 60, 0, { on: 'trunk', stemId: 'T' }],
    ['S', 50, 50, { on: 'limb', limbId: 'S', atCm: 0 }],
    ['S', 50, 50.1, { on: 'trunk', stemId: 'T' }],
    ['K', 20, 30, { on: 'trunk', stemId: null }],
    ['K', 20, 20, { on: 'limb', limbId: 'K', atCm: 0 }],
  ])('from %s %d over %d cm', (limbId, fromCm, distanceCm, end) => {
    expect(walkTowardStool(index, limbId, fromCm, distanceCm).end).toEqual(end);
  });

  test('is as long as it was asked to be, while there is wood', () => {
    const { stretches } = walkTowardStool(index, 'L', 30, 120);
    expect(stretches).toEqual([
      { limbId: 'L', fromCm: 30, toCm: 0 },
      { limbId: 'S', fromCm: 140, toCm: 50 },
    ]);
    expect(walkTowardStool(index, 'T', 200, 150).stretches).toEqual([{ limbId: 'T', fromCm: 200, toCm: 90 }]);
    expect(() => walkTowardStool(index, 'Z', 0, 1)).toThrow('Limb Z is not in the map.');
  });
});

describe('from above', () => {
  const level = { ...side, bearingDeg: 90, inclinationDeg: 0 };
  const rounded = ({ x, y }: { x: number; y: number }) => [Math.round(x) + 0, Math.round(y) + 0];

  test.each([
    [0, [200, 0]],
    // Who stands in the east sees east as 12 o’clock, up on a screen
    [90, [0, -200]],
    [180, [-200, 0]],
    [270, [0, 200]],
  ])('a limb to the east, with 12 o’clock at %i°, ends at %j', (twelve, tip) => {
    const [spoke, ...rest] = spokes([stem, level], twelve);
    if (!spoke) throw new Error('There is a limb.');
    expect(rest).toEqual([]);
    expect([rounded(spoke.base), rounded(spoke.tip)]).toEqual([[0, 0], tip]);
    expect(spoke.limb.id).toBe('S');
  });

  test('reach and places along a limb', () => {
    const some = spokes([stem, level, { ...twig, bearingDeg: 90, inclinationDeg: 0 }], 0);
    expect(reachCm(some)).toBeCloseTo(220, 9);
    expect(reachCm([])).toBe(100);
    const [spoke] = some;
    if (!spoke) throw new Error('There is a limb.');
    expect([-10, 0, 50, 200, 999].map((s) => rounded(onSpoke(spoke, s)))).toEqual(
      [0, 0, 50, 200, 200].map((x) => [x, 0]),
    );
  });
});

// What a limb takes and what it refuses, at each boundary
test.each<[string, unknown, boolean]>([
  ['jointCm', -1, false],
  ['lengthCm', 0, false],
  ['lengthCm', LONGEST_CM, true],
  ['lengthCm', LONGEST_CM + 1, false],
  ['baseMm', THICKEST_MM, true],
  ['baseMm', THICKEST_MM + 1, false],
  ['tipMm', 0, true],
  ['tipMm', -1, false],
  ['ageYears', 0, true],
  ['ageYears', -1, false],
  ['ageYears', 500, true],
  ['ageYears', 501, false],
  ['bearingDeg', 360, true],
  ['bearingDeg', 361, false],
  ['bearingDeg', -360, true],
  ['bearingDeg', -361, false],
  ['inclinationDeg', 90, true],
  ['inclinationDeg', 91, false],
  ['inclinationDeg', -90, true],
  ['inclinationDeg', -91, false],
  ['cultivar', 'a'.repeat(120), true],
  ['cultivar', 'a'.repeat(121), false],
  ['named', { hour: 1, own: ' a ' }, true],
  ['named', { hour: 0 }, false],
  ['named', { hour: 12, own: 'a'.repeat(60) }, true],
  ['named', { hour: 13 }, false],
  ['named', { hour: 1, own: ' ' }, false],
  ['named', { hour: 1, own: 'a'.repeat(61) }, false],
  ['uncutLengthCm', 0, false],
  ['uncutLengthCm', LONGEST_CM, true],
  ['uncutLengthCm', LONGEST_CM + 1, false],
  ['yearMarksCm', Array.from({ length: 200 }, (_, i) => i / 2), true],
  ['yearMarksCm', Array.from({ length: 201 }, (_, i) => i / 2), false],
  ['note', 'unknown to the map', false],
  ['id', '', false],
])('a limb with %s %j is taken: %s', (key, value, takes) => {
  const { error } = LimbMap.safeParse([stem, { ...side, [key]: value }]);
  expect([key, value, error === undefined]).toEqual([key, value, takes]);
});

test('every fault of a map has its code', () => {
  const said = (limbs: unknown[]) => LimbMap.safeParse(limbs).error?.issues.map(({ message }) => message);
  expect(said([])).toEqual(['noStem']);
  expect(said([{ ...twig, parentId: null, kind: 'sucker' }])).toEqual(['noStem']);
  expect(said([stem, side, side])).toEqual(['limbTwice']);
});
