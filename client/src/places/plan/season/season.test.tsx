// The season on its page: who does what when, what is left and why, in past years; crews are added, changed and taken out, and wrong ones are told.
import '../../../workers/importMeta';
import type { SeasonPlan } from '@mortisect/contracts';
import type { Crew } from '@mortisect/core/campaign';
import type { ActionBody, Site } from '@mortisect/core/records';
import { english } from '@mortisect/words/all';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { FakeServer } from '../../../testing/fakeServer';
import { at, press, show, write } from '../../../testing/here';
import { detail, NOW } from '../../../testing/orchard';
import { columnsOf } from './SeasonChart';
import { SeasonPage } from './SeasonPage';
import { aboutMoved, aboutWords, type Shared, waitsWords } from './season';

jest.mock('expo-router', () => require('../../../testing/here').router);
configure({ defaultHidden: true });

const crew: Crew = {
  ...{ id: 'wall', name: 'Wall crew', people: 2, ladders: 1, poles: 1, skills: [], weekdays: [3, 6] },
  ...{ fromHour: 9, toHour: 12, daysOff: ['2026-12-26'], from: null, to: null, pace: null },
};
const visit = (id: string, more: object = {}) => ({
  ...{ id, treeId: id, kind: 'pass at hand' as const, code: `Plot ${id}`, plotId: 'p' },
  ...{ minutes: 20, points: 12, must: false, ladder: false },
  ...{
    late: false,
    below: 0,
    worth: [12, 12, 10],
    skip: 6,
    wish: null,
    waits: [] as Shared['visits'][number]['waits'],
  },
  ...more,
});
const SATURDAY = '2026-12-05';
const shared: NonNullable<SeasonPlan['shared']> = {
  slots: [
    { id: 's', from: SATURDAY, to: SATURDAY, half: 'morning' },
    { id: 't', from: SATURDAY, to: SATURDAY, half: 'afternoon' },
    { id: 'w', from: '2026-12-12', to: '2026-12-18', half: null },
  ],
  workable: [
    [
      [180, 180, 180],
      [60, 60, 60],
      [0, 90, 180],
    ],
  ],
  lanes: [
    {
      ...{ lane: 'pome', species: ['apple'], school: { from: SATURDAY, to: '2026-12-10' } },
      summer: { from: '2026-12-14', to: '2026-12-20' },
    },
  ],
  visits: [visit('a', { must: true }), visit('b', { ladder: true }), visit('c')],
  ...{ leftByChoice: [], lapsed: [], moved: null, later: [], arborist: { asks: null, booked: [] } },
  plan: {
    done: [
      { visitId: 'a', slotId: 's', poolId: 'wall' },
      { visitId: 'b', slotId: 'w', poolId: 'wall' },
    ],
    left: [{ visitId: 'c', because: 'others are worth more', costs: 1.84, must: false, pinned: false }],
    slots: [
      { slotId: 's', poolId: 'wall', needed: 30.4, workable: 306, plots: 1 },
      { slotId: 't', poolId: 'wall', needed: 0, workable: 102, plots: 0 },
      { slotId: 'w', poolId: 'wall', needed: 31, workable: 153, plots: 1 },
    ],
    ...{ lateness: 0, points: 40.2, allLeft: 30, bound: 40.3, gap: 0.0098 },
  },
  prices: [[0.1, 0, 0.05]],
  played: [
    { left: [], doneBy: '2026-12-18', points: 40 },
    { left: ['b'], doneBy: SATURDAY, points: 36 },
  ],
  known: [
    { points: 40, knowing: 41.2 },
    { points: 36, knowing: 39 },
  ],
  yearsSimulated: true,
  oneMore: [
    { crewId: 'wall', of: 'person', points: 1.84, visits: 1, minutes: 20.4 },
    { crewId: 'wall', of: 'ladder', points: 0.06, visits: 0, minutes: 0 },
  ],
};

async function come(more: Partial<SeasonPlan> = {}, crews: Crew[] = [crew]) {
  const server = new FakeServer([detail([])]);
  server.site = { ...server.site, site: { ...server.site.site, crews } };
  server.instead.set('getSeasonPlan', () => ({
    ...{ now: NOW, siteRevision: 1, crews, paces: {}, state: 'planned', unplanned: 0, shared },
    isFirst: false,
    ...more,
  }));
  at.path = '/plan/season';
  show(<SeasonPage />, server);
  await screen.findByText('Who works here');
  return server;
}
const saved = (server: FakeServer) => server.bodies<{ site: Site }>('putSite').map(({ site }) => site.crews);

test('visits by day and crew with what they need, then what is left with its reason and price', async () => {
  await come();
  expect(screen.getByText('2 of 3')).toBeTruthy();
  expect(screen.getByText('Sat 5 Dec 2026, morning · Wall crew')).toBeTruthy();
  expect(screen.getByText('One visit, 30 of 306 min with the ways and beginning in one plot')).toBeTruthy();
  expect(screen.getByText('12 Dec 2026 to 18 Dec 2026 · Wall crew')).toBeTruthy();
  expect(screen.queryByText(/afternoon · /)).toBeNull();
  expect(screen.getByText('cannot wait · from the ground')).toBeTruthy();
  expect(screen.getByText('on a ladder')).toBeTruthy();
  expect(screen.getByText('The hours there are bring more at other trees.')).toBeTruthy();
  expect(screen.getByText('costs 1.8 points')).toBeTruthy();
  expect(screen.getByText(/^The plan brings 40 points.*No other plan brings 1 % more\.$/)).toBeTruthy();
  expect(screen.getByText('All is done in 1 of 2 years, by 18 Dec 2026 at the latest.')).toBeTruthy();
  expect(screen.getByText('In the wettest year one visit is left, at Plot b.')).toBeTruthy();
  expect(
    screen.getByText(
      'Somebody who knew the weather of the last 2 years beforehand would have got 2.1 points more.',
    ),
  ).toBeTruthy();
  // Of its own season each kind of wood has its days
  expect(screen.getByText('Apple, pear: 5 Dec to 10 Dec, summer cuts 14 Dec to 20 Dec')).toBeTruthy();
  expect(screen.getByText(/These years are simulated/)).toBeTruthy();
  expect(
    screen.getByText('One more person all season brings 1.8 points, one further visit and 20 min of work.'),
  ).toBeTruthy();
  expect(
    screen.getByText('One more ladder all season brings 0.1 points, no further visit and 0 min of work.'),
  ).toBeTruthy();
  expect(screen.getByText('2 people, one ladder · Wed, Sat, 9 to 12 h · one day off')).toBeTruthy();
});

test('half-days of one week are one column, in minutes of the whole crew with safety taken off', () => {
  const [first, second] = columnsOf(shared, 0, 'wall', 2);
  const round = (column: typeof first) =>
    column && [column.wet, column.mean, column.dry, column.needed].map((each) => Math.round(each * 10) / 10);
  // 180 and 60 minutes of two people, 85 % of them
  expect(round(first)).toEqual([408, 408, 408, 30.4]);
  expect(round(second)).toEqual([0, 153, 306, 31]);
});

test.each([
  ['nobody works', /^Nobody works here yet/],
  ['nothing to do', /^No tree asks for a visit now/],
  ['no weather', /^No weather is known here/],
] as const)('where there is no plan it says why: %s', async (state, words) => {
  await come({ state, shared: null, unplanned: 2 });
  expect(screen.getByText(words)).toBeTruthy();
  expect(screen.getByText('2 trees have no plan yet and are not shared out.')).toBeTruthy();
});

test('a crew without a name, that stops before it begins, or with a day that is none is not saved; then it is', async () => {
  const server = await come({}, []);
  press('Add a crew');
  write('They begin at, hour', '14');
  write('They stop at, hour', '14');
  write('Days off', '2026-12-24 soon');
  press('Save the crew');
  for (const fault of [
    'Give it a name.',
    'Work stops before it begins.',
    'This must be a day like 2026-11-24.',
  ])
    expect(screen.getByText(fault)).toBeTruthy();
  write('People', '0');
  expect(screen.getByText(/1 to 50/)).toBeTruthy();
  write('People', '3');
  write('Name', 'Boat crew');
  write('They stop at, hour', '15');
  write('Days off', '2026-12-24, 2026-12-25');
  expect(saved(server)).toEqual([]);
  press('Save the crew');
  await waitFor(() => expect(saved(server)).toHaveLength(1));
  expect(saved(server)[0]).toMatchObject([
    {
      ...{ name: 'Boat crew', people: 3, ladders: 1, weekdays: [6], fromHour: 14, toHour: 15 },
      daysOff: ['2026-12-24', '2026-12-25'],
    },
  ]);
  // The season is asked for anew
  await waitFor(() =>
    expect(server.asked.filter(({ name }) => name === 'getSeasonPlan').length).toBeGreaterThan(1),
  );
});

test('a crew is changed, and taken out', async () => {
  const server = await come();
  press(/^Wall crew/);
  fireEvent.click(screen.getByRole('checkbox', { name: 'Sat' }));
  press('Save the crew');
  await waitFor(() => expect(saved(server)).toHaveLength(1));
  expect(saved(server)[0]).toEqual([{ ...crew, weekdays: [3] }]);
  await waitFor(() => expect(screen.queryByText('Save the crew')).toBeNull());
  press(/^Wall crew/);
  press('Take this crew out');
  await waitFor(() => expect(saved(server)[1]).toEqual([]));
});

const wishes = (server: FakeServer) =>
  server
    .bodies<ActionBody>('putAction')
    .flatMap((body) => (body.kind === 'visitWished' ? [[body.treeId, body.wish]] : []));

test('a visit is fixed to days and a crew, not before a day, or left with a reason; nothing half said is recorded', async () => {
  const server = await come();
  press(/^Plot a/);
  fireEvent.click(screen.getByRole('radio', { name: 'Fix it' }));
  press('Save');
  expect(screen.getByText('Choose a day, a crew or both.')).toBeTruthy();
  expect(screen.getByText(/^This work cannot wait/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText('On which days'), { target: { value: 'w' } });
  fireEvent.change(screen.getByLabelText('Who does it'), { target: { value: 'wall' } });
  press('Save');
  await waitFor(() => expect(screen.queryByText('Save')).toBeNull());
  press(/^Plot b/);
  fireEvent.click(screen.getByRole('radio', { name: 'Not before' }));
  fireEvent.change(within(screen.getByRole('dialog')).getByRole('combobox'), { target: { value: SATURDAY } });
  press('Save');
  await waitFor(() => expect(screen.queryByText('Save')).toBeNull());
  press(/^Plot c/);
  fireEvent.click(screen.getByRole('radio', { name: 'Not this season' }));
  press('Save');
  expect(screen.getByText('Say why it is left.')).toBeTruthy();
  write('Why it is left', ' A nest ');
  press('Save');
  await waitFor(() => expect(wishes(server)).toHaveLength(3));
  expect(wishes(server)).toEqual([
    ['a', { is: 'fixed', from: '2026-12-12', to: '2026-12-18', half: null, crewId: 'wall' }],
    ['b', { is: 'not before', day: SATURDAY }],
    ['c', { is: 'left', until: '2026-12-18', reason: 'A nest' }],
  ]);
});

test('what was said, what is late, what moved and what can be kept no more stand in words; the same said again is not recorded', async () => {
  const place = { from: SATURDAY, to: SATURDAY, half: 'morning', crewId: 'wall' } as const;
  const fixed = { is: 'fixed', ...place } as const;
  const server = await come({
    shared: {
      ...shared,
      visits: [visit('a', { wish: fixed, below: 0.5 }), visit('b', { late: true, below: 1.25 }), visit('c')],
      leftByChoice: [
        {
          ...{ visitId: 'd', treeId: 'd', kind: 'pass at hand', code: 'Plot d' },
          plotId: 'p',
          until: '2027-08-01',
          reason: 'A nest',
          costs: 3.14,
          must: true,
        },
      ],
      lapsed: [{ visitId: 'c', why: 'its crew has gone' }],
      moved: {
        ...{ at: NOW, points: -1.04 },
        moves: [
          {
            ...{ visitId: 'b', treeId: 'b', kind: 'pass at hand', code: 'Plot b' },
            from: { ...place, crewId: 'gone' },
            to: null,
            because: 'the weather',
          },
        ],
      },
    },
  });
  expect(
    screen.getByText(
      'from the ground · fixed: Sat 5 Dec 2026, morning, Wall crew · 0.5 points less than on its best day',
    ),
  ).toBeTruthy();
  // Rows of the third place on stand folded
  expect(screen.getByText('from the ground · late: 1.3 points less than on its best day')).toBeTruthy();
  expect(screen.getByText('cannot wait · until 1 Aug 2027: A nest')).toBeTruthy();
  expect(screen.getByText('costs 3.1 points')).toBeTruthy();
  expect(screen.getByText('Plot c: its crew has gone.')).toBeTruthy();
  expect(
    screen.getByText(
      'From Sat 5 Dec 2026, morning, a crew that has gone to no day. The weather leaves fewer hours there.',
    ),
  ).toBeTruthy();
  expect(screen.getByText(/: one point less\.$/)).toBeTruthy();
  press(/^Plot a/);
  press('Save');
  await waitFor(() => expect(screen.queryByText('Save')).toBeNull());
  expect(wishes(server)).toEqual([]);
});

test('visits that are no pass at hand say what they are, and are fixed by themselves; what an arborist does and what comes in later years is told', async () => {
  const server = await come({
    shared: {
      ...shared,
      visits: [
        visit('a recheck', { treeId: 'a', kind: 'recheck', code: 'Plot a' }),
        visit('a summer', { treeId: 'a', kind: 'summer pass', code: 'Plot a' }),
        visit('job j', { treeId: 'c', kind: 'job', code: 'Plot c', job: { job: 'own', title: 'Mend it' } }),
      ],
      plan: {
        ...shared.plan,
        done: [
          { visitId: 'a recheck', slotId: 's', poolId: 'wall' },
          { visitId: 'job j', slotId: 's', poolId: 'wall' },
        ],
        left: [{ visitId: 'a summer', because: 'no day of its own', costs: 0, must: false, pinned: false }],
      },
      later: [{ pass: 'dormant', season: 2, firstYear: 2026, trees: 4, minutes: 90.4 }],
      arborist: {
        asks: { codes: ['Plot d'], day: { from: SATURDAY, to: SATURDAY, half: 'morning' }, suits: 1 },
        booked: [{ treeId: 'e', code: 'Plot e', on: '2026-12-09' }],
      },
    },
  });
  expect(screen.getByText('Plot a · summer pass')).toBeTruthy();
  expect(screen.getByText('Winter 2027/28: 4 trees, 90 min.')).toBeTruthy();
  expect(screen.getByText('One tree has cuts that only an arborist may make: Plot d.')).toBeTruthy();
  expect(
    screen.getByText('One visit does for one of them: Sat 5 Dec 2026, morning is best for the wounds.'),
  ).toBeTruthy();
  expect(screen.getByText('9 Dec 2026: an arborist comes to Plot e.')).toBeTruthy();
  press(/^Plot c · Mend it/);
  fireEvent.click(screen.getByRole('radio', { name: 'Not before' }));
  press('Save');
  await waitFor(() => expect(wishes(server)).toHaveLength(1));
  expect(server.bodies('putAction')).toMatchObject([{ treeId: 'c', visitId: 'job j' }]);
});

test('one more day, or two weeks earlier of who is still to come, is reckoned when somebody asks; of another plan it is asked anew', async () => {
  const server = await come({ paces: { wall: 1.2 } }, [crew, { ...crew, id: 'late', from: '2026-12-20' }]);
  expect(screen.getAllByText(/takes 1\.2 min for a usual minute/)).toHaveLength(1);
  expect(screen.getByText(/from 20 Dec 2026 on/)).toBeTruthy();
  const asked: object[] = [];
  let brings = { points: 2.44, visits: 1, minutes: 20.4 };
  server.instead.set('getSeasonWhatIf', (request) => {
    asked.push(Object.fromEntries(request.query));
    return brings;
  });
  press('Reckon what it brings');
  await screen.findByText('It brings 2.4 points, one further visit and 20 min of work.');
  expect(asked).toEqual([{ crew: 'wall', slot: 'w' }]);
  const days = () => screen.getByLabelText<HTMLSelectElement>('One more day of one of them');
  expect(within(days()).queryByText('All of them two weeks earlier')).toBeNull();
  fireEvent.change(days(), { target: { value: 's' } });
  expect(screen.queryByText(/^It brings/)).toBeNull();
  brings = { points: 0, visits: 0, minutes: 0 };
  fireEvent.change(screen.getByLabelText('Who would come'), { target: { value: 'late' } });
  fireEvent.change(days(), { target: { value: '' } });
  press('Reckon what it brings');
  await screen.findByText('It brings nothing more.');
  expect(asked[1]).toEqual({ crew: 'late' });
});

test('a crew is here from day to day and has its own pace; a last day before the first is told', async () => {
  const server = await come();
  press(/^Wall crew/);
  write('First day here', '2027-01-05');
  write('Last day here', '2027-01-04');
  press('Save the crew');
  expect(screen.getByText('The last day comes before the first.')).toBeTruthy();
  write('Last day here', 'soon');
  expect(screen.getByText('This must be a day like 2026-11-24.')).toBeTruthy();
  write('Last day here', '2027-01-05');
  fireEvent.click(screen.getByRole('radio', { name: 'Set by hand' }));
  write('They take for a usual minute, min', '1.25');
  press('Save the crew');
  await waitFor(() => expect(saved(server)).toHaveLength(1));
  expect(saved(server)[0]).toMatchObject([{ from: '2027-01-05', to: '2027-01-05', pace: 1.25 }]);
});

test.each([
  // a stands in the morning, at 12 points less 20 minutes of 0.1
  ['to the afternoon, whose hours cost nothing', ['a'], SATURDAY, 'afternoon', 2, 'About 2 points more.'],
  ['to the week: 10 points less 20 minutes of 0.05', ['a'], '2026-12-14', null, -1, 'About one point less.'],
  ['where it stands', ['a'], SATURDAY, 'morning', 0, 'It costs next to nothing.'],
  ['c that is left, to the week', ['c'], '2026-12-14', null, 3, 'About 3 points more.'],
  [
    'two of them to the morning: the one stands there, the other comes from the week',
    ['a', 'b'],
    SATURDAY,
    'morning',
    1,
    'About one point more.',
  ],
  ['to a day on which it cannot be', ['d'], SATURDAY, 'afternoon', null, 'It cannot be done then.'],
] as const)('about what it comes to %s', (_, ids, day, half, points, words) => {
  const visits = [...shared.visits, visit('d', { worth: [1, null, 3] })];
  const days = { from: day, to: day, half, crewId: 'wall' };
  const about = aboutMoved({ shared: { ...shared, visits }, crews: [crew] }, ids, days);
  expect(about?.points === null ? null : about?.points.toFixed(6)).toBe(
    points === null ? null : points.toFixed(6),
  );
  expect(aboutWords(english, about)).toBe(words);
  // Of large orchards nothing is sent that it could be told by
  const unknown = visits.map((each) => ({ ...each, worth: [] }));
  expect(aboutMoved({ shared: { ...shared, visits: unknown }, crews: [crew] }, ids, days)).toBeNull();
});

test('what a visit loses by waiting is told with its reasons: until its day, or for a year where it is left; too little is not', () => {
  const waits = [
    { why: 'creeps' as const, points: 1.24 },
    { why: 'blight in bloom' as const, points: 4 },
    { why: 'shoots' as const, points: 0.04 },
  ];
  const visits = [visit('a', { waits }), visit('b', { waits: waits.slice(2) }), visit('c', { waits })];
  const words = (id: string) => waitsWords(english, { ...shared, visits }, id);
  expect(words('a')).toBe(
    'By waiting for its day it loses 5.3 points: canker runs on 1.2, blight stands in bloom 4.',
  );
  expect(words('b')).toBe('');
  expect(words('c')).toMatch(/^Left for a year it loses 5.3 points by waiting: /);
});

describe('while the season is shared out', () => {
  /** The server answers when the test says so. */
  async function ask() {
    const server = new FakeServer([detail([])]);
    const told = { now: NOW, siteRevision: 1, crews: [crew], paces: {}, state: 'planned', unplanned: 0 };
    const asked: { atOnce: string | null; ended: boolean; answer(more: object): void }[] = [];
    at.path = '/plan/season';
    show(<SeasonPage />, server);
    const others = globalThis.fetch;
    globalThis.fetch = (async (url: string, init: RequestInit) => {
      const { pathname, searchParams } = new URL(url, 'http://here');
      if (pathname !== '/api/season-plan') return others(url, init);
      return new Promise((resolve, reject) => {
        let isAnswered = false;
        const one = {
          ...{ atOnce: searchParams.get('atOnce'), ended: false },
          answer: (more: object) => {
            const bytes = new TextEncoder().encode(
              JSON.stringify({ ...told, shared, isFirst: false, ...more }),
            );
            isAnswered = true;
            resolve({ ok: true, status: 200, arrayBuffer: async () => bytes.buffer });
          },
        };
        init.signal?.addEventListener('abort', () => {
          one.ended = !isAnswered;
          reject(new DOMException('ended', 'AbortError'));
        });
        asked.push(one);
      });
    }) as never;
    await waitFor(() => expect(asked).toHaveLength(1));
    return asked;
  }
  const points = (more: number) => ({ shared: { ...shared, plan: { ...shared.plan, points: more } } });

  test('a first plan is shown while a better one is made, which takes its place', async () => {
    const asked = await ask();
    expect(asked[0]?.atOnce).toBe('yes');
    asked[0]?.answer({ ...points(31), isFirst: true });
    await screen.findByText(/^The plan brings 31 points/);
    expect(screen.getByText('This is a first plan. A better one is being made.')).toBeTruthy();
    await waitFor(() => expect(asked[1]?.atOnce).toBe('no'));
    asked[1]?.answer(points(42));
    await screen.findByText(/^The plan brings 42 points/);
    expect(screen.queryByText(/first plan/)).toBeNull();
    expect(screen.queryByText('Share it out')).toBeNull();
    expect(asked).toHaveLength(2);
  });

  test('where no better one can be made the first plan says so', async () => {
    const asked = await ask();
    asked[0]?.answer({ ...points(31), isFirst: true });
    await waitFor(() => expect(asked).toHaveLength(2));
    asked[1]?.answer({ shared: 'none' });
    await screen.findByText('This is a first plan. A better one could not be made yet.');
    expect(screen.getByText(/^The plan brings 31 points/)).toBeTruthy();
    expect(screen.getByText('Share it out')).toBeTruthy();
  });

  test('whoever stops it keeps the first plan, or has none; shared out again it is asked for anew', async () => {
    const asked = await ask();
    // What is there at once is not worth stopping
    expect(screen.queryByText('Stop')).toBeNull();
    fireEvent.click(await screen.findByText('Stop'));
    await screen.findByText('You stopped it before there was a season.');
    expect(asked[0]?.ended).toBe(true);
    fireEvent.click(screen.getByText('Share it out'));
    await waitFor(() => expect(asked).toHaveLength(2));
    asked[1]?.answer({ ...points(31), isFirst: true });
    await screen.findByText(/^The plan brings 31 points/);
    fireEvent.click(await screen.findByText('Stop'));
    await screen.findByText('You stopped it. This is the first plan.');
    expect(asked.map(({ ended }) => ended)).toEqual([true, false, true]);
    expect(screen.getByText(/^The plan brings 31 points/)).toBeTruthy();
    fireEvent.click(screen.getByText('Share it out'));
    await waitFor(() => expect(asked).toHaveLength(4));
    asked[3]?.answer(points(42));
    await screen.findByText(/^The plan brings 42 points/);
    expect(screen.queryByText(/You stopped it/)).toBeNull();
  });
});
