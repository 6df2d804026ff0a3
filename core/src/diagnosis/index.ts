export { liveBoundary, Scratch, scratchReadings } from './boundary';
export { Causes, CausesInput, causeCodes, causes, tellingSign } from './causes';
export { ClinicEvidence } from './clinicEvidence';
export { type GirdleAdvice, girdled } from './girdled';
export { causeGroups, OTHER } from './groups';
export { lookAlikesOf } from './lookAlikes';
export {
  type DrawnMark,
  type DrawnSign,
  drawnSign,
  drawnSigns,
  lookOf,
  type SignMark,
  type SignScene,
  signScenes,
} from './signDrawings';
export { Answers, type Sign, type SignPlace, shows, signOf, signPlaces, signs } from './signs';
