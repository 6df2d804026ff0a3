// The calendar of the demo against what the screens are told: windows for each kind of wood but dead wood, and the rechecks that are still to be made.
import { lanesOf, routes } from '@mortisect/contracts';
import { cutsOnRecord } from '@mortisect/core/present';
import { hourOf, localClock } from '@mortisect/core/weather';
import ICAL from 'ical.js';
import request from 'supertest';
import { deviceId, NOW, newId, type Orchard, openOrchard, requestsTo } from '../testing/orchard';

let orchard: Orchard;
let ids: Set<string>;
const { put, read } = requestsTo(() => orchard);
beforeAll(async () => {
  orchard = await openOrchard();
  await put(`/api/devices/${deviceId}`, { name: 'Wall crew' }).expect(200);
  const cut = {
    kind: 'cutMade',
    treeId: 'lee-wall-07',
    blade: 'shears-1',
    findingIds: [],
    disorders: ['FB_SHOOT'],
    cut: {
      limbId: 'A',
      limbName: 'A',
      atCm: 0,
      kind: 'collar',
      diameterMm: 30,
      clearanceCm: 60,
      shortfallCm: 0,
      sentence: 'Cut.',
    },
  };
  for (const at of ['2026-06-20T09:00:00Z', '2026-11-23T09:00:00Z', '2026-11-01T09:00:00Z'])
    await put(`/api/actions/${newId()}`, { ...cut, at }).expect(200);
  const { body } = await request(orchard.app)
    .post('/api/calendar')
    .set('Host', '127.0.0.1')
    .set('X-Device-Id', deviceId)
    .send({})
    .expect(200);
  const { text } = await request(orchard.app).get(body.path).set('Host', '127.0.0.1').expect(200);
  const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent');
  ids = new Set(events.map((event) => new ICAL.Event(event).uid));
});
afterAll(() => orchard.close());

test('every window of every kind of wood is in it, but those of dead wood, which any day will do for', async () => {
  const lanes = lanesOf(routes.getTiming.response.parse(await read('/api/timing')));
  const windowsOf = (isDead: boolean) =>
    lanes
      .filter(({ id }) => (id === 'dead') === isDead)
      .flatMap(({ id, windows }) =>
        windows.map(({ fromHour, verdict }) => `window-${id}-${fromHour}-${verdict}`),
      );
  expect(windowsOf(true).length).toBeGreaterThan(0);
  expect(windowsOf(false).length).toBeGreaterThan(0);
  expect(windowsOf(false).filter((id) => !ids.has(id))).toEqual([]);
  expect(windowsOf(true).filter((id) => ids.has(id))).toEqual([]);
});

test('a recheck is in it as long as it is due or to come, and no longer', async () => {
  const { actions, disorders } = routes.getAftercare.response.parse(await read('/api/aftercare'));
  const { site } = await read('/api/site');
  const today = localClock(site.timeZone).day(hourOf(NOW));
  const rechecks = cutsOnRecord(actions, site, today, (id) => disorders[id] ?? 'unknown').flatMap(
    (cut) => cut.rechecks,
  );
  const of = (wanted: (state: string) => boolean) =>
    rechecks.filter(({ state }) => wanted(state)).map(({ id }) => id);
  for (const state of ['due', 'to come']) {
    const open = of((given) => given === state);
    expect([state, open.length > 0]).toEqual([state, true]);
    expect(open.filter((id) => !ids.has(id))).toEqual([]);
  }
  const over = of((state) => state !== 'due' && state !== 'to come');
  expect(over.length).toBeGreaterThan(0);
  expect(over.filter((id) => ids.has(id))).toEqual([]);
});
