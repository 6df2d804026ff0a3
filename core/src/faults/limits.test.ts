// Each limit of misplaced wood from both sides. Where the limits start: common practice, no source; lengths and angles are worked by hand.
import type { Limb } from '../tree/index';
import { starterMap } from '../tree/index';
import {
  type FaultKind,
  type FaultTree,
  gapTest,
  geometryFaults,
  HAT_RADIUS_CM,
  lightInside,
  startingLimits,
} from './index';
import { nearest } from './segments';

function limb(id: string, parentId: string | null, more: Partial<Limb> = {}): Limb {
  return {
    id,
    parentId,
    jointCm: 100,
    lengthCm: 200,
    baseMm: 20,
    tipMm: 20,
    ageYears: 6,
    kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'branch',
    bearingDeg: 90,
    inclinationDeg: parentId === null ? 90 : 40,
    ...more,
  };
}
const stem = limb('T', null, { jointCm: 0, lengthCm: 500, baseMm: 110, tipMm: 110, graftUnionCm: 20 });
const found = (kind: FaultKind, limbs: Limb[], more: Partial<FaultTree> = {}) =>
  geometryFaults(
    {
      limbs: limbs.some(({ id }) => id === stem.id) ? limbs : [stem, ...limbs],
      species: 'apple',
      form: 'central leader',
      habit: 'unknown',
      reachCm: null,
      ...more,
    },
    startingLimits(),
  ).filter((fault) => fault.kind === kind);

const onStem = (more: Partial<Limb>) => [limb('A', 'T', more)];
const onLimb = (more: Partial<Limb>) => [limb('A', 'T', {}), limb('X', 'A', { kind: 'branch', ...more })];
/** The same on a stem of so many years; it is six years old elsewhere. */
const aged = (years: number, limbs: Limb[]) => [{ ...stem, ageYears: years }, ...limbs];
const steep = (more: Partial<Limb>) => onStem({ inclinationDeg: 60, ...more });
const sprout = { kind: 'sprout', ageYears: 1, inclinationDeg: 75, lengthCm: 80 } as const;
test.each<[FaultKind, string, Limb[], boolean, Partial<FaultTree>?]>([
  ['sucker', 'below the graft union', onStem({ jointCm: 19.9 }), true],
  ['sucker', 'at the graft union', onStem({ jointCm: 20 }), false],
  ['sucker', 'on the stool', [limb('A', null, { kind: 'sucker', jointCm: 0 })], true],
  ['upright sprout', '15° from vertical', onLimb(sprout), true],
  ['upright sprout', '20° from vertical', onLimb({ ...sprout, inclinationDeg: 70 }), false],
  ['upright sprout', '40 cm long', onLimb({ ...sprout, lengthCm: 40 }), false],
  ['upright sprout', '41 cm long', onLimb({ ...sprout, lengthCm: 41 }), true],
  ['upright sprout', 'a branch of one year', onLimb({ ...sprout, kind: 'branch' }), true],
  // Of any age: what grew up years ago stands no better
  ['upright sprout', 'a branch of twelve years', onLimb({ ...sprout, kind: 'branch', ageYears: 12 }), true],
  ['upright sprout', 'on the stem', onStem(sprout), false],
  ['upright sprout', 'a stem of its own', [limb('A', null, { ...sprout, jointCm: 0 })], false],
  ['narrow union', '35° to the stem', onStem({ inclinationDeg: 55 }), false],
  ['narrow union', '34° to the stem', onStem({ inclinationDeg: 56 }), true],
  // A third as thick as its parent, of 110 mm, and 25 mm at least
  ['narrow union', 'a third as thick', aged(20, steep({ baseMm: 36.7 })), true],
  ['narrow union', 'thinner than a third', aged(20, steep({ baseMm: 36.6 })), false],
  ['narrow union', 'of 25 mm on a thin limb', onLimb({ inclinationDeg: 60, baseMm: 25 }), true],
  ['narrow union', 'a thin lateral at 20°', onLimb({ inclinationDeg: 60, baseMm: 24.9 }), false],
  ['narrow union', 'of 8 mm on a stem of eight years', aged(8, steep({ baseMm: 8 })), true],
  ['narrow union', 'of less', aged(8, steep({ baseMm: 7.9 })), false],
  ['narrow union', 'of 8 mm on a stem of nine years', aged(9, steep({ baseMm: 8 })), false],
  ['narrow union', 'of 8 mm, no scaffold', aged(8, steep({ baseMm: 8, kind: 'lateral' })), false],
  ['flat union', '85° from vertical', onStem({ inclinationDeg: 5 }), false],
  ['flat union', '86° from vertical', onStem({ inclinationDeg: 4 }), true],
  ['flat union', 'that hangs by 9°', onStem({ inclinationDeg: -9 }), true],
  ['flat union', 'that hangs by 10°', onStem({ inclinationDeg: -10 }), false],
  ['flat union', 'of a trained tree', onStem({ inclinationDeg: 4 }), false, { form: 'espalier' }],
  ['downward', 'by 10°', onStem({ inclinationDeg: -10 }), false],
  ['downward', 'by 11°', onStem({ inclinationDeg: -11 }), true],
  ['double leader', 'four fifths as thick', onStem({ inclinationDeg: 65, baseMm: 88 }), true],
  ['double leader', 'thinner', onStem({ inclinationDeg: 65, baseMm: 87 }), false],
  ['double leader', '64° steep', onStem({ inclinationDeg: 64, baseMm: 88 }), false],
  [
    'double leader',
    'at the end of the stem',
    onStem({ inclinationDeg: 65, baseMm: 88, jointCm: 500 }),
    false,
  ],
  // Half a metre out and level, its joint is its height
  ['too low', 'at 59 cm', onStem({ jointCm: 59, inclinationDeg: 0 }), true],
  ['too low', 'at 60 cm', onStem({ jointCm: 60, inclinationDeg: 0 }), false],
  ['too low', 'and not quite 40 cm long', onStem({ jointCm: 59, inclinationDeg: 0, lengthCm: 39.9 }), false],
  ['too low', 'and 41 cm long', onStem({ jointCm: 59, inclinationDeg: 0, lengthCm: 41 }), true],
  ['too low', 'of a trained tree', onStem({ jointCm: 30, inclinationDeg: 0 }), false, { form: 'fan' }],
  ['out of reach', 'at 4 m', onStem({ jointCm: 400 }), false],
  ['out of reach', 'at 4.01 m', onStem({ jointCm: 401 }), true],
  ['out of reach', 'at 3.01 m for who reaches 3 m', onStem({ jointCm: 301 }), true, { reachCm: 300 }],
  [
    'past bearing',
    'of three years, peach',
    onLimb({ kind: 'lateral', ageYears: 3 }),
    true,
    { species: 'peach' },
  ],
  [
    'past bearing',
    'of one year, peach',
    onLimb({ kind: 'lateral', ageYears: 1 }),
    false,
    { species: 'peach' },
  ],
  ['past bearing', 'a branch, peach', onLimb({ ageYears: 3 }), false, { species: 'peach' }],
  [
    'past bearing',
    'on spurs, trained flat',
    onLimb({ kind: 'lateral', ageYears: 3 }),
    false,
    { species: 'peach', habit: 'spur', form: 'fan' },
  ],
  [
    'past bearing',
    'on spurs, not trained',
    onLimb({ kind: 'lateral', ageYears: 3 }),
    true,
    { species: 'peach', habit: 'spur' },
  ],
])('%s: %s', (kind, _, limbs, stands, more = {}) => {
  expect(found(kind, limbs, more).length > 0).toBe(stands);
});

describe('pairs', () => {
  // L runs north, level, 1 m east of the stem; B leaves the stem `over` cm higher, level, toward 50°, and passes over it: 130.5 cm along B, 83.9 along L
  const pair = (over: number, more: Partial<Limb> = {}) => [
    limb('A', 'T', { jointCm: 200, inclinationDeg: 0 }),
    limb('L', 'A', { bearingDeg: 0, inclinationDeg: 0 }),
    limb('B', 'T', { jointCm: 200 + over, bearingDeg: 50, inclinationDeg: 0, ...more }),
  ];
  const [sB, sL] = [100 / Math.sin((50 * Math.PI) / 180), 100 / Math.tan((50 * Math.PI) / 180)];
  /** 2 cm, 1 cm of sway a metre of each, 1.5 cm of sag a metre of the upper. */
  const needed = (upperCm: number) => 20 + (10 * (sB + sL)) / 100 + (15 * upperCm) / 100;
  const ofLB = (kind: FaultKind, limbs: Limb[]) =>
    found(kind, limbs).filter(({ limbIds }) => limbIds.includes('L') && limbIds.includes('B'));

  test.each([
    // Half of each thickness, 20 mm, comes off the distance
    [8, sB, 60],
    [1, sB, 0],
    [-7, sL, 50],
  ])('%i cm over it rubs', (over, upperCm, gapMm) => {
    const [rub] = ofLB('rubbing', pair(over));
    const neededMm = needed(upperCm);
    expect(rub?.measured).toBeCloseTo(gapMm, 6);
    expect(rub?.limit).toBeCloseTo(neededMm, 6);
    expect(rub?.severity).toBeCloseTo(1 + (neededMm - gapMm) / neededMm, 6);
    expect(ofLB('crossing', pair(over))).toEqual([]);
  });

  test.each([
    [8.2, 82],
    // Under fruit only the upper one comes down: below, L needs less room than above
    [-8, 80],
    [14.9, 149],
  ])('%d cm over it crosses', (over, mm) => {
    expect(ofLB('rubbing', pair(over))).toEqual([]);
    const [crossing] = ofLB('crossing', pair(over));
    expect(crossing).toMatchObject({ limit: 150, unit: 'mm' });
    expect(crossing?.measured).toBeCloseTo(mm, 6);
    expect(crossing?.severity).toBeCloseTo(1 + (150 - mm) / 150, 6);
  });

  test('farther apart, at a sharper angle, or past an end they do not cross', () => {
    expect(ofLB('crossing', pair(15))).toEqual([]);
    expect(ofLB('crossing', pair(14, { bearingDeg: 40 }))).toEqual([]);
    expect(ofLB('crossing', pair(14, { bearingDeg: 46 }))).toHaveLength(1);
    expect(ofLB('crossing', pair(14, { lengthCm: 130 }))).toEqual([]);
  });

  // C lies right over D, both level and toward the east, from two stems so that neither hangs on the other
  const layers = (apartCm: number, lengthCm = 200, more: Partial<Limb> = {}) => [
    limb('U', null, { kind: 'trunk', jointCm: 0, lengthCm: 500, bearingDeg: 0, inclinationDeg: 90 }),
    limb('D', 'T', { jointCm: 200, inclinationDeg: 0 }),
    limb('C', 'U', { kind: 'branch', jointCm: 200 + apartCm, inclinationDeg: 0, lengthCm, ...more }),
  ];
  const over = (limbs: Limb[]) =>
    found('over another', limbs).filter(
      ({ limbIds }) => limbIds.join() === 'D,C' || limbIds.join() === 'C,D',
    );
  test.each<[string, Limb[], boolean]>([
    ['20 cm over it', layers(20), true],
    ['21 cm over it', layers(21), false],
    // Of nine places along it, those up to 85 cm and 15 cm beyond: five are over half
    ['over its inner 85 cm', layers(20, 85.1), true],
    ['over not quite so much', layers(20, 84.9), false],
    ['up to 50° from level', layers(20, 200, { inclinationDeg: 51 }), false],
    ['beside it by bearing', layers(20, 200, { bearingDeg: 60 }), false],
  ])('one over another: %s', (_, limbs, stands) => {
    expect(over(limbs).length > 0).toBe(stands);
  });

  test('the lower one is named first, with how much of it is covered', () => {
    expect(over(layers(20))).toMatchObject([{ limbIds: ['D', 'C'], measured: 100, limit: 50, atCm: 100 }]);
    expect(over(layers(-20))).toMatchObject([{ limbIds: ['C', 'D'] }]);
  });

  test('two that grow from one node do not rub there', () => {
    // 3 thicknesses of 20 mm are 6 cm
    const fork = (more: Partial<Limb>) =>
      found('rubbing', [
        limb('A', 'T', { jointCm: 200 }),
        limb('P', 'A', { jointCm: 50, bearingDeg: 0 }),
        limb('Q', 'A', { jointCm: 50, bearingDeg: 60, ...more }),
      ]).filter(({ limbIds }) => limbIds.join() === 'P,Q');
    expect(fork({})).toEqual([]);
    // A child and its parent meet at its joint, two stems on the stool, whichever the map lists first
    const onIt = limb('X', 'A', { jointCm: 100, bearingDeg: 95, inclinationDeg: 0 });
    const parent = limb('A', 'T', { jointCm: 200, inclinationDeg: 0 });
    const second = limb('U', null, { kind: 'trunk', jointCm: 0, inclinationDeg: 85, lengthCm: 400 });
    for (const pair of [[onIt, parent], [parent, onIt], [second]]) expect(found('rubbing', pair)).toEqual([]);
    expect(fork({ jointCm: 52 })).toEqual([]);
  });
});

describe('the whole crown', () => {
  const round = (...bearings: number[]) =>
    bearings.map((bearingDeg, i) => limb(`A${i}`, 'T', { jointCm: 100 + 20 * i, bearingDeg }));

  test('a sector of 140° is not empty, one of 141° is; two limbs leave two', () => {
    expect(found('empty sector', round(0, 140, 250))).toEqual([]);
    expect(found('empty sector', round(0, 141, 250))).toMatchObject([
      { limbIds: ['A0', 'A1'], measured: 141, limit: 140, severity: 141 / 140 },
    ]);
    expect(found('empty sector', round(0, 180)).map(({ measured }) => measured)).toEqual([180, 180]);
    expect(found('empty sector', round(0))).toEqual([]);
    expect(found('empty sector', round(10, 10)).map(({ measured }) => measured)).toEqual([360, 360]);
  });

  test('weight pulls by section and by how far out it lies; the one that pulls most is named', () => {
    // Two against each other, one k times the other’s length: (k² − 1) of (k² + 1) by length times reach
    const against = (k: number, mm = 20) => [
      limb('A', 'T', { bearingDeg: 0, lengthCm: 100 * k, baseMm: mm, tipMm: mm }),
      limb('B', 'T', { bearingDeg: 180, lengthCm: 100, jointCm: 140 }),
    ];
    expect(found('lopsided', against(1.4))).toEqual([]);
    const [longer] = found('lopsided', against(1.5));
    expect(longer).toMatchObject({ limbIds: ['A'], limit: 35 });
    expect(longer?.measured).toBeCloseTo((100 * (1.5 ** 2 - 1)) / (1.5 ** 2 + 1), 6);
    // Half as thick again is 2.25 times the section
    const [thicker] = found('lopsided', against(1, 30));
    expect(thicker?.measured).toBeCloseTo((100 * (2.25 - 1)) / (2.25 + 1), 6);
    expect(found('lopsided', against(0.5))).toMatchObject([{ limbIds: ['B'] }]);
    // Only main limbs weigh
    const branch = limb('X', 'A', { kind: 'branch', baseMm: 200, tipMm: 200, bearingDeg: 0 });
    expect(found('lopsided', [...against(1), branch])).toEqual([]);
  });

  test('trained flat: 30° out of its plane is enough, less is not; the plane is the line of the long limbs', () => {
    const wall = [
      limb('A', 'T', { bearingDeg: 90, inclinationDeg: 0 }),
      limb('B', 'T', { bearingDeg: 270, inclinationDeg: 0, jointCm: 150 }),
    ];
    const out = (bearingDeg: number, lengthCm = 40) =>
      found(
        'out of plane',
        [...wall, limb('X', 'A', { bearingDeg, inclinationDeg: 0, lengthCm, kind: 'lateral' })],
        { form: 'espalier' },
      ).map(({ limbIds }) => limbIds[0]);
    // Without main limbs the plane is that of all
    const laterals = [90, 270].map((bearingDeg, i) =>
      limb(`L${i}`, 'T', { kind: 'lateral', bearingDeg, inclinationDeg: 0, jointCm: 100 + 50 * i }),
    );
    expect(found('out of plane', laterals, { form: 'cordon' })).toEqual([]);
    expect([out(60.5), out(59.5), out(0), out(0, 20), out(0, 19)]).toEqual([[], ['X'], ['X'], ['X'], []]);
  });

  test('three limbs within 5 cm of stem are a cluster', () => {
    const near = (...joints: number[]) =>
      found(
        'cluster',
        joints.map((jointCm, i) => limb(`A${i}`, 'T', { jointCm, bearingDeg: 120 * i })),
      );
    expect(near(100, 103, 105)).toMatchObject([{ limbIds: ['A0', 'A1', 'A2'], measured: 3, limit: 3 }]);
    expect(near(100, 103, 105.1)).toEqual([]);
    expect(near(100, 103)).toEqual([]);
    expect(near(100, 101, 102, 150, 151, 152).map(({ limbIds }) => limbIds)).toEqual([
      ['A0', 'A1', 'A2'],
      ['A3', 'A4', 'A5'],
    ]);
  });
});

test('segments: ends, points and parallels', () => {
  const p = (x: number, y: number, z = 0) => ({ x, y, z });
  const between = (a: number[], b: number[], c: number[], d: number[]) =>
    nearest(
      { base: p(a[0] as number, a[1] as number), tip: p(b[0] as number, b[1] as number) },
      { base: p(c[0] as number, c[1] as number), tip: p(d[0] as number, d[1] as number) },
    );
  expect(between([0, 0], [4, 0], [1, 1], [1, 1])).toEqual({ distance: 1, s: 0.25, t: 0 });
  expect(between([1, 1], [1, 1], [0, 0], [4, 0])).toEqual({ distance: 1, s: 0, t: 0.25 });
  expect(between([0, 0], [4, 0], [3, 1], [3, 5])).toEqual({ distance: 1, s: 0.75, t: 0 });
  expect(between([0, 0], [4, 0], [3, 5], [3, 1])).toEqual({ distance: 1, s: 0.75, t: 1 });
  expect(between([0, 0], [4, 0], [5, 1], [9, 1]).distance).toBeCloseTo(Math.SQRT2, 12);
});

// What they say today of one tree with this seed: another figure means other geometry, other leaves or other chances
test('hats thrown and light inside, of one tree', () => {
  const limbs = starterMap({
    form: 'central leader',
    species: 'apple',
    heightCm: 400,
    spreadCm: 380,
    scaffolds: 7,
    girthCm: 60,
    ageYears: 20,
  });
  const top = limbs.map((limb) =>
    limb.id === 'G'
      ? { ...limb, lengthCm: limb.lengthCm * 0.6, tipMm: 20, uncutLengthCm: limb.lengthCm }
      : limb,
  );
  expect(gapTest(limbs, 2000, 7)).toMatchObject({
    passed: 1232,
    share: 0.616,
    catchers: [
      { limbId: 'T', caught: 0.142 },
      { limbId: 'A', caught: 0.076 },
      { limbId: 'C', caught: 0.0675 },
      { limbId: 'B', caught: 0.0595 },
      { limbId: 'D', caught: 0.057 },
      { limbId: 'E', caught: 0.0515 },
    ],
  });
  const whole = lightInside(limbs, 7);
  expect(whole.share).toBeCloseTo(0.5347029904, 9);
  expect(whole.leafAreaM2).toBeCloseTo(68.52441896, 6);
  const opened = lightInside(top, 7, limbs);
  expect(opened.share).toBeGreaterThan(whole.share);
  expect(opened.leafAreaM2).toBeLessThan(whole.leafAreaM2);
  expect(gapTest(top, 2000, 7, HAT_RADIUS_CM, limbs).passed).toBeGreaterThanOrEqual(1232);
});
