export type { Openness, PlanResult } from './compute';
export { ColumnMapping, ImportReport, importFormats, treeColumns } from './exchange';
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
  undoneIds,
} from './round';
export {
  type Route,
  type RouteInput,
  type RouteParsed,
  type RouteResponse,
  routes,
} from './routes';
export {
  type Considered,
  clearanceByHand,
  forCut,
  openQuestion,
  standingFindings,
  standingLimbs,
} from './standing';
