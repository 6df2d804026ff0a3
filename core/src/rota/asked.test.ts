// What asks for a day: summer passes in their own weeks, cuts to look at again, jobs, an arborist’s one visit. Trees and weather are made up.
import { startingSeason } from '../campaign/index';
import type { VisitAhead } from '../plan/index';
import type { CutOnRecord } from '../present/index';
import { type Job, MOST_JOB_MINUTES } from '../records/index';
import type { ListedTree } from '../run/index';
import { localClock } from '../weather/index';
import { arboristVisit } from './arborist';
import { type Errand, errandAsked, nextPass, passAtHand, type RotaGroup, spanOf } from './asked';
import { errandsOf } from './errands';
import { rotaOf } from './index';

const today = '2026-12-07';
const clock = localClock('Europe/London');
const week = (from: string, to = from) => ({ id: from, from, to, half: null });
const half = (day: string, of: 'morning' | 'afternoon') => ({ id: day, from: day, to: day, half: of });
/** The index is the day of the year on which the week begins. */
const group: RotaGroup = {
  ...{ key: 'apple', lane: 'pome', species: 'apple' },
  school: 'full dormancy',
  cells: [
    { day: today, half: 'morning', verdict: 'go', score: [0, 60, 99] },
    { day: today, half: 'afternoon', verdict: 'wait', why: 'risk', score: [0, 61, 99] },
  ] as unknown as RotaGroup['cells'],
  season: {
    weeks: Array.from({ length: 52 }, (_, w) => ({ from: 7 * w + 1, score: [0, 7 * w + 1, 99] })),
    schools: [
      { school: 'full dormancy', from: 340, to: 60 },
      { school: 'after fruit set', from: 161, to: 212 },
    ],
  } as unknown as RotaGroup['season'],
};
const summer: VisitAhead = {
  ...{ season: 1, pass: 'summer', next: true, firstYear: 2026, minutes: 12, ladder: true },
  ...{ points: 5, woundCm2: 40, powerSaw: false, pole: false, waits: null },
};
const tree = (id: string, due: object, kerfMm: number[] = []) =>
  ({
    tree: { id, code: id, plotId: 'plot', plot: 'Plot', hazards: [] },
    ...{ findings: [], known: {}, toDecide: [], questions: [], current: true },
    cuts: kerfMm.map((kerf) => ({ handedOver: true, ladder: true, handling: { kerfMm: kerf } })),
    due: { minutes: 0, must: false, worth: null, ahead: [], handOver: 0, ...due },
  }) as unknown as ListedTree;
const settings = startingSeason();
const of = { ...{ today, group, end: '2027-03-01', settings }, hosts: 0, minutePoints: 0.15 };

// Day 60 is the first of March, in a leap year the day before
test('the season of a school that is at hand begins today; one that is to come has its days of the next year', () => {
  expect(spanOf(group, 'full dormancy', today)).toEqual({ from: today, to: '2027-03-01' });
  expect(spanOf(group, 'after fruit set', today)).toEqual({ from: '2027-06-10', to: '2027-07-31' });
  expect(spanOf(group, 'after fruit set', '2027-06-10')?.from).toBe('2027-06-10');
  expect(spanOf(group, 'full dormancy', '2027-03-02')).toEqual({ from: '2027-12-06', to: '2028-02-29' });
  expect(spanOf(group, 'bloom', today)).toBeNull();
});

test('a summer pass is worth its points less its wounds in the weeks of summer, and stops on its day', () => {
  const asked = nextPass(tree('a', { ahead: [{ ...summer, pass: 'hired', next: false }, summer] }), of);
  expect(asked).toMatchObject({
    ...{ id: 'a summer', treeId: 'a', kind: 'summer pass', minutes: 12.5, ladder: true, must: false },
    ...{ needs: [], points: 5, end: '2027-07-31' },
  });
  const worth = (from: string) => asked?.worthIn(week(from));
  expect([worth('2027-06-09'), worth('2027-08-01')]).toEqual([null, null]);
  // Day 162 lies in the week from day 162, day 212 in that from day 211; 40 cm² at a quarter point a hundred
  expect(worth('2027-06-11')).toBeCloseTo(5 - (162 * 0.25 * 40) / 100, 9);
  expect(worth('2027-07-31')).toBeCloseTo(5 - (211 * 0.25 * 40) / 100, 9);
  expect(asked?.skip(false)).toBeCloseTo(5 * 0.85, 9);
  expect(asked?.skip(true)).toBeCloseTo(5 * 0.85 ** 2, 9);
});

test('the pass of next winter is late after its school, and allowed for four weeks more', () => {
  const winter = { ...summer, season: 2, pass: 'dormant' as const, powerSaw: true };
  const asked = nextPass(tree('a', { ahead: [winter] }), { ...of, today: '2027-06-20' });
  expect(asked).toMatchObject({
    id: 'a dormant',
    kind: 'winter pass',
    needs: ['power saw'],
    end: '2028-02-29',
  });
  const isOpen = (from: string) => asked?.worthIn(week(from)) !== null;
  expect(['2027-12-05', '2027-12-06', '2028-03-28', '2028-03-29'].map(isOpen)).toEqual([
    false,
    true,
    true,
    false,
  ]);
});

test.each([
  ['nothing is planned', {}],
  ['an arborist does it', { ahead: [{ ...summer, pass: 'hired', next: false }] }],
  ['it takes no time', { ahead: [{ ...summer, minutes: 0 }] }],
])('no next pass where %s', (_, due) => {
  expect(nextPass(tree('a', due), of)).toBeNull();
});

test('the pass at hand: half-days that stop the wound are out, a power saw is asked for', () => {
  const worth = { points: 20, woundCm2: 10, powerSaw: true, pole: false, waits: null };
  const asked = passAtHand(tree('a', { minutes: 30, worth }), of);
  expect(asked).toMatchObject({ id: 'a', kind: 'pass at hand', minutes: 30.5, needs: ['power saw'] });
  expect(asked?.worthIn(half(today, 'morning'))).toBeCloseTo(20 - (60 * 0.25 * 10) / 100, 9);
  expect(asked?.worthIn(half(today, 'afternoon'))).toBeNull();
  const costs = { ...of, settings: { ...settings, minutesCost: true } };
  expect(passAtHand(tree('a', { minutes: 30, worth }), costs)?.points).toBeCloseTo(20 - 30 * 0.15, 9);
  expect(passAtHand(tree('a', { minutes: 0, worth }), of)).toBeNull();
  expect(passAtHand(tree('a', { minutes: 30 }), of)).toBeNull();
});

describe('errands', () => {
  const errand = (more: Partial<Errand>): Errand => ({
    ...{ id: 'e', treeId: 'a', plotId: 'plot', kind: 'recheck', minutes: 5 },
    ...{ from: '2027-01-20', dueOn: '2027-01-20', until: '2027-02-10' },
    ...more,
  });

  test('a cut is looked at again from its day on until it has lapsed; it brings nothing to leave it', () => {
    const asked = errandAsked(errand({}), settings);
    const worth = (from: string, to = from) => asked.worthIn(week(from, to));
    expect(worth('2027-01-13', '2027-01-19')).toBeNull();
    expect(worth('2027-01-14', '2027-01-20')).toBe(3);
    expect(worth('2027-02-10', '2027-02-16')).toBe(3);
    expect(worth('2027-02-11', '2027-02-17')).toBeNull();
    expect([asked.minutes, asked.skip(false), asked.must]).toEqual([5.5, 0, false]);
  });

  test('a job is done by its day, or late for half of it', () => {
    const asked = errandAsked(errand({ kind: 'job', from: today, until: null }), settings);
    expect(
      ['2026-12-07', '2027-01-20', '2027-01-21', '2027-09-01'].map((from) => asked.worthIn(week(from))),
    ).toEqual([2, 2, 1, 1]);
  });

  test('cuts of a tree that are looked at on one day are one errand; what is done or lapsed is none, nor what stands nowhere', () => {
    const recheck = (treeId: string, dueOn: string, state: string) => ({ treeId, dueOn, state });
    const cuts = [
      { rechecks: [recheck('a', '2027-01-20', 'to come'), recheck('a', '2027-06-10', 'due')] },
      { rechecks: [recheck('a', '2027-01-20', 'due'), recheck('b', '2027-01-20', 'done')] },
      { rechecks: [recheck('b', '2026-01-20', 'lapsed'), recheck('gone', '2027-01-20', 'due')] },
    ] as unknown as CutOnRecord[];
    const job = (id: string, treeId: string, minutes?: number) =>
      ({ id, treeId, dueOn: '2027-03-31', ...(minutes && { minutes }) }) as unknown as Job;
    const jobs = [job('j', 'b'), job('k', 'b', 40), job('l', 'gone')];
    const plotOf = new Map([
      ['a', 'p'],
      ['b', 'q'],
    ]);
    const errands = errandsOf({ today, cuts, jobs, plotOf, overdueDays: 21 });
    expect(errands.map(({ id, plotId, minutes, from, until }) => [id, plotId, minutes, from, until])).toEqual(
      [
        ['a recheck 2027-01-20', 'p', 7, '2027-01-20', '2027-02-10'],
        ['a recheck 2027-06-10', 'p', 5, '2027-06-10', '2027-07-01'],
        ['job j', 'q', 15, today, null],
        ['job k', 'q', 40, today, null],
      ],
    );
  });
});

const near = { fromHour: clock.startOf(today), blocked: Array.from({ length: 24 }, () => []) };
const facts = { today, groupOf: { a: 'apple', b: 'apple', c: 'apple' }, groups: [group], near, clock };

describe('for an arborist', () => {
  const slots = [half(today, 'morning'), half(today, 'afternoon'), week('2027-01-04'), week('2027-02-20')];

  test('one visit on the day that does the least to the wounds, for all that nobody is booked for', () => {
    const trees = [tree('a', { handOver: 1 }, [100]), tree('b', { handOver: 2 }), tree('c', { handOver: 1 })];
    const visit = arboristVisit({ ...facts, trees, slots, booked: new Set(['c']) });
    // The index of 4 January is 1, of the half-day 60, of 20 February 50; after 1 March the school is over
    expect(visit).toEqual({
      treeIds: ['a', 'b'],
      day: { from: '2027-01-04', to: '2027-01-04', half: null },
      suits: 2,
    });
  });

  test('a half-day with less than two hours in the light is none; nothing handed over asks for nobody', () => {
    const trees = [tree('a', { handOver: 1 })];
    const wet = (free: number) => ({
      ...near,
      blocked: Array.from({ length: 24 }, (_, hour) =>
        hour >= 8 && hour < 8 + free ? [] : (['rain'] as const),
      ),
    });
    const asks = (free: number) =>
      arboristVisit({ ...facts, trees, slots: slots.slice(0, 2), booked: new Set(), near: wet(free) });
    expect(asks(1)).toEqual({ treeIds: ['a'], day: null, suits: 0 });
    expect(asks(2)?.day).toEqual({ from: today, to: today, half: 'morning' });
    expect(arboristVisit({ ...facts, trees: [tree('a', {})], slots, booked: new Set() })).toBeNull();
  });

  test('the day that suits the most of them goes before the least risk', () => {
    const other: RotaGroup = {
      ...group,
      key: 'pear',
      // Nothing is told of its half-days
      cells: [],
    };
    const visit = arboristVisit({
      ...{ ...facts, groups: [group, other], groupOf: { a: 'apple', b: 'pear' }, booked: new Set<string>() },
      trees: [tree('a', { handOver: 1 }), tree('b', { handOver: 1 })],
      slots: [half(today, 'morning'), week('2027-02-26'), week('2027-03-02')],
    });
    expect(visit?.day?.from).toBe('2027-02-26');
    expect(visit?.suits).toBe(2);
  });
});

test('a season holds them all, as far as its weeks go; passes beyond it are told by their year', () => {
  const worth = { points: 20, woundCm2: 10, powerSaw: false };
  const later = [
    { ...summer, season: 2, pass: 'dormant' as const, next: false, minutes: 30 },
    { ...summer, season: 2, next: false, minutes: 8 },
  ];
  const rota = rotaOf({
    ...{ today, clock, near, groups: [group], groupOf: { a: 'apple', b: 'nowhere' }, wishes: {}, booked: [] },
    ...{ crews: [], paces: {}, hosts: {}, settings, minutePoints: 0.15 },
    trees: [
      tree('a', { minutes: 30, worth, ahead: [summer, ...later] }),
      tree('b', { ahead: [summer, ...later] }),
    ],
    errands: errandsOf({
      ...{ today, cuts: [], plotOf: new Map([['c', 'plot']]), overdueDays: 21 },
      // As long as a job may be
      jobs: [5, MOST_JOB_MINUTES].map(
        (minutes) => ({ id: `${minutes}`, treeId: 'c', dueOn: '2027-03-31', minutes }) as unknown as Job,
      ),
    }),
    far: { fromHour: clock.startOf('2026-01-01'), blocked: [] },
  });
  expect(rota?.campaign.visits.map(({ id }) => id)).toEqual(['a', 'a summer', 'job 5', 'job 10000']);
  expect(rota?.of).toEqual({
    a: { treeId: 'a', kind: 'pass at hand' },
    'a summer': { treeId: 'a', kind: 'summer pass' },
    'job 5': { treeId: 'c', kind: 'job' },
    'job 10000': { treeId: 'c', kind: 'job' },
  });
  expect(rota?.points).toEqual({ a: 20, 'a summer': 5, 'job 5': 2, 'job 10000': 2 });
  // The last week begins at most forty weeks on, and four weeks after the last school ends
  expect(rota?.slots.at(-1)?.from).toBe('2027-08-24');
  // Of b nothing is told when summer comes to it
  expect(rota?.later).toEqual([
    { pass: 'summer', season: 1, firstYear: 2026, trees: 1, minutes: 12 },
    { pass: 'dormant', season: 2, firstYear: 2026, trees: 2, minutes: 60 },
    { pass: 'summer', season: 2, firstYear: 2026, trees: 2, minutes: 16 },
  ]);
});
