// Work on sound wood, before a server: a tree that is too tall and its arborist, a young limb to be tied down, the pace of a renovation.
import '../../workers/importMeta';
import type { ActionBody, TreeDetail } from '@mortisect/core/records';
import { limb } from '@mortisect/core/testing';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer } from '../../testing/fakeServer';
import { allSent, at, buttons, press, show, write } from '../../testing/here';
import { detail, finding } from '../../testing/orchard';
import { EditTree } from '../register/EditTree';
import { PlanList } from './PlanList';
import { PlanTree } from './PlanTree';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
configure({ defaultHidden: true });

const leader = { ...limb('T', null, 0, 0), lengthCm: 520, baseMm: 120, tipMm: 10 };
const tall: TreeDetail = {
  ...detail([], { heightCm: 520, targetHeightCm: 380, form: 'central leader' }),
  limbs: [
    leader,
    ...[80, 140, 200].map((atCm, i) => ({
      ...limb(`low${i}`, 'T', atCm, 90 + 120 * i),
      baseMm: 70,
      inclinationDeg: 5,
    })),
    { ...limb('heir', 'T', 370, 200), baseMm: 24, lengthCm: 90, inclinationDeg: 5 },
  ],
};
const young: TreeDetail = {
  ...detail([], { plantedYear: 2024 }),
  limbs: [
    { ...leader, lengthCm: 120, baseMm: 30 },
    { ...limb('L', 'T', 60, 90), inclinationDeg: 70, baseMm: 15, lengthCm: 70, ageYears: 2 },
  ],
};

async function come(tree: TreeDetail): Promise<FakeServer> {
  const server = new FakeServer([tree]);
  at.path = '/plan/a';
  show(<PlanTree treeId="a" />, server);
  await screen.findByText(/This is the best plan for your settings/);
  return server;
}
const said = (server: FakeServer) => server.actions.map(({ action }) => action as ActionBody);

test('a tree that is too tall says how tall it will be, and whose the cut is; a booked visit holds it', async () => {
  const server = await come(tall);
  expect(screen.getByText('The tree is 5.2 m tall and should be 3.8 m.')).toBeTruthy();
  expect(screen.getByText('Nothing here for you to cut.')).toBeTruthy();
  expect(screen.getByText('After season 3: 5.2 m')).toBeTruthy();
  expect(screen.getByText(/^Stem still ends at 5\.2 m: only an arborist can bring it down/)).toBeTruthy();
  expect(screen.getByText('Stem: Lower the tree')).toBeTruthy();
  press('Book the arborist');
  const book = () => buttons('Book the arborist')[0] as HTMLButtonElement;
  for (const [day, fits] of [
    ['2026-11-23', false],
    ['next week', false],
    ['2029-10-01', false],
    ['2029-09-30', true],
    ['2026-11-24', true],
  ] as const) {
    write('Day of the visit (year-month-day)', day);
    expect(book().disabled).toBe(!fits);
  }
  press('Book the arborist');
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'visitBooked', treeId: 'a', on: '2026-11-24' }]);
  await screen.findByRole('heading', { name: 'Arborist’s visit 2026/27' });
  expect(screen.getByText('After season 1: 3.8 m')).toBeTruthy();
  expect(
    screen.getByText(
      /^Stem: the highest point goes from 5\.2 m to 3\.8 m\. The tree should end at 3\.8 m\.$/,
    ),
  ).toBeTruthy();
  press('The arborist made this cut');
  await allSent();
  expect(said(server)[1]).toMatchObject({
    kind: 'cutMade',
    blade: 'arborist',
    findingIds: [],
    disorders: [],
    cut: {
      limbId: 'T',
      kind: 'reduction',
      sentence: expect.stringContaining('Cut just beyond'),
    },
  });
  await waitFor(() => expect(screen.queryByText(/^The tree is 5\.2 m tall/)).toBeNull());
});

test('a visit that is cancelled takes its cuts along', async () => {
  const server = await come({
    ...tall,
    actions: [
      {
        id: '0193f000-0000-7000-8000-0000000000b1',
        action: { kind: 'visitBooked', at: '2026-11-20T09:00:00Z', treeId: 'a', on: '2027-01-10' },
        undone: false,
        by: 'Wall crew',
        receivedAt: '2026-11-20T09:00:00Z',
      },
    ],
  });
  expect(screen.getByRole('heading', { name: 'Arborist’s visit 2026/27' })).toBeTruthy();
  press('Cancel this visit');
  await allSent();
  expect(said(server).at(-1)).toMatchObject({ kind: 'undone' });
  await waitFor(() => expect(screen.queryByRole('heading', { name: 'Arborist’s visit 2026/27' })).toBeNull());
  expect(screen.getByText('Stem: Lower the tree')).toBeTruthy();
});

test('a young limb is tied down though nobody found anything on it, and then the plan asks no more', async () => {
  const server = await come(young);
  expect(screen.getAllByText(/Train the young tree · spread or tie/i).length).toBeGreaterThan(0);
  press(/^Done: /);
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'stepDone', findingIds: [], what: 'tie down', limbId: 'L' }]);
  await screen.findByText('nothing to do');
});

test('the pace of a renovation is set for the tree, and the paces stand side by side; a limit of its own keeps its bounds', async () => {
  const server = await come({ ...tall, tree: { ...tall.tree, status: 'renovate' } });
  press('The three paces side by side');
  await waitFor(() =>
    expect(
      screen.getAllByText(/leaves .* undone · done in season \d · calls up \d+–\d+ shoots/),
    ).toHaveLength(3),
  );
  fireEvent.click(screen.getByRole('radio', { name: 'A little each year' }));
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'paceSet', pace: 'a little' }]);
  await screen.findByText(/a little each year: a fifth a season/);
  fireEvent.click(screen.getByRole('radio', { name: 'As on the site' }));
  await allSent();
  expect(said(server)[1]).toMatchObject({ kind: 'paceSet', pace: null });
  const set = () => buttons('Set this limit')[0] as HTMLButtonElement;
  for (const [typed, fits] of [
    ['', false],
    ['1.9', false],
    ['50.1', false],
    ['ten', false],
    ['50', true],
    ['12,5', true],
  ] as const) {
    write(/^Limit of this tree/, typed);
    expect(set().disabled).toBe(!fits);
  }
  press('Set this limit');
  await allSent();
  expect(said(server)[2]).toMatchObject({ kind: 'limitSet', limit: 125 });
  await screen.findByText('Somebody set this limit for this tree.');
  press('As on the site again');
  await allSent();
  expect(said(server)[3]).toMatchObject({ kind: 'limitSet', limit: null });
});

test('the list names a tree on which nothing was found where its plan holds work, and leaves out one where it holds none', async () => {
  at.path = '/plan';
  const sound = detail([], { id: 'b', code: 'Tree B', plantedYear: 2025 });
  show(<PlanList />, new FakeServer([tall, { ...sound, limbs: [{ ...leader, lengthCm: 50 }] }]));
  await screen.findByText('Tree A');
  expect(screen.getByText('hand over')).toBeTruthy();
  expect(screen.getByText('Lower the tree')).toBeTruthy();
  await screen.findByText('on 1 tree now');
  expect(screen.queryByText('Tree B')).toBeNull();
});

test('a height below the lowest main limb is refused at its field', async () => {
  at.path = '/round/a/edit';
  const server = new FakeServer([tall]);
  show(<EditTree treeId="a" />, server);
  await screen.findByText('Edit the tree');
  write(/^Target height/, '79');
  press('Save the tree');
  await screen.findByText(/A tree 79 cm tall would end below its lowest main limb, which stands 80 cm up\./);
});

test('of two limbs that cross the better stays, with what speaks for it; who sees more bloom says so with one tap', async () => {
  const main = { ...limb('M', 'T', 100, 90), baseMm: 60, lengthCm: 200 };
  const twins = ['S', 'R'].map((id, i) => ({
    ...limb(id, 'M', 80 + 20 * i, 90),
    kind: 'branch' as const,
    lengthCm: 120,
    baseMm: 24,
  }));
  const cross = {
    ...finding('1', 'S', 'MISPLACED', {
      fromCm: 0,
      toCm: 5,
      fault: {
        kind: 'crossing',
        limbIds: ['S', 'R'],
        atCm: 60,
        measured: 1,
        limit: 3,
        unit: 'cm',
        severity: 2,
        key: 'crossing:R+S',
      },
    }),
    id: '0193f000-0000-7000-8000-000000000031',
  };
  const server = await come({ ...detail([cross]), limbs: [leader, main, ...twins] });
  press(/^Why, and what else/);
  expect(await screen.findByText('Nothing on the map tells them apart.')).toBeTruthy();
  const names = buttons(/^More bloom on /).map((button) => button.textContent);
  expect(names).toHaveLength(2);
  press(names[1] as string);
  await allSent();
  expect(said(server)).toMatchObject([{ kind: 'bloomCompared', limbId: 'R', than: 'S' }]);
  expect(await screen.findByText(/^Rather .*: it bears more bloom\.$/)).toBeTruthy();
});
