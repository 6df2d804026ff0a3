export { type Candidate, cutId, type OtherKind, otherKinds, otherWords } from './candidates';
export type { ClashPart } from './clash';
export { type CurvePoint, type MarginCurve, marginCurve, type SchoolMark } from './curve';
export { followerFromMm, followersOf } from './follower';
export {
  MOST_PLAN_SEASONS,
  Pin,
  PlanFinding,
  PlanInput,
  PlanSettings,
  PlanTree,
  pairSchools,
  startingPlanSettings,
  twinSchools,
} from './input';
export type { KeepWorth } from './keepWorth';
export { OrderCut, OrderInput, OrderResult, orderOf, type Tally } from './order';
export type { Asked } from './parts';
export {
  CandidateOut,
  candidateOut,
  type LeftWhy,
  type PlannedStep,
  PlannedStepOut,
  type Planning,
  planning,
  planTree,
  type SeasonOfPlan,
  type TreePlan,
} from './planTree';
export { type Prepared, preparePlan, slotsFor } from './prepare';
export { type Priced, regrowthOf } from './price';
export { type Pass, PlanProblem, passes } from './problem';
export { RunOrder, RunOrderInput, RunTree, runOrder, WALKED_M_A_MINUTE } from './runOrder';
export { PlanSearch, type Progress } from './search';
export { bridgeScions, type Verdict } from './verdict';
export { inVisits, standOf, stationOf, visitKey, visitOf, visitOrders, wholeMinutes } from './visit';
export {
  alternativesTo,
  limbsAfter,
  type Solved,
  type StepView,
  stepsNow,
  type Visit,
  visitsOf,
} from './visits';
export { startingWeights, WEIGHTS_SOURCE, type Weight, Weights, weights } from './weights';
export {
  clashSentence,
  leftWords,
  type Named,
  passWords,
  pinSentence,
  reasonWords,
  stepSentence,
} from './words';
