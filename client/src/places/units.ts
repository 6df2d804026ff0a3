// Units are switched on this device; the site keeps its own.
import { unitsOf } from '@mortisect/core/measure';
import type { SiteToday } from '@mortisect/core/present';
import { unitsOfLocale } from '@mortisect/words';
import { usePreferences } from '../data/preferences';
import { useWords } from '../data/useSay';

export function switchUnits({ units, site }: SiteToday): void {
  const other = units === 'metric' ? 'us' : 'metric';
  const usual = unitsOf(site.units, unitsOfLocale(useWords.getState().say.locale));
  usePreferences.setState({ units: other === usual ? null : other });
}
