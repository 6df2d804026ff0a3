// When a record is taken to have happened: by the clock of the device that made it, held against the server's.
import type { ActionBody } from '../records/index';

/** A device's clock may be this far off before anything is made of it, ms. Common practice, no source: clocks kept by a network are closer, and nothing here turns on two minutes. */
export const CLOCK_GRACE_MS = 120_000;

/**
 * Nothing happened after the server had word of it: a clock that says so is ahead.
 *
 * @param said by the device, ISO moment
 * @param receivedAt by the server, ISO moment
 * @returns `said`, or `receivedAt` where the device's clock must be ahead
 */
export function happenedAt(said: string, receivedAt: string): string {
  return Date.parse(said) - Date.parse(receivedAt) > CLOCK_GRACE_MS ? receivedAt : said;
}

/** An action at the moment it is taken to have happened. */
export function asHappened<A extends ActionBody>(action: A, receivedAt: string): A {
  const at = happenedAt(action.at, receivedAt);
  return at === action.at ? action : { ...action, at };
}
