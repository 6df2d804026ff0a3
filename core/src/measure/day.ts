// Days of the calendar, as YYYY-MM-DD.

export const DAY_MS = 86_400_000;

/** @example laterDay('2026-12-30', 3) //=> '2027-01-02' */
export function laterDay(day: string, days: number): string {
  return new Date(Date.parse(`${day}T00:00:00Z`) + days * DAY_MS).toISOString().slice(0, 10);
}
