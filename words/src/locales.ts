// Languages, and how each place writes them.
import type { Units } from '@mortisect/core/measure';

/** What the catalogues are compiled to: English has two spellings. */
export const dictionaries = ['en-GB', 'en-US', 'es'] as const;
export type Dictionary = (typeof dictionaries)[number];

/** Spelling, days and the mark before decimals go by it. */
export const locales = ['en-GB', 'en-US', 'es-ES', 'es-419'] as const;
export type Locale = (typeof locales)[number];

export const FALLBACK: Locale = 'en-GB';

/** What is measured with where the language is spoken, unless somebody says otherwise. @source Unicode CLDR, units/measurementSystem of US */
export const unitsOfLocale = (locale: Locale): Units => (locale === 'en-US' ? 'us' : 'metric');

export const languageOf = (locale: Locale): 'en' | 'es' => (locale.startsWith('es') ? 'es' : 'en');

export const dictionaryOf = (locale: Locale): Dictionary =>
  locale === 'en-GB' || locale === 'en-US' ? locale : 'es';

/**
 * The locale for the languages that somebody prefers, the best first, as a browser or `Accept-Language` names them.
 *
 * @param onUnknown told of each that is passed over before one is found, or of all where none is
 * @returns the first that there is; {@link FALLBACK} where there is none
 * @example localeFor(['es-MX', 'en']) //=> 'es-419'
 */
export function localeFor(wanted: readonly string[], onUnknown: (tag: string) => void = () => {}): Locale {
  for (const tag of wanted) {
    const [language, ...parts] = tag.toLowerCase().split(/[-_]/);
    const region = parts.find((part) => /^([a-z]{2}|\d{3})$/.test(part));
    if (language === 'en') return region === 'us' ? 'en-US' : 'en-GB';
    if (language === 'es') return region === undefined || region === 'es' ? 'es-ES' : 'es-419';
    onUnknown(tag);
  }
  return FALLBACK;
}
