// The cuts of the last years with what was seen of them again, as every screen that speaks of rechecks reads them.
import { cutsOnRecord, type SiteToday } from '@mortisect/core/present';
import { useMemo } from 'react';
import { useAftercare } from './queries';

/** @returns `cuts` null until they are read */
export function useCutsOnRecord(today: SiteToday | null | undefined) {
  const { data, error, refetch } = useAftercare();
  const cuts = useMemo(
    () =>
      data && today
        ? cutsOnRecord(data.actions, today.site, today.day, (id) => data.disorders[id] ?? 'unknown')
        : null,
    [data, today],
  );
  return { cuts, error, refetch };
}
