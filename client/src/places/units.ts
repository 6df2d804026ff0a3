// Units are switched on this device; the site keeps its own.
import type { SiteToday } from '@mortisect/core/present';
import { usePreferences } from '../data/preferences';

export function switchUnits(today: SiteToday): void {
  const other = today.units === 'metric' ? 'us' : 'metric';
  usePreferences.setState({ units: other === today.site.units ? null : other });
}
