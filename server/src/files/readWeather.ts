// Reads a file of weather: CSV with its columns mapped, or the plain hourly JSON. Runs on a worker; nothing is written here.

import { TZDate, tzOffset } from '@date-fns/tz';
import { utc } from '@date-fns/utc';
import { DAY_MS } from '@mortisect/core/measure';
import {
  type Column,
  checkReadings,
  columns,
  HOUR_MS,
  type Reading,
  type Repair,
  type WeatherFault,
  WeatherHour,
} from '@mortisect/core/weather';
import { type Unsaid, unsaid } from '@mortisect/words';
import { issueUnsaid } from '@mortisect/words/trade';
import { parse } from 'date-fns';
import Papa from 'papaparse';
import { z } from 'zod';
import { decoded } from './text';

const MOST_READINGS = 600_000;

export interface WeatherFile {
  bytes: Uint8Array;
  format: 'csv' | 'json';
  /** Value to column, `value:unit` to unit. */
  mapping: Record<string, string> | null;
  /** Zone of times that carry none. */
  zone: string;
  repair: Repair[];
}

interface RefusedLine {
  line: number;
  why: Unsaid;
}

export type WeatherFileRead =
  | {
      columns: string[];
      mapping: Record<string, string>;
      sample: Record<string, string>[];
      hours: WeatherHour[];
      /** The first of them, as many as a person reads. */
      faults: WeatherFault[];
      faultCount: number;
      refused: RefusedLine[];
      refusedCount: number;
    }
  | { fault: Unsaid };

const SAMPLES = 5;
/** Lines and faults that are told one by one. */
const SHOWN = 200;
/** A time outside is a slip of the pen, and would make a record of centuries. */
const EARLIEST_MS = Date.UTC(1990, 0, 1);
const LATEST_MS = Date.UTC(2100, 0, 1);

export function readWeather({ bytes, format, mapping, zone, repair }: WeatherFile): WeatherFileRead {
  const text = decoded(bytes);
  if (text === null) return { fault: unsaid('problem.noUtf8') };
  if (text.trim() === '') return { fault: unsaid('problem.emptyFile') };
  return format === 'csv' ? fromCsv(text, mapping, zone, repair) : fromJson(text, repair);
}

function fromCsv(
  text: string,
  given: Record<string, string> | null,
  zone: string,
  repair: Repair[],
): WeatherFileRead {
  const read = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: 'greedy' });
  const fields = (read.meta.fields ?? []).filter((column) => column.trim() !== '');
  if (fields.length < 2) return { fault: unsaid('problem.noHeadings') };
  if (read.data.length > MOST_READINGS) {
    return { fault: unsaid('problem.tooManyRows', { rows: read.data.length, most: MOST_READINGS }) };
  }
  const mapping = given ?? guessed(fields);
  const sample = read.data.slice(0, SAMPLES);
  if (!mapping.at)
    return {
      columns: fields,
      mapping,
      sample,
      ...found([], [], [{ line: 1, why: unsaid('problem.noTimeColumn') }]),
    };
  const refused: RefusedLine[] = [];
  const readings: Reading[] = [];
  const written = (cells: Record<string, string>) =>
    [mapping.at, mapping[CLOCK]]
      .map((column) => (column ? (cells[column] ?? '') : '').trim())
      .join(' ')
      .trim();
  const timeOf = timeReader(zone, read.data.map(written));
  read.data.forEach((cells, i) => {
    const line = i + 2;
    const at = timeOf(written(cells));
    if (at === null || !isTime(at)) {
      refused.push({ line, why: unsaid('problem.noTime', { text: written(cells) }) });
      return;
    }
    const values: Reading['values'] = {};
    for (const name of columns) {
      const column = mapping[name];
      const cell = column === undefined ? '' : (cells[column] ?? '').trim();
      if (cell === '' || MISSING.has(cell.toLowerCase())) continue;
      const number = Number(cell.replace(/^(-?\d+),(\d+)$/, '$1.$2'));
      if (!Number.isFinite(number))
        refused.push({ line, why: unsaid('problem.columnNoNumber', { column: column ?? '', text: cell }) });
      else values[name] = inUnit(name, number, mapping[`${name}:unit`]);
    }
    readings.push({ line, atMs: at, values });
  });
  return { columns: fields, mapping, sample, ...found(readings, repair, refused) };
}

function found(readings: readonly Reading[], repair: readonly Repair[], refused: RefusedLine[]) {
  const { hours, faults } = checkReadings(readings, repair);
  return {
    hours,
    faults: faults.slice(0, SHOWN),
    faultCount: faults.length,
    refused: refused.slice(0, SHOWN),
    refusedCount: refused.length,
  };
}

/** In the mapping: the column of the time of day, where the day stands in one of its own. */
const CLOCK = 'at:clock';

const MISSING = new Set(['na', 'n/a', 'nan', 'null', '-', '--', '-999', '-9999', '6999', '7999']);

const HourlyJson = z.object({ hours: z.array(z.unknown()).max(MOST_READINGS) });

function fromJson(text: string, repair: Repair[]): WeatherFileRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { fault: unsaid('problem.fileNoJson') };
  }
  const parsed = HourlyJson.safeParse(json);
  if (!parsed.success) return { fault: unsaid('problem.noHours') };
  const refused: RefusedLine[] = [];
  const readings = parsed.data.hours.flatMap((raw, i): Reading[] => {
    const hour = WeatherHour.safeParse(raw);
    if (!hour.success) {
      const issue = hour.error.issues[0];
      refused.push({
        line: i + 1,
        why: issueUnsaid(issue),
      });
      return [];
    }
    const atMs = Date.parse(hour.data.at);
    if (!isTime(atMs)) {
      refused.push({ line: i + 1, why: unsaid('problem.noStationTime', { text: hour.data.at }) });
      return [];
    }
    const values: Reading['values'] = {};
    for (const name of columns) {
      const value = hour.data[name];
      if (value !== null) values[name] = value;
    }
    return [{ line: i + 1, atMs, values }];
  });
  const names = ['at', ...columns];
  return {
    columns: names,
    mapping: Object.fromEntries(names.map((name) => [name, name])),
    sample: [],
    ...found(readings, repair, refused),
  };
}

function inUnit(name: Column, value: number, unit: string | undefined): number {
  switch (unit) {
    case '°F':
      return ((value - 32) * 5) / 9;
    case 'K':
      return value - 273.15;
    case 'share':
      return value * 100;
    case 'in':
      return value * 25.4;
    case 'km/h':
      return value / 3.6;
    case 'mph':
      return value * 0.44704;
    case 'kn':
      return value * 0.514444;
    case 'share of the hour':
      return value * 60;
    default:
      // A hair over the whole is rounding, not a fault
      return name === 'humidityPct' && value > 100 && value <= 100.5 ? 100 : value;
  }
}

const DAYS = [
  'yyyy-MM-dd',
  'yyyy/MM/dd',
  'dd.MM.yyyy',
  'dd/MM/yyyy',
  'MM/dd/yyyy',
  'dd-MM-yyyy',
  'd/M/yy',
  'M/d/yy',
  'yyyyMMdd',
];
const CLOCKS = ['HH:mm:ss', 'H:mm:ss', 'HH:mm', 'H:mm', 'h:mm a', 'h:mm:ss a', 'HHmm', 'H'];
/** What a year of two digits is near to, and the day that a clock is read on. */
const THIS_CENTURY = Date.UTC(2026, 0, 1);
const MINUTE_MS = 60_000;
/** At least so many times of a file, evenly over it, tell how all of them are written. */
const LOOKED_AT = 60;
const WITH_OFFSET = /^\d{4}-\d{2}-\d{2}[T ].*(Z|[+-]\d{2}:?\d{2})$/;
const DAY_AND_CLOCK = /^(\S+?)[T ]+(\S.*)$/;
const RUN_TOGETHER = /^(\d{8})(\d{2}|\d{4})$/;

/** A time that a station can have recorded; false for NaN. */
const isTime = (ms: number) => ms >= EARLIEST_MS && ms <= LATEST_MS;

/** ms since 1970 as if the words were of UTC; NaN where they do not have this form. */
const readAs = (form: string, words: string) => +parse(words, form, THIS_CENTURY, { in: utc });

/** The form that reads most of these. Where two read as many it is the first: days come before months. */
function formOf(forms: readonly string[], words: readonly string[]): string {
  const counted = forms.map((form) => ({
    form,
    read: words.filter((word) => isTime(readAs(form, word))).length,
  }));
  return counted.reduce((best, next) => (next.read > best.read ? next : best)).form;
}

function dayAndClock(text: string): [day: string, clock: string] | null {
  const [, day, clock] = RUN_TOGETHER.exec(text) ?? DAY_AND_CLOCK.exec(text) ?? [];
  return day !== undefined && clock !== undefined ? [day, clock] : null;
}

/**
 * Reads times in the order of the file, each day and each hour of a clock once. A time with its own offset is taken as it is;
 * others are local. The hour that comes twice when clocks go back is told apart by its order: told a second time, it is the second.
 *
 * @param cells the times of the file, which tell how they are written
 * @returns reads one time: ms since 1970, null where it is none
 */
function timeReader(zone: string, cells: readonly string[]): (cell: string) => number | null {
  const step = Math.max(1, Math.floor(cells.length / LOOKED_AT));
  const looked = cells
    .filter((_, i) => i % step === 0)
    .flatMap((cell) => (WITH_OFFSET.test(cell) ? [] : [dayAndClock(cell)]))
    .filter((value) => value !== null);
  const dayForm = formOf(
    DAYS,
    looked.map(([day]) => day),
  );
  const clockForm = formOf(
    CLOCKS,
    looked.map(([, clock]) => clock),
  );
  const dayAt = remembered((words: string) => readAs(dayForm, words));
  const clockAt = remembered((words: string) => readAs(clockForm, words) - THIS_CENTURY);
  // The same at both ends of every place on earth where this is the day: then no clock was set on it
  const offsetAt = remembered((at: number) => tzOffset(zone, new Date(at)) * MINUTE_MS);
  const offsetOn = remembered((day: string) => {
    const before = offsetAt(dayAt(day) - DAY_MS);
    return before === offsetAt(dayAt(day) + 2 * DAY_MS) ? before : Number.NaN;
  });
  let last = Number.NEGATIVE_INFINITY;
  return (text) => {
    if (WITH_OFFSET.test(text)) {
      const at = Date.parse(text.replace(' ', 'T'));
      return Number.isNaN(at) ? null : at;
    }
    const [day, clock] = dayAndClock(text) ?? [];
    if (day === undefined || clock === undefined) return null;
    const asUtc = dayAt(day) + clockAt(clock);
    if (!isTime(asUtc)) return null;
    const offset = offsetOn(day);
    const at = Number.isNaN(offset) ? atChange(asUtc, zone, last) : asUtc - offset;
    last = Math.max(last, at);
    return at;
  };
}

/** A local time, given as if it were UTC, of a day on which clocks are set: of two moments with the same words the first after `last`. */
function atChange(asUtc: number, zone: string, last: number): number {
  const words = new Date(asUtc);
  const at = +new TZDate(
    words.getUTCFullYear(),
    words.getUTCMonth(),
    words.getUTCDate(),
    words.getUTCHours(),
    words.getUTCMinutes(),
    words.getUTCSeconds(),
    zone,
  );
  const clockOf = (ms: number) => new TZDate(ms, zone).getHours();
  const twins = [at - HOUR_MS, at, at + HOUR_MS].filter((hour) => clockOf(hour) === clockOf(at));
  return twins.find((twin) => twin > last) ?? at;
}

/** A day has 86,400 seconds and a record some thousand days; what is more is no record. */
const MOST_REMEMBERED = 100_000;

function remembered<K>(read: (asked: K) => number): (asked: K) => number {
  const known = new Map<K, number>();
  return (asked) => {
    const before = known.get(asked);
    if (before !== undefined) return before;
    const value = read(asked);
    if (known.size < MOST_REMEMBERED) known.set(asked, value);
    return value;
  };
}

const SYNONYMS: Record<'at' | Column, readonly RegExp[]> = {
  at: [/^(at|time|date ?time|timestamp|valid|date.*time.*|datetime.*)$/, /^(date|zeit|heure)/],
  temperatureC: [/^(temp(erature)?|air ?temp(erature)?|t|tair|ta)\b/, /temp/],
  humidityPct: [/^(rh|rel.*hum|humidity)/, /humid/],
  rainMm: [/^(rain|precip|prcp|rr)/, /precip|rain/],
  windMs: [/^(wind ?speed|wind|ws|ff)\b/, /wind.*(speed|avg|mean)/],
  wetMinutes: [/^(leaf ?wet|lw|wet)/],
};

function guessed(fields: string[]): Record<string, string> {
  const mapping: Record<string, string> = {};
  const plain = (name: string) =>
    name
      .toLowerCase()
      .replace(/[\s_\-.()[\]]+/g, ' ')
      .trim();
  const day = fields.find((field) => /^(date|day|datum|fecha)( (utc|local|gmt))?$/.test(plain(field)));
  const clock = fields.find((field) =>
    /^(time|hour|clock|uhrzeit|hora)( (utc|local|gmt|of day))?$/.test(plain(field)),
  );
  if (day && clock) Object.assign(mapping, { at: day, [CLOCK]: clock });
  for (const [name, patterns] of Object.entries(SYNONYMS)) {
    if (mapping[name]) continue;
    const taken = new Set(Object.values(mapping));
    const found = patterns
      .map((pattern) => fields.find((field) => !taken.has(field) && pattern.test(plain(field))))
      .find((field) => field !== undefined);
    if (found === undefined) continue;
    mapping[name] = found;
    const unit = unitIn(name as Column, found);
    if (unit) mapping[`${name}:unit`] = unit;
  }
  return mapping;
}

function unitIn(name: 'at' | Column, heading: string): string | null {
  const text = heading.toLowerCase();
  if (name === 'temperatureC')
    return /(°|deg|_|\(|\[| )f\b/.test(text) ? '°F' : /\bk\b/.test(text) ? 'K' : null;
  if (name === 'rainMm') return /\bin(ch(es)?)?\b/.test(text) ? 'in' : null;
  if (name === 'windMs')
    return /km\/?h|kph/.test(text)
      ? 'km/h'
      : /mph/.test(text)
        ? 'mph'
        : /\b(kn|kt|knots?)\b/.test(text)
          ? 'kn'
          : null;
  return null;
}
