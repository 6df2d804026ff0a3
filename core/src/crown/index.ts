export {
  type CrownMap,
  CrownPiece,
  crownMap,
  largestRemainders,
} from './crownMap';
export { crownShare, parentMm } from './crownShare';
export { fruitingShare } from './fruiting';
export { headingFraction } from './heading';
export { type AnsweredCut, type Regrowth, type RegrowthReason, regrowth } from './regrowth';
export {
  LimitReason,
  limitSchoolIds,
  limitSchools,
  type SeasonLimits,
  type Spread,
  seasonLimits,
  spreads,
} from './seasonLimit';
