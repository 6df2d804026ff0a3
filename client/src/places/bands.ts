// Findings as bands of the drawings.
import type { FindingForCut } from '@mortisect/core/cuts';
import { kindOf } from '@mortisect/core/disorders';
import type { TapeBand } from '../drawings/tape/Measure';

export function bandsOf(findings: readonly FindingForCut[]): TapeBand[] {
  return findings.map(({ id, limbId, fromCm, toCm, disorder }) => ({
    id,
    limbId,
    fromCm,
    toCm,
    kind: kindOf(disorder),
  }));
}
