export {
  cleaningWords,
  debrisWords,
  insteadWords,
  keptForWords,
  limitWords,
  minutesForWords,
  regrowthWords,
  scionWords,
  suppliesWords,
  triageWords,
  verdictWords,
} from './reasons';
