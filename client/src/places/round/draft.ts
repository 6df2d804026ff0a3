// A finding while it is marked: what is known so far, and what is sent when it is set.
import type { Finding, FindingBody } from '@mortisect/contracts';
import { type Edge, kindOf } from '@mortisect/core/disorders';
import { roundToTape, type Units } from '@mortisect/core/measure';
import type { Limb } from '@mortisect/core/tree';
import { newId } from '../../data/queries';

export interface Marking {
  /** Minted when the marking begins, so that sending twice counts once. */
  id: string;
  baseRevision: number | null;
  limbId: string;
  disorder: string | null;
  fromCm: number;
  toCm: number;
  edge: Edge;
  growthRapid: boolean;
  note: string;
  seenAt: string;
}

/** Where handles stand before they are moved: well out on the limb, far enough apart for two thumbs. */
const STARTS_AT = 0.62;
const STARTS_LONG = 0.12;

export function newMarking(limb: Limb, units: Units, now: string): Marking {
  return {
    id: newId(),
    baseRevision: null,
    limbId: limb.id,
    disorder: null,
    fromCm: roundToTape(limb.lengthCm * STARTS_AT, units),
    toCm: Math.min(limb.lengthCm, roundToTape(limb.lengthCm * (STARTS_AT + STARTS_LONG), units)),
    edge: 'indefinite',
    growthRapid: false,
    note: '',
    seenAt: now,
  };
}

/** A new finding moves with the finger to another limb and keeps all that was said of it but its place. */
export function movedTo(marking: Marking, limb: Limb, units: Units): Marking {
  const { limbId, fromCm, toCm } = newMarking(limb, units, marking.seenAt);
  return { ...marking, limbId, fromCm, toCm };
}

/** A cut may have shortened the limb since: what is left of the span is what can be edited. */
export function markingOf(finding: Finding, limb: Limb): Marking {
  const { id, revision, limbId, disorder, fromCm, toCm, edge, growthRapid, note, seenAt } = finding;
  return {
    id,
    baseRevision: revision,
    limbId,
    disorder,
    fromCm,
    toCm: Math.min(toCm, limb.lengthCm),
    edge,
    growthRapid,
    note,
    seenAt,
  };
}

export type Named = Marking & { disorder: string };

export function isNamed(marking: Marking): marking is Named {
  return marking.disorder !== null;
}

/** How sure the edge is matters for disease alone: dead and broken wood is cut to live wood. */
export function edgeMatters(disorder: string | null): boolean {
  return disorder !== null && kindOf(disorder) === 'diseased';
}

export function findingBody(
  marking: Named,
  treeId: string,
  limbName: string,
  withdrawn = false,
): FindingBody {
  const { limbId, disorder, fromCm, toCm, edge, growthRapid, note, seenAt } = marking;
  return {
    treeId,
    limbId,
    limbName,
    disorder,
    fromCm,
    toCm,
    edge: edgeMatters(disorder) ? edge : 'definite',
    growthRapid,
    note,
    seenAt,
    withdrawn,
  };
}
