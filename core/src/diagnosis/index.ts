export { type LiveBoundary, liveBoundary, Scratch, scratchReadings } from './boundary';
export { Causes, CausesInput, ClinicEvidence, causeCodes, causes } from './causes';
export { type Girdled, girdled } from './girdled';
export { type CauseGroup, causeGroups, OTHER, type Strength, strengthOf } from './groups';
export { type LookAlike, lookAlikesOf } from './lookAlikes';
export { type Quality, sampledQuality } from './quality';
export { Answers, type Sign, SignCode, type SignPlace, shows, signOf, signPlaces, signs } from './signs';
