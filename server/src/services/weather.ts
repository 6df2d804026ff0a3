// The weather of a site: where it comes from, what is on record, and how hours come in.

import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import type { StationState, WeatherImportReport } from '@mortisect/contracts';
import { isTimeZone, type Site } from '@mortisect/core/records';
import {
  columns,
  emptySeries,
  hourOf,
  lengthOf,
  momentOf,
  placeToSimulate,
  type Repair,
  repairs,
  type Series,
  type WeatherHour,
} from '@mortisect/core/weather';
import { type Say, sayUnsaid, unsaid } from '@mortisect/words';
import { and, asc, count, eq, gte, inArray, lt, lte, max, min, type SQL, sql } from 'drizzle-orm';
import type { Pool } from '../pool/pool';
import {
  FORECAST_HOURS,
  MOST_YEARS,
  PAST_YEARS,
  type WeatherSource,
  YEAR_HOURS,
  yearsOnRecord,
} from '../pool/weatherSource';
import { doesNotFit, HttpProblem, notRead, notThere } from '../refusal';
import { insertMany } from '../store/insertMany';
import { type Db, giveWay, measureTables, type Store } from '../store/openDb';
import { stations, weatherBefore, weatherHours } from '../store/schema';
import type { Device } from './devices';
import { moment } from './moment';
import { getSite } from './site';

type Kind = 'observed' | 'forecast';
const SHOWN_MISSING_H = 24 * 30;
/** Written in one statement. */
const AT_ONCE = 500;
/** Hours read in one statement: others are answered between two. */
const READ_AT_ONCE = 2000;
/** Hours of the future that are no measurement; a station’s clock may be this much ahead. */
const AHEAD_H = 1;

/** What the worker pool needs to know of the weather; null where the site goes by none. */
export async function weatherSource(db: Store, site: Site, now: string): Promise<WeatherSource | null> {
  if (site.weather.source === 'none') return null;
  const place = placeToSimulate(site, site.weather);
  if (site.weather.source === 'simulated') return { kind: 'simulated', place };
  const nowHour = hourOf(now);
  const observed = await readHours(db, 'observed', oldestHour(nowHour), nowHour + AHEAD_H);
  if (lengthOf(observed) === 0) return null;
  const forecast = await readHours(db, 'forecast', nowHour - 24, nowHour + FORECAST_HOURS);
  return { kind: 'recorded', observed, forecast: lengthOf(forecast) > 0 ? forecast : null, standIn: place };
}

const oldestHour = (nowHour: number) => Math.floor(nowHour - MOST_YEARS * YEAR_HOURS);

/** Where the weather comes from and how far it reaches, for the screen to say. */
export async function stationState(db: Store, site: Site, now: string): Promise<StationState> {
  const nowHour = hourOf(now);
  const { source } = site.weather;
  if (source === 'simulated') {
    return {
      source,
      simulated: true,
      name: 'Simulated station',
      observedTo: momentOf(nowHour),
      forecastTo: momentOf(nowHour + FORECAST_HOURS),
      missingHours: 0,
      pastYears: PAST_YEARS,
      pastYearsSimulated: true,
    };
  }
  const none = {
    source,
    simulated: false,
    name: source === 'none' ? 'No weather' : 'Weather on record',
    observedTo: null,
    forecastTo: null,
    missingHours: 0,
    pastYears: 0,
    pastYearsSimulated: false,
  };
  if (source === 'none') return none;
  const countedIn = async (kind: Kind, fromHour: number, toHour: number) =>
    (
      await db
        .select({
          from: min(weatherHours.hour),
          to: max(weatherHours.hour),
          temperatures: count(weatherHours.temperatureC),
          rains: count(weatherHours.rainMm),
        })
        .from(weatherHours)
        .where(
          and(eq(weatherHours.kind, kind), gte(weatherHours.hour, fromHour), lt(weatherHours.hour, toHour)),
        )
    )[0];
  const observed = await countedIn('observed', 0, nowHour + AHEAD_H);
  const past = await countedIn('observed', oldestHour(nowHour), nowHour);
  const recent = await countedIn('observed', nowHour - SHOWN_MISSING_H, nowHour);
  const forecast = await countedIn('forecast', 0, nowHour + FORECAST_HOURS);
  if (observed?.to == null) return none;
  const whole = past?.from == null ? 0 : yearsOnRecord({ ...past, hours: nowHour - past.from });
  const ahead = forecast?.to != null && forecast.to >= nowHour ? forecast.to : null;
  return {
    ...none,
    observedTo: momentOf(observed.to + 1),
    forecastTo: ahead === null ? null : momentOf(ahead + 1),
    missingHours: SHOWN_MISSING_H - (recent?.temperatures ?? 0),
    pastYears: whole > 0 ? whole : PAST_YEARS,
    pastYearsSimulated: whole === 0,
  };
}

/** Hours on record of a span; without the empty ends. */
async function readHours(db: Store, kind: Kind, fromHour: number, toHour: number): Promise<Series> {
  const rows: HourOnRecord[] = [];
  for (let from = fromHour; from < toHour; from += READ_AT_ONCE) {
    await giveWay();
    const to = Math.min(from + READ_AT_ONCE, toHour);
    rows.push(...(await onRecord(db, kind, and(gte(weatherHours.hour, from), lt(weatherHours.hour, to)))));
  }
  const first = rows[0]?.[0] ?? fromHour;
  const series = emptySeries(first, rows.length === 0 ? 0 : (rows.at(-1)?.[0] ?? first) - first + 1);
  for (const [hour, ...values] of rows) {
    columns.forEach((name, i) => {
      series[name][hour - first] = values[i] ?? null;
    });
  }
  return series;
}

/** An hour and its values, in the order of the columns. */
type HourOnRecord = [hour: number, ...values: (number | null)[]];

const HOUR_ON_RECORD = sql.join([weatherHours.hour, ...columns.map((name) => weatherHours[name])], sql`, `);

/** Hours on record, oldest first. They come as one text: value by value they take five times as long. */
async function onRecord(db: Store, kind: Kind, among: SQL | undefined): Promise<HourOnRecord[]> {
  const [row] = await db
    .select({
      hours: sql<string>`coalesce(json_agg(json_build_array(${HOUR_ON_RECORD}) order by ${weatherHours.hour}), '[]')::text`,
    })
    .from(weatherHours)
    .where(and(eq(weatherHours.kind, kind), among));
  return JSON.parse(row?.hours ?? '[]');
}

/** Stamp that changes whenever an hour is written. */
export async function weatherStamp(db: Store): Promise<string> {
  const [row] = await db.select({ at: max(weatherHours.receivedAt), hours: count() }).from(weatherHours);
  return `${row?.at ?? ''} ${row?.hours ?? 0}`;
}

interface Compared {
  fresh: WeatherHour[];
  differing: WeatherHour[];
  same: number;
}

async function compared(db: Store, kind: Kind, hours: readonly WeatherHour[]): Promise<Compared> {
  const result: Compared = { fresh: [], differing: [], same: 0 };
  for (let from = 0; from < hours.length; from += READ_AT_ONCE) {
    await giveWay();
    const part = hours.slice(from, from + READ_AT_ONCE);
    const numbers = part.map((hour) => hourOf(hour.at));
    const [first, last] = [Math.min(...numbers), Math.max(...numbers)];
    // Hours of a station follow one another: a span is found sooner than a list
    const among =
      last - first < 2 * READ_AT_ONCE
        ? and(gte(weatherHours.hour, first), lte(weatherHours.hour, last))
        : inArray(weatherHours.hour, numbers);
    const before = new Map((await onRecord(db, kind, among)).map(([hour, ...values]) => [hour, values]));
    part.forEach((hour, i) => {
      const values = before.get(numbers[i] as number);
      if (!values) result.fresh.push(hour);
      else if (columns.every((name, c) => values[c] === hour[name])) result.same += 1;
      else result.differing.push(hour);
    });
  }
  return result;
}

async function write(
  tx: Store,
  kind: Kind,
  { fresh, differing }: Pick<Compared, 'fresh' | 'differing'>,
  source: string,
  now: string,
): Promise<void> {
  for (let from = 0; from < differing.length; from += AT_ONCE) {
    await giveWay();
    const numbers = differing.slice(from, from + AT_ONCE).map((hour) => hourOf(hour.at));
    const rows = await tx
      .select()
      .from(weatherHours)
      .where(and(eq(weatherHours.kind, kind), inArray(weatherHours.hour, numbers)));
    // A forecast is replaced by the next as a matter of course; a measurement never without a trace
    if (kind === 'observed' && rows.length > 0) {
      await insertMany(
        tx,
        weatherBefore,
        rows.map(({ hour, orchardId: _orchardId, ...value }) => ({
          kind,
          hour,
          value,
          replacedAt: now,
          by: source,
        })),
      );
    }
  }
  const values = [...fresh, ...differing].map(({ at, ...hour }) => ({
    kind,
    hour: hourOf(at),
    ...hour,
    source,
    receivedAt: now,
  }));
  await insertMany(tx, weatherHours, values, REPLACE);
}

const REPLACE = sql`on conflict (kind, hour, orchard_id) do update set temperature_c = excluded.temperature_c,
  humidity_pct = excluded.humidity_pct, rain_mm = excluded.rain_mm, wind_ms = excluded.wind_ms,
  wet_minutes = excluded.wet_minutes, source = excluded.source, received_at = excluded.received_at`;

interface WeatherImport {
  /** In the language of whoever reads the report. */
  say: Say;
  bytes: Uint8Array;
  format: 'csv' | 'json';
  take: 'nothing' | 'good';
  kind: Kind;
  zone: string | undefined;
  mapping: Record<string, string> | null;
  repair: string | undefined;
  differing: 'keep' | 'replace';
  device: Device;
  now: string;
  /** Nobody waits for it any more. */
  signal: AbortSignal;
}

/** Looked at, or taken in one transaction. Taken twice it counts once: hours that are on record as they are stay. */
export async function importWeather(db: Db, pool: Pool, given: WeatherImport): Promise<WeatherImportReport> {
  const { site } = await getSite(db);
  const read = await pool.readWeatherFile(
    {
      bytes: given.bytes,
      format: given.format,
      mapping: given.mapping,
      zone: knownZone(given.zone ?? site.timeZone),
      repair: repairsOf(given.repair),
    },
    given.signal,
  );
  if ('fault' in read) throw notRead(read.fault);
  const nowHour = hourOf(given.now);
  // A measurement of the future is none
  const isLate = (hour: WeatherHour) => given.kind === 'observed' && hourOf(hour.at) > nowHour + AHEAD_H;
  const hours = read.hours.filter((hour) => !isLate(hour));
  const late = read.hours.length - hours.length;
  const found = await compared(db, given.kind, hours);
  const chosen = { fresh: found.fresh, differing: given.differing === 'replace' ? found.differing : [] };
  const written = given.take === 'good' ? chosen.fresh.length + chosen.differing.length : 0;
  if (written > 0) {
    await db.transaction((tx) => write(tx, given.kind, chosen, given.device.name, given.now));
    await measureTables(db);
  }
  const tooLate = late > 0 ? [{ line: 0, why: unsaid('problem.hoursAhead', { late }) }] : [];
  return {
    columns: read.columns,
    mapping: read.mapping,
    sample: read.sample,
    hours: hours.length,
    from: hours[0]?.at ?? null,
    to: hours.at(-1)?.at ?? null,
    fresh: found.fresh.length,
    same: found.same,
    differing: found.differing.length,
    refused: [...tooLate, ...read.refused].map(({ line, why }) => ({
      line,
      message: sayUnsaid(given.say, why),
    })),
    refusedCount: tooLate.length + read.refusedCount,
    faults: read.faults,
    faultCount: read.faultCount,
    written,
  };
}

function knownZone(zone: string): string {
  if (isTimeZone(zone)) return zone;
  throw doesNotFit('zone', unsaid('problem.noZone', { zone }));
}

function repairsOf(text: string | undefined): Repair[] {
  const asked = (text ?? '').split(',').filter((code) => code !== '');
  const unknown = asked.find((code) => !(repairs as readonly string[]).includes(code));
  if (unknown !== undefined)
    throw doesNotFit('repair', unsaid('problem.notOneOf', { text: unknown, all: repairs.join(', ') }));
  return asked as Repair[];
}

/** Hours pushed by a station that knows its token. What it says later of an hour replaces what it said before. */
export async function pushHours(
  db: Db,
  authorization: string | undefined,
  body: { kind: Kind; hours: WeatherHour[] },
  now: string,
): Promise<{ fresh: number; same: number; replaced: number }> {
  const station = await stationOf(db, authorization);
  const nowHour = hourOf(now);
  const late = body.hours.findIndex(
    (hour) => body.kind === 'observed' && hourOf(hour.at) > nowHour + AHEAD_H,
  );
  if (late >= 0) throw doesNotFit(`hours.${late}.at`, unsaid('problem.hourAhead'));
  // Minutes are dropped; of an hour sent twice the last word counts
  const byHour = new Map(
    body.hours.map((hour) => [hourOf(hour.at), { ...hour, at: momentOf(hourOf(hour.at)) }]),
  );
  return db.transaction(async (tx) => {
    const found = await compared(tx, body.kind, [...byHour.values()]);
    await write(tx, body.kind, found, station.name, now);
    await tx.update(stations).set({ heardAt: now }).where(eq(stations.id, station.id));
    return { fresh: found.fresh.length, same: found.same, replaced: found.differing.length };
  });
}

const hashed = (token: string) => createHash('sha256').update(token).digest('hex');

/** @throws {HttpProblem} 401 where the token is of no station */
export async function stationOf(db: Store, authorization: string | undefined) {
  const token = /^Bearer (\S+)$/.exec(authorization ?? '')?.[1];
  const all = token === undefined ? [] : await db.select().from(stations);
  const given = Buffer.from(hashed(token ?? ''));
  const station = all.find((station) => timingSafeEqual(Buffer.from(station.tokenHash), given));
  if (!station) {
    throw new HttpProblem(401, 'no-station', unsaid('problem.sendToken'));
  }
  return station;
}

const asStation = (row: typeof stations.$inferSelect) => ({
  id: row.id,
  name: row.name,
  createdAt: moment(row.createdAt),
  heardAt: row.heardAt === null ? null : moment(row.heardAt),
});

export async function getStations(db: Store) {
  const rows = await db.select().from(stations).orderBy(asc(stations.createdAt));
  return { stations: rows.map(asStation) };
}

/** Its token is told this once; said again, the old one ends. */
export async function putStation(db: Store, id: string, name: string, now: string) {
  const token = randomBytes(24).toString('base64url');
  const [row] = await db
    .insert(stations)
    .values({ id, name, tokenHash: hashed(token), createdAt: now, heardAt: null })
    .onConflictDoUpdate({ target: stations.id, set: { name, tokenHash: hashed(token) } })
    .returning();
  return { ...asStation(row as typeof stations.$inferSelect), token };
}

export async function deleteStation(db: Store, id: string) {
  const gone = await db.delete(stations).where(eq(stations.id, id)).returning();
  if (gone.length === 0) throw notThere(unsaid('problem.theStation'));
  return getStations(db);
}

/** The record and the forecast of the last days, for the screen. */
export async function getWeather(db: Store, pool: Pool, days: number, now: string) {
  const { site } = await getSite(db);
  const station = await stationState(db, site, now);
  const nowHour = hourOf(now);
  const from = nowHour - days * 24;
  if (site.weather.source === 'simulated') {
    return {
      station,
      ...(await pool.simulated({ place: placeToSimulate(site, site.weather), fromHour: from, nowHour })),
    };
  }
  if (site.weather.source === 'none') return { station, observed: emptySeries(from, 0), forecast: null };
  const forecast = await readHours(db, 'forecast', nowHour, nowHour + FORECAST_HOURS);
  return {
    station,
    observed: await readHours(db, 'observed', from, nowHour + AHEAD_H),
    forecast: lengthOf(forecast) > 0 ? forecast : null,
  };
}
