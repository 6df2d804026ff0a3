// The season as the server shares it out: shown as it was read last, and read anew when somebody comes to it.
import { useQuery } from '@tanstack/react-query';
import { ask } from './api';

export const SEASON_PLAN = ['season-plan'];

export const useSeasonPlan = () =>
  useQuery({ queryKey: SEASON_PLAN, queryFn: ({ signal }) => ask('getSeasonPlan', {}, signal) });

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

/** What each crew does today; asked again while the season is shared out anew. */
export const useSeasonToday = () =>
  useQuery({
    ...seasonTodayQuery,
    refetchInterval: ({ state }) => (state.data?.isAnew ? ANEW_EVERY_MS : false),
  });
