// The run over the wire: what was done since it began, the kit, and cuts with what was seen of them again.

import { routes } from '@mortisect/contracts';
import { bladesOf, openRun } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const { put, read: get } = requestsTo(() => orchard);
const run = async (): Promise<Action[]> => routes.getRun.response.parse(await get('/api/run')).actions;

test('a run that began days ago is told whole; a closed one is over; a start taken back never was', async () => {
  expect(openRun(await run())).toBeNull();
  const began = newId();
  const at = '2026-11-20T09:00:00.000Z';
  const start = {
    kind: 'runStarted',
    at,
    treeIds: ['lee-wall-07'],
    bladeIds: ['saw-1'],
    checked: ['people'],
  };
  await put(`/api/actions/${began}`, start).expect(200);
  await put(`/api/actions/${newId()}`, {
    kind: 'stationTaken',
    at: '2026-11-20T09:05:00.000Z',
    treeId: 'lee-wall-07',
    station: 'ground, north',
  }).expect(200);
  await put(`/api/actions/${newId()}`, {
    kind: 'cutMade',
    at: '2026-11-20T09:17:00.000Z',
    treeId: 'lee-wall-07',
    blade: 'saw-1',
    findingIds: [],
    cut: {
      limbId: 'D',
      limbName: '4 o’clock, low',
      atCm: 190,
      kind: 'heading',
      diameterMm: 20,
      clearanceCm: 0,
      shortfallCm: 0,
      sentence: '',
      estimatedMinutes: 6,
    },
  }).expect(200);
  // Only a run that is closed is measured
  expect((await get('/api/site')).paces).toEqual([]);
  const open = openRun(await run());
  expect(open).toMatchObject({ id: began, by: 'Wall crew', treeIds: ['lee-wall-07'] });
  expect(open?.done.map(({ action }) => action.kind)).toEqual(['stationTaken', 'cutMade']);
  await put(`/api/actions/${newId()}`, {
    kind: 'runClosed',
    at: NOW,
    bladeIds: ['saw-1'],
    checked: [],
  }).expect(200);
  expect(openRun(await run())).toBeNull();
  // 12 minutes for 6: (12 + 60) / (6 + 60)
  expect((await get('/api/site')).paces).toMatchObject([
    { by: null, kind: 'hand saw', cuts: 1, factor: 1.1 },
    { by: 'Wall crew', kind: 'hand saw', cuts: 1, factor: 1.1 },
  ]);
  const second = newId();
  await put(`/api/actions/${second}`, { ...start, at: '2026-11-24T10:01:00.000Z' }).expect(200);
  expect(openRun(await run())?.id).toBe(second);
  await put(`/api/actions/${newId()}`, {
    kind: 'undone',
    at: '2026-11-24T10:02:00.000Z',
    actionId: second,
  }).expect(200);
  expect(openRun(await run())).toBeNull();
});

test('blades of the demo tell what they did last, however long ago', async () => {
  const { site } = (await get('/api/site')).site ? await get('/api/site') : { site: null };
  const ids = bladesOf(site.plan.kit).map(({ id }) => id);
  expect(ids).toContain('saw-2');
  const used = (await run()).filter(({ action }) => action.kind === 'cutMade');
  expect(used.length).toBeGreaterThan(10);
});

test('aftercare names what old cuts met; a demo season has outcomes good and bad', async () => {
  const { actions, disorders } = routes.getAftercare.response.parse(await get('/api/aftercare'));
  const outcomes = actions.flatMap(({ action }) => (action.kind === 'recheckDone' ? [action.outcome] : []));
  expect(new Set(outcomes)).toEqual(new Set(['clean', 'came back', 'regrown']));
  const unnamed = actions.filter(({ action }) => action.kind === 'cutMade' && action.disorders === undefined);
  for (const { action } of unnamed) {
    if (action.kind === 'cutMade')
      expect(action.findingIds.every((id) => disorders[id] !== undefined)).toBe(true);
  }
});

test.each([
  ['a run of no trees', { kind: 'runStarted', at: NOW, treeIds: [], bladeIds: [], checked: [] }, 400],
  [
    'a cut elsewhere on a limb that is not there',
    {
      kind: 'cutMade',
      at: NOW,
      treeId: 'lee-wall-07',
      blade: 'saw-1',
      findingIds: [],
      cut: {
        limbId: 'nowhere',
        limbName: 'x',
        atCm: 3,
        kind: 'heading',
        diameterMm: 3,
        clearanceCm: 0,
        shortfallCm: 0,
        sentence: '',
      },
    },
    422,
  ],
  [
    'a recheck of no known tree',
    {
      kind: 'recheckDone',
      at: NOW,
      treeId: 'none',
      cutId: '0193f000-0000-7000-8000-000000000001',
      recheck: 'month',
      outcome: 'clean',
      distanceCm: null,
      shoots: null,
      note: '',
    },
    422,
  ],
])('%s is refused', async (_, body, status) => {
  await put(`/api/actions/${newId()}`, body).expect(status);
});
