// A finding while it is marked: what is known so far, and what is sent when it is set.

import { kindOf, plainDisorder } from '@mortisect/core/disorders';
import type { Fault } from '@mortisect/core/faults';
import { faultKey } from '@mortisect/core/faults';
import { heightReading, roundToTape, type Units } from '@mortisect/core/measure';
import { type Considered, forCut } from '@mortisect/core/present';
import type { Action, Finding, FindingBody, FindingKind } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import type { Say } from '@mortisect/words';
import { joined } from '@mortisect/words/trade';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { newId } from '../../../data/writes';

export interface Marking
  extends Omit<FindingBody, 'treeId' | 'limbName' | 'withdrawn' | 'kind' | 'disorder'> {
  /** Minted when the marking begins, so that sending twice counts once. */
  id: string;
  baseRevision: number | null;
  kind: FindingKind | null;
  disorder: string | null;
}

/** Handles stand here before they are moved: well out on the limb, far enough apart for two thumbs. */
const STARTS_AT = 0.62;
const STARTS_LONG = 0.12;

export function newMarking(limb: Limb, units: Units, now: string): Marking {
  return {
    id: newId(),
    baseRevision: null,
    limbId: limb.id,
    kind: null,
    disorder: null,
    measured: false,
    somewhere: null,
    place: 'span',
    ...startsOn(limb, units),
    edge: 'indefinite',
    growthRapid: false,
    activity: 'unknown',
    signs: {},
    scratches: [],
    widthsCm: [],
    circumferenceCm: null,
    photoIds: [],
    fault: null,
    note: '',
    seenAt: now,
  };
}

function startsOn(limb: Limb, units: Units) {
  return {
    fromCm: roundToTape(limb.lengthCm * STARTS_AT, units),
    toCm: Math.min(limb.lengthCm, roundToTape(limb.lengthCm * (STARTS_AT + STARTS_LONG), units)),
  };
}

export type Somewhere = NonNullable<FindingBody['somewhere']>;

/** A finding in a crown that nobody has mapped: it waits on the stem until somebody places it on its limb. */
export function newMarkingSomewhere(stem: Limb, units: Units, now: string, somewhere: Somewhere): Marking {
  return { ...newMarking(stem, units, now), somewhere };
}

/** “somewhere in the crown, 3 o’clock, 2.5 m up” */
export function somewhereWords(say: Say, { hour, heightCm }: Somewhere, units: Units): string {
  return say('round.somewhereInTheCrownOclockUp', {
    hour,
    height: joined(say, heightReading(heightCm, units)),
  });
}

/** What the finding’s place is called: its limb, or where in the crown it was seen. */
export function limbNameOf(
  say: Say,
  marking: Marking,
  names: ReadonlyMap<string, string>,
  units: Units,
): string {
  if (marking.somewhere) return somewhereWords(say, marking.somewhere, units);
  return names.get(marking.limbId) ?? marking.limbId;
}

/** A new finding moves with the finger to another limb and keeps all that was said of it but its place. */
export function movedTo(marking: Marking, limb: Limb, units: Units): Marking {
  return {
    ...marking,
    limbId: limb.id,
    ...startsOn(limb, units),
    measured: false,
    somewhere: null,
    scratches: [],
  };
}

/** A cut may have shortened the limb since: what is left of the span is what can be edited. */
export function markingOf(finding: Finding, limb: Limb): Marking {
  const { treeId, limbName, withdrawn, state, revision, by, receivedAt, kind, ...kept } = finding;
  return {
    ...kept,
    kind: kind ?? kindOf(finding.disorder),
    baseRevision: revision,
    toCm: Math.min(finding.toCm, limb.lengthCm),
  };
}

/** What a kind means when nothing more is said of it: just that. */
const FIRST_DISORDER: Record<FindingKind, string> = {
  dead: plainDisorder('dead'),
  diseased: plainDisorder('diseased'),
  damaged: plainDisorder('damaged'),
  misplaced: plainDisorder('misplaced'),
  'old cut': plainDisorder('old cut'),
};

/** Its kind was said and nothing more. */
export function isUnnamed({ kind, disorder, fault }: Marking): boolean {
  return kind !== null && fault === null && disorder === FIRST_DISORDER[kind];
}

export function ofKind(marking: Marking, kind: FindingKind, limbs: Limb[]): Marking {
  const started = { ...marking, kind, disorder: FIRST_DISORDER[kind], fault: null };
  // Sound wood in the wrong place is the limb as a whole
  return kind === 'misplaced' ? atPlace(started, 'limb', limbs) : started;
}

const BASE_TO_CM = 15;

/** The span as somebody dragged or typed it: from then on it is measured. */
export function withSpan(marking: Marking, span: { fromCm?: number; toCm?: number }): Marking {
  return { ...marking, ...span, measured: true, somewhere: null };
}

/** Moves a marking to the base, the rootstock, the fruit or the whole of a limb; its span follows. */
export function atPlace(marking: Marking, place: FindingBody['place'], limbs: Limb[]): Marking {
  const stem = limbs.find((limb) => limb.kind === 'trunk');
  const limb = limbs.find((limb) => limb.id === marking.limbId);
  if (place === 'base' && stem) {
    return { ...marking, place, limbId: stem.id, fromCm: 0, toCm: Math.min(BASE_TO_CM, stem.lengthCm) };
  }
  if (place === 'rootstock' && stem) {
    return {
      ...marking,
      place,
      limbId: stem.id,
      fromCm: 0,
      toCm: stem.graftUnionCm ?? Math.min(BASE_TO_CM, stem.lengthCm),
    };
  }
  if ((place === 'limb' || place === 'fruit') && limb)
    return { ...marking, place, fromCm: 0, toCm: limb.lengthCm };
  return { ...marking, place };
}

export type Named = Marking & { disorder: string };

export function isNamed(marking: Marking): marking is Named {
  return marking.disorder !== null;
}

/** How sure the edge is matters for disease alone: dead and broken wood is cut to live wood. */
export function edgeMatters(disorder: string | null): boolean {
  return disorder !== null && kindOf(disorder) === 'diseased';
}

/** A marking as the core reads it, so that the answer follows every change. @param actions done on its tree */
export function asConsidered(marking: Named, actions: readonly Action[]): Considered {
  const { kind, edge, ...marked } = marking;
  const settled = edgeMatters(marking.disorder) ? edge : 'definite';
  return forCut({ ...marked, edge: settled, kind: kind ?? undefined }, actions);
}

export function findingBody(
  marking: Named,
  treeId: string,
  limbName: string,
  withdrawn = false,
): FindingBody {
  const { id, baseRevision, kind, edge, ...kept } = marking;
  return {
    ...kept,
    treeId,
    limbName,
    ...(kind && { kind }),
    edge: edgeMatters(marking.disorder) ? edge : 'definite',
    withdrawn,
  };
}

/** A fault that the caretaker accepts, as a finding of misplaced wood. */
export function findingOfFault(
  fault: Fault,
  limb: Limb,
  treeId: string,
  limbName: string,
  now: string,
): FindingBody {
  const marking = ofKind(newMarking(limb, 'metric', now), 'misplaced', [limb]) as Named;
  return {
    ...findingBody(marking, treeId, limbName),
    place: 'limb',
    measured: true,
    fromCm: 0,
    toCm: limb.lengthCm,
    fault: { key: faultKey(fault), ...fault },
  };
}

/** Whether anything was said in a marking, so that dropping it loses something. */
export const holdsWords = ({ kind, measured, note, photoIds, somewhere }: Marking): boolean =>
  kind !== null || measured || note !== '' || photoIds.length > 0 || somewhere !== null;

interface Drafts {
  byTree: Record<string, Marking>;
}

/** What is being marked stays on this device until it is set or laid aside, whatever happens to the page. */
export const useDrafts = create<Drafts>()(
  persist((): Drafts => ({ byTree: {} }), { name: 'mortisect-drafts', version: 1 }),
);

export function keepDraft(treeId: string, marking: Marking | null): void {
  useDrafts.setState(({ byTree: { [treeId]: _before, ...rest } }) => ({
    byTree: marking ? { ...rest, [treeId]: marking } : rest,
  }));
}
