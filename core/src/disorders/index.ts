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
export type { Disorder } from './disorder';
export { DisorderCode, disorderOf, disorders, isCutFor, kindOf } from './disorders';
export {
  type ClearanceSchool,
  clearanceSchools,
  defaultSchoolOf,
  NoSchool,
  schoolFor,
  schoolsFor,
} from './schools';
export { isGrowing, type Season, seasonOn, seasons } from './season';
