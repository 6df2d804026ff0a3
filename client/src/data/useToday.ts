// The site, its season and its units today, once they are known.

import type { Units } from '@mortisect/core/measure';
import { type SiteToday, siteToday } from '@mortisect/core/present';
import type { Site } from '@mortisect/core/records';
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
  return site && ready ? todayOf(site, units, day) : null;
}

let last: { site: Site; units: Units | null; today: SiteToday } | null = null;

/** As `siteToday`; the same object on every screen, so that what is computed by it is computed once. */
function todayOf(site: Site, units: Units | null, day: string): SiteToday {
  if (last?.site !== site || last.units !== units || last.today.day !== day)
    last = { site, units, today: siteToday(site, units, day) };
  return last.today;
}

/** Units of this device; metric until the site is known. */
export function useUnits(): Units {
  const ownUnits = usePreferences((preferences) => preferences.units);
  const ofSite = useSite().data?.site.units;
  return ownUnits ?? ofSite ?? 'metric';
}
