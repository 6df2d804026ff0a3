export {
  Caution,
  type CautionReason,
  CutAtHand,
  GENERAL_CAUTION,
  wholeTreeHazards,
  whoseCut,
} from './cautions';
export { dangersOf, type Hazard, hazards, MOST_DEG } from './hazards';
export { LimbMassInput, limbMass, loadIn, Stick } from './limbMass';
export { clearZoneCm, type Fall, fall, needsThreeCuts, pieces, Strokes, strokes } from './pieces';
export {
  type CutMinutes,
  cutMinutes,
  isPole,
  KIT_SOURCE,
  type KitGap,
  kitGap,
  LIFT_KG,
  LIFT_NEVER_ABOVE_KG,
  type MinutesFor,
  reachCm,
  SHOULDER_CM,
  startingKit,
  Tool,
  toolKinds,
  type Wielded,
} from './tools';
export { groundReachCm, ladderKerfCm } from './way';
export { paceBeside, paceByKind, paceOverall, pacesFrom, type Timed, WorkPace } from './workPace';
