// When is it light enough to work in a tree?
import { getTimes } from 'suncalc';
import { HOUR_MS } from './hour';

/** Hours since 1970, with their fractions, of sunrise and sunset of a day at a place; both null where it stays down or, `always`, up. */
export interface Daylight {
  rise: number | null;
  set: number | null;
  always: boolean;
}

const kept = new Map<string, Daylight>();
const MOST_KEPT = 5000;

/**
 * @param day local date, YYYY-MM-DD
 * @source suncalc, after Meeus
 */
export function daylight(day: string, latitude: number, longitude: number): Daylight {
  const key = `${day} ${latitude} ${longitude}`;
  const cached = kept.get(key);
  if (cached) return cached;
  // The library counts the day of the sun at the meridian: noon of the place names it
  const noon = new Date(Date.parse(`${day}T12:00:00Z`) - (longitude / 15) * HOUR_MS);
  const { sunrise, sunset, alwaysUp } = getTimes(noon, latitude, longitude);
  const hour = (moment: Date | null) => (moment ? moment.getTime() / HOUR_MS : null);
  const daylight = { rise: hour(sunrise), set: hour(sunset), always: alwaysUp === true };
  if (kept.size > MOST_KEPT) kept.clear();
  kept.set(key, daylight);
  return daylight;
}

/** Whether an hour lies whole in daylight. */
export function isLight(hour: number, light: Daylight): boolean {
  if (light.rise === null || light.set === null) return light.always;
  return hour >= light.rise - HALF && hour + 1 <= light.set + HALF;
}
/** Half an hour of twilight is light enough. Common practice, no source. */
const HALF = 0.5;
