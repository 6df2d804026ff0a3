// Does a protectant that was put on still hold, or has rain washed it off?
import { lengthOf, type Series } from '../weather/index';

/** Heavy rain within so long washes it off; after that rain is not reckoned. Common practice: three to four days. */
export const WASH_DAYS = 4;

export const protectantStates = ['on', 'washed off', 'past four days', 'not known'] as const;

interface ProtectantState {
  state: (typeof protectantStates)[number];
  /** Rain since it was put on, up to four days, mm. */
  rainMm: number;
  /** Hour at which the limit was passed, since 1970. */
  washedHour: number | null;
  /** Hours without a rain reading in that time. */
  unknownHours: number;
}

/**
 * @param series measured hours that reach from the spraying to now
 * @param sprayedHour hour it was put on, since 1970
 * @param nowHour up to which rain counts
 * @param heavyRainMm rain that washes it off, mm
 */
export function protectantOn(
  series: Series,
  sprayedHour: number,
  nowHour: number,
  heavyRainMm: number,
): ProtectantState {
  const end = Math.min(nowHour, sprayedHour + WASH_DAYS * 24);
  let rainMm = 0;
  let unknownHours = 0;
  let washedHour: number | null = null;
  for (let hour = sprayedHour; hour < end; hour++) {
    const at = hour - series.fromHour;
    const rain = at >= 0 && at < lengthOf(series) ? (series.rainMm[at] ?? null) : null;
    if (rain === null) unknownHours += 1;
    rainMm += rain ?? 0;
    if (washedHour === null && rainMm >= heavyRainMm) washedHour = hour;
  }
  const state =
    washedHour !== null
      ? 'washed off'
      : unknownHours > (end - sprayedHour) / 2
        ? 'not known'
        : nowHour - sprayedHour > WASH_DAYS * 24
          ? 'past four days'
          : 'on';
  return { state, rainMm, washedHour, unknownHours };
}
