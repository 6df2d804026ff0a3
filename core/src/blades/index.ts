export { type Agent, agentOf, agents } from './agents';
export {
  BladeEvent,
  type CleaningSchool,
  type CleanWhy,
  cleaningSchools,
  NextStep,
  nextStep,
  RunCut,
} from './nextStep';
