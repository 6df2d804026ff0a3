// For its effect: every schema speaks so
import '@mortisect/core/refusal';

export type { CandidatesResult, Openness, PlanResult } from './compute';
export {
  ArchiveReport,
  ColumnMapping,
  Copies,
  DeletedTrees,
  FirstSync,
  ImportChoices,
  ImportReport,
  importFormats,
  RemovedPhotos,
  type StartingField,
  startingFields,
  type TreeColumn,
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
export { fieldPath, Problem } from './problem';
export {
  type Route,
  type RouteInput,
  type RouteParsed,
  type RouteResponse,
  routes,
  type SessionList,
} from './routes';
export type {
  SeasonAnswer,
  StationState,
  TimingNow,
  TreeTiming,
  WeatherImportReport,
} from './when';
