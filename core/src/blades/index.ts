export {
  type Agent,
  agentOf,
  agents,
  type CleaningMethod,
  cleaningMethods,
  cleaningSeconds,
  HANDLING_SECONDS,
  usualMethod,
} from './agents';
export {
  BladeEvent,
  type BladeState,
  type CleanWhy,
  carriesDisease,
  cleaningSchools,
  dirtyBecause,
  SHARP_FOR_CUTS,
  stateAfter,
  UNKNOWN,
  type WayOut,
  waysOut,
  woodClass,
} from './bladeState';
export {
  DilutionInput,
  DilutionResult,
  dilution,
  strengthAfter,
  usableHours,
} from './dilution';
export { type Keeping, keepings } from './keeping';
export { NextStep, nextStep, RunCut } from './nextStep';
export { Supplies, SuppliesInput, type SuppliesReason, supplies, usedLitres } from './supplies';
export {
  type CleaningPolicy,
  type CleaningReason,
  contaminationChance,
  situations,
  Transmission,
  TransmissionInput,
  transmission,
  transmissionChance,
} from './transmission';
export { type WoodClass, woodClasses } from './woodClasses';
