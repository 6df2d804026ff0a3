export { seasonsFrom, stageByCalendar } from './byCalendar';
export { dynamicPortions, isChillHour, utahUnits } from './chill';
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
  killC,
  NEEDS_CONFIDENCE,
  NEEDS_SOURCE,
  PETALS_DOWN,
} from './crops';
export { FreezeEvent, freezeEvents, freezeKinds, isToBeJudged, woodInjuries } from './freeze';
export { evergreenWoodC, hardinessCourse, type Stages, stagesOver } from './hardiness';
export { killedShare } from './kill';
export {
  firstFlower,
  fullBlooms,
  leavesDownDay,
  phases,
  SeenStage,
  StageDay,
  showsGreen,
  stageCourse,
  stagesToSee,
  usualBloomOn,
} from './stageCourse';
export { DEGREE_DAYS_BASE_C, type ThermalDay, thermalDays } from './thermal';
export { growingDegreeHours, hourlyDegreeDays, sineDegreeDays, sineDegreeDaysBelow } from './warmth';
