// Weather in and days out, over the wire: imports, pushes, answers and the calendar, on a real database.
import { appRoutes, groupOf } from '@mortisect/contracts';
import { unsaid } from '@mortisect/words';
import ICAL from 'ical.js';
import request from 'supertest';
import { readWeather } from '../files/readWeather';
import { YEAR_HOURS, yearsOnRecord } from '../pool/weatherSource';
import { openDb } from '../store/openDb';
import { weatherBefore } from '../store/schema';
import { deviceId, NOW, newId, type Orchard, openOrchard } from '../testing/orchard';
import { getSite } from './site';
import { getTiming } from './timing';
import { weatherSource } from './weather';

let orchard: Orchard;
beforeAll(async () => {
  orchard = await openOrchard();
  await request(orchard.app).put(`/api/devices/${deviceId}`).send({ name: 'Wall crew' }).expect(200);
});
afterAll(() => orchard.close());

const send = (csv: string, query: Record<string, string> = {}) =>
  request(orchard.app)
    .post('/api/weather/import')
    .query({ format: 'csv', ...query })
    .set('X-Device-Id', deviceId)
    .set('Content-Type', 'text/csv')
    .send(csv);

async function goBy(source: 'none' | 'simulated' | 'recorded'): Promise<void> {
  const { body } = await request(orchard.app).get('/api/site').expect(200);
  const site = { ...body.site, weather: { ...body.site.weather, source } };
  await request(orchard.app)
    .put('/api/site')
    .set('X-Device-Id', deviceId)
    .send({ baseRevision: body.revision, site })
    .expect(200);
}

const LOCAL_HOURS = `Date Time,Temp °F,RH,Rain in
2026-10-25 00:30,50,80,0
2026-10-25 01:30,50,80,0
2026-10-25 01:30,48.2,82,0.1
2026-10-25 02:30,48.2,90,0
2026-10-25 06:30,46.4,95,0
`;

test('a file in local time: the hour told twice when clocks go back is two hours; units are turned; taken twice it counts once', async () => {
  const looked = (await send(LOCAL_HOURS).expect(200)).body;
  expect(looked.mapping).toMatchObject({
    at: 'Date Time',
    temperatureC: 'Temp °F',
    'temperatureC:unit': '°F',
    'rainMm:unit': 'in',
  });
  expect(looked).toMatchObject({ hours: 5, fresh: 5, same: 0, written: 0 });
  // 23:00 UTC is half past midnight in British summer time
  expect(looked.from).toBe('2026-10-24T23:00:00.000Z');
  expect(looked.to).toBe('2026-10-25T06:00:00.000Z');
  expect(
    looked.faults.map((fault: { kind: string; column: string }) => `${fault.kind} ${fault.column}`),
  ).toContain('gap temperatureC');
  expect((await send(LOCAL_HOURS, { take: 'good' })).body).toMatchObject({ written: 5 });
  expect((await send(LOCAL_HOURS, { take: 'good' })).body).toMatchObject({ fresh: 0, same: 5, written: 0 });
  const other = LOCAL_HOURS.replace('46.4', '44.6');
  expect((await send(other, { take: 'good' })).body).toMatchObject({ differing: 1, written: 0 });
  expect((await send(other, { take: 'good', differing: 'replace' })).body).toMatchObject({ written: 1 });
  // A measurement is never replaced without a trace: 46.4 °F was 8 °C
  const traces = await orchard.store.db.select().from(weatherBefore);
  expect(traces).toMatchObject([{ kind: 'observed', by: 'Wall crew', value: { temperatureC: 8 } }]);
});

test('hours years apart are compared one by one, and what lies between is left alone', async () => {
  const csv = (temperature: number) => `time,temp\n2019-03-01T00:00Z,${temperature}\n2023-03-01T00:00Z,7\n`;
  expect((await send(csv(5), { take: 'good' })).body).toMatchObject({ fresh: 2, written: 2 });
  expect((await send(csv(5), { take: 'good' })).body).toMatchObject({ same: 2, fresh: 0, differing: 0 });
  expect((await send(csv(6))).body).toMatchObject({ same: 1, fresh: 0, differing: 1 });
});

test('a record of many months is read and compared hour by hour, as far as it goes', async () => {
  const HOURS = 4100;
  const from = Date.UTC(2024, 0, 1) / 3_600_000;
  const temperature = (i: number) => (i % 173) / 10;
  const csv = (other: number) =>
    `time,temp,rain\n${Array.from(
      { length: HOURS },
      (_, i) =>
        `${new Date((from + i) * 3_600_000).toISOString()},${i === other ? 30 : temperature(i)},${i % 7 === 0 ? '' : 0.1}`,
    ).join('\n')}`;
  expect((await send(csv(-1), { take: 'good' })).body).toMatchObject({ fresh: HOURS, written: HOURS });
  for (const other of [0, 1999, 2000, HOURS - 1])
    expect((await send(csv(other))).body).toMatchObject({ same: HOURS - 1, differing: 1, fresh: 0 });
  const { site } = await getSite(orchard.store.db);
  const recorded = { ...site, weather: { ...site.weather, source: 'recorded' as const } };
  const source = await weatherSource(orchard.store.db, recorded, NOW);
  const { observed } = source as Extract<typeof source, { kind: 'recorded' }>;
  const read = (column: 'temperatureC' | 'rainMm' | 'windMs') =>
    observed[column].slice(from - observed.fromHour).slice(0, HOURS);
  const each = <V>(value: (i: number) => V) => Array.from({ length: HOURS }, (_, i) => value(i));
  expect(read('temperatureC')).toEqual(each(temperature));
  expect(read('rainMm')).toEqual(each((i) => (i % 7 === 0 ? null : 0.1)));
  expect(read('windMs')).toEqual(each(() => null));
});

test('nothing is mended unless asked; a gap of three hours is filled, rain never', async () => {
  const csv = 'time,temp,rain\n2026-09-01T00:00Z,10,0\n2026-09-01T03:00Z,13,0\n';
  expect((await send(csv)).body.hours).toBe(2);
  const mended = (await send(csv, { repair: 'fill short gaps', take: 'good' })).body;
  expect(mended).toMatchObject({ hours: 4, written: 4 });
  expect(mended.faults.filter((fault: { mended: boolean }) => fault.mended)).toHaveLength(1);
});

test('a time centuries away and a word that is no number are refused by line; the rest is read', async () => {
  const csv = 'time,temp\n0001-01-01T00:00Z,5\n2026-09-03T00:00Z,warm\n2026-09-03T01:00Z,12\n';
  const { body } = await send(csv).expect(200);
  expect(body).toMatchObject({ hours: 1, refusedCount: 2 });
  expect(body.refused.map((row: { line: number }) => row.line)).toEqual([2, 3]);
});

test.each([
  ['', 415, 'no-file'],
  ['just words', 422, 'file-not-read'],
  ['\u0000\u0001', 422, 'file-not-read'],
])('a file that is none (%j) is refused and says so', async (csv, status, type) => {
  const answer = await send(csv);
  expect([answer.status, answer.body.type]).toEqual([status, type]);
});

test('a zone and a rule that are not known are refused by name', async () => {
  expect((await send(LOCAL_HOURS, { zone: 'Mars/Base' }).expect(422)).body.errors[0].path).toBe('zone');
  expect((await send(LOCAL_HOURS, { repair: 'guess' }).expect(422)).body.errors[0].path).toBe('repair');
});

test('a station pushes with its token alone; sent twice it counts once; what it says later counts', async () => {
  const stationId = newId();
  const { body: station } = await request(orchard.app)
    .put(`/api/weather/stations/${stationId}`)
    .set('X-Device-Id', deviceId)
    .send({ name: 'Mast by the slip' })
    .expect(200);
  const push = (temperatureC: number, token = station.token) =>
    request(orchard.app)
      .post('/api/weather/push')
      .set('Authorization', `Bearer ${token}`)
      .send({ hours: [{ at: '2026-11-24T08:20:00Z', temperatureC }] });
  expect((await push(6).expect(200)).body).toEqual({ fresh: 1, same: 0, replaced: 0 });
  expect((await push(6).expect(200)).body).toEqual({ fresh: 0, same: 1, replaced: 0 });
  expect((await push(7).expect(200)).body).toEqual({ fresh: 0, same: 0, replaced: 1 });
  expect((await push(6, 'x'.repeat(32)).expect(401)).body.type).toBe('no-station');
  const late = await request(orchard.app)
    .post('/api/weather/push')
    .set('Authorization', `Bearer ${station.token}`)
    .send({ hours: [{ at: '2026-12-24T08:00:00Z', temperatureC: 3 }] })
    .expect(422);
  expect(late.body.errors[0].path).toBe('hours.0.at');
  await request(orchard.app)
    .delete(`/api/weather/stations/${stationId}`)
    .set('X-Device-Id', deviceId)
    .expect(200);
  await push(6).expect(401);
});

test('the demo goes by simulated weather and says so; every tree has its group, every group ten days', async () => {
  const { body } = await request(orchard.app).get('/api/timing').expect(200);
  expect(body.station).toMatchObject({ simulated: true, pastYears: 10 });
  // The app takes it as it comes
  expect(appRoutes.getTiming.response.parse(body)).toEqual(body);
  const { body: register } = await request(orchard.app).get('/api/trees').expect(200);
  const keys = new Set(body.timing.groups.map((group: { key: string }) => group.key));
  const group = groupOf(body);
  for (const tree of register.trees) expect(keys.has(group.get(tree.id))).toBe(true);
  for (const group of body.timing.groups) expect(group.cells).toHaveLength(20);
  // The tree with an open canker of its own is reckoned apart from its like
  expect(group.get('lee-wall-07')).not.toBe(group.get('lee-wall-01'));
  // The hard late frost of the story is on record
  expect(body.timing.groups.some((group: { freezes: object[] }) => group.freezes.length > 0)).toBe(true);
});

test.each([
  ['by the same code within the hour', NOW, null, 0],
  ['an hour later', '2026-11-24T11:00:00.000Z', null, 1],
  ['by other code', NOW, 'another', 1],
])('what the weather says, after a restart, %s', async (_, now, code, workedOut) => {
  const first = await getTiming(orchard.store.db, orchard.pool, NOW);
  const dump = await orchard.store.dump?.();
  const restarted = await openDb({ copyOf: dump as Blob });
  const timing = jest.fn(orchard.pool.timing);
  try {
    const after = await getTiming(restarted.db, { ...orchard.pool, timing, ...(code && { code }) }, now);
    expect(timing).toHaveBeenCalledTimes(workedOut);
    if (now === NOW) expect(JSON.stringify(after)).toBe(JSON.stringify(first));
  } finally {
    await restarted.close();
  }
});

test('one tree: windows, curves from the day of the cut, and the schools over the year', async () => {
  const path = '/api/trees/slip-side-01';
  const { body } = await request(orchard.app)
    .get(`${path}/timing`)
    .query({ mm: 60, crownShare: 0.2 })
    .expect(200);
  expect(body.group.species).toBe('european-plum');
  const [first] = body.curves.pathogens;
  // A wound only closes
  first.susceptible.forEach((left: number, i: number, all: number[]) => {
    if (i > 0) expect(left).toBeLessThanOrEqual((all[i - 1] as number) + 1e-9);
  });
  const { body: season } = await request(orchard.app).get(`${path}/season`).expect(200);
  expect(season).toMatchObject({ years: 10, yearsSimulated: true });
  expect(season.schools.map((school: { school: string }) => school.school)).toContain('after fruit set');
  await request(orchard.app).get('/api/trees/nowhere/timing').expect(404);
});

test('a stage that was seen outweighs what was reckoned', async () => {
  const stageOf = async () => {
    const { body } = await request(orchard.app).get('/api/timing').expect(200);
    return body.stages.find((stage: { species: string }) => stage.species === 'peach').stage;
  };
  expect((await stageOf()).basis).toBe('weather');
  const action = {
    kind: 'stageSeen',
    at: NOW,
    species: 'peach',
    cultivar: null,
    stage: 'first swell',
    share: 0.3,
  };
  await request(orchard.app)
    .put(`/api/actions/${newId()}`)
    .set('X-Device-Id', deviceId)
    .send(action)
    .expect(200);
  expect(await stageOf()).toMatchObject({ basis: 'seen', phase: 'buds', stage: 'first swell' });
});

test('the calendar is read by its address alone, ends with a new one, and holds events that an independent reader takes', async () => {
  const make = () =>
    request(orchard.app).post('/api/calendar').set('X-Device-Id', deviceId).send({}).expect(200);
  const { body: old } = await make();
  const { body: made } = await make();
  await request(orchard.app).get(old.path).expect(404);
  const answer = await request(orchard.app).get(made.path).expect(200);
  expect(answer.headers['content-type']).toContain('text/calendar');
  const calendar = new ICAL.Component(ICAL.parse(answer.text));
  const events = calendar.getAllSubcomponents('vevent').map((subcomponent) => new ICAL.Event(subcomponent));
  expect(events.length).toBeGreaterThan(3);
  const windows = events.filter((event) => /to cut: /.test(event.summary));
  for (const event of windows) expect(event.endDate.compare(event.startDate)).toBe(1);
  // Cuts of the demo are looked at again, each on a day of its own
  const looks = events.filter((event) => event.summary.startsWith('Look again: '));
  expect(looks.length).toBeGreaterThan(5);
  expect(looks.every((event) => event.startDate.isDate)).toBe(true);
  expect(new Set(events.map((event) => event.uid)).size).toBe(events.length);
  const ended = await request(orchard.app).delete('/api/calendar').set('X-Device-Id', deviceId).expect(200);
  expect(ended.body).toEqual({ path: null });
  await request(orchard.app).get(made.path).expect(404);
  const { body: told } = await request(orchard.app).get('/api/calendar').expect(200);
  expect(told).toEqual({ path: null });
});

test('without weather it is told what the calendar still says, and what nobody can', async () => {
  await goBy('none');
  const { body } = await request(orchard.app).get('/api/timing').expect(200);
  expect(body.timing).toBeNull();
  expect(
    body.stages.every((stage: { stage: { basis: string } | null }) => stage.stage?.basis !== 'weather'),
  ).toBe(true);
  expect((await request(orchard.app).get('/api/trees/slip-side-01/timing').expect(409)).body.type).toBe(
    'no-weather',
  );
  await goBy('recorded');
  const { body: recorded } = await request(orchard.app).get('/api/timing').expect(200);
  // A handful of hours: what is missing is counted, and no hour is called dry that nobody measured
  expect(recorded.station.missingHours).toBeGreaterThan(600);
  expect(recorded.timing.groups.every((group: { windows: object[] }) => group.windows.length === 0)).toBe(
    true,
  );
  await goBy('simulated');
});

describe('the compute routes', () => {
  const hours = (count: number, from: string, t: (h: number) => number, rain: (h: number) => number) =>
    Array.from({ length: count }, (_, h) => ({
      at: new Date(Date.parse(from) + h * 3600_000).toISOString(),
      temperatureC: t(h),
      humidityPct: 70,
      rainMm: rain(h),
      windMs: 3,
    }));
  const post = (path: string, body: object) => request(orchard.app).post(`/api/compute/${path}`).send(body);

  test('wound-risk gives the worked chance of case B, and its band holds the middle', async () => {
    const wave = (h: number) => 14 + 6 * Math.cos((2 * Math.PI * (h - 15)) / 24);
    const rain = (h: number) => ((h >= 60 && h <= 71) || (h >= 180 && h <= 191) ? 1 : 0);
    const { body } = await post('wound-risk', {
      latitude: 50,
      // November: inoculum of Cytospora counts in full
      hours: hours(336, '2026-11-01T00:00:00Z', wave, rain),
      cuts: ['2026-11-01T00:00:00Z'],
      loads: { CYT: 1 },
    }).expect(200);
    expect(Math.abs(body.cuts[0].pathogens.CYT.chance - 0.165145)).toBeLessThan(2e-3);
    const [low, , high] = body.cuts[0].infectionBand;
    expect(low).toBeLessThan(body.cuts[0].infection);
    expect(high).toBeGreaterThan(body.cuts[0].infection);
  });

  test('stage, freeze, windows and season answer; what keeps its leaves is refused with words', async () => {
    const year = hours(
      8760,
      '2025-10-01T00:00:00Z',
      (h) =>
        9 - 8 * Math.cos((2 * Math.PI * (h / 24 - 120)) / 365) + 4 * Math.sin((2 * Math.PI * (h - 9)) / 24),
      (h) => (h % 100 < 5 ? 0.5 : 0),
    );
    const { body: stage } = await post('stage', { latitude: 50, species: 'apple', hours: year }).expect(200);
    expect(stage.days.some((day: { phase: string }) => day.phase === 'bloom')).toBe(true);
    const { body: freeze } = await post('freeze', { latitude: 50, species: 'peach', hours: year }).expect(
      200,
    );
    expect(Array.isArray(freeze.events)).toBe(true);
    const { body: windows } = await post('windows', {
      latitude: 50,
      hours: hours(
        200,
        '2026-03-02T00:00:00Z',
        () => 8,
        (h) => (h === 20 ? 2 : 0),
      ),
    }).expect(200);
    expect(windows.windows.length).toBeGreaterThan(0);
    expect(windows.blocked.length).toBeGreaterThan(0);
    const { body: season } = await post('season', {
      latitude: 50,
      species: 'apple',
      hours: year,
      loads: { NEO: 1 },
    }).expect(200);
    expect(season.schools).toHaveLength(6);
    expect(
      (await post('stage', { latitude: 50, species: 'citrus', hours: year }).expect(422)).body.errors[0].path,
    ).toBe('species');
    await post('windows', { latitude: 500, hours: [] }).expect(400);
  });

  describe('what nobody knows is unknown', () => {
    const wet = (h: number) => (h % 50 < 4 ? 1 : 0);
    const flat = hours(2400, '2026-11-01T00:00:00Z', () => 14, wet);
    const risk = (given: object[], at: string) =>
      post('wound-risk', { latitude: 50, hours: given, cuts: [at], loads: { CYT: 1 }, draws: 20 });

    test('a cut after the end of the record has no chance told, and none of nought', async () => {
      const { body } = await risk(flat, '2027-03-01T00:00:00Z').expect(200);
      expect(body.cuts[0]).toMatchObject({ known: 0, infection: null, infectionBand: null });
      expect(body.cuts[0].pathogens.CYT).toMatchObject({ known: 0, chance: null, lambda: null });
    });

    test.each([
      ['a rain gauge that failed for a tenth of the hours spread over the record is near enough', 11, true],
      ['one that failed for an eighth of them is not', 8, false],
    ])('%s', async (_said, each, told) => {
      const gaps = flat.map((hour, i) => (i % each === 0 ? { ...hour, rainMm: null } : hour));
      const { body } = await risk(gaps, '2026-11-02T00:00:00Z').expect(200);
      const cut = body.cuts[0];
      expect(cut.known).toBeCloseTo(1 - 1 / each, 1);
      expect(cut.infection === null).toBe(!told);
      expect(cut.infectionBand === null).toBe(!told);
      expect(cut.pathogens.CYT.atLeast).toBeGreaterThan(0);
    });

    test.each([
      ['temperatureC', 'wound-risk', { cuts: ['2026-11-02T00:00:00Z'], loads: { CYT: 1 } }],
      ['temperatureC', 'stage', { species: 'apple' }],
      ['temperatureC', 'freeze', { species: 'apple' }],
      ['temperatureC', 'season', { species: 'apple', loads: {} }],
      ['rainMm', 'season', { species: 'apple', loads: {} }],
    ])(
      'hours of which fewer than half have their %s are refused by %s, with the field',
      async (column, path, more) => {
        const half = (each: number) =>
          flat.slice(0, 100).map((hour, i) => (i < each ? hour : { ...hour, [column]: null }));
        const { body } = await post(path, { latitude: 50, hours: half(49), ...more }).expect(400);
        expect(body.errors[0].path).toBe('hours');
        expect(body.errors[0].message).toContain('too little is known');
        await post(path, { latitude: 50, hours: half(50), ...more }).expect(200);
      },
    );

    test.each(['windows', 'stage', 'freeze', 'season', 'wound-risk'])(
      'an unknown time zone is refused by %s, with the field',
      async (path) => {
        const { body } = await post(path, {
          latitude: 50,
          hours: flat.slice(0, 48),
          timeZone: 'Orrin/Bight',
          ...(path === 'windows'
            ? {}
            : path === 'wound-risk'
              ? { cuts: [NOW], loads: {} }
              : { species: 'apple' }),
          ...(path === 'season' ? { loads: {} } : {}),
        }).expect(400);
        expect(body.errors).toEqual([
          {
            path: 'timeZone',
            message: 'This is no time zone. Write it like Europe/Lisbon.',
            code: 'noTimeZone',
            given: {},
          },
        ]);
      },
    );

    test('freeze names the days on which nobody could have seen a frost', async () => {
      const gap = flat
        .slice(0, 240)
        .map((hour, i) => (i >= 48 && i < 61 ? { ...hour, temperatureC: null } : hour));
      const { body } = await post('freeze', { latitude: 50, species: 'apple', hours: gap }).expect(200);
      expect(body.unknownDays).toEqual(['2026-11-03']);
    });
  });
});

test.each([
  ['Date,Time,Temp', '2026-03-01,06:00,5\n2026-03-01,07:00,6', '2026-03-01T06:00:00.000Z'],
  ['Date;Hour;Temp', '01.03.2026;6;5,5\n01.03.2026;7;6,5', '2026-03-01T06:00:00.000Z'],
  ['Date,Time (local),Temp', '03/01/2026,6:00 AM,5\n03/13/2026,7:00 PM,6', '2026-03-01T06:00:00.000Z'],
  ['Day,Clock,Temp', '01/03/2026,06:00:00,5\n13/03/2026,07:00:00,6', '2026-03-01T06:00:00.000Z'],
  ['Timestamp,Temp', '2026-03-01T06:00,5\n2026-03-01T07:00,6', '2026-03-01T06:00:00.000Z'],
  ['Timestamp,Temp', '2026030106,5\n2026030107,6', '2026-03-01T06:00:00.000Z'],
  ['Timestamp,Temp', '202603010630,5\n202603010700,6', '2026-03-01T06:00:00.000Z'],
  ['Date Time,Temp', '3/1/26 6:00,5\n3/13/26 7:00,6', '2026-03-01T06:00:00.000Z'],
  ['Timestamp,Temp', '2026-03-01T06:00:00Z,5\n2026-03-01 07:00:00+00:00,6', '2026-03-01T06:00:00.000Z'],
])('times under “%s” are read', (heading, rows, from) => {
  const read = readWeather({
    bytes: new TextEncoder().encode(`${heading}\n${rows}\n`),
    format: 'csv',
    mapping: null,
    zone: 'UTC',
    repair: [],
  });
  expect(read).toMatchObject({ refused: [] });
  expect('hours' in read && read.hours[0]).toMatchObject({ at: from, temperatureC: expect.any(Number) });
});

test.each([
  [3, 1, 1, 3],
  [2.99, 1, 1, 0],
  [3, 0.8, 1, 3],
  [3, 0.79, 1, 0],
  [3, 1, 0.8, 3],
  [3, 1, 0.79, 0],
])(
  '%d years on record with %d of the temperatures and %d of the rain count as %d past years',
  (years, temperatures, rains, counted) => {
    const hours = Math.ceil(years * YEAR_HOURS);
    expect(
      yearsOnRecord({
        hours,
        temperatures: Math.ceil(temperatures * hours),
        rains: Math.ceil(rains * hours),
      }),
    ).toBe(counted);
  },
);

const read = (csv: string, zone: string) =>
  readWeather({ bytes: new TextEncoder().encode(csv), format: 'csv', mapping: null, zone, repair: [] });

// The IANA time zone database: New York set its clocks on 8 March and 1 November 2026, Lord Howe by half an hour on 5 April and
// 4 October, Samoa left out 30 December 2011. The moments are those of the platform's own Intl.
test.each([
  ['America/New_York', '2026-03-06T05:00:00Z', 5 * 24],
  ['America/New_York', '2026-10-30T04:00:00Z', 5 * 24],
  ['Australia/Lord_Howe', '2026-04-03T13:00:00Z', 5 * 24],
  ['Australia/Lord_Howe', '2026-10-02T13:30:00Z', 5 * 24],
  ['Pacific/Apia', '2011-12-28T10:00:00Z', 4 * 24],
  // Clocks go back at the end of a day, when it is tomorrow in Greenwich
  ['America/Santiago', '2026-04-03T03:00:00Z', 72],
  ['Asia/Kathmandu', '2026-10-30T18:15:00Z', 48],
])('in %s hours from %s on are read as the clock there told them', (zone, from, hours) => {
  const told = new Intl.DateTimeFormat('sv-SE', { timeZone: zone, dateStyle: 'short', timeStyle: 'short' });
  const moments = Array.from({ length: hours }, (_, i) => Date.parse(from) + i * 3_600_000);
  const result = read(
    `Time,Temp\n${moments.map((at, i) => `${told.format(at)},${i / 10}`).join('\n')}`,
    zone,
  );
  if ('fault' in result) throw new Error(result.fault.key);
  expect(result.refused).toEqual([]);
  // Where clocks go back by half an hour two readings fall into one hour of the record
  const missing = moments.filter(
    (at) => !result.hours.some((hour) => Date.parse(hour.at) === Math.floor(at / 3_600_000) * 3_600_000),
  );
  expect(missing).toEqual([]);
});

test('a file in which no time is readable is told line by line, and no longer list than a person reads leaves the thread that read it', () => {
  const rows = 20_000;
  const result = read(
    `Time,Temp\n${Array.from({ length: rows }, (_, i) => `soon ${i},5`).join('\n')}`,
    'Europe/Lisbon',
  );
  expect(result).toMatchObject({ hours: [], faults: [], faultCount: 0, refusedCount: rows });
  expect('refused' in result && result.refused.length).toBe(200);
  expect('refused' in result && result.refused[0]).toEqual({
    line: 2,
    why: unsaid('problem.noTime', { text: 'soon 0' }),
  });
});
