export { liveBoundary, Scratch, scratchReadings } from './boundary';
export { Causes, CausesInput, ClinicEvidence, causeCodes, causes } from './causes';
export { type GirdleAdvice, girdled } from './girdled';
export { causeGroups, OTHER } from './groups';
export { lookAlikesOf } from './lookAlikes';
export { Answers, type Sign, type SignPlace, shows, signOf, signPlaces, signs } from './signs';
