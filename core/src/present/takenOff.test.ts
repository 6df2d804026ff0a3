// What cuts on record count for in the limits of the next plan; the shares that grow back are common practice, no source.
import { planning, preparePlan } from '../plan/index';
import type { ActionBody } from '../records/index';
import { planInputOf } from './index';
import { takenOff } from './takenOff';
import { detail, givenSite, id } from './testing/given';

const site = givenSite();
const cut = (limbId: string, at: string, atCm = 0, findingIds: string[] = []): ActionBody => ({
  kind: 'cutMade',
  at: `${at}T10:00:00.000Z`,
  treeId: 'a',
  blade: 'Blade 1',
  findingIds,
  cut: {
    limbId,
    limbName: limbId,
    atCm,
    kind: atCm > 0 ? 'heading' : 'collar',
    diameterMm: 50,
    clearanceCm: 0,
    shortfallCm: 0,
    sentence: '',
  },
});
const DAY = '2027-01-20';
const mappedAt = (day: string) => ({ surveyedAt: `${day}T00:00:00.000Z` });
const offOf = (actions: ActionBody[], findings: object[] = [], more: object = mappedAt('2020-01-01')) =>
  takenOff({ ...detail(actions, findings), ...more }, site, DAY);

// The thinner one of two main limbs
const R = offOf([cut('R', '2026-12-01')]).now;

test.each<[string, string, object]>([
  ['this winter', '2026-12-01', { now: R }],
  // October begins a winter
  ['its first day', '2026-10-01', { now: R }],
  ['the day before, still growing', '2026-09-30', { lastSummer: R }],
  ['last summer', '2026-06-10', { lastSummer: R }],
  ['last winter', '2026-02-01', { lastDormant: R }],
  // In leaf still: it grows back as little
  ['its first day', '2025-10-01', { lastSummer: R }],
  ['its first leafless day', '2025-11-01', { lastDormant: R }],
  ['before that', '2025-09-30', {}],
])('a limb that came off %s, %s', (_said, on, counts) => {
  expect(R).toBeGreaterThan(100);
  expect(offOf([cut('R', on)])).toEqual({ now: 0, lastDormant: 0, lastSummer: 0, ...counts });
});

test('wood counts once, with the cut that came first; on a map drawn since, not at all', () => {
  const twice = offOf([cut('R', '2026-12-01'), cut('R', '2026-06-10', 90)]);
  expect(twice.now + twice.lastSummer).toBe(R);
  expect(twice.lastSummer).toBeGreaterThan(0);
  expect(twice.now).toBeGreaterThan(0);
  expect(offOf([cut('R', '2026-12-01')], [], mappedAt('2027-01-01')).now).toBe(0);
});

test('what a disease asked for and dead wood are free', () => {
  const free = (disorder: string, limbId: string) =>
    offOf(
      [cut('R', '2026-12-01', 0, [id(0)])],
      [{ disorder, limbId, fromCm: 0, toCm: 100, edge: 'definite' }],
    ).now;
  expect(free('NEO', 'R')).toBe(0);
  expect(free('DEAD', 'R')).toBe(0);
  expect(free('MISPLACED', 'R')).toBe(R);
});

test('a plan takes it from the limits: this season’s whole, and by its shares what grows back', () => {
  const prepared = (actions: ActionBody[]) =>
    preparePlan(planInputOf({ ...detail(actions, []), ...mappedAt('2020-01-01') }, site, DAY));
  const { limits } = prepared([]).problem;
  const from = (y: number, used: number) => Math.max(0, Math.floor((limits[y] as number) - used));
  expect(prepared([cut('R', '2026-12-01', 90)]).problem.limits[0]).toBeLessThan(limits[0] as number);
  const last = prepared([cut('R', '2026-02-01')]);
  expect(last.problem.limits).toEqual([from(0, 0.25 * R), limits[1], limits[2]]);
  expect(prepared([cut('R', '2026-06-10')]).problem.limits).toEqual([from(0, 0.1 * R), limits[1], limits[2]]);
  expect(prepared([cut('R', '2026-12-01')]).problem.limits).toEqual([
    from(0, R),
    from(1, 0.25 * R),
    limits[2],
  ]);
  const { seasons } = planning(last.given).step(10);
  expect(seasons[0]).toMatchObject({ off: 0, grown: 0.25 * R });
  expect(seasons[0]?.limit).toBeCloseTo(from(0, 0.25 * R) + 0.25 * R, 9);
});
