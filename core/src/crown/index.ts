export { type Crop, type CropOfYear, type CropRhythm, cropRhythm, crops } from './crop';
export { type CrownMap, CrownPiece, crownMap } from './crownMap';
export { fruitingShare } from './fruiting';
export { headingFraction } from './heading';
export { type AnsweredCut, type Regrowth, type RegrowthReason, regrowth, type ShootsAt } from './regrowth';
export {
  LimitReason,
  limitSchoolIds,
  limitSchools,
  type SeasonLimits,
  type Spread,
  seasonLimits,
  spreads,
} from './seasonLimit';
