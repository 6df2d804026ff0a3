export { type Agent, agentOf, agents } from './agents';
export {
  type BladeEvent,
  type CleaningSchool,
  type CleanWhy,
  cleaningSchools,
  type NextStep,
  nextStep,
  type RunCut,
} from './nextStep';
