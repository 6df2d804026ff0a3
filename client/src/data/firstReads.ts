// What the first page needs is asked for while the app is still being made: one question after the other would be a second on a slow phone.
import type { PagePlace } from '@mortisect/words';
import { readWordsAhead } from './catalogues';
import { SHARED } from './early';
import { readForLists } from './ofLists';
import { usePreferences } from './preferences';
import { healthQuery, roundQuery, sessionQuery, treesQuery } from './queries';
import { queryClient } from './queryClient';

const readForRound = () => {
  for (const query of [treesQuery, roundQuery]) void queryClient.prefetchQuery<unknown>(query);
};
const READ: Readonly<Partial<Record<PagePlace, () => void>>> = {
  round: readForRound,
  today: readForLists,
  plan: readForLists,
  cut: readForLists,
};

/** @param place that the page belongs to */
export function readFirst(place: PagePlace): void {
  readWordsAhead([...SHARED, place]);
  for (const query of [sessionQuery, healthQuery]) void queryClient.prefetchQuery<unknown>(query);
  // Before somebody has said who works here nothing of the orchard is shown
  if (usePreferences.getState().person === '') return;
  READ[place]?.();
}
