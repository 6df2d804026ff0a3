// Bringing a tree down to a height: which limbs have a problem, which branches take over, what each cut leaves. The rules: domain knowledge of pruning, common practice, no source.
import type { Lesion } from '../cuts/index';
import type { Limb } from '../tree/index';
import { heightLeft, heightOf, stemKeptCm, tooTall } from './height';
import { targetFault } from './target';

const limb = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  more: Partial<Limb> = {},
): Limb => ({
  ...{ id, parentId, jointCm, lengthCm, baseMm, tipMm: Math.min(8, baseMm), ageYears: 12, bearingDeg: 0 },
  kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'lateral',
  inclinationDeg: parentId === null ? 90 : 0,
  budsComplete: true,
  ...more,
});
/** A leader of 5 m that tapers evenly from 100 mm, level limbs on it at these heights, each of this thickness. */
const tree = (...limbs: [atCm: number, mm: number][]): Limb[] => [
  limb('T', null, 0, 500, 100, { tipMm: 0 }),
  limb('low', 'T', 60, 150, 60),
  ...limbs.map(([atCm, mm], i) => limb(`L${i}`, 'T', atCm, 100, mm)),
];
const ofStem = (limbs: Limb[], targetCm = 350, lesions: Lesion[] = []) =>
  tooTall(limbs, targetCm, lesions).find(({ limbId }) => limbId === 'T');
const heirs = (limbs: Limb[], lesions: Lesion[] = []) =>
  ofStem(limbs, 350, lesions)?.lowerings.map(
    ({ cut, heir }) =>
      `${heir} ${cut.because[0]?.place.kind === 'reduction' && cut.because[0].place.toLimbId}`,
  );

test('the height of a tree is that of its highest point, and of some of its limbs that of theirs', () => {
  const limbs = tree([300, 30]);
  expect(heightOf(limbs)).toBeCloseTo(500, 9);
  expect(
    heightOf(
      limbs,
      limbs.filter(({ id }) => id === 'L0'),
    ),
  ).toBeCloseTo(300, 9);
  expect(heightOf([])).toBe(0);
});

test.each([
  ['25 cm above the height it may stay', 475, false],
  ['a little higher it is too tall', 474.9, true],
])('%s', (_, targetCm, isTall) => {
  expect(ofStem(tree([300, 30]), targetCm) !== undefined).toBe(isTall);
});

test.each([
  ['joined 25 cm above the height, a limb is brought down itself', 375, true],
  ['joined higher, it goes with the stem', 375.1, false],
])('%s', (_, jointCm, itself) => {
  const limbs = [...tree([300, 30]), limb('up', 'T', jointCm, 100, 20, { inclinationDeg: 80 })];
  const found = tooTall(limbs, 350, []);
  expect(found.some(({ limbId }) => limbId === 'up')).toBe(itself);
  expect(ofStem(limbs)?.limbIds.has('up')).toBe(!itself);
  // What stands on wood that goes with the stem goes with it too
  const twig = tooTall([...limbs, limb('twig', 'up', 50, 40, 8, { inclinationDeg: 85 })], 350, []);
  expect(twig.find(({ limbIds }) => limbIds.has('twig'))?.limbId).toBe(itself ? 'up' : 'T');
});

test('a sucker is no limb to be brought down', () => {
  expect(
    tooTall([...tree(), limb('S', null, 0, 480, 20, { kind: 'sucker', inclinationDeg: 88 })], 350, []).map(
      ({ limbId }) => limbId,
    ),
  ).toEqual(['T']);
});

// At 300 cm the leader measures 40 mm, at 260 cm 48 mm: a third is 13.3 and 16 mm, a quarter 10 and 12 mm. At 240 cm it is 52 mm, of which half is asked
test.each<[string, [number, number][], string[], boolean]>([
  [
    'every stout branch from a metre below on, also above the height',
    [
      [255, 20],
      [300, 20],
      [400, 20],
    ],
    ['stout L0', 'stout L1', 'stout L2'],
    false,
  ],
  [
    'none from farther down',
    [
      [249, 40],
      [300, 20],
    ],
    ['stout L1'],
    false,
  ],
  ['a third of the leader is enough', [[300, 13.4]], ['stout L0'], false],
  [
    'a little less is a weak heir, where it is the thickest',
    [
      [300, 13.2],
      [260, 12.5],
    ],
    ['weak L0'],
    false,
  ],
  ['less than a quarter is none', [[300, 9.9]], [], true],
  ['a quarter is', [[300, 10]], ['weak L0'], false],
  [
    'a weak one is not taken where a stout one stands below',
    [
      [300, 13.2],
      [320, 13],
    ],
    ['stout L1'],
    false,
  ],
  [
    'but is where the stout one stands above the height',
    [
      [300, 13.2],
      [400, 20],
    ],
    ['weak L0', 'stout L1'],
    false,
  ],
  ['and only above it nothing brings the tree down', [[400, 20]], ['stout L0'], true],
])('who takes over: %s', (_, limbs, expected, noHeir) => {
  expect(heirs(tree(...limbs))).toEqual(expected);
  expect(ofStem(tree(...limbs))?.noHeir).toBe(noHeir);
});

test('what is ill or dead does not take over', () => {
  const lesion = (limbId: string, disorder: string): Lesion => ({
    id: 'x',
    limbId,
    fromCm: 10,
    toCm: 20,
    disorder,
    edge: 'definite',
  });
  const limbs = tree([280, 20], [300, 20]);
  expect(heirs(limbs, [lesion('L1', 'NEO')])).toEqual(['stout L0']);
  expect(heirs(limbs, [lesion('L0', 'DEAD')])).toEqual(['stout L1']);
});

test('what is left after a cut: the kerf, what stands below it, and the branch that takes over with all it carries', () => {
  const limbs = tree([300, 20], [320, 20]);
  const afterOf = (all: Limb[]) => ofStem(all)?.lowerings.map(({ afterCm }) => Math.round(afterCm));
  // 1 cm for half of the branch and 2.5 cm kept beyond it
  expect(afterOf(limbs)).toEqual([304, 324]);
  const rising = limbs.map((each) => (each.id === 'L0' ? { ...each, inclinationDeg: 90 } : each));
  expect(afterOf(rising)?.[0]).toBe(400);
  const topped = [...limbs, limb('twig', 'L0', 100, 120, 10, { inclinationDeg: 90 })];
  expect(afterOf(topped)?.[0]).toBe(420);
  // A limb that belongs to the stem, joins below the kerf and stands higher than it
  const beside = [...tree([400, 20], [450, 20]), limb('up', 'T', 390, 60, 10, { inclinationDeg: 90 })];
  expect(afterOf(beside)).toEqual([450, 450, 452]);
  // What joins above the kerf goes with it; at the kerf itself it stays
  const above = (jointCm: number) =>
    afterOf([...tree([400, 20]), limb('up', 'T', jointCm, 30, 3, { inclinationDeg: 90 })])?.[0];
  expect(above(401.6)).toBe(432);
  expect(above(401.7)).toBe(402);
});

test.each([
  [500, 1],
  [600, 1],
  [425, 0.5],
  [350, 0],
  [200, 0],
])('ending at %d cm of 500 where 350 are wanted leaves %d of it', (afterCm, left) => {
  expect(heightLeft({ tipCm: 500 }, afterCm, 350)).toBeCloseTo(left, 9);
});

test('a limb may also go whole, thin wood without an heir is headed at the height, a stem never goes', () => {
  const limbs = [
    ...tree([300, 30]),
    limb('up', 'T', 290, 150, 24, {
      inclinationDeg: 90,
      buds: [
        { atCm: 40, points: 'out', kind: 'leaf', live: true },
        { atCm: 58, points: 'out', kind: 'leaf', live: true },
        { atCm: 61, points: 'out', kind: 'leaf', live: true },
      ],
    }),
  ];
  const of = (all: Limb[]) =>
    tooTall(all, 350, [])
      .find(({ limbId }) => limbId === 'up')
      ?.lowerings.map(({ cut, heir, afterCm }) => [cut.kind, heir, Math.round(afterCm * 10) / 10]);
  // The bud at 58 cm is the last one no higher than 350 cm over the ground
  expect(of(limbs)).toEqual([
    ['heading', 'bud', 348.6],
    ['collar', 'none', 0],
  ]);
  const higher = (jointCm: number) =>
    limbs.map((each) =>
      each.id === 'up'
        ? { ...each, jointCm, buds: [{ atCm: 0.5, points: 'out', kind: 'leaf', live: true }] as Limb['buds'] }
        : each,
    );
  expect(of(higher(348.5))?.map(([kind]) => kind)).toEqual(['heading', 'collar']);
  expect(of(higher(350))?.map(([kind]) => kind)).toEqual(['collar']);
  const withHeir = [...limbs, limb('h', 'up', 30, 40, 12)];
  expect(of(withHeir)?.map(([, heir]) => heir)).toEqual(['stout', 'none']);
  expect(ofStem(limbs)?.lowerings.some(({ cut }) => cut.atCm === 0)).toBe(false);
});

test('of a stem two thirds stay in a season', () => {
  expect(stemKeptCm(600)).toBeCloseTo(400, 9);
});

test.each<[number | null, object | null]>([
  [null, null],
  [60, null],
  [59.9, { code: 'underLowestLimb', given: { targetCm: 60, lowestCm: 60 } }],
  [10, { code: 'underLowestLimb', given: { targetCm: 10, lowestCm: 60 } }],
])('a height of %p cm where the lowest main limb joins at 60 cm', (targetCm, fault) => {
  expect(targetFault(tree([300, 20]), targetCm)).toEqual(fault);
});

test('a bare stem may be meant to have any height', () => {
  expect(targetFault([limb('T', null, 0, 120, 20)], 10)).toBeNull();
});

test('one of several stems may go at the stool, the only one never', () => {
  const stoolOf = (limbs: Limb[]) =>
    ofStem(limbs)?.lowerings.flatMap(({ cut, afterCm, heir }) =>
      cut.atCm === 0 ? [[cut.kind, afterCm, heir]] : [],
    );
  expect(stoolOf(tree([300, 30]))).toEqual([]);
  expect(stoolOf([...tree([300, 30]), limb('U', null, 0, 300, 90)])).toEqual([['collar', 0, 'none']]);
});
