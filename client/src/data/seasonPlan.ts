// The season as the server shares it out: shown as it was read last, and read anew when somebody comes to it.
import { useQuery } from '@tanstack/react-query';
import { create } from 'zustand';
import { type Answer, ask } from './api';
import { queryClient } from './queryClient';

export const SEASON_PLAN = ['season-plan'];

/** Somebody did not want to wait any longer. */
export class Stopped extends Error {
  constructor() {
    super('Somebody stopped the sharing out.');
    this.name = 'Stopped';
  }
}

/** Somebody stopped the last sharing out: what is shown is what stood before. */
export const useSeasonStopped = create(() => false);
let asking = new AbortController();

/** Ends the sharing out that is under way; what stood before stays. */
export const stopSeason = () => asking.abort();

/** Where none was ever made, one that is there at once is shown while a better one is made. Whoever leaves the page lets it go on. */
async function sharedOut(): Promise<Answer<'getSeasonPlan'>> {
  asking = new AbortController();
  const { signal } = asking;
  const stood = () => queryClient.getQueryData<Answer<'getSeasonPlan'>>(SEASON_PLAN);
  useSeasonStopped.setState(false, true);
  try {
    const first = await ask('getSeasonPlan', { query: { atOnce: 'yes' } }, signal);
    if (!first.isFirst) return first;
    queryClient.setQueryData(SEASON_PLAN, first);
    return await ask('getSeasonPlan', { query: { atOnce: 'no' } }, signal);
  } catch (error) {
    if (!signal.aborted) throw error;
    useSeasonStopped.setState(true, true);
    const before = stood();
    if (before) return before;
    throw new Stopped();
  }
}

export const useSeasonPlan = () => useQuery({ queryKey: SEASON_PLAN, queryFn: sharedOut });

/** One more day of a crew in a half-day or week; without one: the crew two weeks earlier. */
export interface WhatIfAsked {
  crew: string;
  slot?: string;
  /** Points of the plan that it is held against: of another plan it is asked anew, by somebody. */
  beside: number;
}

/** What that brings: the season is shared out for it. */
export const useSeasonWhatIf = (asked: WhatIfAsked | null) =>
  useQuery({
    queryKey: ['season-what-if', asked],
    queryFn: ({ signal }) => {
      const { beside: _, ...query } = asked as WhatIfAsked;
      return ask('getSeasonWhatIf', { query }, signal);
    },
    enabled: asked !== null,
    staleTime: Number.POSITIVE_INFINITY,
  });

const ANEW_EVERY_MS = 20_000;

export const seasonTodayQuery = {
  queryKey: [...SEASON_PLAN, 'today'],
  queryFn: () => ask('getSeasonToday', {}),
};

/** What each crew does today; asked again while the season is shared out anew. @param isAsked false where nobody asks for it */
export const useSeasonToday = (isAsked = true) =>
  useQuery({
    ...seasonTodayQuery,
    enabled: isAsked,
    refetchInterval: ({ state }) => (state.data?.isAnew ? ANEW_EVERY_MS : false),
  });
