// The site, its season and its units today, once they are known.

import type { WorkPace } from '@mortisect/core/handling';
import type { Units } from '@mortisect/core/measure';
import { type SiteToday, siteToday } from '@mortisect/core/present';
import type { Site } from '@mortisect/core/records';
import { dayAt } from './moment';
import { usePreferences } from './preferences';
import { useHealth, useSite } from './queries';
import { unitsOfDevice } from './unitsOfDevice';
import { useClock } from './useClock';
import { useSay } from './useSay';

export function useToday(): SiteToday | null {
  const record = useSite().data;
  const site = record?.site;
  const ready = useHealth().data !== undefined;
  const clock = useClock();
  const units = useUnits();
  const day = site ? dayAt(clock(), site.timeZone) : '';
  return site && ready ? todayOf(site, units, day, record?.paces ?? NO_PACES) : null;
}

const NO_PACES: readonly WorkPace[] = [];
let last: { site: Site; units: Units; today: SiteToday } | null = null;

/** As `siteToday`; the same object on every screen, so that what is computed by it is computed once. */
function todayOf(site: Site, units: Units, day: string, paces: readonly WorkPace[]): SiteToday {
  const { today } = last ?? {};
  if (last?.site !== site || last.units !== units || today?.day !== day || today.paces !== paces)
    last = { site, units, today: siteToday(site, units, day, paces) };
  return last.today;
}

export function useUnits(): Units {
  const own = usePreferences((preferences) => preferences.units);
  const ofSite = useSite().data?.site.units;
  const { locale } = useSay();
  return unitsOfDevice(own, ofSite, locale);
}

/** Species that are grown in this orchard, the usual one first; none where nobody has said. */
export function useGrown(): readonly string[] {
  return useSite().data?.site.grows ?? NOTHING;
}

const NOTHING: readonly string[] = [];
