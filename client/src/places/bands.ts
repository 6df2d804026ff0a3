// Findings as bands of the drawings.

import type { FindingForCut } from '@mortisect/core/cuts';
import { type FindingKind, markOf } from '@mortisect/core/records';
import type { TapeBand } from '../drawings/tape/Measure';

type Shown = FindingForCut & { kind?: FindingKind | undefined };

export function bandsOf(findings: readonly Shown[]): TapeBand[] {
  return findings.map(({ id, limbId, fromCm, toCm, disorder, kind, measured, place }) => ({
    id,
    limbId,
    fromCm,
    toCm,
    kind: markOf({ kind, disorder }),
    measured: measured !== false || (place ?? 'span') !== 'span',
  }));
}
