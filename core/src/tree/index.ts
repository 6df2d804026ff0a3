export { cutBack, type Kerf } from './cutBack';
export {
  Bud,
  budDirections,
  budKinds,
  Limb,
  type LimbFault,
  type LimbKind,
  LimbMap,
  limbKinds,
  limbMapFaults,
} from './limbMap';
export { limbNames, limbTiers, lowerFirst, type Tier } from './limbNames';
export { limbShape, type Point, pointAlong } from './shape';
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
