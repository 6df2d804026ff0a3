// The orchard's clock: the server's time, so that every device of the crew goes by the same.
import { CLOCK_GRACE_MS } from '@mortisect/core/present';
import { nextMoment } from './moment';
import { useHealth } from './queries';

/** Reads the orchard's clock, as an ISO moment in UTC. */
export function useClock(): () => string {
  const aheadMs = useHealth().data?.aheadMs;
  return () => nextMoment(aheadMs);
}

/**
 * How far this device's own clock is ahead of the server's, ms; below nought where it is behind. Null where it is right, and where
 * the server's clock was set on purpose.
 */
export function useClockOff(): number | null {
  const health = useHealth().data;
  if (!health || health.clockSet) return null;
  return Math.abs(health.aheadMs) > CLOCK_GRACE_MS ? -health.aheadMs : null;
}
