export { asksForShape, type Goal, goals, TRAINED_UP_TO_YEARS } from './goals';
export {
  heightId,
  heightLeft,
  heightOf,
  type Lowering,
  type Lowers,
  stemKeptCm,
  TOO_TALL_FROM_CM,
  type TooTall,
  targetFault,
  tooTall,
} from './height';
export { type OverLong, overLong, SHOOT_WORTH, shootsId } from './shoots';
export { type Wish, type WishKind, wishWorths, youngTree } from './young';
