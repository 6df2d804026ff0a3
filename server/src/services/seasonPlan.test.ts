// The season of the demo: shared out by its crews, by nobody, and by one that works when it rains; the same answer to whoever asks again.
import { appRoutes, type SeasonPlan } from '@mortisect/contracts';
import type { SiteRecord } from '@mortisect/core/records';
import highsLoader from 'highs';
import { pino } from 'pino';
import { deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';
import { makePlanKeeper } from './keptPlans';
import { makeTreeLister } from './listedTrees';
import { getSeasonPlan, getSeasonToday } from './seasonPlan';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
});
afterAll(() => orchard.close());
const { get, put, read } = requestsTo(() => orchard);
const season = async (): Promise<SeasonPlan> =>
  appRoutes.getSeasonPlan.response.parse(await read('/api/season-plan'));
const shared = async () => {
  const { shared: plan } = await season();
  if (!plan) throw new Error('Not shared out.');
  return plan;
};

async function crewsAre(change: (crews: SiteRecord['site']['crews']) => SiteRecord['site']['crews']) {
  const { site, revision } = appRoutes.getSite.response.parse(await read('/api/site'));
  await put('/api/site', { baseRevision: revision, site: { ...site, crews: change(site.crews) } }).expect(
    200,
  );
}

test('whoever waits no more ends it; the first of all is there at once, and then a better one, which is kept', async () => {
  const { store, pool } = orchard;
  const asked = {
    db: store.db,
    pool,
    now: NOW,
    lister: makeTreeLister({ db: store.db, pool, now: () => NOW }),
  };
  const sharing = jest.spyOn(pool, 'siteSeason');
  const leaving = new AbortController();
  const left = expect(getSeasonPlan(asked, { signal: leaving.signal })).rejects.toThrow(/abort/i);
  while (sharing.mock.calls.length === 0) await new Promise((next) => setTimeout(next, 5));
  leaving.abort();
  await left;
  expect(sharing.mock.calls[0]?.[1]?.aborted).toBe(true);
  const told = async (atOnce: string) =>
    appRoutes.getSeasonPlan.response.parse(await read(`/api/season-plan?atOnce=${atOnce}`));
  const first = await told('yes');
  expect(first).toMatchObject({ isFirst: true, shared: { oneMore: [], known: [] } });
  expect(first.shared?.plan.done.length).toBeGreaterThan(0);
  const best = await told('no');
  expect(best.isFirst).toBe(false);
  expect(best.shared?.oneMore.length).toBeGreaterThan(0);
  expect(best.shared?.plan.points).toBeGreaterThanOrEqual((first.shared?.plan.points ?? 0) - 1e-9);
  // Past years are read once for both, and it is kept
  expect(sharing.mock.calls.map(([{ atOnce, pastYears }]) => [atOnce, pastYears !== null])).toEqual([
    [false, false],
    [true, false],
    [false, true],
  ]);
  expect(await told('yes')).toEqual({ ...best, now: expect.anything() });
  expect(sharing).toHaveBeenCalledTimes(3);
  sharing.mockRestore();
});

test('before a tree is planned only errands are shared out; then every visit has a day or a reason', async () => {
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
  const early = await season();
  expect(new Set(early.shared?.visits.map(({ kind }) => kind))).toEqual(new Set(['recheck', 'job']));
  expect(early.unplanned).toBeGreaterThan(8);
  const keeper = makePlanKeeper({
    ...{ db: orchard.store.db, pool: orchard.pool, now: () => NOW, onKept: () => {} },
    log: pino({ level: 'silent' }),
  });
  keeper.wake();
  await keeper.rested();
  await keeper.close();
  const plan = await shared();
  const ids = plan.visits.map(({ id }) => id);
  const passes = plan.visits.filter(({ kind }) => kind === 'pass at hand');
  expect(passes.length).toBeGreaterThan(8);
  // Nobody went by a season without them
  expect(plan.moved).toBeNull();
  expect([...plan.plan.done, ...plan.plan.left].map(({ visitId }) => visitId).sort()).toEqual(ids.toSorted());
  // Minutes and what cannot wait are those of the lists
  const { trees } = appRoutes.getListedTrees.response.parse(await read('/api/listed-trees?units=metric'));
  for (const { id, treeId, minutes, must } of passes) {
    expect(treeId).toBe(id);
    expect(trees.find(({ tree }) => tree.id === id)?.due).toMatchObject({
      minutes,
      must,
      worth: null,
      ahead: [],
    });
  }
  // Jobs, and cuts to look at again, are those of their own lists
  const { jobs } = appRoutes.getJobs.response.parse(await read('/api/jobs'));
  const told = plan.visits.flatMap(({ kind, treeId, job }) => (kind === 'job' ? [[treeId, job?.job]] : []));
  expect(told.sort()).toEqual(jobs.map(({ treeId, job }) => [treeId, job]).sort());
  expect(told.length).toBeGreaterThan(0);
  const looks = plan.visits.filter(({ kind }) => kind === 'recheck');
  expect(new Set(looks.map(({ id }) => id)).size).toBe(looks.length);
  expect(looks.length).toBeGreaterThan(0);
  const handedOver = trees.filter(({ due }) => (due?.handOver ?? 0) > 0).map(({ tree }) => tree.code);
  expect(plan.arborist.asks?.codes.toSorted()).toEqual(handedOver.sort());
  // No half-day or week holds more than there is
  for (const { needed, workable } of plan.plan.slots) expect(needed).toBeLessThanOrEqual(workable + 1e-6);
  expect(plan.played).toHaveLength(10);
  expect(await shared()).toEqual(plan);
});

test('a visit with active fire blight loses by waiting, in a year for each host in bloom near it too; points are as the site has set them', async () => {
  // Nobody works on any day: all is left for a year
  const { site, revision } = appRoutes.getSite.response.parse(await read('/api/site'));
  const crews = site.crews.map((crew) => ({ ...crew, weekdays: [] }));
  const saveSite = async (of: SiteRecord['site'], baseRevision: number) =>
    put('/api/site', { baseRevision, site: of }).expect(200);
  await saveSite({ ...site, crews }, revision);
  const waitsOf = async () => {
    const { visits } = await shared();
    return new Map(
      visits.map(({ id, waits }) => [id, new Map(waits.map(({ why, points }) => [why, points]))]),
    );
  };
  const before = await waitsOf();
  const blighted = [...before].filter(([, waits]) => waits.has('blight in bloom'));
  expect(blighted.length).toBeGreaterThan(0);
  const { trees } = appRoutes.getListedTrees.response.parse(await read('/api/listed-trees?units=metric'));
  for (const [id] of blighted) {
    const disorders = trees.find(({ tree }) => tree.id === id)?.findings.map(({ disorder }) => disorder);
    expect(disorders?.some((disorder) => disorder.startsWith('FB_'))).toBe(true);
  }
  await saveSite(
    { ...site, crews, seasonWorth: { ...site.seasonWorth, blightPoints: 10, lookPoints: 7 } },
    revision + 1,
  );
  const after = await waitsOf();
  for (const [id, waits] of blighted)
    expect(after.get(id)?.get('blight in bloom')).toBeCloseTo(2 * (waits.get('blight in bloom') ?? 0), 2);
  const { visits } = await shared();
  const looks = visits.filter(({ kind }) => kind === 'recheck').map(({ points }) => points);
  expect(new Set(looks)).toEqual(new Set([7]));
  // Of fewer metres no other host counts
  await saveSite({ ...site, crews, seasonWorth: { ...site.seasonWorth, blightWithinM: 1 } }, revision + 2);
  const alone = await waitsOf();
  for (const [id, waits] of blighted)
    expect(alone.get(id)?.get('blight in bloom') ?? 0).toBeLessThan(waits.get('blight in bloom') ?? 0);
  await saveSite(site, revision + 3);
});

test('the season as files: a line for each visit, an event for each half-day of a crew, a program that a solver reads', async () => {
  const { plan, visits } = await shared();
  const csv = await get('/api/season-plan.csv').expect(200);
  const [head, ...lines] = csv.text.trim().split(/\r?\n/);
  expect(head).toBe(
    'from,to,half-day,crew,tree,what,minutes,cannot wait,"left undone, costs points","left by choice, reason"',
  );
  expect(lines).toHaveLength(visits.length);
  expect(lines.filter((line) => /^\d{4}-\d\d-\d\d,/.test(line))).toHaveLength(plan.done.length);
  const places = new Set(plan.done.map(({ slotId, poolId }) => `${poolId} ${slotId}`));
  const events = async (query = '') => {
    const { text } = await get(`/api/season-plan.ics${query}`).expect(200);
    return text.match(/BEGIN:VEVENT/g)?.length ?? 0;
  };
  // One more for the arborist
  expect(await events()).toBe(places.size + 1);
  const ofWall = [...places].filter((place) => place.startsWith('wall-crew')).length;
  expect(await events('?crew=wall-crew')).toBe(ofWall);
  expect(ofWall).toBeGreaterThan(0);
  await get('/api/season-plan.ics?crew=nobody').expect(404);
  const { text } = await get('/api/season-plan.lp').expect(200);
  const highs = await highsLoader();
  // The relaxed season brings at least what the plan does
  const { Status, ObjectiveValue } = highs.solve(text, {});
  expect(Status).toBe('Optimal');
  expect(ObjectiveValue).toBeGreaterThanOrEqual(plan.points - plan.allLeft - 1e-6);
});

test('nobody works: it says so; somebody who works only on days that are gone leaves all', async () => {
  await crewsAre(() => []);
  expect(await season()).toMatchObject({ state: 'nobody works', shared: null });
  const crew = {
    ...{ id: 'c', name: 'Wall crew', people: 1, ladders: 0, poles: 1, skills: [], weekdays: [], daysOff: [] },
    ...{ fromHour: 9, toHour: 12, from: null, to: null, pace: null },
  };
  await crewsAre(() => [crew]);
  const { plan, visits, slots } = await shared();
  expect(plan.done).toEqual([]);
  expect(plan.left).toHaveLength(visits.length);
  const passes = new Set(visits.flatMap(({ id, kind }) => (kind === 'pass at hand' ? id : [])));
  const reasons = new Set(plan.left.flatMap(({ visitId, because }) => (passes.has(visitId) ? because : [])));
  expect(
    [...reasons].every((because) => ['nobody works then', 'nobody has a ladder'].includes(because)),
  ).toBe(true);
  expect(reasons.has('nobody works then')).toBe(true);
  // One day of one of them is something; who is here already cannot come earlier
  const brings = async (query: string) =>
    appRoutes.getSeasonWhatIf.response.parse(await read(`/api/season-plan/what-if?${query}`));
  const week = slots.find(({ half }) => half === null)?.id;
  const day = await brings(`crew=c&slot=${week}`);
  expect(day.points).toBeGreaterThan(0.1);
  expect(day.visits).toBeGreaterThan(0);
  expect(day.minutes).toBeGreaterThan(day.visits);
  expect(await brings('crew=c')).toEqual({ points: 0, visits: 0, minutes: 0 });
  await get(`/api/season-plan/what-if?crew=nobody&slot=${week}`).expect(404);
  await get('/api/season-plan/what-if?crew=c&slot=2029-01-01').expect(404);
  await get('/api/season-plan/what-if').expect(400);
  // For two days in March, an hour a day
  const inMarch = {
    ...crew,
    weekdays: [1, 2, 3, 4, 5, 6, 7],
    toHour: 10,
    from: '2027-03-27',
    to: '2027-03-28',
  };
  await crewsAre(() => [inMarch]);
  expect(
    (await shared()).plan.done.every(({ slotId }) => slotId >= '2027-03-2' && slotId < '2027-03-3'),
  ).toBe(true);
  const earlier = await brings('crew=c');
  expect(earlier.points).toBeGreaterThan(0.1);
});

test('what somebody says of a visit goes before the plan; what moved is told with why', async () => {
  const crew = {
    ...{ id: 'c', name: 'Wall crew', people: 2, ladders: 2, poles: 1, skills: [], daysOff: [] },
    ...{ weekdays: [1, 2, 3, 4, 5, 6, 7], fromHour: 8, toHour: 16 },
    ...{ from: null, to: null, pace: null },
  };
  await crewsAre(() => [crew]);
  const before = await shared();
  const kindOf = new Map(before.visits.map(({ id, kind }) => [id, kind]));
  const isPass = (id: string) => kindOf.get(id) === 'pass at hand';
  const [first, second] = before.plan.done.map(({ visitId }) => visitId).filter(isPass) as [string, string];
  const job = before.visits.find(({ kind }) => kind === 'job');
  const week = before.slots.find(({ half }) => half === null);
  const said = (treeId: string, wish: object) =>
    put(`/api/actions/${newId()}`, { kind: 'visitWished', at: NOW, treeId, wish });
  const { from = '', to = '' } = week ?? {};
  await said(first, { is: 'fixed', from, to, half: null, crewId: 'c' }).expect(200);
  await said(second, { is: 'left', until: '2027-12-31', reason: 'A nest' }).expect(200);
  await put(`/api/actions/${newId()}`, {
    ...{ kind: 'visitWished', at: NOW, treeId: job?.treeId, visitId: job?.id },
    wish: { is: 'left', until: '2027-12-31', reason: 'A gate is locked' },
  }).expect(200);
  const plan = await shared();
  expect(plan.plan.done.find(({ visitId }) => visitId === first)).toMatchObject({
    slotId: week?.id,
    poolId: 'c',
  });
  expect(plan.visits.find(({ id }) => id === first)?.wish).toMatchObject({ is: 'fixed', from });
  expect(plan.leftByChoice).toMatchObject([
    { visitId: second, kind: 'pass at hand', reason: 'A nest', until: '2027-12-31' },
    { visitId: job?.id, treeId: job?.treeId, kind: 'job', reason: 'A gate is locked' },
  ]);
  expect(plan.visits).toHaveLength(before.visits.length - 2);
  const moves = plan.moved?.moves.map(({ visitId, because }) => [visitId, because]);
  expect(moves).toContainEqual([first, 'somebody said so']);
  expect(moves).toContainEqual([second, 'somebody said so']);
  expect((await get('/api/season-plan.csv').expect(200)).text).toContain('A nest');
  // Today’s half-days come from the same plan
  const today = appRoutes.getSeasonToday.response.parse(await read('/api/season-plan/today'));
  const now = before.slots.filter(({ half, from: day }) => half && day === today.day).map(({ id }) => id);
  expect(today.halfDays.flatMap(({ treeIds }) => treeIds).sort()).toEqual(
    plan.plan.done
      .flatMap(({ visitId, slotId }) => (now.includes(slotId) && isPass(visitId) ? visitId : []))
      .sort(),
  );
  // The day after, it is told as it stood, and shared out anew meanwhile
  const lister = {
    read: jest.fn(() => Promise.reject(new Error('Not now.'))),
    readAhead: jest.fn(),
    answer: jest.fn(),
  };
  const nextDay = new Date(Date.parse(NOW) + 86_400_000).toISOString();
  const { db } = orchard.store;
  const tomorrow = await getSeasonToday({ db, pool: orchard.pool, lister, now: nextDay });
  const then = before.slots
    .filter(({ half, from: day }) => half && day === nextDay.slice(0, 10))
    .map(({ id }) => id);
  expect(tomorrow).toMatchObject({ day: nextDay.slice(0, 10), isAnew: true, madeAt: NOW });
  expect(tomorrow.halfDays.flatMap(({ treeIds }) => treeIds).sort()).toEqual(
    plan.plan.done
      .flatMap(({ visitId, slotId }) => (then.includes(slotId) && isPass(visitId) ? visitId : []))
      .sort(),
  );
  while (lister.read.mock.calls.length === 0) await new Promise((next) => setTimeout(next, 20));
  expect(today.isAnew).toBe(false);
  // Taken back, it is planned like any other
  await said(first, { is: 'open' }).expect(200);
  expect((await shared()).visits.find(({ id }) => id === first)?.wish).toEqual({ is: 'open' });
});

test.each([
  ['nothing fixed', { is: 'fixed', from: null, to: null, half: null, crewId: null }],
  [
    'a last day before the first',
    { is: 'fixed', from: '2027-01-02', to: '2027-01-01', half: null, crewId: null },
  ],
  ['half of two days', { is: 'fixed', from: '2027-01-01', to: '2027-01-02', half: 'morning', crewId: null }],
  ['only a first day', { is: 'fixed', from: '2027-01-01', to: null, half: null, crewId: 'c' }],
  ['left without a reason', { is: 'left', until: '2027-01-01', reason: ' ' }],
  ['a day that is none', { is: 'not before', day: '2027-02-30' }],
])('%s is refused where it is said', async (_, wish) => {
  const [treeId] = (await shared()).visits.map((visit) => visit.treeId);
  const { body } = await put(`/api/actions/${newId()}`, {
    kind: 'visitWished',
    at: NOW,
    treeId,
    wish,
  }).expect(400);
  expect(body.errors[0].path).toMatch(/^wish/);
});

test('the week of a crew on paper: its half-days with trees to tick off, then the cut sheets of those trees', async () => {
  const { plan, visits, slots } = await shared();
  const week = async (query: string) => {
    const { body } = await get(`/api/season-plan/week.pdf?crew=c${query}`).expect(200);
    const text = (body as Buffer).toString('latin1');
    return { text, pages: text.match(/\/Type \/Page\b/g)?.length ?? 0 };
  };
  const first = slots.find(({ id }) => plan.done.some(({ slotId }) => slotId === id));
  const last = new Date(Date.parse(`${first?.from}T12:00:00Z`) + 6 * 86_400_000).toISOString().slice(0, 10);
  const ofWeek = slots.filter(({ from }) => from >= (first?.from ?? '') && from <= last).map(({ id }) => id);
  const passes = new Set(visits.flatMap(({ id, kind }) => (kind === 'pass at hand' ? id : [])));
  const trees = plan.done.filter(({ slotId, visitId }) => ofWeek.includes(slotId) && passes.has(visitId));
  expect(trees.length).toBeGreaterThan(0);
  expect(trees.length).toBeLessThan(visits.length + 1);
  // A page of the week and at least one of each tree
  expect((await week('')).pages).toBeGreaterThanOrEqual(1 + trees.length);
  expect((await week(`&from=${first?.from}`)).pages).toBe((await week('')).pages);
  expect((await week('&from=2029-01-01')).pages).toBe(1);
  await get('/api/season-plan/week.pdf?crew=nobody').expect(404);
  await get('/api/season-plan/week.pdf?crew=c&from=2027-02-30').expect(400);
});
