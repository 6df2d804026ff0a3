// Distances are checked against the ranges that extension literature is remembered to give; the exact publications stand in the table.

import { type ClearanceCase, clearance, defaultSchoolOf, disorders, schoolsFor, seasonOn } from './index';
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
