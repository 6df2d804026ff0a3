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
  /** From now on it says what this catalogue of its language holds too: nobody who has said something before need say it again. */
  add(catalogue: Catalogue): void;
}

type NumberFormatArgs = [locale?: string | string[], options?: Intl.NumberFormatOptions];

/** One for each way of writing, for all messages: left to itself every message makes its own. */
const once = <Args extends unknown[], Made>(make: (...args: Args) => Made) => {
  const made = new Map<string, Made>();
  return (...args: Args): Made => {
    const key = JSON.stringify(args);
    const known = made.get(key) ?? make(...args);
    made.set(key, known);
    return known;
  };
};

const numberFormat = once((...args: NumberFormatArgs) => new Intl.NumberFormat(...args));
/** Digits alone in every language here. The first number format that a page makes takes a slow phone 0.15 s: a page with small counts needs none. */
const isPlain = (value: unknown) => Number.isInteger(value) && Number(value) >= 0 && Number(value) < 1000;

const formatters = {
  getNumberFormat: (...args: NumberFormatArgs) =>
    ({
      format: (value: number) =>
        args[1] === undefined && isPlain(value) ? String(value) : numberFormat(...args).format(value),
    }) as Intl.NumberFormat,
  getDateTimeFormat: once(
    (...args: ConstructorParameters<typeof Intl.DateTimeFormat>) => new Intl.DateTimeFormat(...args),
  ),
  getPluralRules: once(
    (...args: ConstructorParameters<typeof Intl.PluralRules>) => new Intl.PluralRules(...args),
  ),
};
// Left to itself it makes a number format to ask whether the language is known: the languages here all are
IntlMessageFormat.resolveLocale = (locale) => new Intl.Locale(String(locale));

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
      format = new IntlMessageFormat(message as never, locale, undefined, { ignoreTag: true, formatters });
      formats.set(key, format);
    }
    return String(format.format(given));
  };
  return Object.assign(said, {
    locale,
    has: (key: string) => Object.hasOwn(messages, key),
    add: (catalogue: Catalogue) => void Object.assign(messages, catalogue),
  }) as Say;
}
