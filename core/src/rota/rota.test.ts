// Which hours a crew works, in the forecast and in past years; what a visit is worth when. Hours and weather are made up.

import highsLoader from 'highs';
import { type Crew, type Highs, type Solver, solveCampaign, solverOf } from '../campaign/index';
import type { ListedTree } from '../run/index';
import { dayAfter, localClock } from '../weather/index';
import {
  minutesNear,
  minutesOfYears,
  played,
  type RotaGroup,
  type RotaInput,
  rotaOf,
  slotsOf,
  weekdayOf,
} from './index';

const clock = localClock('Europe/London');
const crew: Crew = {
  ...{ id: 'crew', name: 'Wall crew', people: 2, ladders: 1, skills: [], weekdays: [6] },
  ...{ fromHour: 9, toHour: 15, daysOff: [] },
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

const tree = (
  id: string,
  minutes: number,
  points: number,
  more: { must?: boolean; woundCm2?: number } = {},
) =>
  ({
    tree: { id, code: id, plotId: 'plot', plot: 'Plot', hazards: [] },
    ...{ findings: [], known: {}, toDecide: [], questions: [], cuts: [], current: true },
    due: { minutes, must: more.must ?? false, worth: { points, woundCm2: more.woundCm2 ?? 0 } },
  }) as unknown as ListedTree;

const group = (more: Partial<RotaGroup> = {}): RotaGroup => ({
  key: 'apple',
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
  ...more,
});

test('a visit is worth its points less its wounds by the index of the day, and is late but allowed for four weeks', () => {
  const rota = rotaOf(given());
  const [visit] = rota?.campaign.visits ?? [];
  // 20 points, half a hundred cm² at index 20 and a quarter point
  expect(visit?.worth.slice(0, 4)).toEqual([17.5, 17.5, 17.5, 17.5]);
  expect(visit).toMatchObject({ minutes: 30.5, skip: 0.85 * 20, must: null, plotId: 'plot' });
  expect(rota?.schoolEnds).toEqual({ apple: '2027-01-20' });
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
