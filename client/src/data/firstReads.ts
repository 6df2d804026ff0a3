// What the first page needs is asked for while the app is still being made: one question after the other would be a second on a slow phone.
import type { PagePlace } from '@mortisect/words';
import { readWordsAhead } from './catalogues';
import { usePreferences } from './preferences';
import { healthQuery, openWorkQuery, roundQuery, sessionQuery, siteQuery, treesQuery } from './queries';
import { queryClient } from './queryClient';

/** Needed on every page. */
export const SHARED = ['shared', 'tables', 'trade', 'fault'] as const satisfies PagePlace[];
const OF_LISTS = [siteQuery, openWorkQuery] as const;
const READ: Readonly<
  Partial<Record<PagePlace, readonly { queryKey: string[]; queryFn(): Promise<unknown> }[]>>
> = {
  round: [treesQuery, roundQuery],
  today: OF_LISTS,
  plan: OF_LISTS,
  cut: OF_LISTS,
};

/** @param place that the page belongs to */
export function readFirst(place: PagePlace): void {
  readWordsAhead([...SHARED, place]);
  for (const query of [sessionQuery, healthQuery]) void queryClient.prefetchQuery<unknown>(query);
  // Before somebody has said who works here nothing of the orchard is shown
  if (usePreferences.getState().person === '') return;
  for (const query of READ[place] ?? []) void queryClient.prefetchQuery(query);
}
