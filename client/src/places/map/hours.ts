// Hours of the crown clock to choose from.
import { turn } from '@mortisect/core/measure';
import type { Say } from '@mortisect/words';

const DEG_AN_HOUR = 30;

/** Compass bearing of an hour, 0 to 360; hours past 12 go on round. */
export function hourBearing(hour: number, twelveBearingDeg: number): number {
  return turn(twelveBearingDeg + hour * DEG_AN_HOUR);
}

export function hoursIn(say: Say): { value: string; label: string }[] {
  return Array.from({ length: 12 }, (_, i) => ({
    value: String(i + 1),
    label: say('round.surveyOclock', { hour: i + 1 }),
  }));
}
