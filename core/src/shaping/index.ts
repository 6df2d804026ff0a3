export { asksForShape, type Goal, goals, TRAINED_UP_TO_YEARS } from './goals';
export {
  heightId,
  heightLeft,
  heightOf,
  type Lowering,
  stemKeptCm,
  TOO_TALL_FROM_CM,
  type TooTall,
  targetFault,
  tooTall,
} from './height';
export { type Wish, type WishKind, wishWorths, youngTree } from './young';
