// Bundles: one limb of the map for many alike. Whatever is summed over a tree counts them all; a kerf, a thickness and a tool are those of one.
import fc from 'fast-check';
import { geometryFaults, startingLimits } from '../faults/index';
import { cutMinutes, limbMass } from '../handling/index';
import {
  alike,
  cutBack,
  drawnSticks,
  type Limb,
  LimbMap,
  limbNames,
  limbShape,
  measured,
  onStretch,
  section,
  stretch,
} from '../tree/index';
import { crownMap } from './index';

const limb = (id: string, parentId: string | null, jointCm: number, more: Partial<Limb> = {}): Limb => ({
  ...{ id, parentId, jointCm, lengthCm: 200, baseMm: 60, tipMm: 10, ageYears: 8, bearingDeg: 0 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'sprout',
  inclinationDeg: parentId === null ? 90 : 30,
  ...more,
});
const frame = [
  limb('T', null, 0, { lengthCm: 100, baseMm: 120 }),
  limb('A', 'T', 80),
  limb('B', 'T', 90, { bearingDeg: 180 }),
];
const shoot: Partial<Limb> = { lengthCm: 90, baseMm: 12, tipMm: 4, ageYears: 2, inclinationDeg: 80 };
/** Fifteen uprights between 60 and 180 cm, counted and mapped one by one. */
const singly = Array.from({ length: 15 }, (_, i) => limb(`u${i}`, 'A', 64 + 8 * i, shoot));
const bundled = limb('u', 'A', 120, { ...shoot, bundle: { about: 15, overCm: 120 } });
const whole = (limbs: Limb[]) => crownMap(limbs, [], new Map(), { species: 'apple', habit: 'spur' });
const shareOf = (limbs: Limb[], isOf: (id: string) => boolean) =>
  whole(limbs).pieces.reduce((sum, { limbId, crown }) => (isOf(limbId) ? sum + crown : sum), 0);

test('a limb alone is one, at its joint; a bundle many, on its stretch', () => {
  expect([alike(frame[0] as Limb), section(frame[1] as Limb), stretch(frame[1] as Limb)]).toEqual([
    1,
    3600,
    [80, 80],
  ]);
  expect([alike(bundled), section(bundled), stretch(bundled)]).toEqual([15, 15 * 144, [60, 180]]);
  expect(onStretch(60, 180)).toEqual({ jointCm: 120, overCm: 120 });
});

test('a bundle carries the crown and the weight of all its limbs', () => {
  const [one, other] = [
    [...frame, ...singly],
    [...frame, bundled],
  ];
  // Fifteen shares are rounded fifteen times
  const counted = shareOf(one, (id) => id.startsWith('u'));
  expect(Math.abs(shareOf(other, (id) => id === 'u') - counted)).toBeLessThanOrEqual(15 / 2);
  expect(counted).toBeGreaterThan(150);
  const kg = (limbs: Limb[]) => limbMass(limbs, 'apple', { limbId: 'A', atCm: 0 }, 'bare').woodM3;
  expect(kg(other)).toBeCloseTo(kg(one), 9);
});

test('a bundle is cut by the shoot: 0.15 minutes each with shears, 0.4 with a lopper', () => {
  const minutes = (kind: 'hand shear' | 'lopper', many: number) => {
    const tool = { id: 'x', name: 'x', kind, takesMm: 30, lengthCm: 20 } as never;
    const wielded = { tool, station: 'ground' as const };
    return cutMinutes({ wielded, kerfMm: 12, dead: false, pieces: 1, alike: many, kg: 0, cleanSeconds: 0 })
      .minutes;
  };
  // And 12 s once to stand and look
  expect(minutes('hand shear', 20)).toBeCloseTo(20 * 0.15 + 0.2, 9);
  expect(minutes('lopper', 20)).toBeCloseTo(20 * 0.4 + 0.2, 9);
  expect(minutes('lopper', 1)).toBeLessThan(0.4);
});

test.each<[string, Partial<Limb>, string | null]>([
  ['within its parent', {}, null],
  ['up to its very end', { jointCm: 140 }, null],
  ['a centimetre past it', { jointCm: 141 }, 'bundleBeyond'],
  ['beginning before it', { jointCm: 59 }, 'bundleBeyond'],
  [
    'of a main limb',
    { parentId: 'T', jointCm: 50, kind: 'scaffold', bundle: { about: 2, overCm: 10 } },
    'noBundle',
  ],
  ['that carries a limb', { id: 'u' }, 'onBundle'],
])('a bundle %s', (name, change, why) => {
  const more = name === 'that carries a limb' ? [limb('x', 'u', 10, shoot)] : [];
  const read = LimbMap.safeParse([...frame, { ...bundled, ...change }, ...more]);
  expect(read.success ? null : read.error.issues[0]?.message).toBe(why);
});

test.each([
  [1, false],
  [2, true],
  [200, true],
  [201, false],
  [2.5, false],
])('about %d alike', (about, taken) => {
  expect(LimbMap.safeParse([...frame, { ...bundled, bundle: { about, overCm: 120 } }]).success).toBe(taken);
});

test('a kerf on its parent takes it where its middle lies beyond, and else leaves it on what stands', () => {
  const left = (atCm: number) =>
    cutBack([...frame, bundled], [{ limbId: 'A', atCm }]).find(({ id }) => id === 'u');
  expect(left(119)).toBeUndefined();
  expect(left(140)).toMatchObject({ bundle: { about: 15, overCm: 80 }, jointCm: 100 });
  expect(left(190)).toMatchObject({ bundle: { about: 15, overCm: 120 }, jointCm: 120 });
  expect(LimbMap.safeParse(cutBack([...frame, bundled], [{ limbId: 'A', atCm: 140 }])).success).toBe(true);
});

test('measured anew it stays on its parent, and becomes one limb again', () => {
  const map = [...frame, bundled];
  const shorter = measured(map, 'A', { lengthCm: 150 });
  expect(stretch(shorter.find(({ id }) => id === 'u') as Limb)).toEqual([60, 150]);
  expect(LimbMap.safeParse(shorter).success).toBe(true);
  const moved = measured(map, 'u', { bundle: { about: 9, overCm: 300 } });
  expect(moved.find(({ id }) => id === 'u')).toMatchObject({
    jointCm: 100,
    bundle: { about: 9, overCm: 200 },
  });
  expect(measured(map, 'u', { bundle: undefined }).find(({ id }) => id === 'u')).not.toHaveProperty('bundle');
});

test('of a bundle nobody knows where each limb stands: it rubs nothing and makes no narrow union, but upright wood it is', () => {
  const tree = (limbs: Limb[]) => ({
    limbs,
    species: 'apple',
    form: 'open centre' as const,
    habit: 'spur' as const,
    reachCm: null,
  });
  const across = limb('x', 'B', 20, { bearingDeg: 0, lengthCm: 180, inclinationDeg: 35 });
  const kinds = (limbs: Limb[]) =>
    geometryFaults(tree(limbs), startingLimits())
      .filter(({ limbIds }) => limbIds.includes('u'))
      .map(({ kind }) => kind);
  expect(kinds([...frame, across, bundled])).toEqual(['upright sprout']);
});

test('it is called by its count and place, and drawn as a handful over its stretch', () => {
  expect(limbNames([...frame, bundled], 0).get('u')).toBe('A1 · about 15, 120 cm out');
  const shape = limbShape([...frame, bundled]);
  expect(drawnSticks(frame[1] as Limb, shape)).toEqual([shape.get('A')]);
  const drawn = drawnSticks(bundled, shape);
  expect(drawn).toHaveLength(5);
  const far = (a: number, b: number) =>
    Math.hypot(
      ...(['x', 'y', 'z'] as const).map((axis) => (drawn[a]?.base[axis] ?? 0) - (drawn[b]?.base[axis] ?? 0)),
    );
  expect(far(0, 4)).toBeCloseTo(120, 6);
  expect(far(0, 2)).toBeCloseTo(60, 6);
  expect(drawnSticks({ ...bundled, bundle: { about: 3, overCm: 120 } }, shape)).toHaveLength(3);
});

test('coarsened, a tree keeps the crown of every main limb within the count that was guessed', () => {
  const errors: number[] = [];
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          at: fc.integer({ min: 20, max: 180 }),
          mm: fc.integer({ min: 8, max: 16 }),
          on: fc.constantFrom('A', 'B'),
        }),
        { minLength: 4, maxLength: 40 },
      ),
      fc.integer({ min: -25, max: 25 }),
      (shoots, missed) => {
        const full = [
          ...frame,
          ...shoots.map(({ at, mm, on }, i) => limb(`s${i}`, on, at, { ...shoot, baseMm: mm })),
        ];
        const coarse = [...frame];
        for (const on of ['A', 'B']) {
          const these = shoots.filter((each) => each.on === on);
          if (these.length < 2) {
            coarse.push(...full.filter(({ parentId }) => parentId === on));
            continue;
          }
          const ends = onStretch(
            Math.min(...these.map(({ at }) => at)),
            Math.max(...these.map(({ at }) => at)),
          );
          const mm = these.reduce((sum, each) => sum + each.mm, 0) / these.length;
          const about = Math.max(2, Math.round(these.length * (1 + missed / 100)));
          coarse.push(
            limb(`c${on}`, on, ends.jointCm, {
              ...shoot,
              baseMm: mm,
              bundle: { about, overCm: ends.overCm },
            }),
          );
        }
        const of = (limbs: Limb[], on: string) =>
          shareOf(limbs, (id) => limbs.find((each) => each.id === id)?.parentId === on);
        for (const on of ['A', 'B']) errors.push(Math.abs(of(coarse, on) - of(full, on)) / 1000);
        expect(whole(coarse).pieces.reduce((sum, { crown }) => sum + crown, 0)).toBe(1000);
      },
    ),
    { numRuns: 300, seed: 11 },
  );
  const sorted = errors.toSorted((a, b) => a - b);
  expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(0.03);
  expect(sorted[Math.floor(sorted.length * 0.9)]).toBeLessThan(0.08);
});
