export {
  Caution,
  type CautionReason,
  CutAtHand,
  cautions,
  dangersOf,
  GENERAL_CAUTION,
  HAND_OVER_HEIGHT_CM,
  HAND_OVER_TREE_CM,
  type Hazard,
  hazards,
  LADDER_FROM_CM,
} from './cautions';
export { LimbMassInput, limbMass, loadIn, Stick } from './limbMass';
export { clearZoneCm, type Fall, fall, needsThreeCuts, pieces, Strokes, strokes } from './pieces';
export {
  type CutMinutes,
  cutMinutes,
  KIT_SOURCE,
  type KitGap,
  kitGap,
  LIFT_KG,
  LIFT_NEVER_ABOVE_KG,
  type MinutesFor,
  reachCm,
  startingKit,
  Tool,
  toolFor,
  toolKinds,
  type Wielded,
} from './tools';
