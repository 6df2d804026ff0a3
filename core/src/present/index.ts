export { type CutOnRecord, cutsOnRecord, lookedAgain, type RecheckDue, rechecksDue } from './cutsOnRecord';
export { standingActions } from './done';
export {
  answeredFindings,
  answerKinds,
  findingState,
  findingsOpenAt,
  isAnswer,
  withStates,
} from './findingState';
export { actionOf, fold, type Present } from './fold';
export { asHappened, CLOCK_GRACE_MS, happenedAt } from './happened';
export {
  asksForWork,
  inWalkingOrder,
  type OpenWorkChanges,
  withChangedTrees,
  withChanges,
} from './openWork';
export {
  type Booking,
  bookings,
  cropsOf,
  liftedMusts,
  type Pinned,
  pinsOf,
  planInputOf,
  shadesOf,
} from './planInput';
export { type OpenRound, openRound, type Queue, queueOf, type RoundEntry, roundKinds } from './round';
export {
  type Blade,
  type BladeLog,
  bladeLogs,
  bladesOf,
  kitKinds,
  marksStanding,
  mixes,
  type OpenRun,
  openRun,
  runKinds,
} from './run';
export {
  type Considered,
  clearanceByHand,
  forCut,
  grownLimbs,
  openQuestion,
  standingLimbs,
} from './standing';
export { type SiteFacts, type TreeOfGroup, treeGroups, treesOfGroups } from './treeGroups';
export {
  cutsFor,
  decisionOn,
  judgedAsMade,
  judgedAt,
  openDecisions,
  type SiteToday,
  siteToday,
  standingCuts,
  type TreeView,
  telling,
  treeView,
} from './treeView';
export { isUrgent } from './urgent';
export { USUAL_CUT } from './usualCut';
export { type VigourKnown, vigourOf } from './vigour';
export {
  actionsWaiting,
  type Here,
  openWorkWith,
  treesWaiting,
  treesWith,
  type Waiting,
  withActions,
  withLatest,
  withWaiting,
} from './waiting';
export { workPaces } from './workPace';
