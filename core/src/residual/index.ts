export {
  beyond,
  Residual,
  ResidualCase,
  residual,
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
