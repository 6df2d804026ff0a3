// Hours of the crown clock to choose from.
import { turn } from '@mortisect/core/measure';
import type { Say } from '@mortisect/words';

const DEG_AN_HOUR = 30;

/** Compass bearing of an hour, 0 to 360; hours past 12 go on round. */
export function hourBearing(hour: number, twelveBearingDeg: number): number {
  return turn(twelveBearingDeg + hour * DEG_AN_HOUR);
}

/** A finger on a small clock means no less; a hair before 12 is 12. */
const TAPPED_TO_DEG = 5;

/** Compass bearing that a tap on the clock means, 0 to 360. */
export function tappedBearing(bearingDeg: number, twelveBearingDeg: number): number {
  const past = Math.round((bearingDeg - twelveBearingDeg) / TAPPED_TO_DEG) * TAPPED_TO_DEG;
  return turn(twelveBearingDeg + past);
}

export function hoursIn(say: Say): { value: string; label: string }[] {
  return Array.from({ length: 12 }, (_, i) => ({
    value: String(i + 1),
    label: say('round.surveyOclock', { hour: i + 1 }),
  }));
}
