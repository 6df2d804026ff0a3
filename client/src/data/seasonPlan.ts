// The season as the server shares it out: shown as it was read last, and read anew when somebody comes to it.
import { useQuery } from '@tanstack/react-query';
import { ask } from './api';

export const SEASON_PLAN = ['season-plan'];

export const useSeasonPlan = () =>
  useQuery({ queryKey: SEASON_PLAN, queryFn: ({ signal }) => ask('getSeasonPlan', {}, signal) });
