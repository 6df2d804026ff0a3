// The site, its season and its units today, once they are known.

import type { Units } from '@mortisect/core/measure';
import { type SiteToday, siteToday } from '@mortisect/core/present';
import { useMemo } from 'react';
import { dayAt } from './moment';
import { usePreferences } from './preferences';
import { useHealth, useSite } from './queries';
import { useClock } from './useClock';

export function useToday(): SiteToday | null {
  const site = useSite().data?.site;
  const ready = useHealth().data !== undefined;
  const clock = useClock();
  const units = usePreferences((preferences) => preferences.units);
  const day = site ? dayAt(clock(), site.timeZone) : '';
  return useMemo(() => (site && ready ? siteToday(site, units, day) : null), [site, units, day, ready]);
}

/** Units of this device; metric until the site is known. */
export function useUnits(): Units {
  const own = usePreferences((preferences) => preferences.units);
  const ofSite = useSite().data?.site.units;
  return own ?? ofSite ?? 'metric';
}
