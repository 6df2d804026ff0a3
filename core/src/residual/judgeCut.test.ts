// The one judgement of a cut, each limit on both sides. Distances, weights and chances follow the rooms they come from, which are tested against their sources.

import { startingKit } from '../handling/index';
import type { Limb } from '../tree/index';
import { isVigorous, judgeCut, worstShortfallCm } from './index';
import type { FindingAtCut, JudgedBy } from './judgeCut';

const limb = (id: string, parentId: string | null, jointCm: number, more: Partial<Limb> = {}): Limb => ({
  id,
  parentId,
  jointCm,
  lengthCm: 200,
  baseMm: parentId === null ? 120 : 50,
  tipMm: 10,
  ageYears: 12,
  kind: parentId === null ? 'trunk' : 'scaffold',
  bearingDeg: 0,
  inclinationDeg: parentId === null ? 90 : 30,
  budsComplete: true,
  ...more,
});
const limbs = [
  limb('T', null, 0, { lengthCm: 100 }),
  limb('A', 'T', 70),
  limb('A1', 'A', 60, { lengthCm: 90, baseMm: 30, ageYears: 5, kind: 'lateral' }),
];
const canker: FindingAtCut = {
  id: 'canker',
  limbId: 'A',
  fromCm: 60,
  toCm: 70,
  disorder: 'NEO',
  edge: 'definite',
  growthRapid: false,
};
const by = (
  findings: FindingAtCut[],
  clearanceCm?: number,
  more: Partial<JudgedBy['tree']> = {},
): JudgedBy => ({
  tree: {
    limbs,
    species: 'apple',
    hazards: [],
    plantedYear: 2000,
    susceptible: false,
    ...more,
  },
  findings,
  clearances:
    clearanceCm === undefined ? {} : Object.fromEntries(findings.map(({ id }) => [id, { clearanceCm }])),
  settings: { liftKg: 15, kit: [...startingKit] },
  season: 'dormant',
  year: 2026,
});
const heading = (atCm: number, limbId = 'A') => ({ limbId, atCm, kind: 'heading' });

test.each([
  [30, 30, 60, 0],
  [31, 30, 60, 1],
  [10, 30, 60, 0],
  // At or beyond the edge the disease itself is still there: all of it is missing
  [60, 30, 60, 30],
  [65, 30, 60, 30],
  // No clearance asked for: none is missing
  [59, 0, 60, 0],
])('cut at %i cm, %i cm asked for, edge at %i cm: %i cm short', (atCm, clearanceCm, fromCm, short) => {
  const judged = judgeCut(heading(atCm), by([{ ...canker, fromCm }], clearanceCm));
  expect(worstShortfallCm(judged, ['canker'])).toBe(short);
});

test('from a side branch at 60 the wood runs on down the limb; the worst of several counts', () => {
  const onBranch = { ...canker, id: 'branch', limbId: 'A1', fromCm: 5, toCm: 9 };
  const judged = judgeCut(heading(50), by([onBranch, { ...canker, fromCm: 78 }], 30));
  expect(judged.shortfallCm).toEqual({ branch: 15, canker: 2 });
  expect(worstShortfallCm(judged, ['branch', 'canker'])).toBe(15);
  expect(worstShortfallCm(judged, ['canker', 'unheard of'])).toBe(2);
  expect(worstShortfallCm(judged, [])).toBe(0);
  expect(judged.left.map(({ findingId, distanceCm }) => [findingId, distanceCm])).toEqual([
    ['branch', 15],
    ['canker', 28],
  ]);
});

test('what stays on the tree is not left behind a cut; dead wood and wounds leave nothing', () => {
  expect(judgeCut(heading(65), by([canker])).left).toEqual([]);
  const dead = { ...canker, disorder: 'DEAD' };
  expect(judgeCut(heading(50), by([dead])).left).toEqual([
    { findingId: 'canker', distanceCm: 10, chance: 0, range: [0, 0] },
  ]);
  // In a stub what is left comes off later: × 0.3, by the room that says it
  const fireblight = { ...canker, disorder: 'FB_CANK_A' };
  const chance = (kind: string) =>
    judgeCut({ limbId: 'A', atCm: 55, kind }, by([fireblight])).left[0]?.chance;
  expect(chance('stub')).toBeCloseTo((chance('heading') ?? 0) * 0.3, 9);
  expect(chance('heading')).toBeGreaterThan(0);
});

test('a union into wood of two years or more lies between, on the way and at the joint', () => {
  const fireblight = { ...canker, disorder: 'FB_CANK_A', edge: 'indefinite' as const };
  const chance = (finding: FindingAtCut, cut: ReturnType<typeof heading>, ageYears = 12) => {
    const given = by([finding]);
    const tree = { ...given.tree, limbs: limbs.map((limb) => ({ ...limb, ageYears })) };
    return judgeCut(cut, { ...given, tree }).left[0]?.chance ?? Number.NaN;
  };
  // The side branch at 60 is passed, or not; the distance is 20 cm both times
  expect(chance({ ...fireblight, fromCm: 75 }, heading(55))).toBeCloseTo(
    0.7 * chance({ ...fireblight, fromCm: 55 }, heading(35)),
    9,
  );
  // Out of a side branch of one year the bark is no barrier
  const inBranch = { ...fireblight, limbId: 'A1', fromCm: 5, toCm: 9 };
  expect(chance(inBranch, heading(45), 12)).toBeCloseTo(0.7 * chance(inBranch, heading(45), 1), 9);
});

test.each([
  // The side branch joins A at 60; wood there is old enough at 12 years, and not at one
  ['the edge lies at the joint itself', 60, 40, 12, false],
  ['the edge lies just beyond it', 60.1, 40, 12, true],
  ['the kerf lies at the joint', 75, 60, 12, false],
  ['the kerf lies just before it', 75, 59.9, 12, true],
  // 2 years over 200 cm: two in the inner half, at 60 too
  ['in wood of just two years', 75, 40, 2, true],
  ['in wood of one year', 75, 40, 1, false],
])('a union between edge and kerf: %s', (_, fromCm, atCm, ageYears, crossed) => {
  const chance = (tree: Limb[]) => {
    const given = by([{ ...canker, fromCm }]);
    return (
      judgeCut(heading(atCm), { ...given, tree: { ...given.tree, limbs: tree } }).left[0]?.chance ??
      Number.NaN
    );
  };
  const aged = limbs.map((limb) => ({ ...limb, ageYears }));
  const without = chance(aged.filter((part) => part.id !== 'A1'));
  expect(chance(aged)).toBeCloseTo(without * (crossed ? 0.7 : 1), 12);
});

test.each([
  [2, 0.7],
  [1, 1],
])('out of a branch whose base is %i years old, that joins beside nothing', (ageYears, factor) => {
  const tree = limbs.map((limb) => (limb.id === 'A1' ? { ...limb, ageYears } : { ...limb, ageYears: 1 }));
  const given = by([
    { ...canker, disorder: 'FB_CANK_A', edge: 'indefinite', limbId: 'A1', fromCm: 5, toCm: 9 },
  ]);
  const [left] = judgeCut(heading(45), { ...given, tree: { ...given.tree, limbs: tree } }).left;
  const [alone] = judgeCut(heading(45), {
    ...by([{ ...canker, disorder: 'FB_CANK_A', edge: 'indefinite', fromCm: 65 }]),
    tree: { ...given.tree, limbs: tree.filter((part) => part.id !== 'A1') },
  }).left;
  expect([left?.distanceCm, alone?.distanceCm]).toEqual([20, 20]);
  expect(left?.chance).toBeCloseTo((alone?.chance ?? 0) * factor, 12);
});

test('a kerf beyond the end of its limb is one at its end', () => {
  const [beyond, end] = [250, 200].map((atCm) => judgeCut(heading(atCm), by([])).handling);
  expect(beyond?.kerfMm).toBe(10);
  expect(beyond?.kerfHeightCm).toBeCloseTo(end?.kerfHeightCm ?? Number.NaN, 9);
  // 70 cm up the stem, 200 cm at 30°
  expect(end?.kerfHeightCm).toBeCloseTo(170, 9);
  expect(judgeCut(heading(100), by([])).handling.kerfHeightCm).toBeCloseTo(120, 9);
});

describe('what the blade meets', () => {
  test.each([
    ['nearer than 10 cm to the edge', {}, 50.1, true],
    ['10 cm from it', {}, 50, false],
    ['in the canker', {}, 65, true],
    ['just at its edge', {}, 60, true],
    ['10 cm beyond it', {}, 80, true],
    ['further beyond', {}, 80.1, false],
    ['healed', { healed: true }, 65, false],
    ['dead wood comes off: of whatever it died', { disorder: 'DEAD' }, 20, true],
    ['dead wood that stays', { disorder: 'DEAD' }, 65, false],
    ['ooze comes off with it, however far', { ooze: true }, 5, true],
    ['a wound', { disorder: 'BRK' }, 59, false],
  ] as const)('%s', (_, more, atCm, infected) => {
    expect(judgeCut(heading(atCm), by([{ ...canker, ...more }])).infected).toBe(infected);
  });

  test('a canker on another limb', () => {
    expect(judgeCut(heading(65, 'A1'), by([canker])).infected).toBe(false);
  });
});

test.each([
  [{ growthRapid: false }, { plantedYear: 2018 }, false],
  [{ growthRapid: false }, { plantedYear: 2019 }, true],
  [{ growthRapid: false }, { plantedYear: null }, false],
  [{ growthRapid: true }, { plantedYear: null }, true],
  [{ growthRapid: false }, { plantedYear: null, susceptible: true }, true],
])('%j on a tree of %j in 2026: vigorous %p', (finding, tree, vigorous) => {
  expect(isVigorous(finding, { tree: { susceptible: false, ...tree }, year: 2026 })).toBe(vigorous);
});

test('whose cut: by the upper end of the weight, and by what is known of the tree', () => {
  const heavy = limbs.map((limb) =>
    limb.id === 'A' ? { ...limb, baseMm: 130, tipMm: 60, lengthCm: 320 } : limb,
  );
  const { handling } = judgeCut(heading(0), by([], undefined, { limbs: heavy }));
  expect(handling.massRangeKg[0]).toBeLessThan(50);
  expect(handling.massRangeKg[1]).toBeGreaterThan(50);
  expect(handling.handOver).toBe(true);
  expect(judgeCut(heading(0), by([])).handling).toMatchObject({ handOver: false, dead: false });
  expect(judgeCut(heading(0), by([], undefined, { hazards: ['power line'] })).handling.handOver).toBe(true);
  expect(judgeCut(heading(0), by([], undefined, { hazards: ['lean'] })).handling.handOver).toBe(true);
});

test('where the bud is still to be found, the outermost place counts', () => {
  const judged = judgeCut({ ...heading(10), upToCm: 40 }, by([canker], 30));
  expect(judged.kerf).toEqual({ limbId: 'A', atCm: 40 });
  expect(judged.shortfallCm).toEqual({ canker: 10 });
});

test('the wood at the kerf is dead from one centimetre short of where it begins', () => {
  const dead = { ...canker, disorder: 'DEAD' };
  const isDead = (atCm: number) => judgeCut(heading(atCm), by([dead])).handling.dead;
  expect([58.9, 59, 120].map(isDead)).toEqual([false, true, true]);
});

test('a limb that is not there is named', () => {
  expect(() => judgeCut(heading(10, 'Z'), by([]))).toThrow('Limb Z is not on this tree.');
});
