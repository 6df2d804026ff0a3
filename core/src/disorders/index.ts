export {
  Clearance,
  ClearanceCase,
  clearance,
  type Edge,
  edges,
  severityFactors,
  YOUNG_BELOW_YEARS,
} from './clearance';
export { type Confidence, type Disorder, DisorderCode, disorderOf, disorders, kindOf } from './disorders';
export {
  type ClearanceSchool,
  clearanceSchools,
  defaultSchoolOf,
  NoSchool,
  schoolFor,
  schoolsFor,
} from './schools';
export { isGrowing, type Season, seasonOn, seasons } from './season';
