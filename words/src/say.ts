// Says a message of a compiled catalogue in a language. It formats only: the messages were read when they were compiled.
import { IntlMessageFormat } from 'intl-messageformat';
import type { Messages } from '../compiled/keys';
import type { Locale } from './locales';

export type Key = keyof Messages;
/** A message that is given nothing: what a table of names holds. */
export type PlainKey = { [K in Key]: Messages[K] extends null ? K : never }[Key];

/** Text, or the parts of an ICU message, by key. */
export type Catalogue = Readonly<Record<string, unknown>>;

export interface Say {
  /** @throws {Error} for a key that no loaded catalogue holds */
  <K extends Key>(key: K, ...given: Messages[K] extends null ? [] : [Messages[K]]): string;
  /** How numbers and days are written. */
  readonly locale: Locale;
  /** Whether a loaded catalogue holds a message of that key. */
  has(key: string): boolean;
}

/**
 * @param catalogues of one language; a later one adds to the earlier
 * @param onMissing asked for a key that none of them holds, before the fault of it is thrown: it may throw something else
 * @example makeSay('en-GB', [round])('round.seen', { trees: 2 }) //=> '2 trees seen'
 */
export function makeSay(
  locale: Locale,
  catalogues: readonly Catalogue[],
  onMissing: (key: string) => void = () => {},
): Say {
  const messages: Record<string, unknown> = Object.assign({}, ...catalogues);
  const formats = new Map<string, IntlMessageFormat>();
  const said = (key: string, given?: Record<string, string | number>): string => {
    const message = messages[key];
    if (typeof message === 'string') return message;
    if (message === undefined) {
      onMissing(key);
      throw new Error(`No catalogue that is loaded holds “${key}”.`);
    }
    let format = formats.get(key);
    if (!format) {
      format = new IntlMessageFormat(message as never, locale, undefined, { ignoreTag: true });
      formats.set(key, format);
    }
    return String(format.format(given));
  };
  return Object.assign(said, { locale, has: (key: string) => Object.hasOwn(messages, key) }) as Say;
}
