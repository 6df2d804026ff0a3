// The season as the server shares it out: shown as it was read last, and read anew when somebody comes to it.
import { useQuery } from '@tanstack/react-query';
import { ask } from './api';

export const SEASON_PLAN = ['season-plan'];

export const useSeasonPlan = () =>
  useQuery({ queryKey: SEASON_PLAN, queryFn: ({ signal }) => ask('getSeasonPlan', {}, signal) });

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
