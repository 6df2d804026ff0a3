// Windows, days to look and jobs as iCalendar (RFC 5545).
import { languageOf, type Say } from '@mortisect/words';
import ical, { ICalCalendarMethod } from 'ical-generator';

export interface CalendarEvent {
  /** The same for the same thing, so that a calendar that is read again changes it rather than doubling it. */
  id: string;
  title: string;
  detail: string;
  /** A span of hours, ISO moments; or a local date. */
  when: { from: string; to: string } | { day: string };
}

/**
 * @param now when it was written, ISO
 * @returns the text of an .ics file; moments are in UTC
 */
export function calendarOf(
  { locale }: Say,
  name: string,
  events: readonly CalendarEvent[],
  now: string,
): string {
  const calendar = ical({
    name,
    prodId: { company: 'Mortisect', product: 'Mortisect', language: languageOf(locale).toUpperCase() },
    method: ICalCalendarMethod.PUBLISH,
    ttl: 3600,
  });
  for (const { id, title, detail, when } of events) {
    calendar.createEvent({
      id,
      summary: printable(title),
      description: printable(detail),
      stamp: new Date(now),
      ...('day' in when
        ? { start: new Date(`${when.day}T00:00:00Z`), allDay: true }
        : { start: new Date(when.from), end: new Date(when.to) }),
    });
  }
  return calendar.toString();
}

/** Signs that steer a terminal or a printer have no place in a calendar (RFC 5545, 3.1: no controls but tab and line ends). */
const printable = (text: string) => text.replace(/(?![\n\t])\p{Cc}/gu, ' ');
