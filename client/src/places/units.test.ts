// Units are switched on this device; switched back it goes by the site again, or by the language where the site leaves it to that.
import type { SiteUnits, Units } from '@mortisect/core/measure';
import type { Locale } from '@mortisect/words';
import { sayIn } from '@mortisect/words/all';
import { usePreferences } from '../data/preferences';
import { useWords } from '../data/useSay';
import { today } from '../testing/orchard';
import { switchUnits } from './units';

test.each<[SiteUnits, Locale, Units, Units | null]>([
  ['metric', 'en-GB', 'metric', 'us'],
  ['metric', 'en-US', 'us', null],
  ['us', 'es-ES', 'us', 'metric'],
  ['language', 'en-US', 'us', 'metric'],
  ['language', 'en-US', 'metric', null],
  ['language', 'es-419', 'metric', 'us'],
  ['language', 'es-419', 'us', null],
])('a site in %s, in %s: from %s the device keeps %s', (units, locale, shown, kept) => {
  useWords.setState({ say: sayIn(locale) });
  switchUnits({ ...today, units: shown, site: { ...today.site, units } });
  expect(usePreferences.getState().units).toBe(kept);
});
