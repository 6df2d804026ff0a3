export {
  beyond,
  EXTENT_GSD,
  RESIDUAL_CONFIDENCE,
  Residual,
  ResidualCase,
  residual,
  SHOWS_AGAIN,
} from './hiddenExtent';
export {
  type FindingAtCut,
  type Handling,
  isVigorous,
  type JudgedBy,
  type Judgement,
  judgeCut,
  kerfOf,
  type Left,
  worstShortfallCm,
} from './judgeCut';
export { upperTail } from './normal';
