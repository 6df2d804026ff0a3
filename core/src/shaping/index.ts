export {
  type Renewal,
  renewalId,
  renewals,
  type Surplus,
  spacingId,
  surplusBearing,
} from './bearing';
export { bundleParts } from './bundles';
export { type Gap, isSameGap, OFF_CENTRE_FROM } from './gap';
export { asksForShape, type Goal, goals, isInTraining, showsWork, TRAINED_UP_TO_YEARS } from './goals';
export {
  heightId,
  heightLeft,
  heightOf,
  type Lowering,
  type Lowers,
  stemKeptCm,
  TOO_TALL_FROM_CM,
  type TooTall,
  tooTall,
  WEAK_HEIR_RATIO,
} from './height';
export { PAIRS, type PairReason, pairReasons, type Ranked, rankPair } from './pairs';
export { bearsAtTip, type OverLong, overLong, SHOOT_WORTH, shootsId } from './shoots';
export {
  crownRadiusCm,
  hasSides,
  isWithin,
  type LeafLoad,
  leafLoad,
  leavesWithout,
  loadsTaken,
  type Sides,
  type SidesNow,
  sidesOf,
  withoutLoad,
} from './sides';
export { targetFault } from './target';
export { type FormKept, formId, formKept } from './trained';
export { uprightId, uprightKey, uprights } from './uprights';
export { type Wish, type WishKind, wishWorths, youngTree } from './young';
