// Debris, rechecks, outcomes and graft wood: rules of the trade (common practice, no source) and published statistics.

import fc from 'fast-check';
import {
  debrisOf,
  debrisRoutes,
  debrisSums,
  type MadeCutFacts,
  marginsHeld,
  recheckState,
  rechecksOf,
  scionGuard,
  startingDebris,
  startingRechecks,
  verdictOn,
} from './index';
import { shareInterval, upperWhenNone } from './outcomes';
import { strikeDays } from './rechecks';

const rule = startingDebris();

/** Handling tables of extension services, from memory. */
test.each([
  ['a blight canker goes out, never to chips', ['FB_CANK_A'], 40, 'landfill', ['burn', 'bury', 'landfill']],
  ['thin strikes may be chipped', ['FB_SHOOT'], 12, 'landfill', ['burn', 'bury', 'landfill', 'chip']],
  ['thick ones not', ['FB_SHOOT'], 30, 'landfill', ['burn', 'bury', 'landfill']],
  ['silver leaf is never chipped', ['SIL'], 12, 'landfill', ['burn', 'bury', 'landfill']],
  ['sound wood is chipped, or left', ['MISPLACED'], 60, 'chip', [...debrisRoutes]],
] as const)('%s', (_, disorders, mm, route, allowed) => {
  expect(debrisOf(disorders, mm, rule)).toMatchObject({ route, allowed });
});

test('a ban and a school against burning hold; suspect wood never stays lying', () => {
  const banned = { ...rule, burning: 'banned', infectedBy: 'burn' } as const;
  expect(debrisOf(['NEO'], 30, banned)).toMatchObject({ route: 'bury' });
  expect(debrisOf(['FB_CANK_A'], 30, { ...rule, burnsBlight: false }).allowed).not.toContain('burn');
  expect(debrisOf(['NEO'], 30, { ...rule, burnsBlight: false }).allowed).toContain('burn');
  expect(debrisOf(['DEAD'], 30, { ...rule, infectedBy: 'leave' }).route).not.toBe('leave');
  const sums = debrisSums(
    [
      { disorders: ['MISPLACED'], thickestMm: 20, kg: 3 },
      { disorders: ['FB_CANK_A'], thickestMm: 20, kg: 2 },
      { disorders: ['FB_CANK_A', 'MISPLACED'], thickestMm: 20, kg: 1 },
    ],
    rule,
  );
  expect(sums.map(({ class: wood, kg, cuts }) => [wood, kg, cuts])).toEqual([
    ['infected', 3, 2],
    ['sound', 3, 1],
  ]);
});

const made = (given: Partial<MadeCutFacts>): MadeCutFacts => ({
  id: 'c',
  treeId: 'a',
  day: '2026-06-20',
  season: 'summer',
  kind: 'reduction',
  diameterMm: 20,
  disorders: ['FB_SHOOT'],
  doubtful: false,
  ...given,
});

test('in season: one to two weeks, a month, early summer, next winter', () => {
  const list = rechecksOf(made({}), false, startingRechecks());
  expect(list.map(({ kind, dueOn }) => [kind, dueOn])).toEqual([
    ['strikes', '2026-07-01'],
    ['month', '2026-07-20'],
    ['early summer', '2027-06-10'],
    ['next winter', '2027-01-20'],
  ]);
  expect(strikeDays(18)).toBeCloseTo(11, 1);
  fc.assert(
    fc.property(fc.double({ min: -5, max: 40, noNaN: true }), (meanC) => {
      expect(strikeDays(meanC)).toBeGreaterThanOrEqual(5);
      expect(strikeDays(meanC)).toBeLessThanOrEqual(14);
    }),
  );
});

test('dormant: the shoots of early summer, and the wood in the winter after; in the south half a year apart', () => {
  const winter = made({ day: '2026-12-05', season: 'dormant', kind: 'heading' });
  const [north, south] = [false, true].map((side) => rechecksOf(winter, side, startingRechecks()));
  expect(north?.map(({ kind, dueOn }) => [kind, dueOn])).toEqual([
    ['early summer', '2027-06-10'],
    ['next winter', '2028-01-20'],
  ]);
  expect(north?.[0]?.shoots).toEqual([2, 4]);
  expect(south?.[0]?.dueOn).toBe('2026-12-10');
  // A clean twig at its collar in summer asks for nothing but the odd shoot
  expect(
    rechecksOf(made({ disorders: ['MISPLACED'], kind: 'collar' }), false, startingRechecks()),
  ).toHaveLength(1);
  expect(
    rechecksOf(made({ disorders: ['MISPLACED'], doubtful: true }), false, startingRechecks()),
  ).toHaveLength(4);
});

test('due, lapsed, done; and what a return means', () => {
  const [first] = rechecksOf(made({}), false, startingRechecks());
  if (!first) throw new Error('No recheck.');
  const on = (day: string, ...done: string[]) => recheckState(first, day, new Set(done), startingRechecks());
  expect([on('2026-06-30'), on('2026-07-01'), on('2026-08-01'), on('2026-07-05', first.id)]).toEqual([
    'to come',
    'due',
    'lapsed',
    'done',
  ]);
  expect(verdictOn('came back', 20, 30)).toMatch(/fell short: cut again, 30 cm further/);
  expect(verdictOn('came back', 20, 200)).not.toMatch(/fell short/);
  expect(verdictOn('clean', null, 30)).toMatch(/no proof/);
});

/** Clopper & Pearson 1934; 0 of 20 and 3 of 10 as in any table of exact binomial limits. */
test('exact intervals of a share', () => {
  expect(upperWhenNone(20)).toBeCloseTo(0.139108, 6);
  expect(shareInterval(0, 20)[0]).toBe(0);
  expect(shareInterval(0, 20)[1]).toBeCloseTo(0.1684, 4);
  expect(shareInterval(3, 10)[0]).toBeCloseTo(0.0667, 4);
  expect(shareInterval(3, 10)[1]).toBeCloseTo(0.6525, 4);
  expect(shareInterval(5, 5)[1]).toBe(1);
});

test('cuts that were looked at again, by clearance', () => {
  const looked = (clearanceCm: number, cameBack: boolean) => ({
    disorder: 'FB_SHOOT',
    clearanceCm,
    season: 'growing' as const,
    cameBack,
  });
  const rows = marginsHeld([looked(10, true), looked(12, false), looked(30, false)]);
  expect(rows.map(({ fromCm, cuts, cameBack }) => [fromCm, cuts, cameBack])).toEqual([
    [0, 2, 1],
    [30, 1, 0],
  ]);
});

test('graft wood only from trees with a clean record that somebody has seen', () => {
  const clean = { findings: [], lastSeenOn: '2026-09-01', cameBackOn: [] };
  const today = '2026-11-24';
  expect(scionGuard(clean, today).may).toBe(true);
  const blight = { disorder: 'FB_CANK_A', day: '2025-11-01', open: false };
  expect(scionGuard({ ...clean, findings: [blight] }, today).may).toBe(false);
  expect(scionGuard({ ...clean, findings: [{ ...blight, day: '2022-01-01' }] }, today).may).toBe(true);
  expect(scionGuard({ ...clean, findings: [{ ...blight, disorder: 'BRK' }] }, today).may).toBe(true);
  expect(scionGuard({ ...clean, lastSeenOn: '2024-01-01' }, today).may).toBe(false);
});
