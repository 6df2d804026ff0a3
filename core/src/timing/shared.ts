// What every group of trees of a site shares: weather to come, days of past years, wounds, hours that will not do.
import { type ThermalDay, thermalDays } from '../stage/index';
import {
  between,
  dayAfter,
  dayOfYear,
  type Ground,
  groundByRecord,
  hourOf,
  type LocalClock,
  lengthOf,
  localClock,
  type Series,
} from '../weather/index';
import type { Staged, TimingInput } from './model';
import { type Outlook, outlookOf } from './outlook';
import type { Block, Cell } from './shapes';
import { blockedHours, LEAST_AFTER_H, LEAST_BEFORE_H } from './windows';
import { type Wounds, woundsOf } from './wounds';

const OUTLOOK_DAYS = 10;
/** Hours told before now. */
export const BEFORE_H = 24;
/** Enough before that for the bark to be judged and snow to have lain. */
export const RUN_UP_H = 24 * 30;
const DAY = 24;
const NOON = 12;
const MORNING_CUT = 10;
const AFTERNOON_CUT = 14;
const DEAD_RULE = { dryBeforeH: LEAST_BEFORE_H, dryAfterH: 0 };

/** What every group of a site shares: computed once, whatever the number of trees. */
export interface Shared {
  clock: LocalClock;
  nowHour: number;
  /** Hour after the last that is answered for. */
  endHour: number;
  days: ThermalDay[];
  /** Days of each past year that go on where the forecast ends. */
  yearDays: ThermalDay[][];
  outlook: Outlook;
  wounds: Wounds;
  halves: { day: string; half: Cell['half']; from: number; to: number; cutHour: number }[];
  living: Block[][];
  least: Block[][];
  dead: Block[][];
  /** The weather that the blocks are of. */
  part: Series;
  ground: Ground[];
  /** First hour of the blocks. */
  fromHour: number;
  /** Stages by crop, cultivar and what was seen: groups that differ only in what is nearby share them. */
  staged: Map<string, Staged>;
  /** Infections of the draws, by half-day and what is nearby. */
  drawnInfections: Map<string, Float64Array>;
}

/** @throws {NoWeather} when neither an hour nor a past year is known */
export function sharedOf(input: TimingInput): Shared {
  const { known, settings, place } = input;
  const clock = localClock(place.timeZone);
  const nowHour = hourOf(input.now);
  const fromHour = nowHour - RUN_UP_H;
  const endHour = clock.startOf(dayAfter(clock.day(nowHour), OUTLOOK_DAYS));
  const part = between(known, fromHour, Math.max(endHour, known.fromHour + lengthOf(known)));
  const ground = groundIn(part, input.groundSaid, nowHour);
  const at = { latitude: place.latitude, longitude: place.longitude, clock };
  const blocksBy = (rule: { dryBeforeH: number; dryAfterH: number }) =>
    blockedHours(part, { ...rule, climbWindMs: settings.climbWindMs, leastC: settings.leastC }, at, ground);
  const halves = halvesFrom(clock, nowHour, endHour);
  const outlook = outlookOf(known, input.years, nowHour - 2 * DAY, endHour);
  const days = thermalDays(known, clock);
  return {
    clock,
    nowHour,
    endHour,
    days,
    yearDays: input.years ? yearsAfter(thermalDays(input.years, clock), days.at(-1)?.day ?? null) : [],
    outlook,
    wounds: woundsOf(
      outlook,
      halves.map((half) => half.cutHour),
      place.latitude,
      input.seed,
      input.draws,
    ),
    halves,
    living: blocksBy(settings),
    least: blocksBy({
      dryBeforeH: Math.min(LEAST_BEFORE_H, settings.dryBeforeH),
      dryAfterH: Math.min(LEAST_AFTER_H, settings.dryAfterH),
    }),
    dead: blocksBy(DEAD_RULE),
    part,
    ground,
    fromHour,
    staged: new Map(),
    drawnInfections: new Map(),
  };
}

/** The cell of the half-day that an hour lies in, from cells in the order of the half-days. */
export function cellOfHour<T>(
  halves: Shared['halves'],
  cells: readonly T[],
): (hour: number) => T | undefined {
  return (hour) => cells[halves.findIndex((half) => hour >= half.from && hour < half.to)];
}

/** What somebody said of the ground outweighs the record until the hour they said it holds for. */
function groundIn(part: Series, said: TimingInput['groundSaid'], nowHour: number): Ground[] {
  return groundByRecord(part).map((recorded, i) => {
    const hour = part.fromHour + i;
    return said && hour >= nowHour && hour < said.untilHour ? said.state : recorded;
  });
}

function halvesFrom(clock: LocalClock, nowHour: number, endHour: number): Shared['halves'] {
  const halves: Shared['halves'] = [];
  for (let day = clock.day(nowHour); ; day = dayAfter(day, 1)) {
    const start = clock.startOf(day);
    if (start >= endHour) return halves;
    const next = clock.startOf(dayAfter(day, 1));
    const noon = start + NOON;
    halves.push(
      {
        day,
        half: 'morning',
        from: Math.max(start, nowHour),
        to: noon,
        cutHour: Math.max(nowHour, start + MORNING_CUT),
      },
      {
        day,
        half: 'afternoon',
        from: Math.max(noon, nowHour),
        to: next,
        cutHour: Math.max(nowHour, start + AFTERNOON_CUT),
      },
    );
  }
}

/** Each past year, turned so that it goes on after the last known day, under the dates that follow it. */
function yearsAfter(days: ThermalDay[], last: string | null): ThermalDay[][] {
  const count = Math.floor(days.length / 365);
  return Array.from({ length: count }, (_, k) =>
    after(days.slice(days.length - 365 * (k + 1), days.length - 365 * k), last),
  );
}

/** A past year under the dates that follow the last known day. */
function after(year: ThermalDay[], last: string | null): ThermalDay[] {
  if (last === null) return year;
  const start = year.findIndex((day) => day.ofYear === (dayOfYear(last) % 365) + 1);
  const onward = start < 0 ? year : [...year.slice(start), ...year.slice(0, start)];
  return onward.map((past, i) => {
    const day = dayAfter(last, i + 1);
    return { ...past, day, ofYear: dayOfYear(day) };
  });
}
