export {
  Caution,
  type CautionReason,
  CutAtHand,
  dangersOf,
  GENERAL_CAUTION,
  type Hazard,
  hazards,
  whoseCut,
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
  toolKinds,
  type Wielded,
} from './tools';
export { GROUND_REACH_CM, LADDER_KERF_CM } from './way';
export { paceByKind, paceOverall, pacesFrom, type Timed, WorkPace } from './workPace';
