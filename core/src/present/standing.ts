// The tree as it stands: its limb map after the cuts that were made, and the findings on wood that is still there.
import { type FindingForCut, stillStands, treeAfter } from '../cuts/index';
import type { Action, ActionOf, Finding, FindingKind, TreeDetail } from '../records/index';
import type { Kerf, Limb } from '../tree/index';
import { regrown } from './regrowth';

/** A finding as the core reads it, the kind the caretaker gave it, and whether wet bacteria were seen on it. */
export type Considered = FindingForCut & { kind?: FindingKind | undefined; ooze?: boolean | undefined };

type Map = Pick<TreeDetail, 'limbs' | 'limbsRevision' | 'surveyedAt'>;

/** The limbs of the map, and the shoots that came at cuts since it was drawn. */
export function grownLimbs(map: Map & Pick<TreeDetail, 'actions'>): Limb[] {
  const shoots = regrown(map);
  return shoots.length === 0 ? map.limbs : [...map.limbs, ...shoots.map(({ limb }) => limb)];
}

/** Limbs after the cuts made since the map was drawn; earlier ones are drawn in it. */
export function standingLimbs({ actions, ...map }: Map & Pick<TreeDetail, 'actions'>): Limb[] {
  const madeKerfs: Kerf[] = actions.flatMap(({ action, undone }) =>
    action.kind === 'cutMade' && !undone && isSince(action, map) ? [action.cut] : [],
  );
  return treeAfter(grownLimbs({ ...map, actions }), madeKerfs);
}

/** Whoever cut by this map cut after it was drawn, whatever the clocks say; of a cut by an earlier map the clocks decide. */
export function isSince({ at, onMap }: ActionOf<'cutMade'>, { limbsRevision, surveyedAt }: Map): boolean {
  return (onMap ?? 0) >= limbsRevision || Date.parse(at) > Date.parse(surveyedAt);
}

/** Open findings on wood that still stands. */
export function standingFindings({ findings }: TreeDetail, limbs: Limb[]): Finding[] {
  return findings.filter((finding) => finding.state === 'open' && stillStands(limbs, finding));
}

/** The question about a finding that nobody has answered; its cut is held until somebody does. */
export function openQuestion(actions: readonly Action[], findingId: string) {
  const answered = new Set(
    actions.flatMap(({ action, undone }) => (action.kind === 'answered' && !undone ? [action.askedId] : [])),
  );
  for (const { id, action, undone, by } of actions) {
    if (action.kind === 'asked' && !undone && action.findingId === findingId && !answered.has(id)) {
      return { id, by, ...action };
    }
  }
  return null;
}

/** The clearance that was set by hand for a finding, cm; null where the school’s holds. */
export function clearanceByHand(actions: readonly Action[], findingId: string): number | null {
  const last = actions.findLast(
    ({ action, undone }) => !undone && action.kind === 'clearanceSet' && action.findingId === findingId,
  );
  return last?.action.kind === 'clearanceSet' ? last.action.clearanceCm : null;
}

type Marked = Pick<
  Finding,
  | 'id'
  | 'limbId'
  | 'fromCm'
  | 'toCm'
  | 'disorder'
  | 'edge'
  | 'growthRapid'
  | 'place'
  | 'activity'
  | 'measured'
> & { kind?: FindingKind | undefined; signs?: Finding['signs'] | undefined };

/** A finding, on record or only being marked, as the position rule reads it. */
export function forCut(finding: Marked, actions: readonly Action[]): Considered {
  const { id, limbId, fromCm, toCm, disorder, edge, growthRapid, place, activity, kind, measured, signs } =
    finding;
  const clearanceCm = clearanceByHand(actions, id);
  return {
    id,
    limbId,
    fromCm,
    toCm,
    disorder,
    edge,
    growthRapid,
    place,
    measured,
    healed: activity === 'healed',
    held: openQuestion(actions, id) !== null,
    ...(clearanceCm !== null && { clearanceCm }),
    kind,
    ooze: signs?.BK_OOZE === 'present',
  };
}
