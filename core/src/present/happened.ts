// When a record is taken to have happened: by the clock of the device that made it, held against the server's.
import type { ActionBody } from '../records/index';

/** A device's clock may be this far off before its owner is told, ms. Common practice, no source: clocks kept by a network are closer. */
export const CLOCK_GRACE_MS = 120_000;

/**
 * Nothing happened after the server had word of it: a clock that says so is ahead, by however little. What two such devices say then stands in
 * the order in which the server heard it.
 *
 * @param deviceAt by the device, ISO moment
 * @param receivedAt by the server, ISO moment
 * @returns the earlier of both
 */
export function happenedAt(deviceAt: string, receivedAt: string): string {
  return Date.parse(deviceAt) > Date.parse(receivedAt) ? receivedAt : deviceAt;
}

/** An action at the moment it is taken to have happened. */
export function asHappened<A extends ActionBody>(action: A, receivedAt: string): A {
  const at = happenedAt(action.at, receivedAt);
  return at === action.at ? action : { ...action, at };
}
