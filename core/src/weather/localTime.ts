// Which local hour and day is it, for many hours at once?
import { HOUR_MS } from './hour';

const DAY_HOURS = 24;

/** The clock of a site: local day and hour of an hour since 1970. */
export interface LocalClock {
  /** Local date, YYYY-MM-DD. */
  day(hour: number): string;
  /** Local hour of day, 0..23; of a zone that is half an hour off, the hour that has begun. */
  hourOfDay(hour: number): number;
  /** Hours since 1970 at which a local day begins. */
  startOf(day: string): number;
}

const clocks = new Map<string, LocalClock>();

/**
 * @param timeZone IANA name
 * @throws {RangeError} for a zone that is not known
 */
export function localClock(timeZone: string): LocalClock {
  const cachedClock = clocks.get(timeZone);
  if (cachedClock) return cachedClock;
  const clock = makeClock(timeZone);
  clocks.set(timeZone, clock);
  return clock;
}

function makeClock(timeZone: string): LocalClock {
  const format = new Intl.DateTimeFormat('en-US', { timeZone, timeZoneName: 'longOffset' });
  const offsets = new Map<number, number>();
  // Asked once for each UTC day and its end; only a day on which the clocks change is asked by the hour
  const asked = (hour: number): number => {
    const cachedOffset = offsets.get(hour);
    if (cachedOffset !== undefined) return cachedOffset;
    const zoneName = format.formatToParts(hour * HOUR_MS).find((part) => part.type === 'timeZoneName')?.value;
    const offset = offsetHours(zoneName ?? 'GMT');
    offsets.set(hour, offset);
    return offset;
  };
  const offsetAt = (hour: number): number => {
    const start = Math.floor(hour / DAY_HOURS) * DAY_HOURS;
    const before = asked(start);
    return before === asked(start + DAY_HOURS) ? before : asked(hour);
  };
  const local = (hour: number) => Math.floor(hour + offsetAt(hour));
  const clock: LocalClock = {
    day: (hour) => dayNamed(Math.floor(local(hour) / DAY_HOURS)),
    hourOfDay: (hour) => mod(local(hour), DAY_HOURS),
    startOf(day) {
      const atUtc = Date.parse(`${day}T00:00:00Z`) / HOUR_MS;
      let hour = Math.floor(atUtc - offsetAt(atUtc)) - 1;
      while (clock.day(hour) < day) hour += 1;
      while (clock.day(hour - 1) >= day) hour -= 1;
      return hour;
    },
  };
  return clock;
}

/** “GMT+09:30” is 9.5. */
function offsetHours(offset: string): number {
  const [, sign, hours, minutes] = /GMT([+-])(\d{2}):(\d{2})/.exec(offset) ?? [];
  if (!sign) return 0;
  return (sign === '-' ? -1 : 1) * (Number(hours) + Number(minutes) / 60);
}

const mod = (value: number, by: number) => ((value % by) + by) % by;

const names = new Map<number, string>();
function dayNamed(number: number): string {
  const cachedName = names.get(number);
  if (cachedName) return cachedName;
  const name = new Date(number * DAY_HOURS * HOUR_MS).toISOString().slice(0, 10);
  names.set(number, name);
  return name;
}

const numbers = new Map<string, number>();

/** Days since 1970 of a date. */
export function dayNumber(day: string): number {
  const cachedNumber = numbers.get(day);
  if (cachedNumber !== undefined) return cachedNumber;
  const number = Math.round(Date.parse(`${day}T00:00:00Z`) / (DAY_HOURS * HOUR_MS));
  numbers.set(day, number);
  return number;
}

/** A local date some days later, or earlier. */
export function dayAfter(day: string, days: number): string {
  return dayNamed(dayNumber(day) + days);
}

/** Days from one local date to another. */
export function daysBetween(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** Day of the year, 1..366. */
export function dayOfYear(day: string): number {
  return dayNumber(day) - dayNumber(`${day.slice(0, 4)}-01-01`) + 1;
}

/**
 * Day of the year in the north that has the season of this one.
 *
 * @example northernDayOfYear(227, -34) //=> 45
 */
export function northernDayOfYear(ofYear: number, latitudeDeg: number): number {
  return latitudeDeg < 0 ? ((ofYear + HALF_A_YEAR_BACK - 1) % 365) + 1 : Math.min(365, ofYear);
}
const HALF_A_YEAR_BACK = 365 - 182;
