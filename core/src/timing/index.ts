export {
  type BlightWeather,
  type BloomDay,
  type BloomRisk,
  blightWeather,
  bloomDays,
  bloomRisks,
  DOUBLING_H,
  doublingHours,
  EARLY_DAYS,
  HEAT_BASE_C,
  HEAT_DH,
  LEAST_MEAN_C,
  lookAgainDays,
  removalSpan,
  type Strike,
  SYMPTOM_BASE_C,
  SYMPTOM_DD,
  strikesOf,
  USUAL_FLOWER_DD,
} from './bloom';
export { CURVE_DAYS, type Curves, groupWithCurves, type PathogenCurve } from './curves';
export { type CutKind, FROST_DAYS, factorsOf, HEAT_DAYS } from './factors';
export { type HourVerdict, hourVerdict, windowsOfHours } from './hours';
export {
  CLOSED_BELOW,
  chanceOf,
  exposureOf,
  HORIZON_DAYS,
  inoculumOn,
  inoculumWeights,
  knownShareOf,
  lambdaOf,
  suitability,
  susceptibility,
  WET_AFTER_RAIN_H,
  type Weathering,
  weathering,
  wetnessWeights,
} from './lambda';
export {
  type Cell,
  type GroupTiming,
  type Reason,
  type SiteTiming,
  type TimingInput,
  type TimingWindow,
  type TreeGroup,
  type Verdict,
  verdicts,
} from './model';
export { NoWeather, type Outlook, outlookOf } from './outlook';
export {
  PATHOGEN_CONFIDENCE,
  PATHOGEN_SOURCE,
  type Pathogen,
  type PathogenCode,
  pathogenCodes,
  pathogenOf,
  pathogens,
  pathogensIn,
  wordsOnly,
} from './pathogens';
export { type ProtectantState, protectantOn, protectantStates, WASH_DAYS } from './protectant';
export { isInSchool, schoolWords, stopDayOfYear, type TimingSchool, timingSchools } from './schoolNames';
export { type Factors, factorNames, infectionOf, ramp, scoreOf } from './score';
export {
  type SchoolSeason,
  type Season,
  type SeasonInput,
  type SeasonMonth,
  type SeasonWeek,
  seasonOf,
} from './season';
export { type LaneId, laneIds, livingLanes, startingTimingSettings, TimingSettings } from './settings';
export { OUTLOOK_DAYS } from './shared';
export { siteTiming } from './siteTiming';
export {
  type Block,
  blockedHours,
  blocks,
  type DryWindow,
  LEAST_AFTER_H,
  LEAST_BEFORE_H,
  LEAST_WINDOW_H,
  type Place,
  type WindowRule,
  windowsOf,
} from './windows';
export { FACTOR_WORDS, LESSON, laneWords, REASON_WORDS, VERDICT_WORDS, windowTitle } from './words';
export { bandOf, DRAWS, LEAST_KNOWN, quantile, SPREAD, type Wounds, woundsOf } from './wounds';
