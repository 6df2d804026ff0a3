export { Fault, type FaultKind, FaultTree, faultKey, faultKinds } from './fault';
export { GapTest, gapTest, HAT_RADIUS_CM, OPEN_FROM } from './gapTest';
export { geometryFaults } from './geometryFaults';
export { type FaultGroups, faultGroups } from './groups';
export {
  type Leaf,
  LIGHT_ENOUGH_FROM,
  LIGHT_SEED,
  LightInside,
  leavesOf,
  lightInside,
  openSky,
} from './light';
export { leafTakers, lightGains } from './lightGain';
export { nearest } from './segments';
export { isShaded, MOST_SHADES, Shade, shadeBounds, shadeKinds } from './shade';
export { standingFaults } from './standingFaults';
export { Limits, startingLimits, thresholds } from './thresholds';
