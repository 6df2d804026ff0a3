// In which units this device reads and writes.
import { type SiteUnits, type Units, unitsOf } from '@mortisect/core/measure';
import { type Locale, unitsOfLocale } from '@mortisect/words';

/** Its own, else those of the site, which may leave them to the language; those of the language until the site is known. */
export const unitsOfDevice = (own: Units | null, ofSite: SiteUnits | undefined, locale: Locale): Units =>
  own ?? unitsOf(ofSite ?? 'language', unitsOfLocale(locale));
