// What sentences about a cut are told with, and which of its reasons leads.
import type { Units } from '../measure/index';
import type { Limb } from '../tree/index';
import type { Cut, Reason } from './model';

export interface Telling {
  limbs: Limb[];
  names: Map<string, string>;
  units: Units;
  twelveBearingDeg: number;
}

/** The reason that set the place: of several lesions, the one whose measure ends nearest the stool. */
export function leadingReason(cut: Cut): Reason {
  const leading = cut.because.find(
    (reason) => reason.target.limbId === cut.targetLimbId && reason.target.atCm === cut.targetCm,
  );
  return leading ?? (cut.because[0] as Reason);
}
