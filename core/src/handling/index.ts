export {
  Caution,
  CutAtHand,
  cautions,
  GENERAL_CAUTION,
  HAND_OVER_HEIGHT_CM,
  type Hazard,
  hazards,
  LADDER_FROM_CM,
} from './cautions';
