export { type ArboristCut, arboristPart } from './arborist';
export { cutId } from './candidates';
export { type CurvePoint, type MarginCurve, marginCurve } from './curve';
export { followerFromMm, followersOf } from './follower';
export { grainOfAll, withinOf } from './grain';
export {
  Costs,
  firstWinterOf,
  PlanFinding,
  PlanInput,
  PlanSettings,
  PlanTree,
  paceOf,
  RegrowthShares,
  startingPlanSettings,
} from './input';
export { type KeptFor, type RankedPair, rankedPairs } from './keepWorth';
export { keptPlanOf, planStamp, solvedFrom } from './keptPlan';
export { KeptPlan, ListedPlan, VisitAhead, VisitWorth } from './keptShape';
export { listedNow, listedOf } from './listed';
export { OrderInput, orderOf } from './order';
export { OrderResult } from './orderShape';
export { type OtherKind, otherKinds } from './otherKind';
export { type Outlook, outlookOf } from './outlook';
export { type Pass, passes } from './passes';
export { LEAST_LIMIT, MOST_LIMIT, MOST_PLAN_SEASONS, Pin } from './pin';
export { candidateOut, planning } from './planTree';
export { type Prepared, preparePlan } from './prepare';
export { type Priced, regrowthOf } from './price';
export { runOrder } from './runOrder';
export { RunOrder, RunOrderInput, type RunTree, WALKED_M_A_MINUTE } from './runOrderShape';
export { PlanSearch } from './search';
export type { SideEffect } from './sides';
export {
  CandidateOut,
  type ClashPart,
  Grain,
  type HeightOfPlan,
  type LeftWhy,
  type LightOfPlan,
  PlannedStep,
  SeasonOfPlan,
  type SidesOfPlan,
  TreePlan,
} from './treePlan';
export { Verdict, type VerdictReason } from './verdictShape';
export { inVisits, standOf, stationOf, stationWord, visitKey, visitOrders, wholeMinutes } from './visit';
export {
  alternativesTo,
  isOfSameBundle,
  limbsAfter,
  type Solved,
  type StepView,
  type Told,
  toldOf,
  type Visit,
  visitsOf,
} from './visits';
export { WEIGHTS_SOURCE, Weights, weights } from './weights';
