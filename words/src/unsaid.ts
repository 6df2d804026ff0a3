// A message that is said later, by whoever knows the reader’s language: it goes through workers and records as plain data.
import type { Messages } from '../compiled/keys';
import type { Key, Say } from './say';

export interface Unsaid {
  key: Key;
  /** What it is told with; a part may be a message itself. */
  given: Readonly<Record<string, string | number | Unsaid>>;
}

type Given<K extends Key> = Messages[K] extends null
  ? []
  : [{ [Name in keyof Messages[K]]: Messages[K][Name] | Unsaid }];

/** @example unsaid('fault.limbTwice', { limb: 'B' }) */
export function unsaid<K extends Key>(key: K, ...[given]: Given<K>): Unsaid {
  return { key, given: (given ?? {}) as Unsaid['given'] };
}

export function sayUnsaid(say: Say, { key, given }: Unsaid): string {
  const parts = Object.entries(given).map(([name, part]) => [
    name,
    typeof part === 'object' ? sayUnsaid(say, part) : part,
  ]);
  return say(key, Object.fromEntries(parts) as never);
}
