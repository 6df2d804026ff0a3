export { seasonsFrom, stageByCalendar } from './byCalendar';
export {
  type Crop,
  cropOf,
  crops,
  FROST_CONFIDENCE,
  FROST_SOURCE,
  FRUIT_SET,
  fahrenheitToC,
  HARDINESS_CONFIDENCE,
  HARDINESS_SOURCE,
  NEEDS_CONFIDENCE,
  NEEDS_SOURCE,
  PETALS_DOWN,
} from './crops';
export { freezeEvents, isToBeJudged } from './freeze';
export { evergreenWoodC, type Stages, stagesOver } from './hardiness';
export { FreezeEvent, phases, SeenStage, StageDay } from './shapes';
export {
  firstFlower,
  fullBlooms,
  leavesDownDay,
  showsGreen,
  stageCourse,
  stagesToSee,
  usualBloomOn,
} from './stageCourse';
export { DEGREE_DAYS_BASE_C, type ThermalDay, thermalDays } from './thermal';
export { hourlyDegreeDays } from './warmth';
