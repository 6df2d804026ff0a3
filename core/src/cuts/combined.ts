// Several lesions on one tree: which of their cuts are one, and which come off with another?
import { comesOff, type LimbIndex, wayToStool } from '../tree/index';
import type { Cut } from './model';

/** Equal cuts merged, with all their reasons; cuts on wood that another takes marked with it. In the order they came. */
export function combined(index: LimbIndex, cuts: Cut[]): Cut[] {
  return swallow(index, merge(cuts));
}

/** Cuts at the same place become one, which answers for all their lesions. */
function merge(cuts: Cut[]): Cut[] {
  const merged: Cut[] = [];
  for (const cut of cuts) {
    const same = merged.find(
      (other) => other.limbId === cut.limbId && other.atCm === cut.atCm && other.kind === cut.kind,
    );
    if (!same) {
      merged.push({ ...cut });
      continue;
    }
    const upToCm =
      same.upToCm === undefined || cut.upToCm === undefined ? undefined : Math.min(same.upToCm, cut.upToCm);
    delete same.upToCm;
    if (upToCm !== undefined) same.upToCm = upToCm;
    const deeper = nearerStool(cut, same) ? cut : same;
    same.targetLimbId = deeper.targetLimbId;
    same.targetCm = deeper.targetCm;
    same.shortfallCm = Math.max(same.shortfallCm, cut.shortfallCm);
    same.lesionIds = [...same.lesionIds, ...cut.lesionIds];
    same.because = [...same.because, ...cut.because];
  }
  return merged;
}

function nearerStool(a: Cut, b: Cut): boolean {
  if (a.targetCm === null || b.targetCm === null) return a.targetCm === null;
  if (a.targetLimbId === b.targetLimbId) return a.targetCm < b.targetCm;
  return a.targetLimbId !== a.limbId;
}

/**
 * A cut whose place lies on wood that another takes for certain is swallowed by the outermost such cut: the last one met
 * on the way from its place to the stool. One walk a cut, so that deep trees with many lesions stay quick.
 */
function swallow(index: LimbIndex, cuts: Cut[]): Cut[] {
  const outermostFirst = cuts
    .map((cut, i) => ({ i, limbId: cut.limbId, takesFromCm: cut.upToCm ?? cut.atCm }))
    .sort((a, b) => a.takesFromCm - b.takesFromCm);
  const onLimb = new Map<string, typeof outermostFirst>();
  for (const cut of outermostFirst) {
    const others = onLimb.get(cut.limbId);
    if (others) others.push(cut);
    else onLimb.set(cut.limbId, [cut]);
  }
  return cuts.map((cut, i) => {
    let swallowedBy: number | null = null;
    for (const { limbId, atCm } of wayToStool(index, cut.limbId, cut.atCm)) {
      const taker = onLimb.get(limbId)?.find((other) => other.i !== i && comesOff(atCm, other.takesFromCm));
      if (taker) swallowedBy = taker.i;
    }
    return { ...cut, swallowedBy };
  });
}
