// Which hours a crew works, in the forecast and in past years; what a visit is worth when. Hours and weather are made up.

import highsLoader from 'highs';
import {
  type Crew,
  type Highs,
  type Solver,
  solveCampaign,
  solverOf,
  startingSeason,
} from '../campaign/index';
import type { VisitWorth } from '../plan/index';
import type { Due, ListedTree } from '../run/index';
import { dayAfter, localClock } from '../weather/index';
import {
  addedUp,
  inSlotsOf,
  isSamePlace,
  knowing,
  type Move,
  minutesNear,
  minutesOfYears,
  movesBetween,
  played,
  type RotaGroup,
  type RotaInput,
  rotaOf,
  type SharedBefore,
  sharedBefore,
  slotsOf,
  weekdayOf,
} from './index';

const clock = localClock('Europe/London');
const crew: Crew = {
  ...{ id: 'crew', name: 'Wall crew', people: 2, ladders: 1, poles: 1, skills: [], weekdays: [6] },
  ...{ fromHour: 9, toHour: 15, daysOff: [], from: null, to: null, pace: null },
};
const monday = '2027-01-04';
const saturday = '2027-01-09';
/** So many dry hours from the first of a day on. */
const dry = (from: string, days: number, wet: (hour: number) => boolean = () => false) => {
  const fromHour = clock.startOf(from);
  return {
    fromHour,
    blocked: Array.from({ length: days * 24 }, (_, i) => (wet(fromHour + i) ? (['rain'] as const) : [])),
  };
};
const half = (day: string, of: 'morning' | 'afternoon') => ({
  id: `${day} ${of}`,
  from: day,
  to: day,
  half: of,
});

test('half-days for the forecast, then weeks up to the last day', () => {
  const slots = slotsOf([monday, dayAfter(monday, 1)], '2027-01-13');
  expect(slots.map(({ from, to, half }) => [from, to, half])).toEqual([
    ['2027-01-04', '2027-01-04', 'morning'],
    ['2027-01-04', '2027-01-04', 'afternoon'],
    ['2027-01-05', '2027-01-05', 'morning'],
    ['2027-01-05', '2027-01-05', 'afternoon'],
    ['2027-01-06', '2027-01-12', null],
    ['2027-01-13', '2027-01-19', null],
  ]);
  expect([monday, saturday, '2027-01-10'].map(weekdayOf)).toEqual([1, 6, 7]);
});

test('a crew works on its days, from hour to hour, and only where it is dry', () => {
  const near = dry(monday, 7);
  const minutes = (of: Partial<Crew>, slot = half(saturday, 'morning'), hours = near) =>
    minutesNear({ ...crew, ...of }, slot, hours, clock);
  // 9 to 12, and 12 to 15
  expect([minutes({}), minutes({}, half(saturday, 'afternoon'))]).toEqual([180, 180]);
  expect(minutes({ fromHour: 11 })).toBe(60);
  expect(minutes({ toHour: 14 }, half(saturday, 'afternoon'))).toBe(120);
  expect(minutes({}, half(monday, 'morning'))).toBe(0);
  expect(minutes({ daysOff: [saturday] })).toBe(0);
  // Their first day and their last are theirs
  expect([saturday, '2027-01-10'].map((from) => minutes({ from }))).toEqual([180, 0]);
  expect([saturday, '2027-01-08'].map((to) => minutes({ to }))).toEqual([180, 0]);
  const nine = clock.startOf(saturday) + 9;
  expect(
    minutes(
      {},
      undefined,
      dry(monday, 7, (hour) => hour === nine),
    ),
  ).toBe(120);
});

test('past years: the days of this year’s calendar in the weather of then, as far as the record reaches', () => {
  const week = { id: 'w', from: monday, to: '2027-01-10', half: null };
  // Two winters on record; in the one before last it rained all of that Saturday’s date
  const rainy = clock.startOf('2025-01-09');
  const far = dry('2024-12-01', 500, (hour) => hour >= rainy && hour < rainy + 24);
  expect(minutesOfYears(crew, week, far, clock)).toEqual([360, 0]);
  expect(minutesOfYears({ ...crew, weekdays: [6, 7] }, week, far, clock)).toEqual([720, 360]);
});

test.each([
  ['one of five hours is not known: it is no hour to work in', ['not known'], 1, 240],
  ['two of five are not: the year stands with the mean of the others', ['not known'], 2, 300],
  ['in the dark nobody asks', ['dark', 'not known'], 5, 0],
] as const)('past weather with a gap: %s', (_, blocks, hours, minutes) => {
  const week = { id: 'w', from: '2027-01-03', to: '2027-01-09', half: null };
  const five = { ...crew, toHour: 14 };
  const { fromHour, blocked } = dry('2023-12-01', 1200);
  const gap = clock.startOf('2025-01-09') + 9 - fromHour;
  const far = { fromHour, blocked: blocked.map((why, i) => (i >= gap && i < gap + hours ? blocks : why)) };
  expect(minutesOfYears(five, week, far, clock)).toEqual([300, minutes, 300]);
  // Twenty years of which nothing is known leave no hour, and no fault
  const none = { fromHour, blocked: blocked.map(() => ['not known'] as const) };
  expect(minutesOfYears(five, week, none, clock)).toEqual([0, 0, 0]);
});

const tree = (
  id: string,
  minutes: number,
  points: number,
  more: Partial<Pick<Due, 'must' | 'ahead' | 'handOver'> & VisitWorth> = {},
) =>
  ({
    tree: { id, code: id, plotId: 'plot', plot: 'Plot', hazards: [] },
    ...{ findings: [], known: {}, toDecide: [], questions: [], cuts: [], current: true },
    due: {
      ...{ minutes, must: more.must ?? false, ahead: more.ahead ?? [], handOver: more.handOver ?? 0 },
      worth: {
        points,
        woundCm2: more.woundCm2 ?? 0,
        powerSaw: more.powerSaw ?? false,
        pole: more.pole ?? false,
      },
    },
  }) as unknown as ListedTree;

const group = (more: Partial<RotaGroup> = {}): RotaGroup => ({
  ...{ key: 'apple', lane: 'pome', species: 'apple' },
  school: 'dormant' as RotaGroup['school'],
  cells: [monday, saturday].flatMap((day) =>
    (['morning', 'afternoon'] as const).map(
      (of) =>
        ({
          day,
          half: of,
          verdict: 'go',
          why: null,
          score: [10, 20, 30],
        }) as unknown as RotaGroup['cells'][number],
    ),
  ),
  season: {
    weeks: [1, 8, 15, 22, 29, 36, 43, 50, 57].map((from) => ({ from, score: [0, from, 99] })),
    schools: [{ school: 'dormant', from: 330, to: 20 }],
  } as unknown as RotaGroup['season'],
  ...more,
});

const given = (more: Partial<RotaInput> = {}): RotaInput => ({
  ...{ today: monday, crews: [crew], clock, groupOf: { a: 'apple', b: 'apple' }, groups: [group()] },
  trees: [tree('a', 30, 20, { woundCm2: 50 })],
  near: dry(monday, 7),
  far: dry('2024-12-01', 700),
  ...{ wishes: {}, errands: [], booked: [], paces: {}, hosts: {} },
  ...{ settings: startingSeason(), minutePoints: 0.15 },
  ...more,
});

test('work with a pole goes to a crew that has one', () => {
  const pole = tree('a', 30, 20, { pole: true });
  const campaign = (poles: number) => rotaOf(given({ trees: [pole], crews: [{ ...crew, poles }] }))?.campaign;
  expect(campaign(0)?.visits[0]?.needs).toEqual(['pole']);
  expect([0, 1].map((poles) => campaign(poles)?.pools[0]?.skills)).toEqual([[], ['pole']]);
  expect(rotaOf(given())?.campaign.visits[0]?.needs).toEqual([]);
});

test('a visit is worth its points less its wounds by the index of the day, and is late but allowed for four weeks', () => {
  const rota = rotaOf(given());
  const [visit] = rota?.campaign.visits ?? [];
  // 20 points, half a hundred cm² at index 20 and a quarter point
  expect(visit?.worth.slice(0, 4)).toEqual([17.5, 17.5, 17.5, 17.5]);
  expect(visit).toMatchObject({ minutes: 30.5, skip: 0.85 * 20, must: null, plotId: 'plot' });
  expect(rota?.lanes).toEqual([
    { lane: 'pome', species: ['apple'], school: { from: monday, to: '2027-01-20' }, summer: null },
  ]);
  const weeks = rota?.slots.flatMap(({ half, from }, t) => (half ? [] : [[from, visit?.worth[t]]])) ?? [];
  // The week of the tenth day has the index 8; the last begins at most 28 days after the school’s end
  expect(weeks[0]).toEqual(['2027-01-10', 20 - (8 * 0.25 * 50) / 100]);
  expect(weeks.at(-1)?.[0]).toBe('2027-02-14');
  expect(rotaOf(given({ trees: [tree('a', 0, 20)] }))).toBeNull();
});

test.each([
  ['bloom of a blight host', null],
  ['severe frost', null],
  ['risk', null],
  ['rain', 17.5],
])('a half-day that waits for %s', (why, worth) => {
  const cells = group().cells.map((cell) => ({ ...cell, verdict: 'wait' as const, why: why as 'risk' }));
  const rota = rotaOf(given({ groups: [group({ cells })] }));
  expect(rota?.campaign.visits[0]?.worth[0]).toBe(worth);
});

test('in a wet year what does not fit waits for the next week, and is left at the end', async () => {
  const solver: Solver = solverOf((await highsLoader()) as unknown as Highs);
  const trees = [tree('a', 100, 20, { must: true }), tree('b', 100, 20)];
  // Nobody can work before the forecast ends; then one winter is dry and one wet
  const wetFrom = clock.startOf('2025-01-01');
  const wet = (hour: number) => hour >= wetFrom && hour < wetFrom + 24 * 60;
  const rota = rotaOf(given({ trees, near: dry(monday, 7, () => true), far: dry('2024-12-01', 770, wet) }));
  if (!rota) throw new Error('Nothing to share out.');
  const { plan } = solveCampaign(rota.campaign, solver);
  expect(plan.done).toHaveLength(2);
  const years = played(rota, plan);
  expect(years.map(({ left }) => left.toSorted())).toEqual([[], ['a', 'b']]);
  expect(years.map(({ doneBy }) => doneBy !== null)).toEqual([true, false]);
  expect(plan.done.find(({ visitId }) => visitId === 'a')?.slotId).toBe('2027-01-10');
});

test.each([
  [
    'a half-day',
    { from: saturday, to: saturday, half: 'morning', crewId: null },
    [`${saturday} morning`],
    true,
  ],
  [
    'a day',
    { from: monday, to: monday, half: null, crewId: null },
    [`${monday} morning`, `${monday} afternoon`],
    false,
  ],
  [
    'a week beyond the forecast, by a day of it',
    { from: '2027-01-12', to: '2027-01-12', half: null, crewId: 'crew' },
    ['2027-01-10'],
    true,
  ],
  ['a crew', { from: null, to: null, half: null, crewId: 'crew' }, 'all', false],
] as const)('what is fixed to %s may stand nowhere else', (_, days, open, isOne) => {
  const rota = rotaOf(given({ wishes: { a: { is: 'fixed', ...days } } }));
  const [visit] = rota?.campaign.visits ?? [];
  const own = rota?.slots.flatMap(({ id }, t) => (visit?.worth[t] == null ? [] : [id]));
  const free = rotaOf(given())?.campaign.visits[0]?.worth.filter((points) => points !== null).length;
  if (open === 'all') expect(own).toHaveLength(free ?? 0);
  else expect(own).toEqual(open);
  expect(visit?.pin).toEqual({ slotId: isOne ? open[0] : null, poolId: days.crewId });
  expect(rota?.lapsed).toEqual([]);
});

test('not before a day: the week that it lies in is too early; the next one is not', () => {
  const rota = rotaOf(given({ wishes: { a: { is: 'not before', day: '2027-01-11' } } }));
  const own = rota?.slots.filter((_, t) => rota.campaign.visits[0]?.worth[t] != null);
  expect(own?.[0]?.from).toBe('2027-01-17');
  const onTheDay = rotaOf(given({ wishes: { a: { is: 'not before', day: '2027-01-10' } } }));
  expect(onTheDay?.slots.find((_, t) => onTheDay.campaign.visits[0]?.worth[t] != null)?.from).toBe(
    '2027-01-10',
  );
});

test('left until a day it is not shared out, with its reason and price; the day after, it waits a second year', () => {
  const left = (until: string) =>
    rotaOf(
      given({
        trees: [tree('a', 30, 20, { must: true }), tree('b', 30, 10)],
        wishes: { a: { is: 'left', until, reason: 'Nest' } },
      }),
    );
  const rota = left(monday);
  expect(rota?.campaign.visits.map(({ id }) => id)).toEqual(['b']);
  // 20 points on its best day, 17 a year later
  expect(rota?.leftByChoice).toEqual([
    { visitId: 'a', plotId: 'plot', until: monday, reason: 'Nest', costs: 3, must: true },
  ]);
  const after = left('2027-01-03');
  expect(after?.leftByChoice).toEqual([]);
  expect(after?.campaign.visits.map(({ skip }) => skip)).toEqual([20 * 0.85 ** 2, 10 * 0.85]);
});

test.each([
  ['its day has gone', { is: 'fixed', from: '2027-01-03', to: '2027-01-03', half: null, crewId: null }],
  ['its crew has gone', { is: 'fixed', from: monday, to: monday, half: null, crewId: 'nobody' }],
  ['beyond the season', { is: 'fixed', from: '2027-03-01', to: '2027-03-01', half: null, crewId: null }],
  ['beyond the season', { is: 'not before', day: '2027-03-01' }],
] as const)('what can be kept no more is told, and planned like any other: %s', (why, wish) => {
  const rota = rotaOf(given({ wishes: { a: wish } }));
  expect(rota?.lapsed).toEqual([{ visitId: 'a', why }]);
  expect(rota?.campaign.visits).toEqual(rotaOf(given())?.campaign.visits);
});

describe('what moved and why', () => {
  let solver: Solver;
  beforeAll(async () => {
    solver = solverOf((await highsLoader()) as unknown as Highs);
  });
  const ill = (id: string, points: number, must = false) => tree(id, 100, points, { must, woundCm2: 50 });
  const trees = [ill('a', 20), ill('b', 15)];
  // No risk by the forecast, some in every week after it
  const calm = group({
    cells: group().cells.map((cell) => ({ ...cell, score: [0, 0, 0] as const })) as RotaGroup['cells'],
  });
  const groupOf = { a: 'apple', b: 'apple', c: 'apple' };
  /** One at work, on both days of the forecast: each of two trees takes a morning and more. */
  const both = { ...crew, people: 1, weekdays: [1, 6], toHour: 12 };
  const shared = (more: Partial<RotaInput> = {}, before: SharedBefore | null = null) => {
    const input = given({ trees, crews: [both], groups: [calm], groupOf, ...more });
    const rota = rotaOf(input);
    if (!rota) throw new Error('Nothing to share out.');
    const { plan } = solveCampaign(rota.campaign, solver, before ? inSlotsOf(before, rota) : []);
    const now = { ...input, slots: rota.slots, done: plan.done, rota };
    return { now, kept: sharedBefore(now), moves: before ? movesBetween(before, now) : [] };
  };
  const before = () => shared().kept;
  const wetOn = (day: string) =>
    dry(monday, 7, (hour) => hour >= clock.startOf(day) && hour < clock.startOf(day) + 24);
  const why = (moves: readonly Move[]) => moves.map(({ visitId, because }) => [visitId, because]);

  test('nothing, where nothing changed, and where a week has become half-days', () => {
    expect(before().done).toHaveLength(2);
    expect(shared({}, before()).moves).toEqual([]);
    const far = shared({ near: dry(monday, 7, () => true) }).kept;
    const [first] = far.done;
    const week = far.slots.find(({ id }) => id === first?.slotId);
    expect(week?.half).toBeNull();
    const place = { ...(week as { from: string; to: string }), half: null, crewId: 'crew' };
    expect(isSamePlace(place, { ...place, from: place.to, to: place.to, half: 'morning' })).toBe(true);
    expect(isSamePlace(place, { ...place, from: dayAfter(place.to, 1), to: dayAfter(place.to, 1) })).toBe(
      false,
    );
    expect(isSamePlace(place, { ...place, crewId: 'other' })).toBe(false);
    expect(isSamePlace({ ...place, half: 'morning' }, { ...place, half: 'afternoon' })).toBe(false);
  });

  test('where short hours are added up in another week, nobody blames the weather', () => {
    const old = before();
    const { now } = shared({}, old);
    const [first, second] = old.done;
    const { rota } = now;
    const t = rota.slots.findIndex(({ id }) => id === first?.slotId);
    const noneThere = rota.campaign.pools.map((pool) => ({
      ...pool,
      minutes: pool.minutes.map((minutes, i) => (i === t ? 0 : minutes)),
    }));
    const other = rota.slots.at(-1)?.id as string;
    const done = [{ ...(first as (typeof old.done)[number]), slotId: other }, ...(second ? [second] : [])];
    const movedWith = (pools: typeof noneThere) =>
      movesBetween(old, { ...now, done, rota: { ...rota, campaign: { ...rota.campaign, pools } } });
    expect(why(movedWith(noneThere))).toEqual([[first?.visitId, 'its hours stand elsewhere']]);
    expect(why(movedWith(rota.campaign.pools))).toEqual([[first?.visitId, 'it brings more']]);
  });

  test('a morning is washed out: what stood there goes elsewhere for the weather, nothing else moves', () => {
    const old = before();
    const onMonday = old.done.find(({ slotId }) => slotId === `${monday} morning`)?.visitId;
    const { moves } = shared({ near: wetOn(monday) }, old);
    expect(why(moves)).toEqual([[onMonday, 'the weather']]);
    expect(moves[0]?.from).toEqual({ from: monday, to: monday, half: 'morning', crewId: 'crew' });
    expect(moves[0]?.to).not.toBeNull();
  });

  test('somebody is ill, says a day, leaves one; a strike is found; a day goes by', () => {
    const old = before();
    const at = (slot: string) => old.done.find(({ slotId }) => slotId === slot)?.visitId as string;
    const [first, second] = [at(`${monday} morning`), at(`${saturday} morning`)];
    expect(why(shared({ crews: [{ ...both, daysOff: [monday] }] }, old).moves)).toEqual([
      [first, 'the crew works otherwise'],
    ]);
    const asked = { is: 'fixed', from: '2027-01-12', to: '2027-01-12', half: null, crewId: null } as const;
    expect(why(shared({ wishes: { [first]: asked } }, old).moves)).toEqual([[first, 'somebody said so']]);
    const left = { is: 'left', until: '2027-12-31', reason: 'Nest' } as const;
    expect(shared({ wishes: { [second]: left } }, old).moves).toMatchObject([
      { visitId: second, to: null, because: 'somebody said so' },
    ]);
    const strike = shared({ trees: [...trees, ill('c', 30, true)] }, old).moves;
    expect(why(strike)).toEqual([
      [first, 'others took its place'],
      ['c', 'it is new'],
    ]);
    // It had no plan yet: nobody found anything. Whatever stood elsewhere is told all the same
    const unplanned = shared({ trees: [...trees, ill('c', 30, true)] }, { ...old, unplanned: ['c'] }).moves;
    expect(why(unplanned)).toEqual([[first, 'others took its place']]);
    const must = trees.map((each) => (each.tree.id === second ? ill(second, 15, true) : each));
    expect(why(shared({ trees: must }, old).moves)).toContainEqual([second, 'it cannot wait any more']);
    const ahead = { ...calm, cells: calm.cells.filter(({ day }) => day > monday) };
    const nextDay = shared({ today: dayAfter(monday, 1), groups: [ahead] }, old).moves;
    expect(why(nextDay)).toEqual([[first, 'its day went by']]);
  });

  test('a plan that people go by changes only for more than half a point', () => {
    const old = before();
    const late = [...trees, ill('c', 15.5)];
    // Both mornings are taken: the third goes to a week, though it brings a little more than what stands there
    expect(why(shared({ trees: late }, old).moves)).toEqual([['c', 'it is new']]);
  });
});

test('hours of weeks are added up until the longest visit fits; half-days stay as they are; what is left stands in the last week', () => {
  const week = (minutes: number, asked = 0) => ({ isNear: false, minutes, asked });
  const near = { isNear: true, minutes: 10, asked: 0 };
  expect(addedUp([near, week(30), week(29), week(1), week(60), week(20)], 60)).toEqual([
    10, 0, 0, 60, 60, 20,
  ]);
  // Who has gone by then works before
  expect(addedUp([week(20), week(30), week(0), week(0)], 60)).toEqual([0, 50, 0, 0]);
  // What somebody has fixed to a week is done in it, on its dry days
  expect(addedUp([week(30), week(10, 25), week(5, 50), week(60)], 60)).toEqual([0, 40, 50, 60]);
});

test('one who works on Saturdays, of which one in two is wet, begins nothing that does not fit, and leaves nothing that does', async () => {
  const solver: Solver = solverOf((await highsLoader()) as unknown as Highs);
  // 60 minutes every second winter: 30 on the mean, of which 25.5 are planned, and 40 are needed
  const hour = { ...crew, people: 1, fromHour: 9, toHour: 10 };
  const wetFrom = clock.startOf('2025-06-01');
  const far = dry('2024-12-01', 900, (each) => each >= wetFrom && each < wetFrom + 24 * 365);
  const given40 = {
    trees: ['a', 'b'].map((id) => tree(id, 29.5, 20, { woundCm2: 5 })),
    crews: [hour],
    near: dry(monday, 7, () => true),
    far,
  };
  const rota = rotaOf(given(given40));
  if (!rota) throw new Error('Nothing to share out.');
  const { minutes } = rota.campaign.pools[0] as { minutes: number[] };
  // (29.5 + 0.5 + 10) / 0.85 minutes are wanted at once: two weeks of 30
  expect(minutes.filter((each) => each > 0).slice(0, 2)).toEqual([60, 60]);
  const { plan } = solveCampaign(rota.campaign, solver);
  expect(plan.done).toHaveLength(2);
  // In a dry winter each is done in the first of its two weeks
  const [, dryYear] = played(rota, plan);
  // 5 cm² at a quarter point a hundred, by the indices 8 and 22
  expect(dryYear).toEqual({ left: [], doneBy: '2027-01-30', points: 40 - (0.25 * 5 * (8 + 22)) / 100 });
  // Fixed to a week, it has a dry day of it
  const [week] = rota.slots.filter(({ half }) => half === null);
  const { from = '', to = '' } = week ?? {};
  const fixed = rotaOf(
    given({ ...given40, wishes: { a: { is: 'fixed', from, to, half: null, crewId: null } } }),
  );
  if (!fixed) throw new Error('Nothing to share out.');
  const pinned = solveCampaign(fixed.campaign, solver).plan.done.find(({ visitId }) => visitId === 'a');
  expect(pinned?.slotId).toBe(week?.id);
});

test('a week is told by a wet tenth of its past years, their mean and a dry tenth; a half-day thrice by its own hours', () => {
  // The second winter is dry for two of six hours
  const wetFrom = clock.startOf('2026-01-01');
  const isWet = (hour: number) => hour >= wetFrom && (hour - clock.startOf('2026-01-03')) % 24 >= 11;
  const rota = rotaOf(given({ far: dry('2024-12-01', 900, isWet) }));
  const week = rota?.slots.findIndex(({ half }) => half === null) ?? -1;
  expect(rota?.years[0]?.[week]?.toSorted()).toEqual([120, 360]);
  expect(rota?.workable[0]?.[week]).toEqual([120, 240, 360]);
  expect(rota?.workable[0]?.[0]).toEqual(
    rota?.workable[0]?.[0]?.map(() => rota.campaign.pools[0]?.minutes[0]),
  );
});

test.each([
  // Two people, of whose minutes 85 % are planned; half a one is walked, ten go into beginning in the plot
  [40.5 / 1.7 + 1e-9, []],
  [40.5 / 1.7 - 0.01, ['a']],
])(
  'in a past year in which each had %d minutes of one week, of a visit of 30 that which is left: %j',
  (each, left) => {
    const rota = rotaOf(given({ near: dry(monday, 7, () => true) }));
    if (!rota) throw new Error('Nothing to share out.');
    const week = rota.slots.findIndex(({ half }) => half === null);
    const slotId = rota.slots[week]?.id as string;
    const plan = { done: [{ visitId: 'a', slotId, poolId: 'crew' }] };
    const years = [rota.slots.map((_, t) => [t === week ? each : 0])];
    const [year] = played({ ...rota, years }, plan as Parameters<typeof played>[1]);
    expect(year?.left).toEqual(left);
    expect(year?.doneBy === null).toBe(left.length > 0);
  },
);

test('who takes longer than all together gets less of a plan done, near, far and in past years', () => {
  const rota = (paces: RotaInput['paces']) => rotaOf(given({ paces }));
  const [usual, slow] = [rota({}), rota({ crew: 1.25 })];
  expect(usual?.campaign.pools[0]?.minutes.some((minutes) => minutes > 0)).toBe(true);
  const scaled = (figures: number[] | undefined) => figures?.map((figure) => figure / 1.25);
  expect(slow?.workable[0]).toEqual(usual?.workable[0]?.map(scaled));
  expect(slow?.years[0]).toEqual(usual?.years[0]?.map(scaled));
});

test('who knew the weather of a past year beforehand is at least as good in it as the plan', async () => {
  const solver: Solver = solverOf((await highsLoader()) as unknown as Highs);
  // The last winter is wet every other week, the one before it is dry
  const wetFrom = clock.startOf('2026-01-01');
  const far = dry(
    '2024-12-01',
    900,
    (hour) => hour >= wetFrom && Math.floor((hour - wetFrom) / (7 * 24)) % 2 === 0,
  );
  const rota = rotaOf(
    given({
      trees: ['a', 'b', 'c', 'd'].map((id, i) => tree(id, 100 + 20 * i, 20 + i, { woundCm2: 40 + 30 * i })),
      groupOf: Object.fromEntries(['a', 'b', 'c', 'd'].map((id) => [id, 'apple'])),
      crews: [{ ...crew, people: 1, toHour: 12 }],
      near: dry(monday, 7, () => true),
      far,
    }),
  );
  if (!rota) throw new Error('Nothing to share out.');
  const { plan } = solveCampaign(rota.campaign, solver);
  const years = played(rota, plan);
  expect(years).toHaveLength(2);
  const known = years.map((_, year) => solveCampaign(knowing(rota, year), solver).plan);
  known.forEach((other, year) => {
    expect(other.gap).toBe(0);
    expect(other.points).toBeGreaterThanOrEqual((years[year]?.points ?? 0) - 1e-9);
    // What was left is worth what it is worth when it is left
    expect(years[year]?.points).toBeGreaterThanOrEqual(plan.allLeft - 1e-9);
  });
  // In one of them it would have been worth something to know
  expect(known.some((other, year) => other.points > (years[year]?.points ?? 0) + 0.1)).toBe(true);
  // Half-days of the forecast are known to both
  expect(knowing(rota, 0).pools[0]?.minutes[0]).toBe(rota.campaign.pools[0]?.minutes[0]);
});
