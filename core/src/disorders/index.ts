export type { Confidence } from '../register/index';
export {
  Clearance,
  ClearanceCase,
  clearance,
  type Edge,
  edges,
  severityFactors,
  YOUNG_BELOW_YEARS,
} from './clearance';
export { causeGroupIds, type Disorder, type PathogenCode, pathogenCodes, type Traits } from './disorder';
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
export {
  type ClearanceSchool,
  clearanceSchools,
  defaultSchoolOf,
  NoSchool,
  schoolFor,
  schoolsFor,
} from './schools';
export { isGrowing, type Season, seasonOn, seasons } from './season';
