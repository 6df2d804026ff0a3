export {
  Action,
  ActionBody,
  type ActionOf,
  type PartSeen,
  partsSeen,
  sampleLabel,
  walkingOrders,
} from './action';
export { type ChangeOfMany, changesOfMany, type TreeChange } from './changeMany';
export { isTimeZone, moment, RecordId, Stamp, TimeZone, TreeId } from './common';
export { LogEntry, TreeDetail } from './detail';
export {
  activities,
  Finding,
  FindingBody,
  type FindingKind,
  findingBodyOf,
  findingKinds,
  MOST_PHOTOS,
  markOf,
} from './finding';
export { HistoryLine, HistoryValue } from './history';
export { Job, JobBody, MOST_JOB_MINUTES } from './job';
export { MOST_RUN_TREES } from './runTrees';
export { defaultSchools, gear, Site, SiteRecord, SiteSchools, WeatherSettings, weatherSources } from './site';
export {
  drainages,
  fixtures,
  Plot,
  Row,
  RowBody,
  SPACING_CM,
  SpeciesCode,
  statuses,
  TreeBody,
  TreeSummary,
  treeBodyOf,
  vigours,
} from './tree';
