// Today before a server: what cannot wait, what is due, what others asked, and the day that is best.
import '../../workers/importMeta';
import type { Action, Job } from '@mortisect/core/records';
import { act, configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { queryClient } from '../../data/queryClient';
import { FakeServer, refused } from '../../testing/fakeServer';
import { at, press, show, went, write } from '../../testing/here';
import { detail, did, finding, NOW } from '../../testing/orchard';
import { settled, timersHeld } from '../../testing/settled';
import { Today } from './Today';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
const mockLooked = jest.fn();
jest.mock('./urgent', () => {
  const urgent = jest.requireActual('./urgent');
  return { ...urgent, isDangerous: (tree: unknown) => mockLooked() ?? urgent.isDangerous(tree) };
});
/** Each time an order was asked for: whether the cuts stood on the page. */
const mockOrdered: boolean[] = [];
jest.mock('../../data/useRunOrder', () => {
  const { useRunOrder } = jest.requireActual('../../data/useRunOrder');
  return {
    useRunOrder: (input: { trees: unknown[] } | null) => {
      if (input && input.trees.length > 0)
        mockOrdered.push(/to make on/.test(globalThis.document.body.textContent ?? ''));
      return useRunOrder(input);
    },
  };
});
configure({ defaultHidden: true });

const ID = (n: number) => `0193f000-0000-7000-8000-0000000000${n}`;
const strike = finding(ID(11), 'S', 'FB_SHOOT', { activity: 'active' });

async function come(server: FakeServer): Promise<(title: string | RegExp) => string | null> {
  at.path = '/today';
  show(<Today />, server);
  await screen.findByText('Test orchard');
  await waitFor(() => expect(document.body.textContent).not.toMatch(/Reading the weather|Planning the cuts/));
  // What lies under the screen asks when that stands
  await settled();
  await waitFor(() => expect(queryClient.isFetching()).toBe(0));
  await settled();
  // Where a row leads; null where there is none
  return (title) => {
    const rows = [...document.querySelectorAll('a[href]')];
    const found = rows.find(({ textContent }) =>
      typeof title === 'string' ? textContent?.includes(title) : title.test(textContent ?? ''),
    );
    return found?.getAttribute('href') ?? null;
  };
}

test('it is drawn with what was done in the run, and not before and once more', async () => {
  const server = new FakeServer([detail([strike])]);
  let answer = () => {};
  const waits = new Promise<void>((next) => {
    answer = next;
  });
  server.instead.set('getRun', () => waits);
  at.path = '/today';
  show(<Today />, server);
  await waitFor(() => expect(queryClient.getQueryData(['listed-trees', 'metric'])).toBeTruthy());
  await act(() => new Promise((next) => setTimeout(next, 50)));
  expect(screen.queryByText('Test orchard')).toBeNull();
  answer();
  await screen.findByText('Test orchard');
  expect(document.body.textContent).not.toMatch('Planning the cuts');
});

test('it waits for its weather, but not for long', async () => {
  const timers = timersHeld(1000);
  const server = new FakeServer([detail([strike])]);
  server.instead.set('getTiming', () => new Promise(() => {}));
  at.path = '/today';
  show(<Today />, server);
  await waitFor(() => expect(queryClient.getQueryData(['run'])).toBeTruthy());
  await waitFor(() => expect(queryClient.getQueryData(['listed-trees', 'metric'])).toBeTruthy());
  await settled();
  expect(screen.queryByText('Test orchard')).toBeNull();
  timers.goOff();
  await screen.findByText('Test orchard');
  expect(document.body.textContent).toMatch('Reading the weather');
  timers.end();
});

test('which cut comes first is reckoned once the page stands', async () => {
  mockOrdered.length = 0;
  await come(new FakeServer([detail([strike])]));
  await waitFor(() => expect(mockOrdered).toContain(true));
  expect(mockOrdered).not.toContain(false);
});

test('an answer draws what shows it anew, and not the whole page', async () => {
  await come(new FakeServer([detail([strike])]));
  const looks = mockLooked.mock.calls.length;
  expect(looks).toBeGreaterThan(0);
  await act(async () => {
    queryClient.setQueryData(['round'], {
      actions: [did({ kind: 'roundStarted', at: NOW, order: 'serpentine', plotIds: [] })],
    });
  });
  await screen.findByText('The round is open');
  expect(mockLooked.mock.calls.length).toBe(looks);
});

test('weather that nobody has told anew for two hours is said to be old, on a page that stands', async () => {
  await come(new FakeServer([detail([strike])]));
  const later = (minutes: number) =>
    act(async () => {
      queryClient.setQueryData(['health'], (health: { aheadMs: number }) => ({
        ...health,
        aheadMs: health.aheadMs + minutes * 60_000,
      }));
    });
  const isOld = () =>
    /Told about 2 hours ago: the server has not answered/.test(document.body.textContent ?? '');
  await later(115);
  await settled();
  expect(isOld()).toBe(false);
  await later(10);
  await waitFor(() => expect(isOld()).toBe(true));
});

test('where what was done in the run cannot be read, it is drawn without', async () => {
  const server = new FakeServer([detail([strike])]);
  server.instead.set('getRun', () => {
    throw refused(500, 'The run is damaged.');
  });
  at.path = '/today';
  show(<Today />, server);
  await screen.findByText('Test orchard');
});

test('an orchard with nothing open says what to do next', async () => {
  await come(new FakeServer([detail([])]));
  expect(screen.getByText('Nothing is open. Walk the round: what you find waits here.')).toBeTruthy();
});

test.each([
  ['a strike that moves', { disorder: 'FB_SHOOT', activity: 'active' }, true],
  ['a strike that has healed', { disorder: 'FB_SHOOT', activity: 'healed' }, false],
  ['a broken limb', { disorder: 'BRK' }, true],
  ['a canker', { disorder: 'FB_CANK_A' }, false],
])('%s cannot wait: %s', async (_said, more, urgent) => {
  const rowTo = await come(new FakeServer([detail([{ ...strike, ...more } as typeof strike])]));
  expect(rowTo('Cannot wait for a good day')).toBe(urgent ? '/plan/a' : null);
});

test('danger to people comes before wood, and a boundary mark is none', async () => {
  const danger = detail([strike], { hazards: ['power line'] });
  const rowTo = await come(new FakeServer([danger]));
  expect(rowTo(/power line/i)).toBe('/plan/a');
  expect(rowTo('Cannot wait for a good day')).toBeNull();
  expect(document.body.textContent).toMatch(/keep people away; call a licensed arborist/);
  await come(new FakeServer([detail([strike], { hazards: ['boundary mark'] as never })])).catch(
    () => undefined,
  );
});

test('rechecks, jobs and questions that are due stand there, and lead to their place', async () => {
  const cut: Action = {
    ...did({
      kind: 'cutMade',
      at: '2026-09-20T09:00:00Z',
      treeId: 'a',
      blade: 'shears-1',
      findingIds: [],
      disorders: ['FB_SHOOT'],
      cut: {
        limbId: 'S',
        limbName: '3 o’clock, low',
        atCm: 0,
        kind: 'collar',
        diameterMm: 30,
        clearanceCm: 60,
        shortfallCm: 0,
        sentence: 'Cut.',
      },
    }),
    id: ID(21),
  };
  const asked: Action = {
    ...did({
      kind: 'asked',
      at: NOW,
      treeId: 'a',
      findingId: ID(11),
      of: 'Wall crew',
      question: 'Is it blight?',
    }),
    id: ID(22),
    by: 'Boat crew',
  };
  const server = new FakeServer([detail([strike], {}, [asked])], [cut, asked]);
  const job: Job = {
    id: ID(31),
    treeId: 'a',
    job: 'guard',
    dueOn: '2026-11-20',
    note: 'Mesh is in the shed',
    doneAt: null,
    withdrawn: false,
    revision: 1,
    by: 'Wall crew',
    receivedAt: NOW,
  };
  const { site } = server.site;
  server.site = { ...server.site, site: { ...site, rechecks: { ...site.rechecks, overdueDays: 90 } } };
  server.jobs = [job, { ...job, id: ID(32), job: 'stake', dueOn: '2026-12-20' }];
  const rowTo = await come(server);
  expect(rowTo(/recheck.? due/)).toBe('/book/rechecks');
  expect(rowTo('Put on rodent guard')).toBe('/round/a');
  expect(document.body.textContent).toMatch(/late: was due 20 Nov 2026 · Mesh is in the shed/);
  // Due within two weeks: not yet
  expect(rowTo('Check stake or prop')).toBeNull();
  expect(rowTo('Boat crew asks you')).toBe('/round/a?limb=S');
});

test('an open round says how far it is, one that is paused says so', async () => {
  const start = {
    ...did({ kind: 'roundStarted', at: '2026-11-24T08:00:00Z', order: 'serpentine', plotIds: [] }),
    id: ID(41),
  };
  const seen = {
    ...did({
      kind: 'treeSeen',
      at: '2026-11-24T08:10:00Z',
      treeId: 'a',
      verdict: 'sound',
      seen: 'all round',
    }),
    id: ID(42),
  };
  const pause = { ...did({ kind: 'roundPaused', at: '2026-11-24T08:20:00Z' }), id: ID(43) };
  const trees = [detail([]), detail([], { id: 'b', code: 'Tree B', place: 2 })];
  const rowTo = await come(new FakeServer(trees, [start, seen]));
  await waitFor(() => expect(rowTo('The round is open')).toBe('/round'));
  expect(document.body.textContent).toMatch(/1 of 2 seen · next: Tree B/);
  const after = await come(new FakeServer(trees, [start, seen, pause]));
  await waitFor(() => expect(after('The round is paused')).toBe('/round'));
});

test('the one next step is the main button: what was begun is gone on with', async () => {
  const round = did({ kind: 'roundStarted', at: NOW, order: 'serpentine', plotIds: [] });
  await come(new FakeServer([detail([])], [round]));
  fireEvent.click(await screen.findByRole('button', { name: 'Continue the round: Tree A' }));
  expect(went.at(-1)).toEqual(['navigate', '/round/a']);
  const paused = { ...did({ kind: 'roundPaused', at: NOW }), id: ID(41) };
  await come(new FakeServer([detail([])], [round, paused]));
  fireEvent.click(await screen.findByRole('button', { name: 'Continue the round' }));
  expect(went.at(-1)).toEqual(['navigate', '/round']);
  await come(new FakeServer([detail([])]));
  expect(await screen.findByRole('button', { name: 'Walk the round' })).toBeTruthy();
});

test.each([
  [false, null],
  [true, '/book/settings'],
])('a safe copy that is old (%s) is told, with what keeps it from being made', async (isOld, leadsTo) => {
  const server = new FakeServer([detail([])]);
  const failed = { at: NOW, why: 'There is no room.' };
  server.copies = {
    ...server.copies,
    isOld,
    failed,
    kept: [{ name: 'a', madeAt: '2026-11-19T10:00:00Z', bytes: 9 }],
  };
  const rowTo = await come(server);
  await waitFor(() => expect(server.asked.map(({ name }) => name)).toContain('getCopies'));
  await waitFor(() => expect(rowTo('The last safe copy is old')).toBe(leadsTo));
  if (isOld)
    expect(document.body.textContent).toMatch(
      /Made 19 Nov 2026, \d\d:\d\d · There is no room\. · see Settings/,
    );
});

const MINUTE = 60_000;
test.each([
  [-2 * MINUTE, false, null],
  [-2 * MINUTE - 1000, false, /clock is 2 minutes ahead/],
  [3 * 24 * 60 * MINUTE, false, /clock is 3 days behind/],
  [3 * 24 * 60 * MINUTE, true, null],
])('a server %d ms ahead of this device, its clock set on purpose: %s', async (aheadMs, clockSet, words) => {
  const rowTo = await come(new FakeServer([detail([])]));
  act(() => queryClient.setQueryData(['health'], { ok: true, demo: false, clockSet, aheadMs }));
  await waitFor(() => expect(rowTo(/device’s clock/)).toBe(words && '/book/settings'));
  if (words) expect(rowTo(words)).toBe('/book/settings');
});

test.each([
  [{ damage: { seenAt: NOW, what: '1 page in trees' }, isReadOnly: false }, 'The database is damaged'],
  [{ damage: null, isReadOnly: true }, 'The disk of the server takes nothing'],
])('a database that is not well is told, and Settings say more: %j', async (database, words) => {
  const server = new FakeServer([detail([])]);
  server.copies = { ...server.copies, database };
  const rowTo = await come(server);
  await waitFor(() => expect(rowTo(words)).toBe('/book/settings'));
});

describe('an orchard without a tree', () => {
  async function come(): Promise<FakeServer> {
    const server = new FakeServer([]);
    const { site } = server.site;
    server.site = { ...server.site, site: { ...site, latitude: 0, longitude: 0 } };
    at.path = '/today';
    show(<Today />, server);
    await screen.findByText('First, the orchard');
    return server;
  }

  test('asks where it stands, and saves nothing that is missing or cannot be', async () => {
    const server = await come();
    press('Save the orchard');
    expect(await screen.findByText(/^Not saved: where it stands/)).toBeTruthy();
    write('Latitude, degrees', '95');
    write(/^Longitude/, '-3,1');
    press('Save the orchard');
    expect(await screen.findByText(/“Latitude, degrees” cannot be used/)).toBeTruthy();
    expect(server.bodies('putSite')).toEqual([]);
    write('What it is called', 'By the pond');
    write('Latitude, degrees', '54.2');
    fireEvent.click(screen.getByRole('radio', { name: 'Feet, lb' }));
    press('Save the orchard');
    await waitFor(() => expect(server.bodies('putSite')).toHaveLength(1));
    expect(server.bodies<{ site: object }>('putSite')[0]?.site).toMatchObject({
      ...{ name: 'By the pond', latitude: 54.2, longitude: -3.1, units: 'us' },
    });
  });

  test('offers one tree, a row and a file; a device that does not know its place says so', async () => {
    await come();
    for (const [name, href] of [
      ['One tree now', '/round/register/new'],
      ['A whole row', '/round/register/row'],
      ['From a file', '/round/register/import'],
    ] as const)
      expect(screen.getByRole('link', { name: new RegExp(`^${name}`) }).getAttribute('href')).toBe(href);
    press('Use this device’s place');
    expect(await screen.findByText(/^This device does not say where it is/)).toBeTruthy();
  });
});

test('what the season has for each crew today leads into Cut; what is done counts by itself', async () => {
  const server = new FakeServer([detail([finding(ID(11), 'S', 'FB_CANK_A')])]);
  const halfDay = { half: 'morning', crewId: 'wall crew', crew: 'Wall crew', treeIds: ['a', 'gone'] };
  server.instead.set('getSeasonToday', () => ({
    ...{ day: NOW.slice(0, 10), madeAt: NOW, isAnew: false },
    halfDays: [halfDay, { ...halfDay, half: 'afternoon', crew: 'Boat crew', treeIds: ['gone'] }],
  }));
  const rowTo = await come(server);
  await screen.findByText('Wall crew, this morning: 2 trees');
  expect(rowTo('Wall crew, this morning')).toBe('/cut?crew=wall%20crew&half=morning');
  expect(screen.getByText('one is done; still to do: Tree A')).toBeTruthy();
  expect(screen.getByText('Boat crew, this afternoon: one tree')).toBeTruthy();
  expect(screen.getByText('all of it is done')).toBeTruthy();
  expect(rowTo('Boat crew')).toBeNull();
});
