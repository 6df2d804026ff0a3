// Distances are checked against the ranges that extension literature is remembered to give; the exact publications stand in the table.

import {
  Clearance,
  ClearanceCase,
  clearance,
  codesWhere,
  codeWhere,
  defaultSchoolOf,
  disorders,
  isPlainDead,
  schoolsFor,
  seasonOn,
} from './index';
import { clearanceSchools } from './schools';

const plain: ClearanceCase = {
  disorder: 'FB_CANK_A',
  season: 'dormant',
  edge: 'definite',
  growthRapid: false,
  cultivarSusceptible: false,
  treeAgeYears: 20,
};

describe('clearance', () => {
  test.each<[string, Partial<ClearanceCase>, number]>([
    ['upper end of the range', {}, 30],
    ['× 1.5 for an edge that is not definite', { edge: 'indefinite' }, 45],
    ['× 1.5 for a young tree', { treeAgeYears: 7 }, 45],
    ['not for one of eight years', { treeAgeYears: 8 }, 30],
    [
      '× 1.5 never stacks',
      { edge: 'indefinite', growthRapid: true, cultivarSusceptible: true, treeAgeYears: 3 },
      45,
    ],
    ['unknown age is not young', { treeAgeYears: null }, 30],
    ['definite dormant edges at half', { halveDefiniteDormant: true }, 15],
    ['never under 10 cm', { halveDefiniteDormant: true, schools: { FB_CANK_A: 'fb-8' } }, 10],
    ['× 1.5 wins over the half', { halveDefiniteDormant: true, growthRapid: true }, 45],
    ['no half in growth', { halveDefiniteDormant: true, season: 'summer' }, 30],
    [
      'no half of a dormant figure',
      { halveDefiniteDormant: true, schools: { FB_CANK_A: 'fb-season-a' } },
      15,
    ],
    ['the season’s own figure', { season: 'bloom', schools: { FB_CANK_A: 'fb-season-a' } }, 30],
    ['a school that is none of this disorder falls back', { schools: { FB_CANK_A: 'neo-15' } }, 30],
    ['dead wood: none, whatever else holds', { disorder: 'DEAD', edge: 'indefinite', treeAgeYears: 2 }, 0],
  ])('%s', (_, given, cm) => {
    expect(clearance({ ...plain, ...given }).clearanceCm).toBe(cm);
  });

  test('a disorder without a school is refused', () => {
    expect(() => clearance({ ...plain, disorder: 'nothing' })).toThrow('nothing');
  });
});

test('every disorder has a default school or says what to do instead, every figure a source and a confidence', () => {
  for (const { code, source, answer, instead } of disorders) {
    if (answer === 'leave') expect(instead).toBeTruthy();
    else expect(schoolsFor(code).map((school) => school.id)).toContain(defaultSchoolOf[code]);
    expect(source).not.toBe('');
  }
  for (const school of clearanceSchools) {
    expect(school.source.length).toBeGreaterThan(5);
    expect(school.dormantCm[0]).toBeLessThanOrEqual(school.dormantCm[1]);
    expect(school.growingCm[0]).toBeLessThanOrEqual(school.growingCm[1]);
  }
});

test('fire blight schools span 8 to 18 in, none closer than 8 in in growth (van der Zwet & Keil tradition)', () => {
  const growing = schoolsFor('FB_CANK_A').map((school) => school.growingCm[1] / 2.54);
  expect(Math.min(...growing)).toBeCloseTo(8, 0);
  expect(Math.max(...growing)).toBeCloseTo(18, 0);
});

test.each([
  ['2026-11-01', 54, 'dormant'],
  ['2026-03-31', 54, 'dormant'],
  ['2026-04-01', 54, 'bloom'],
  ['2026-06-01', 54, 'summer'],
  ['2026-10-31', 54, 'autumn'],
  ['2026-11-01', -41, 'bloom'],
  ['2026-06-15', -41, 'dormant'],
  ['2026-04-30', -41, 'autumn'],
] as const)('%s at latitude %i is %s (common practice, no source)', (day, latitude, season) => {
  expect(seasonOn(day, latitude)).toBe(season);
  expect(seasonOn(day, latitude, 'summer')).toBe('summer');
});

test.each([
  ['distanceless rows of the table end at live wood', 'TORN', 'toLiveWoodSchool', [0, 0]],
  ['one figure is a figure', 'EUT', '30 cm', [30, 30]],
  ['and waits until it shows', 'FRZ_WOOD', 'toLiveWoodSchool', [0, 0]],
])('the name of a school: %s', (_, code, name, growingCm) => {
  expect(schoolsFor(code).at(-1)).toMatchObject({ name, growingCm });
});

test('freeze damage waits and says so, what the trade never cuts is left, the rest is cut', () => {
  const row = (code: string) => disorders.find((disorder) => disorder.code === code);
  for (const code of ['FRZ_WOOD', 'FRZ_DLY']) {
    expect(row(code)).toMatchObject({ answer: 'wait', instead: expect.any(String) });
    expect(row(code)?.instead).toBeTruthy();
    expect(schoolsFor(code).at(-1)?.use).toBe('toLiveWoodOnceItShows');
  }
  expect(['FRZ_BUD', 'CGL', 'PHY'].map((code) => row(code)?.answer)).toEqual(['leave', 'leave', 'leave']);
  expect(row('NEO')).toMatchObject({ answer: 'cut' });
  expect(row('NEO')?.instead).toBeUndefined();
});

test('suspect wood is treated as the worst it could be, and what is only in the way is not', () => {
  const row = (code: string) => disorders.find((disorder) => disorder.code === code);
  expect(row('SUSPECT')).toMatchObject({
    toolWeight: { dormant: 1, growing: 3 },
    edge: 'the edge',
    disposal: 'removeFromTheSiteBurnWhere',
    onTrunk: 'halfOfTheTrunkGirdledThe',
  });
  expect(row('MISPLACED')).toMatchObject({
    toolWeight: { dormant: 0, growing: 0 },
    edge: 'live wood',
    answer: 'leave',
  });
  expect(row('MISPLACED')?.disposal).not.toMatch(/^removeFromTheSite/);
  expect(row('MISPLACED')?.onTrunk).not.toMatch(/comes out/);
});

test('a row is found by what it is; one that nobody wrote down is an error', () => {
  const dead = codesWhere(({ causeUnknown }) => causeUnknown === true);
  expect(dead).toContain('DEAD');
  expect(codeWhere(({ causeUnknown }) => causeUnknown === true)).toBe(dead[0]);
  expect(() => codeWhere(() => false)).toThrow('No disorder of the table is like that.');
  expect([
    isPlainDead(['DEAD']),
    isPlainDead(['DEAD', 'NEO']),
    isPlainDead(['NEO']),
    isPlainDead(['?']),
  ]).toEqual([true, false, false, false]);
});

test('a clearance tells its school, what makes it worse, and whether it was halved', () => {
  const because = (more: Partial<ClearanceCase>) => clearance({ ...plain, ...more }).because;
  expect(because({ treeAgeYears: 7, growthRapid: true })).toMatchObject({
    factors: ['growth rapid', 'tree under 8 years'],
    halved: false,
    growing: false,
    baseCm: 30,
  });
  expect(because({ cultivarSusceptible: true, edge: 'indefinite' }).factors).toEqual([
    'cultivar susceptible',
    'edge not definite',
  ]);
  expect(because({ halveDefiniteDormant: true })).toMatchObject({ factors: [], halved: true });
  // Where nothing is measured nothing makes it worse
  expect(because({ disorder: 'DEAD', growthRapid: true })).toMatchObject({ factors: [], baseCm: 0 });
  expect(Clearance.parse(clearance(plain))).toEqual(clearance(plain));
  const takes = (treeAgeYears: number) => ClearanceCase.safeParse({ ...plain, treeAgeYears }).success;
  expect([-1, 0, 1000, 1001].map(takes)).toEqual([false, true, true, false]);
});
