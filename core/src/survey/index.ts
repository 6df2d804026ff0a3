export {
  type Aim,
  type Aimed,
  AimedLimb,
  type AimFault,
  Aiming,
  type AimStep,
  aimed,
  aimOf,
  type Held,
  type LimbAimed,
  limbAimedAt,
  nextAim,
  withAim,
} from './aim';
export { type Chance, chance } from './chance';
export { type MeasuredLimb, withMeasured } from './onMap';
export { AWAY_CM, EYE_CM, grounds, Photo, POLE_CM, Survey, TappedLimb } from './photo';
export { lensHeld, type Painted, type Picture, pictureOf, simulatedLens } from './picture';
export { type Lens, lineOf, type PictureSize, pictured, rayThrough } from './pinhole';
export type { Ranged, RangedWood } from './ranged';
export type { PairFault } from './second';
export { standsOn } from './standsOn';
export type { StationFault } from './station';
export { type LimbFault, type LimbSurveyed, type Surveyed, surveyed } from './surveyed';
export {
  afterTap,
  nextTap,
  type Sayable,
  saidOfLimb,
  type Tap,
  tapOf,
  withoutTapped,
  withPhoto,
  withTap,
} from './taps';
