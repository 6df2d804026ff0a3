// The orchard's clock: the server's time, so that every device of the crew goes by the same.
import { useHealth } from './queries';

/** Reads the orchard's clock, as an ISO moment in UTC. */
export function useClock(): () => string {
  const aheadMs = useHealth().data?.aheadMs ?? 0;
  return () => new Date(Date.now() + aheadMs).toISOString();
}
