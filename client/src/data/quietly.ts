// While a page rests: what the lists of trees rest on is read, and the thread that plans is started, so that nobody waits for it later.
import { keptPlansQuery } from './keptPlans';
import { readForLists } from './ofLists';
import { planner } from './planner';
import { openWorkQuery } from './queries';
import { queryClient, whenNothingIsRead } from './queryClient';
import { atRest } from './rest';

/** So long after the house stands, on a slow phone too: the first screen comes first. */
const AFTER_MS = 4000;
/** Of so many trees all records are read without asking; those of more are megabytes by the dozen. */
export const MOST_UNASKED = 1000;

/** @returns takes it back, where it has not begun */
export function readQuietly(): () => void {
  // Whoever saves data reads what they open
  if ((navigator as { connection?: { saveData?: boolean } }).connection?.saveData) return () => undefined;
  let takeBack = () => {};
  const begin = () => {
    readForLists();
    // It takes a processor for a third of a second
    whenNothingIsRead(queryClient, planner);
    // Without signal the lists are made from these, and every tree of them can be opened
    const trees = queryClient.getQueryData<{ trees: unknown[] }>(['trees'])?.trees.length ?? 0;
    if (trees > MOST_UNASKED && !queryClient.getQueryData(openWorkQuery.queryKey)) return;
    void queryClient.prefetchQuery(openWorkQuery);
    void queryClient.prefetchQuery(keptPlansQuery(queryClient));
  };
  const timer = setTimeout(() => {
    takeBack = atRest(begin);
  }, AFTER_MS);
  return () => {
    clearTimeout(timer);
    takeBack();
  };
}
