// Moments told in the site's time zone.

import { tz } from '@date-fns/tz';
import { momentOf } from '@mortisect/core/weather';
import type { Locale } from '@mortisect/words';
// By single modules: the bundler takes the whole of date-fns otherwise.
import { format } from 'date-fns/format';
import { formatDistance } from 'date-fns/formatDistance';
import { isValid } from 'date-fns/isValid';
import type { Locale as Wording } from 'date-fns/locale';
import { parseISO } from 'date-fns/parseISO';
import { setDefaultOptions } from 'date-fns/setDefaultOptions';

/** How a locale orders the parts of a day. */
const FORMS: Record<Locale, { day: string; dayOfWeek: string; dayAndMonth: string }> = {
  'en-GB': { day: 'd MMM yyyy', dayOfWeek: 'EEEE d MMMM', dayAndMonth: 'EEEE d MMM' },
  'en-US': { day: 'MMM d, yyyy', dayOfWeek: 'EEEE, MMMM d', dayAndMonth: 'EEEE, MMM d' },
  'es-ES': { day: 'd MMM yyyy', dayOfWeek: "EEEE d 'de' MMMM", dayAndMonth: "EEEE d 'de' MMM" },
  'es-419': { day: 'd MMM yyyy', dayOfWeek: "EEEE d 'de' MMMM", dayAndMonth: "EEEE d 'de' MMM" },
};
let forms = FORMS['en-GB'];

/** @returns what writes names of days and months in this language from here on, and the order in which a day is written */
export async function readDays(locale: Locale): Promise<() => void> {
  const wording: Wording = locale.startsWith('es')
    ? (await import('date-fns/locale/es')).es
    : (await import('date-fns/locale/en-GB')).enGB;
  return () => {
    forms = FORMS[locale];
    hoursSaid.clear();
    setDefaultOptions({ locale: wording });
  };
}

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

/** How far a clock that is measured anew may go back and still be the same clock, ms. */
const HELD_MS = 60_000;
let latest = 0;

/**
 * The same for what is recorded here: one after the other, never the later before the earlier because the clock was measured anew in between.
 * A clock that was wrong by a minute and more is put right.
 */
export function nextMoment(aheadMs = 0): string {
  const now = Date.now() + aheadMs;
  latest = now < latest && latest - now < HELD_MS ? latest + 1 : now;
  return new Date(latest).toISOString();
}

/** Local date of a moment at the site, YYYY-MM-DD. */
export function dayAt(moment: string, timeZone: string): string {
  const minute = Math.floor(Date.parse(moment) / 60_000);
  // Every screen asks for the day of now as often as it is drawn, and no day begins within a minute
  if (lastDay?.minute !== minute || lastDay.timeZone !== timeZone)
    lastDay = { minute, timeZone, day: format(moment, 'yyyy-MM-dd', { in: tz(timeZone) }) };
  return lastDay.day;
}
let lastDay: { minute: number; timeZone: string; day: string } | null = null;

/** Whether a typed text is a date, YYYY-MM-DD. */
export function isDay(text: string): boolean {
  return /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));
}

/** “Tuesday 24 November”. */
export function longDay(moment: string, timeZone: string): string {
  return format(moment, forms.dayOfWeek, { in: tz(timeZone) });
}

/** “24 Nov 2026, 09:30”. */
export function shortMoment(moment: string, timeZone: string): string {
  return format(moment, `${forms.day}, HH:mm`, { in: tz(timeZone) });
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
  return format(`${day}T12:00:00`, forms.day);
}

/** The same without its year, where that is plain: “30 Nov”. */
export function shortDay(day: string): string {
  return format(`${day}T12:00:00`, forms.day.replace(/,? yyyy$/, ''));
}

/** “Thu 09:00” at the site. */
export function dayHour(hour: number, timeZone: string): string {
  const key = `${hour} ${timeZone}`;
  // Lists tell the same few hours row by row, and a time zone takes a slow phone milliseconds
  const said = hoursSaid.get(key) ?? format(momentOf(hour), 'EEE HH:mm', { in: tz(timeZone) });
  hoursSaid.set(key, said);
  return said;
}
const hoursSaid = new Map<string, string>();

/** “Thursday 26 Nov, 09:00”. */
export function longDayHour(hour: number, timeZone: string): string {
  return format(momentOf(hour), `${forms.dayAndMonth}, HH:mm`, { in: tz(timeZone) });
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
