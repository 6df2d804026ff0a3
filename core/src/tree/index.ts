export { bareStem } from './bareStem';
export { bloomOn } from './bloom';
export {
  alike,
  bundleParts,
  joinBundles,
  onStretch,
  partBundles,
  type Some,
  section,
  stretch,
  wholeId,
} from './bundle';
export { cutBack, type Kerf } from './cutBack';
export { type Measured, measured, split, widestGap, withBundle, withLimb, without } from './edit';
export { type ClockLimb, framedMap, reachedLength, thickAs } from './framed';
export { type Growth, growth, mapGaps, type TreeVigour, treeVigour } from './growth';
export { withLabels } from './labels';
export {
  Bud,
  budDirections,
  Limb,
  LimbMap,
  LONGEST_CM,
  limbKinds,
  MOST_ALIKE,
  THICKEST_MM,
} from './limbMap';
export { besideLabel, labelIn, limbNames, lowerFirst, type Tier, withGivenNames } from './limbNames';
export { drawnSticks, limbShape, type Point, pointAlong } from './shape';
export { onSpoke, reachCm, type Spoke, spokes } from './spokes';
export { StarterTree, starterMap, stemByForm } from './starterMap';
export { cross, dot, long, minus } from './vectors';
export { type Stretch, UnknownLimb, type Walk, walkTowardStool } from './walk';
export {
  ageYearsAt,
  comesOff,
  diameterMmAt,
  indexLimbs,
  isDistalOf,
  isLeader,
  isTrunk,
  type LimbIndex,
  limbWithAll,
  wayToStool,
} from './wood';
