export { type CutOnRecord, cutsOnRecord, lookedAgain, type RecheckDue, rechecksDue } from './aftercare';
export type { Openness, PlanResult } from './compute';
export { standingActions, undoneIds } from './done';
export {
  ColumnMapping,
  ImportChoices,
  ImportReport,
  importFormats,
  type StartingField,
  startingFields,
  treeColumns,
  weatherUnits,
} from './exchange';
export {
  cellAt,
  countsAt,
  type Group,
  type Lane,
  type LaneCell,
  type LaneWindow,
  lanesOf,
  windowsAt,
} from './lanes';
export { liftedMusts, type Pinned, pinsOf, planInputOf, seasonsOf } from './plan';
export { fieldPath, Problem } from './problem';
export * from './records/index';
export {
  isOfRound,
  type OpenRound,
  openRound,
  type Queue,
  queueOf,
  type RoundEntry,
  roundKinds,
} from './round';
export {
  type Route,
  type RouteInput,
  type RouteParsed,
  type RouteResponse,
  routes,
} from './routes';
export {
  type Blade,
  type BladeLog,
  bladeLogs,
  bladesOf,
  disordersMet,
  kitKinds,
  type MixState,
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
  openQuestion,
  standingFindings,
  standingLimbs,
} from './standing';
export { laneOf, NEARBY, type SiteFacts, type TreeOfGroup, treeGroups, USUAL_CUT } from './timing';
export type {
  SeasonAnswer,
  StationState,
  TimingNow,
  TreeTiming,
  WeatherImportReport,
} from './when';
