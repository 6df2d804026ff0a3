// The cut that days are judged by as long as nobody planned one.
import type { CutKind } from '../timing/index';

/** A cut as long as nobody planned one. */
export const USUAL_CUT: CutKind = { mm: 40, crownShare: 0.1 };
