import { cutBack } from './cutBack';
import { type Limb, LimbMap, limbMapFaults, MOST_DEEP } from './limbMap';
import { limbNames } from './limbNames';
import { stem as plainStem } from './testing/given';
import { walkTowardStool } from './walk';
import { ageYearsAt, diameterMmAt, indexLimbs } from './wood';

const stem: Limb = { ...plainStem, graftUnionCm: 15 };
const side: Limb = {
  id: 'S',
  parentId: 'T',
  jointCm: 90,
  lengthCm: 220,
  baseMm: 62,
  tipMm: 12,
  ageYears: 9,
  kind: 'scaffold',
  bearingDeg: 120,
  inclinationDeg: 40,
};
const twig: Limb = {
  ...side,
  id: 'L',
  parentId: 'S',
  jointCm: 140,
  lengthCm: 90,
  baseMm: 24,
  tipMm: 5,
  ageYears: 3,
  kind: 'lateral',
  buds: [{ atCm: 41, points: 'under', kind: 'leaf', live: true }],
};

describe('a limb map that is no tree is refused with the path of the fault', () => {
  const cases: [string, Partial<Limb>[] | unknown, string][] = [
    ['a loop', [stem, { ...side, parentId: 'L' }, twig], '1.parentId'],
    ['no stem', [{ ...twig, parentId: null, kind: 'sucker' }], ''],
    ['no limb at all', [], ''],
    ['a limb without parent', [stem, { ...side, parentId: null }], '1.parentId'],
    ['a stem on a limb', [stem, side, { ...stem, id: 'U', parentId: 'S' }], '2.parentId'],
    ['an unknown parent', [stem, { ...side, parentId: 'Z' }], '1.parentId'],
    ['a doubled id', [stem, side, { ...side }], '2.id'],
    ['a joint beyond the parent’s end', [stem, { ...side, jointCm: 301 }], '1.jointCm'],
    ['a length of nought', [stem, { ...side, lengthCm: 0 }], '1.lengthCm'],
    ['a thickness that is not a number', [stem, { ...side, baseMm: Number.NaN }], '1.baseMm'],
    ['a tip thicker than the base', [stem, { ...side, tipMm: 70 }], '1.tipMm'],
    [
      'a bud off the wood',
      [stem, side, { ...twig, buds: [{ atCm: 95, points: 'out', kind: 'leaf', live: true }] }],
      '2.buds.0.atCm',
    ],
    ['a growth ring off the wood', [stem, { ...side, yearMarksCm: [50, 240] }], '1.yearMarksCm.1'],
    ['a graft union on a limb', [stem, { ...side, graftUnionCm: 5 }], '1.graftUnionCm'],
    ['a misspelt field', [{ ...stem, lenghtCm: 3 }], '0'],
  ];
  test.each(cases)('%s', (_, limbs, path) => {
    const parsed = LimbMap.safeParse(limbs);
    expect(parsed.success).toBe(false);
    expect(parsed.error?.issues.map((issue) => issue.path.join('.'))).toContain(path);
  });

  test('a loop is told of the limbs in it, and of none that hangs on it', () => {
    const ring = [
      { ...side, parentId: 'L' },
      { ...twig, parentId: 'S' },
      { ...twig, id: 'M', parentId: 'L' },
      { ...twig, id: 'N', parentId: 'M' },
    ];
    const told = (limbs: Limb[]) =>
      limbMapFaults(limbs).flatMap(({ path, why }) => (why.code === 'onItself' ? [path.join('.')] : []));
    expect(told([stem, ...ring])).toEqual(['1.parentId', '2.parentId']);
    expect(told([stem, ...ring.toReversed()])).toEqual(['3.parentId', '4.parentId']);
    expect(told([stem, { ...side, parentId: 'S' }])).toEqual(['1.parentId']);
  });

  test('sixty limbs on each other are a map, one more is none; of two thousand each is read a few times only', () => {
    const chain = (length: number) =>
      Array.from({ length }, (_, i) => ({
        ...(i === 0 ? stem : twig),
        id: `L${i}`,
        parentId: i === 0 ? null : `L${i - 1}`,
        jointCm: 0,
      }));
    expect(MOST_DEEP).toBe(60);
    expect(limbMapFaults(chain(MOST_DEEP + 1))).toEqual([]);
    const faults = limbMapFaults(chain(MOST_DEEP + 2).toReversed());
    expect(faults).toEqual([
      { path: [0, 'parentId'], why: { code: 'tooDeep', given: { limb: 'L61', most: 60 } } },
    ]);
    let reads = 0;
    const counted = chain(2000).map((limb) =>
      Object.defineProperty({ ...limb }, 'parentId', {
        get() {
          reads++;
          return limb.parentId;
        },
      }),
    );
    expect(limbMapFaults(counted)).toHaveLength(2000 - MOST_DEEP - 1);
    expect(reads).toBeGreaterThan(2000);
    expect(reads).toBeLessThan(20 * 2000);
  });

  test('a sound map passes, two stems and a root sucker included', () => {
    const limbs = [
      stem,
      side,
      twig,
      { ...stem, id: 'T2' },
      { ...twig, id: 'K', parentId: null, kind: 'sucker' as const },
    ];
    expect(LimbMap.safeParse(limbs).error).toBeUndefined();
  });
});

describe('wood', () => {
  test('diameter is linear between base and tip', () => {
    expect(diameterMmAt(side, 112)).toBeCloseTo(36.5, 1);
    expect(diameterMmAt(twig, 41.6)).toBeCloseTo(15.2, 1);
  });

  test('age without rings is max(1, ceil(age·(1 − s/length))); rings win over it', () => {
    expect([0, 30, 60, 90].map((s) => ageYearsAt(twig, s))).toEqual([3, 2, 1, 1]);
    expect([0, 69, 70, 90].map((s) => ageYearsAt({ ...twig, yearMarksCm: [40, 70] }, s))).toEqual([
      3, 2, 1, 1,
    ]);
  });

  test('a measure runs through the joint and stops at the trunk', () => {
    const index = indexLimbs([stem, side, twig]);
    expect(walkTowardStool(index, 'L', 12, 30)).toEqual({
      stretches: [
        { limbId: 'L', fromCm: 12, toCm: 0 },
        { limbId: 'S', fromCm: 140, toCm: 122 },
      ],
      end: { on: 'limb', limbId: 'S', atCm: 122 },
    });
    expect(walkTowardStool(index, 'S', 10, 30).end).toEqual({ on: 'trunk', stemId: 'T' });
  });
});

test('cutting back leaves a sound map whose wood keeps its age', () => {
  const after = cutBack([stem, side, twig], [{ limbId: 'L', atCm: 30 }]);
  expect(LimbMap.safeParse(after).error).toBeUndefined();
  expect(after[2]).toMatchObject({ lengthCm: 30, tipMm: diameterMmAt(twig, 30), buds: [] });
  expect(ageYearsAt(after[2] as Limb, 15)).toBe(ageYearsAt(twig, 15));
  expect(cutBack([stem, side, twig], [{ limbId: 'S', atCm: 115.6 }]).map((limb) => limb.id)).toEqual([
    'T',
    'S',
  ]);
  expect(
    cutBack([stem, side, { ...twig, jointCm: 0 }], [{ limbId: 'S', atCm: 0 }]).map((limb) => limb.id),
  ).toEqual(['T']);
});

test('names tell limbs apart from the ground, and the site’s own 12 o’clock counts', () => {
  const limbs = [stem, side, twig, { ...side, id: 'S2', jointCm: 295 }, { ...side, id: 'S3' }];
  expect([...limbNames(limbs, 0).values()]).toEqual([
    'Stem',
    'A · 4 o’clock, low',
    'A1 · 4 o’clock, 140 cm out',
    'C · 4 o’clock, high',
    'B · 4 o’clock, low',
  ]);
  expect(limbNames(limbs, 120).get('S')).toBe('A · 12 o’clock, low');
});
