export { type ByCalendar, seasonsFrom, stageByCalendar } from './byCalendar';
export { dynamicPortions, isChillHour, utahUnits } from './chill';
export {
  type BudStage,
  type Crop,
  cropOf,
  crops,
  FROST_CONFIDENCE,
  FROST_SOURCE,
  FRUIT_SET,
  fahrenheitToC,
  HARDINESS_CONFIDENCE,
  HARDINESS_SOURCE,
  killC,
  NEEDS_CONFIDENCE,
  NEEDS_SOURCE,
  PETALS_DOWN,
} from './crops';
export { type FreezeEvent, freezeEvents, freezeKinds, woodInjuries } from './freeze';
export { evergreenWoodC, GROWING_WOOD_C, hardinessCourse, type Stages, stagesOver } from './hardiness';
export { KILL_SHIFT_C, killedShare } from './kill';
export {
  type CourseOptions,
  firstFlower,
  fullBlooms,
  leavesDownDay,
  type Phase,
  phases,
  SeenStage,
  type StageDay,
  showsGreen,
  stageCourse,
  stagesToSee,
  usualBloomDay,
  usualBloomOn,
} from './stageCourse';
export { DEGREE_DAYS_BASE_C, type ThermalDay, thermalDays } from './thermal';
export { growingDegreeHours, hourlyDegreeDays, sineDegreeDays, sineDegreeDaysBelow } from './warmth';
