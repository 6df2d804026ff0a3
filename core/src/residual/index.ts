export {
  beyond,
  EXTENT_GSD,
  RESIDUAL_CONFIDENCE,
  Residual,
  ResidualCase,
  residual,
  SHOWS_AGAIN,
} from './hiddenExtent';
export { upperTail } from './normal';
