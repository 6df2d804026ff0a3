export type { Openness } from './compute';
export { ColumnMapping, ImportReport, importFormats, treeColumns } from './exchange';
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
