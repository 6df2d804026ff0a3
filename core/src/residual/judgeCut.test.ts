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
    heightCm: 300,
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
    const tree = { ...given.tree, limbs: limbs.map((one) => ({ ...one, ageYears })) };
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

describe('what the blade meets', () => {
  test.each([
    ['nearer than 10 cm to the edge', {}, 50.1, true],
    ['10 cm from it', {}, 50, false],
    ['in the canker', {}, 65, true],
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
  const heavy = limbs.map((one) =>
    one.id === 'A' ? { ...one, baseMm: 130, tipMm: 60, lengthCm: 320 } : one,
  );
  const { handling } = judgeCut(heading(0), by([], undefined, { limbs: heavy }));
  expect(handling.massRangeKg[0]).toBeLessThan(50);
  expect(handling.massRangeKg[1]).toBeGreaterThan(50);
  expect(handling.handOver).toBe(true);
  expect(judgeCut(heading(0), by([])).handling).toMatchObject({ handOver: false, dead: false });
  expect(judgeCut(heading(0), by([], undefined, { hazards: ['power line'] })).handling.handOver).toBe(true);
  expect(judgeCut(heading(0), by([], undefined, { heightCm: 601 })).handling.handOver).toBe(true);
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
