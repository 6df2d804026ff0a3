// The trees with open findings as they stand today, computed once for each answer of the server.
import { useMemo } from 'react';
import { useOpenWork } from './queries';
import { useToday } from './useToday';
import { viewOf } from './views';

export function useOpenViews() {
  const { data, error, refetch } = useOpenWork();
  const today = useToday();
  const open = useMemo(
    () =>
      data && today
        ? {
            today,
            views: data.trees.map((detail) => viewOf(detail, today)),
            latestActions: data.latestActions,
          }
        : null,
    [data, today],
  );
  return { open, error, refetch };
}
