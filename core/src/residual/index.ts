export { beyond, Residual, ResidualCase, residual } from './hiddenExtent';
export {
  COUNTED_WITHIN,
  type Handling,
  isVigorous,
  type Judgement,
  judgeCut,
  kerfOf,
  type Left,
  worstShortfallCm,
} from './judgeCut';
export { upperTail } from './normal';
