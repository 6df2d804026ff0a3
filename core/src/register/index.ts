export {
  CULTIVAR_CONFIDENCE,
  CULTIVAR_SOURCE,
  Cultivar,
  cultivarNamed,
  cultivarsOf,
  susceptibilities,
} from './cultivars';
export { jobDueOn, jobKinds, OWN_JOB } from './jobs';
export { type OnGround, type OrchardPlan, orchardPlan, type PlotOnPlan, treeToward } from './orchardPlan';
export {
  type BearingHabit,
  bearingHabits,
  type Confidence,
  grownFirst,
  type HostGroup,
  hostGroups,
  isTrainedFlat,
  type Species,
  speciesName,
  speciesOf,
  speciesTable,
  type TreeForm,
  treeForms,
} from './species';
export { treeAge } from './treeAge';
export { byTag, groundAt, groundPlaces, serpentine } from './walkingOrder';
export { formMeant, isUsualSize, speciesMeant, type TreeSize, treeSizes, writtenYear } from './written';
