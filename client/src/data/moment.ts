// Moments told in the site's time zone.

import { tz } from '@date-fns/tz';
import { momentOf } from '@mortisect/core/weather';
// By single modules: the bundler takes the whole of date-fns otherwise.
import { format } from 'date-fns/format';
import { formatDistance } from 'date-fns/formatDistance';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';

/**
 * How far the server's clock is ahead of this one, ms to the second, by a question and its answer. What was measured before stays unless it is wrong for certain: of
 * two things that are done one after the other the second must not come out earlier.
 *
 * @param measured when it was asked and answered by this clock, and what the server's said in between; ms
 * @param known what was measured before
 */
export function aheadAfter(
  { askedAt, answeredAt, serverAt }: { askedAt: number; answeredAt: number; serverAt: number },
  known?: number,
): number {
  const aheadMs = serverAt - (askedAt + answeredAt) / 2;
  const mayBeWrongMs = 1000 + (answeredAt - askedAt) / 2;
  if (known !== undefined && Math.abs(aheadMs - known) <= mayBeWrongMs) return known;
  return Math.round(aheadMs / 1000) * 1000;
}

/** The time on the orchard's clock, ISO in UTC. @param aheadMs how far that is ahead of this device's own */
export function orchardNow(aheadMs = 0): string {
  return new Date(Date.now() + aheadMs).toISOString();
}

/** Local date of a moment at the site, YYYY-MM-DD. */
export function dayAt(moment: string, timeZone: string): string {
  return format(moment, 'yyyy-MM-dd', { in: tz(timeZone) });
}

/** Whether a typed text is a date, YYYY-MM-DD. */
export function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));
}

/** “Tuesday 24 November”. */
export function longDay(moment: string, timeZone: string): string {
  return format(moment, 'EEEE d MMMM', { in: tz(timeZone) });
}

/** “24 Nov 2026, 09:30”. */
export function shortMoment(moment: string, timeZone: string): string {
  return format(moment, 'd MMM yyyy, HH:mm', { in: tz(timeZone) });
}

/** “5 days ago”. */
export function ago(moment: string, now: string): string {
  return formatDistance(moment, now, { addSuffix: true });
}

/** “2 days”. */
export function spanWords(ms: number): string {
  return formatDistance(0, ms);
}

/** A local date as people here write it: “30 Nov 2026”. */
export function dayWords(day: string): string {
  return format(`${day}T12:00:00`, 'd MMM yyyy');
}

/** “Thu 09:00” at the site. */
export function dayHour(hour: number, timeZone: string): string {
  return format(momentOf(hour), 'EEE HH:mm', { in: tz(timeZone) });
}

/** “Thursday 26 Nov, 09:00”. */
export function longDayHour(hour: number, timeZone: string): string {
  return format(momentOf(hour), 'EEEE d MMM, HH:mm', { in: tz(timeZone) });
}

/** “09:00”. */
export function clockHour(hour: number, timeZone: string): string {
  return clockTime(momentOf(hour), timeZone);
}

/** “Thu” and “26” of a local date. */
export function weekday(day: string): { name: string; number: string } {
  const noon = `${day}T12:00:00`;
  return { name: format(noon, 'EEE'), number: format(noon, 'd') };
}

/** “09:30”, in the site's time zone. */
export function clockTime(moment: string, timeZone: string): string {
  return format(moment, 'HH:mm', { in: tz(timeZone) });
}
