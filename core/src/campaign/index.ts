export { Crew, LEAST_PACE, MOST_PACE, works } from './crew';
export { type Highs, solverOf } from './highs';
export type { Solver, SolverAnswer, SolverLimits } from './lp';
export { SeasonSettings, startingSeason } from './settings';
export {
  CampaignInput,
  CampaignPlan,
  type CampaignPool,
  type CampaignSlot,
  CampaignVisit,
  type Demand,
  type LeftBecause,
  leftBecause,
  PLOT_MINUTES,
  SAFETY_SHARE,
  type Skill,
  skills,
} from './shapes';
export { type CampaignSolved, campaignProgram, firstCampaign, solveCampaign, WORTH_MOVING } from './solve';
export { type Half, halves, isOnDays, VisitWish } from './wish';
