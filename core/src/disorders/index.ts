export type { Confidence } from '../register/index';
export { Clearance, ClearanceCase, clearance, type Edge, edges, YOUNG_BELOW_YEARS } from './clearance';
export { type Disorder, type PathogenCode, pathogenCodes } from './disorder';
export {
  codesWhere,
  codeWhere,
  DisorderCode,
  disorderOf,
  disorders,
  isCutFor,
  isFireBlight,
  isPlainDead,
  kindOf,
  plainDisorder,
} from './disorders';
export { defaultSchoolOf, schoolFor, schoolsFor } from './schools';
export { isGrowing, type Season, seasonOn, seasons, winterOf } from './season';
