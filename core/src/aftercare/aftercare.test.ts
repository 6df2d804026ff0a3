// Debris, rechecks, outcomes and graft wood: rules of the trade (common practice, no source) and published statistics.

import fc from 'fast-check';
import { DebrisReason } from './debris';
import {
  brushVolume,
  debrisOf,
  debrisRoutes,
  debrisSums,
  type MadeCutFacts,
  marginsHeld,
  RecheckSettings,
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

const banned = { ...rule, burning: 'banned' } as const;
const thin = (disorder: string) => ({ code: 'chipped only thin', values: { disorder, mm: 25 } });
test.each<[string, string[], number, Partial<typeof rule>, (string | object)[]]>([
  ['sound', ['MISPLACED'], 60, {}, []],
  ['sound, and burned', ['MISPLACED'], 60, { healthyBy: 'burn' }, ['ask about burning']],
  ['sound, and burned where nobody asks', ['MISPLACED'], 60, { healthyBy: 'burn', burning: 'allowed' }, []],
  ['dead of what nobody knows', ['DEAD'], 20, {}, ['does not stay', 'kept apart']],
  ['blight, 25 mm', ['FB_SHOOT'], 25, {}, ['does not stay', 'kept apart']],
  ['blight, 26 mm', ['FB_SHOOT'], 26, {}, [thin('FB_SHOOT'), 'does not stay', 'kept apart']],
  [
    'one of two is blight',
    ['NEO', 'FB_SHOOT'],
    20,
    { burnsBlight: false },
    [
      'fire blight not burned',
      { code: 'sheds from chips', values: { disorder: 'NEO' } },
      'does not stay',
      'kept apart',
    ],
  ],
  [
    'blight, where nothing is burned',
    ['FB_CANK_A'],
    20,
    banned,
    [
      'burning banned',
      { code: 'chips less safe', values: { disorder: 'FB_CANK_A' } },
      'does not stay',
      'kept apart',
    ],
  ],
])('why not: %s', (_, disorders, mm, settings, because) => {
  const answer = debrisOf(disorders, mm, { ...rule, ...settings });
  expect(answer.because).toEqual(
    because.map((reason) => (typeof reason === 'string' ? { code: reason, values: {} } : reason)),
  );
  for (const reason of answer.because) expect(DebrisReason.parse(reason)).toEqual(reason);
});

test('piles: 100 kg of loose brush are a cubic metre, and the worst and the heaviest come first', () => {
  expect([9.9, 10, 120].map(brushVolume)).toEqual(['under 0.1 m³', '0.1 m³', '1.2 m³']);
  const sums = debrisSums(
    [
      { disorders: ['MISPLACED'], thickestMm: 20, kg: 300 },
      { disorders: ['DEAD'], thickestMm: 20, kg: 5 },
      { disorders: ['NEO'], thickestMm: 20, kg: 2 },
    ],
    rule,
  );
  expect(sums.map(({ class: wood, m3 }) => [wood, m3])).toEqual([
    ['infected', 0.02],
    ['suspect', 0.05],
    ['sound', 3],
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
  // 21 days after it was due it is still asked for
  expect([on('2026-07-22'), on('2026-07-23')]).toEqual(['due', 'lapsed']);
  const [short, other] = ['fell short', 'new or crept'];
  expect(verdictOn('came back', 30, 60)).toBe(short);
  expect(verdictOn('came back', 31, 60)).toBe(other);
  expect(verdictOn('came back', 30, 61)).toBe(other);
  expect(verdictOn('came back', null, 30)).toBe(other);
  expect(verdictOn('regrown', 5, 30)).toBe('regrown');
  expect(verdictOn('clean', null, 30)).toBe('clean so far');
});

test.each([
  ['meanC', -1, false],
  ['meanC', 0, true],
  ['meanC', 40, true],
  ['meanC', 41, false],
  ['monthDays', 13, false],
  ['monthDays', 14, true],
  ['monthDays', 60, true],
  ['monthDays', 61, false],
  ['overdueDays', 0, false],
  ['overdueDays', 1, true],
  ['overdueDays', 90, true],
  ['overdueDays', 91, false],
  ['overdueDays', 1.5, false],
])('%s %d is taken: %s', (key, value, takes) => {
  expect(RecheckSettings.safeParse({ [key]: value }).success).toBe(takes);
});

// 57.2 degree-days over 12.8 °C, Steiner's sums, from memory; never sooner than 5 days, never later than 14
test.each([
  [12.8, 14],
  [13, 14],
  [18.52, 10],
  [24.24, 5],
  [30, 5],
])('at %d °C strikes show after %i days', (meanC, days) => expect(strikeDays(meanC)).toBeCloseTo(days, 6));

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
