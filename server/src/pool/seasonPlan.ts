// A season shared out, with HiGHS: loaded when the first is asked for.
import {
  type CampaignInput,
  type CampaignPlan,
  type Highs,
  type Solver,
  solveCampaign,
  solverOf,
} from '@mortisect/core/campaign';

let loaded: Promise<Solver> | null = null;

export function seasonSolver(): Promise<Solver> {
  loaded ??= import('highs').then(async ({ default: load }) => solverOf((await load()) as unknown as Highs));
  return loaded;
}

export async function seasonPlan(input: CampaignInput): Promise<CampaignPlan> {
  return solveCampaign(input, await seasonSolver()).plan;
}
