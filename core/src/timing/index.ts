export {
  HEAT_BASE_C,
  HEAT_DH,
  LEAST_MEAN_C,
  removalSpan,
  SYMPTOM_BASE_C,
  SYMPTOM_DD,
  strikeOn,
  USUAL_FLOWER_DD,
} from './bloom';
export { groupWithCurves } from './curves';
export type { CutKind } from './factors';
export { hourVerdict, windowsOfHours } from './hours';
export {
  CLOSED_BELOW,
  chanceOf,
  exposureOf,
  HORIZON_DAYS,
  inoculumWeights,
  lambdaOf,
  suitability,
  susceptibility,
  WET_AFTER_RAIN_H,
  weathering,
  wetnessWeights,
} from './lambda';
export { type LaneId, laneIds, laneNames } from './lanes';
export type { TimingInput, TreeGroup } from './model';
export { outlookOf } from './outlook';
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
export { protectantOn, protectantStates, WASH_DAYS } from './protectant';
export { nextStopDay, schoolWords, stopDayOfYear, timingSchools } from './schoolNames';
export { infectionOf } from './score';
export { seasonOf, seasonsOf } from './season';
export { startingTimingSettings, TimingSchools, TimingSettings, TimingWeights } from './settings';
export {
  type Block,
  Bloom,
  blocks,
  bloomRisks,
  Curves,
  Factors,
  factorNames,
  GroupTiming,
  type Reason,
  Season,
  SiteTiming,
  type Verdict,
  verdicts,
} from './shapes';
export { siteTiming } from './siteTiming';
export { blockedHours, LEAST_AFTER_H, LEAST_BEFORE_H, windowsOf } from './windows';
export { bandOf, DRAWS, LEAST_KNOWN, SPREAD, woundsOf } from './wounds';
