export { beyond, Residual, ResidualCase, residual } from './hiddenExtent';
export {
  type Handling,
  isVigorous,
  type Judgement,
  judgeCut,
  kerfOf,
  type Left,
  worstShortfallCm,
} from './judgeCut';
export { upperTail } from './normal';
