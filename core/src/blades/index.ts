export {
  type Agent,
  agentOf,
  agents,
  type CleaningMethod,
  cleaningMethods,
  cleaningSeconds,
  efficacyAfter,
  HANDLING_SECONDS,
  type Target,
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
  stateOf,
  UNKNOWN,
  type WayOut,
  type WoodClass,
  waysOut,
  woodClass,
  woodClasses,
} from './bladeState';
export {
  DilutionInput,
  DilutionResult,
  dilution,
  householdOf,
  type Keeping,
  keepings,
  strengthAfter,
  usableHours,
} from './dilution';
export { NextStep, nextStep, RunCut } from './nextStep';
export { bladesInRotation, Supplies, SuppliesInput, supplies, usedLitres } from './supplies';
export {
  type CleaningPolicy,
  cleaningPolicies,
  contaminationChance,
  expectedTransmissions,
  situationOf,
  situations,
  Transmission,
  TransmissionInput,
  transmission,
  transmissionChance,
} from './transmission';
