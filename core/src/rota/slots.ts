// The half-days of the forecast and the weeks after it, and how long each crew can work in them.
import { type CampaignSlot, type Crew, works } from '../campaign/index';
import type { Block } from '../timing/index';
import { dayAfter, daysBetween, type LocalClock } from '../weather/index';

export interface RotaSlot extends CampaignSlot {
  /** null: a week. */
  half: 'morning' | 'afternoon' | null;
}

/** Why each hour will not do, from an hour since 1970 on. */
export interface Hours {
  fromHour: number;
  blocked: readonly (readonly Block[])[];
}

const NOON = 12;
const WEEK = 7;

/**
 * Half-days up to the end of the forecast, then weeks.
 *
 * @param days whose half-days are told, in order
 * @param lastDay no week begins after it
 */
export function slotsOf(days: readonly string[], lastDay: string): RotaSlot[] {
  const slots = days.flatMap((day): RotaSlot[] =>
    (['morning', 'afternoon'] as const).map((half) => ({ id: `${day} ${half}`, from: day, to: day, half })),
  );
  const last = days.at(-1);
  if (last === undefined) return slots;
  for (let from = dayAfter(last, 1); from <= lastDay; from = dayAfter(from, WEEK))
    slots.push({ id: from, from, to: dayAfter(from, WEEK - 1), half: null });
  return slots;
}

/** 1 is Monday. */
export function weekdayOf(day: string): number {
  return ((new Date(`${day}T12:00:00Z`).getUTCDay() + 6) % 7) + 1;
}

/** Minutes that one of a crew can work in a slot, by hours of the forecast. */
export function minutesNear(
  crew: Crew,
  slot: RotaSlot,
  { fromHour, blocked }: Hours,
  clock: LocalClock,
): number {
  const start = clock.startOf(slot.from);
  const weekday = weekdayOf(slot.from);
  let hours = 0;
  for (let hour = start; hour < clock.startOf(dayAfter(slot.from, 1)); hour++) {
    const ofDay = clock.hourOfDay(hour);
    const isHalf = slot.half === null || (slot.half === 'morning') === ofDay < NOON;
    const isFree = blocked[hour - fromHour]?.length === 0;
    if (isHalf && isFree && works(crew, slot.from, weekday, ofDay)) hours += 1;
  }
  return 60 * hours;
}

/** Of a year in which more than this share of the crew’s hours is not known nothing is told. Common practice, no source. */
const MOST_UNKNOWN = 0.2;

/**
 * The same in each past year: the days of the slot by this year’s calendar, the hours by the weather of then. A year whose record has a gap there
 * stands with the mean of the others: an hour that nobody knows is not a wet one.
 *
 * @returns one figure a year, the year before first
 */
export function minutesOfYears(
  crew: Crew,
  slot: RotaSlot,
  { fromHour, blocked }: Hours,
  clock: LocalClock,
): number[] {
  const years: (number | null)[] = [];
  const days = Array.from({ length: daysBetween(slot.from, slot.to) + 1 }, (_, i) => dayAfter(slot.from, i));
  for (let back = 1; ; back++) {
    const thenOf = (day: string) =>
      `${Number(day.slice(0, 4)) - back}${day.slice(4) === '-02-29' ? '-02-28' : day.slice(4)}`;
    const last = clock.startOf(dayAfter(thenOf(slot.to), 1));
    const first = clock.startOf(thenOf(slot.from));
    if (first < fromHour) break;
    // What the record does not reach yet is not told
    if (last > fromHour + blocked.length) continue;
    let [free, all, unknown] = [0, 0, 0];
    for (const day of days) {
      const weekday = weekdayOf(day);
      for (let hour = clock.startOf(thenOf(day)); hour < clock.startOf(dayAfter(thenOf(day), 1)); hour++) {
        if (!works(crew, day, weekday, clock.hourOfDay(hour))) continue;
        const why = blocked[hour - fromHour] ?? [];
        all += 1;
        if (why.length === 0) free += 1;
        else if (why.includes('not known') && !why.includes('dark')) unknown += 1;
      }
    }
    years.push(unknown > MOST_UNKNOWN * all ? null : 60 * free);
  }
  const told = years.flatMap((minutes) => minutes ?? []);
  const mean = told.reduce((sum, minutes) => sum + minutes, 0) / Math.max(1, told.length);
  return years.map((minutes) => minutes ?? mean);
}
