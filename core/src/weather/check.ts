// Readings of a station into hours: what is missing, doubled or impossible is found, and mended only by a named rule.
import { type Column, columns, HOUR_MS, momentOf, type WeatherHour } from './hour';

/** One reading, at any interval up to an hour. */
export interface Reading {
  /** Where it stands in its file. */
  line: number;
  /** ms since 1970. */
  atMs: number;
  values: Partial<Record<Column, number>>;
}

export const repairs = ['fill short gaps', 'drop spikes', 'drop impossible values'] as const;
/** What may be mended. Nothing is mended that was not asked for. */
export type Repair = (typeof repairs)[number];

export const faultKinds = ['gap', 'spike', 'impossible', 'stuck', 'doubled', 'contradiction'] as const;
export interface WeatherFault {
  kind: (typeof faultKinds)[number];
  /** First and last moment it concerns, ISO. */
  from: string;
  to: string;
  column: Column | null;
  /** Line of the file, where one line is at fault. */
  line: number | null;
  words: string;
  /** The rule that would mend it; null where only a person can. */
  repair: Repair | null;
  mended: boolean;
}

interface CheckedHours {
  hours: WeatherHour[];
  faults: WeatherFault[];
}

/** Longest gap that is filled, h: temperature and humidity change nearly evenly over it. Common practice, no source. */
const SHORT_GAP_H = 3;
/** A reading this far from both neighbours is a spike, °C within an hour. Common practice, no source. */
const SPIKE_C = 9;
/** A sensor that says the same to the digit for so long is stuck, h. */
const STUCK_H = 24;

const POSSIBLE: Record<Column, readonly [number, number, string]> = {
  temperatureC: [-60, 55, '°C'],
  humidityPct: [0, 100, '%'],
  rainMm: [0, 150, 'mm in an hour'],
  windMs: [0, 75, 'm/s'],
  wetMinutes: [0, 60, 'minutes'],
};

const NAMES: Record<Column, string> = {
  temperatureC: 'temperature',
  humidityPct: 'humidity',
  rainMm: 'rain',
  windMs: 'wind',
  wetMinutes: 'leaf wetness',
};

/**
 * Hours from readings. Readings within an hour become one: rain and wetness are added, the others averaged.
 *
 * @param readings in any order; the same moment twice counts once, the later line wins
 * @param mend rules that may change what was read
 * @returns hours in order without those that nothing is known of, and every fault with whether it was mended
 */
export function checkReadings(readings: readonly Reading[], mend: readonly Repair[]): CheckedHours {
  const faults: WeatherFault[] = [];
  const may = (repair: Repair) => mend.includes(repair);
  const once = withoutDoubles(readings, faults);
  const possible = once.map((reading) => withoutImpossible(reading, may('drop impossible values'), faults));
  const hours = byTheHour(possible);
  findSpikes(hours, may('drop spikes'), faults);
  findGaps(hours, may('fill short gaps'), faults);
  findStuck(hours, faults);
  const withValues = hours.filter((hour) => columns.some((name) => hour[name] !== null));
  return { hours: withValues, faults: faults.sort((a, b) => a.from.localeCompare(b.from)) };
}

function withoutDoubles(readings: readonly Reading[], faults: WeatherFault[]): Reading[] {
  const byMoment = new Map<number, Reading>();
  for (const reading of readings.toSorted((a, b) => a.atMs - b.atMs || a.line - b.line)) {
    const earlier = byMoment.get(reading.atMs);
    byMoment.set(
      reading.atMs,
      earlier ? { ...reading, values: { ...earlier.values, ...reading.values } } : reading,
    );
    if (!earlier) continue;
    const differ = columns.some(
      (name) =>
        reading.values[name] !== undefined &&
        earlier.values[name] !== undefined &&
        reading.values[name] !== earlier.values[name],
    );
    faults.push({
      kind: differ ? 'contradiction' : 'doubled',
      ...spanOf(reading.atMs, reading.atMs),
      column: null,
      line: reading.line,
      words: differ
        ? `Line ${reading.line} says something else of the same moment as line ${earlier.line}: line ${reading.line} counts.`
        : `Line ${reading.line} repeats line ${earlier.line}: it counts once.`,
      repair: null,
      mended: true,
    });
  }
  return [...byMoment.values()];
}

function withoutImpossible(reading: Reading, drop: boolean, faults: WeatherFault[]): Reading {
  const values = { ...reading.values };
  for (const name of columns) {
    const value = values[name];
    const [least, most, unit] = POSSIBLE[name];
    if (value === undefined || (value >= least && value <= most)) continue;
    // What cannot be kept as an hour is never kept, asked for or not
    delete values[name];
    faults.push({
      kind: 'impossible',
      ...spanOf(reading.atMs, reading.atMs),
      column: name,
      line: reading.line,
      words: `Line ${reading.line}: ${NAMES[name]} ${value} is not between ${least} and ${most} ${unit}.`,
      repair: 'drop impossible values',
      mended: drop,
    });
  }
  return { ...reading, values };
}

const ADDED: readonly Column[] = ['rainMm', 'wetMinutes'];

function byTheHour(readings: Reading[]): WeatherHour[] {
  const groups = new Map<number, Reading[]>();
  for (const reading of readings) {
    const hour = Math.floor(reading.atMs / HOUR_MS);
    const group = groups.get(hour);
    if (group) group.push(reading);
    else groups.set(hour, [reading]);
  }
  const numbers = [...groups.keys()];
  const first = numbers.reduce((least, number) => Math.min(least, number), numbers[0] ?? 0);
  const last = numbers.reduce((most, number) => Math.max(most, number), first - 1);
  return Array.from({ length: last - first + 1 }, (_, i) => {
    const group = groups.get(first + i) ?? [];
    const hour: Record<string, number | string | null> = { at: momentOf(first + i) };
    for (const name of columns) hour[name] = together(group, name);
    return hour as unknown as WeatherHour;
  });
}

function together(group: Reading[], name: Column): number | null {
  const values = group.flatMap(({ values }) => values[name] ?? []);
  if (values.length === 0) return null;
  const sum = values.reduce((all, value) => all + value, 0);
  if (name === 'wetMinutes') return Math.min(60, rounded(sum));
  return rounded(ADDED.includes(name) ? sum : sum / values.length);
}

const rounded = (value: number) => Math.round(value * 100) / 100;

function findSpikes(hours: WeatherHour[], drop: boolean, faults: WeatherFault[]): void {
  for (let i = 1; i < hours.length - 1; i++) {
    const [before, here, after] = [hours[i - 1], hours[i], hours[i + 1]].map(
      (hour) => hour?.temperatureC ?? null,
    );
    if (before == null || here == null || after == null) continue;
    const up = here - before;
    const down = here - after;
    if (up * down <= 0 || Math.min(Math.abs(up), Math.abs(down)) < SPIKE_C) continue;
    const hour = hours[i] as WeatherHour;
    if (drop) hour.temperatureC = null;
    faults.push({
      kind: 'spike',
      ...spanOf(Date.parse(hour.at), Date.parse(hour.at)),
      column: 'temperatureC',
      line: null,
      words: `Temperature jumps to ${here} °C for one hour between ${before} and ${after} °C.`,
      repair: 'drop spikes',
      mended: drop,
    });
  }
}

const FILLED: readonly Column[] = ['temperatureC', 'humidityPct', 'windMs'];

function findGaps(hours: WeatherHour[], fill: boolean, faults: WeatherFault[]): void {
  for (const name of columns) {
    // A column that the file does not have is no gap
    if (hours.every((hour) => hour[name] === null)) continue;
    for (let from = 0; from < hours.length; from++) {
      if (hours[from]?.[name] !== null) continue;
      let to = from;
      while (to < hours.length && hours[to]?.[name] === null) to += 1;
      const before = hours[from - 1]?.[name] ?? null;
      const after = hours[to]?.[name] ?? null;
      const short = to - from <= SHORT_GAP_H && FILLED.includes(name) && before !== null && after !== null;
      if (short && fill) {
        for (let k = from; k < to; k++) {
          const share = (k - from + 1) / (to - from + 1);
          (hours[k] as WeatherHour)[name] = rounded(before + (after - before) * share);
        }
      }
      faults.push({
        kind: 'gap',
        from: (hours[from] as WeatherHour).at,
        to: (hours[to - 1] as WeatherHour).at,
        column: name,
        line: null,
        words: `No ${NAMES[name]} for ${to - from} h${short ? '' : FILLED.includes(name) ? ': too long to fill' : ': never guessed'}.`,
        repair: short ? 'fill short gaps' : null,
        mended: short && fill,
      });
      from = to - 1;
    }
  }
}

function findStuck(hours: WeatherHour[], faults: WeatherFault[]): void {
  for (let from = 0; from < hours.length; from++) {
    const value = hours[from]?.temperatureC ?? null;
    let to = from + 1;
    while (value !== null && to < hours.length && hours[to]?.temperatureC === value) to += 1;
    if (to - from >= STUCK_H) {
      faults.push({
        kind: 'stuck',
        from: (hours[from] as WeatherHour).at,
        to: (hours[to - 1] as WeatherHour).at,
        column: 'temperatureC',
        line: null,
        words: `Temperature says ${value} °C for ${to - from} h on end: is the sensor stuck?`,
        repair: null,
        mended: false,
      });
    }
    from = to - 1;
  }
}

function spanOf(fromMs: number, toMs: number): { from: string; to: string } {
  return { from: new Date(fromMs).toISOString(), to: new Date(toMs).toISOString() };
}
