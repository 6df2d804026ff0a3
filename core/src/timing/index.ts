export {
  bloomRisks,
  HEAT_BASE_C,
  HEAT_DH,
  LEAST_MEAN_C,
  removalSpan,
  SYMPTOM_BASE_C,
  SYMPTOM_DD,
  strikeOn,
  USUAL_FLOWER_DD,
} from './bloom';
export { Curves, groupWithCurves } from './curves';
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
export {
  Bloom,
  GroupTiming,
  type Reason,
  SiteTiming,
  type TimingInput,
  type TreeGroup,
  type Verdict,
  verdicts,
} from './model';
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
export { Factors, factorNames, infectionOf } from './score';
export { Season, seasonOf } from './season';
export { startingTimingSettings, TimingSchools, TimingSettings, TimingWeights } from './settings';
export { siteTiming } from './siteTiming';
export { type Block, blockedHours, blocks, LEAST_AFTER_H, LEAST_BEFORE_H, windowsOf } from './windows';
export { bandOf, DRAWS, LEAST_KNOWN, SPREAD, woundsOf } from './wounds';
