export type { Place } from '../compiled/keys';
export { loadCatalogue, type PagePlace } from './load';
export {
  type Dictionary,
  dictionaries,
  dictionaryOf,
  FALLBACK,
  type Locale,
  languageOf,
  localeFor,
  locales,
  unitsOfLocale,
} from './locales';
export { type Catalogue, type Key, makeSay, type PlainKey, type Say } from './say';
export { sayUnsaid, type Unsaid, unsaid } from './unsaid';
