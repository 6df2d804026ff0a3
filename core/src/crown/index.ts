export {
  type CrownMap,
  type CrownPiece,
  crownMap,
  type DeadFrom,
  largestRemainders,
  WHOLE_CROWN,
} from './crownMap';
export { crownShare, NoScaffolds, parentMm } from './crownShare';
export { FRUITING_SOURCE, type FruitingTree, fruitingShare } from './fruiting';
export { HEADING_CONFIDENCE, headingFraction } from './heading';
export { type AnsweredCut, type Regrowth, regrowth } from './regrowth';
export {
  type LimitedTree,
  type LimitSchool,
  limitSchoolIds,
  limitSchools,
  type SeasonLimits,
  type Spread,
  seasonLimits,
  spreads,
} from './seasonLimit';
