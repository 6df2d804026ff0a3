// For its effect: every schema speaks so
import '@mortisect/core/refusal';

export { routes } from './allRoutes';
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
export { firstRoutes } from './firstRoutes';
export {
  cellAt,
  countsAt,
  type Group,
  groupOf,
  type Lane,
  type LaneCell,
  type LaneWindow,
  lanesOf,
  windowsAt,
} from './lanes';
export { fieldPath, Problem } from './problem';
export {
  appRoutes,
  type Route,
  type RouteInput,
  type RouteParsed,
  type RouteResponse,
  type SessionList,
} from './routes';
export type { SeasonPlan, SeasonToday, SeasonWhatIf } from './seasonPlan';
export type {
  SeasonAnswer,
  StationState,
  TimingNow,
  TreeTiming,
  WeatherImportReport,
} from './when';
