export {
  type Agent,
  agentOf,
  agents,
  type CleaningMethod,
  cleaningMethods,
  type Effect,
  efficacyAfter,
  type Target,
} from './agents';
export {
  BladeEvent,
  type BladeState,
  type CleaningSchool,
  type CleanWhy,
  type CutAhead,
  carriesDisease,
  cleaningSchools,
  dirtyBecause,
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
  type Household,
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
  expectedTransmissions,
  type PolicyOutcome,
  situationOf,
  situations,
  Transmission,
  TransmissionCut,
  TransmissionInput,
  transmission,
  transmissionChance,
} from './transmission';
