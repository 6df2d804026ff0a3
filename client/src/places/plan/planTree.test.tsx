// The plan of one tree before a server: pins, musts that are lifted, seasons, another place, a decision; each is sent, and the plan follows.
import '../../workers/importMeta';
import type { ActionBody } from '@mortisect/core/records';
import { configure, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, buttons, press, show, went, write } from '../../testing/here';
import { detail, finding } from '../../testing/orchard';
import { PlanList } from './PlanList';
import { PlanTree } from './PlanTree';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
configure({ defaultHidden: true });

const CANKER = '0193f000-0000-7000-8000-000000000011';
const DEAD = '0193f000-0000-7000-8000-000000000012';
const canker = finding(CANKER, 'S', 'FB_CANK_A');
const dead = finding(DEAD, 'R', 'DEAD', { fromCm: 60, toCm: 180 });

async function come(findings = [canker, dead]): Promise<FakeServer> {
  const server = new FakeServer([detail(findings)]);
  at.path = '/plan/a';
  show(<PlanTree treeId="a" />, server);
  await screen.findByText(/This is the best plan for your settings/);
  return server;
}
const said = (server: FakeServer) => server.actions.map(({ action }) => action as ActionBody);
const open = (limb: RegExp) => press(new RegExp(`^Why, and what else: ${limb.source}`));

test('a must that is lifted needs a reason, and a day that is not past', async () => {
  const server = await come([canker]);
  open(/./);
  press('It may wait: watch it');
  const lift = () => buttons('It may wait: watch it')[0] as HTMLButtonElement;
  expect(lift().disabled).toBe(true);
  write('Why', 'Slow, and far out.');
  expect(lift().disabled).toBe(false);
  for (const [until, fits] of [
    ['2026-11-23', false],
    ['soon', false],
    ['2026-11-24', true],
    ['2027-03-01', true],
  ] as const) {
    write(/^Until/, until);
    expect(lift().disabled).toBe(!fits);
  }
  fireEvent.click(lift());
  await allSent();
  expect(said(server)).toMatchObject([
    {
      kind: 'mustLifted',
      findingId: CANKER,
      why: 'watched',
      note: 'Slow, and far out.',
      until: '2027-03-01',
    },
  ]);
});

test('what must come out cannot wait for a season: the clash names the pin, and taking it off makes a plan again', async () => {
  const server = await come([canker]);
  open(/./);
  press('Not before season 2');
  await screen.findByText('No plan keeps all of this');
  expect(said(server)).toMatchObject([{ kind: 'planPinned', pin: { kind: 'not before', season: 2 } }]);
  press(/^Remove this pin: .* waits until season 2$/);
  await waitFor(() => expect(screen.queryByText('No plan keeps all of this')).toBeNull());
  await screen.findByText(/This is the best plan/);
});

test('a limb that stays keeps its wood; the plan answers the finding no more, and says so', async () => {
  const server = await come([dead]);
  open(/./);
  press('It stays');
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'planPinned', pin: { kind: 'stays', limbId: 'R' } }]);
  await screen.findByText('Nothing here for you to cut.');
});

test.each(['1', '5'])('planned over %s seasons, as many stand in the table', async (seasons) => {
  const server = await come();
  fireEvent.click(screen.getByRole('radio', { name: seasons }));
  await waitFor(() =>
    expect(
      within(screen.getByRole('table', { name: 'What comes off in each season' })).getAllByRole('row'),
    ).toHaveLength(Number(seasons)),
  );
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'seasonsPlanned', seasons: Number(seasons) }]);
});

test('each step opens what stands behind it: why, the other schools, what else, and what doing nothing costs', async () => {
  await come([canker]);
  open(/./);
  const sheet = await screen.findByRole('dialog');
  for (const words of ['Why', 'What else', 'Do nothing', 'Handling'])
    expect(within(sheet).getAllByText(words).length).toBeGreaterThan(0);
  expect(within(sheet).getByText(/All of the infected wood stays/)).toBeTruthy();
});

test('on to the days of this tree, and back to it in the round', async () => {
  await come();
  press('When');
  press('Look at the tree');
  expect(went).toEqual([
    ['navigate', '/plan/a/when'],
    ['navigate', '/round/a'],
  ]);
});

test('a tree with nothing open says what will stand here', async () => {
  await come([]);
  expect(
    screen.getByText('This tree has no open finding. What you mark in Round appears here.'),
  ).toBeTruthy();
});

test('the list leads to the season and names every tree with something open, and no other', async () => {
  const server = new FakeServer([
    detail([canker]),
    detail([{ ...dead, treeId: 'b' }], { id: 'b', code: 'Tree B', place: 2 }),
    detail([], { id: 'c', code: 'Tree C', place: 3, openFindings: 0 }),
  ]);
  at.path = '/plan';
  show(<PlanList />, server);
  await waitFor(() => {
    const links = [...document.querySelectorAll('a[href^="/plan/"]')].map((link) =>
      link.getAttribute('href'),
    );
    expect(links).toEqual(['/plan/season', '/plan/a', '/plan/b']);
  });
});

test('the plots that fill the screen are drawn first, those under it behind them, in the order of the walk', async () => {
  const treeOf = (id: string, plotId: string, place: number) =>
    detail([{ ...dead, treeId: id }], { id, code: `Tree ${id}`, plotId, place });
  const first = Array.from({ length: 10 }, (_, i) => treeOf(`p${i}`, 'p', i + 1));
  const server = new FakeServer([...first, treeOf('q', 'q', 11), treeOf('r', 'r', 12)]);
  server.instead.set('getTrees', () => ({
    plots: ['p', 'q', 'r'].map((id) => ({ id, name: `Plot ${id}`, note: '' })),
    rows: [{ id: 'r', plotId: 'p', name: 'Row', spacingCm: 400, revision: 1 }],
    trees: [...server.details.values()].map(({ tree }) => tree),
  }));
  const listed = () =>
    [...document.querySelectorAll('a[href^="/plan/"]')].flatMap(
      (link) => /^\/plan\/([pqr]\d?)$/.exec(link.getAttribute('href') ?? '')?.[1] ?? [],
    );
  const drawn: string[][] = [];
  const watch = new MutationObserver(() => {
    if (listed().length > 0) drawn.push(listed());
  });
  watch.observe(document.body, { childList: true, subtree: true });
  at.path = '/plan';
  show(<PlanList />, server);
  const ofFirst = first.map(({ tree }) => tree.id);
  await waitFor(() => expect(listed()).toEqual([...ofFirst, 'q', 'r']));
  watch.disconnect();
  expect(drawn[0]).toEqual(ofFirst);
});
