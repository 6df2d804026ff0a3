// The tree as it stands: its limb map after the cuts that were made, and the findings on wood that is still there.
import { type FindingForCut, stillStands, treeAfter } from '../cuts/index';
import type { Action, ActionOf, Finding, FindingKind, TreeDetail } from '../records/index';
import { bundleParts } from '../shaping/index';
import { type Kerf, type Limb, partBundles, type Some } from '../tree/index';
import { regrown } from './regrowth';

/** A finding as the core reads it, the kind the caretaker gave it, and whether wet bacteria were seen on it. */
export type Considered = FindingForCut & { kind?: FindingKind | undefined; ooze?: boolean | undefined };

type Map = Pick<TreeDetail, 'limbs' | 'limbsRevision' | 'surveyedAt'>;
type Spoken = Pick<TreeDetail, 'actions'> & Partial<Pick<TreeDetail, 'findings'>>;

/** The limbs of the map, each bundle as those that go first and those that may stay, and the shoots that came at cuts since it was drawn. */
export function grownLimbs(map: Map & Spoken): Limb[] {
  const parted = partedLimbs(map);
  const shoots = regrown(map);
  return shoots.length === 0 ? parted : [...parted, ...shoots.map(({ limb }) => limb)];
}

function partedLimbs(map: Map & Spoken): Limb[] {
  if (!map.limbs.some(({ bundle }) => bundle)) return map.limbs;
  const parts = bundleParts(map.limbs);
  return partBundles(map.limbs, ({ id }) => {
    const some = parts.get(id) ?? [];
    return isSpokenOf(id, some, map) ? [] : some;
  });
}

/** Does a finding or a deed name a limb? Then its bundle stays one; where only deeds do, unless they name its parts too. */
function isSpokenOf(id: string, parts: readonly Some[], { actions, findings = [] }: Spoken): boolean {
  const named = (text: string, limbId: string) =>
    new RegExp(`["+: ]${limbId.replace(/\W/g, '\\$&')}["+ ]`).test(text);
  if (named(JSON.stringify(findings), id)) return true;
  const deeds = JSON.stringify(actions.filter(({ undone }) => !undone));
  return named(deeds, id) && !parts.some(({ which }) => named(deeds, `${id}~${which}`));
}

/** Limbs after the cuts made since the map was drawn; earlier ones are drawn in it. */
export function standingLimbs({ actions, ...map }: Map & Spoken): Limb[] {
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
