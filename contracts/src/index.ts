export { fieldPath, Problem } from './problem';
export {
  Action,
  ActionBody,
  defaultSchools,
  Finding,
  FindingBody,
  LogEntry,
  Plot,
  RecordId,
  Row,
  Site,
  Stamp,
  TreeDetail,
  TreeSummary,
} from './records';
export {
  type Route,
  type RouteInput,
  type RouteParsed,
  type RouteResponse,
  routes,
  type SiteRecord,
} from './routes';
