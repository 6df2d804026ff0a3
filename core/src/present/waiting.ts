// The orchard as it will stand once the server has what waits on a device: what the server said, with the lines to come laid over it by the same rules.
import type { Action, Finding, HistoryValue, Job, TreeDetail, TreeSummary } from '../records/index';
import { undoneIds } from './done';
import { withStates } from './findingState';
import { asksForWork, inWalkingOrder, type OpenWork } from './openWork';
import { isOfRound } from './round';

/** A record as it was written on a device: the line of the history that it will be. */
export interface Waiting {
  /** Of a limb map: the id of its tree. */
  recordId: string;
  /** The revision that it was made on; null for a new record, and for what has one revision only. */
  baseRevision: number | null;
  /** Of a limb map: when it was drawn. */
  at?: string;
  value: HistoryValue;
}

/** Who works on the device, and when. */
export interface Here {
  person: string;
  now: string;
}

export function actionsWaiting(waiting: readonly Waiting[], { person, now }: Here): Action[] {
  return waiting.flatMap(({ recordId: id, value }) =>
    value.kind === 'action' ? [{ id, action: value.action, undone: false, by: person, receivedAt: now }] : [],
  );
}

/** Actions with those that wait added once, and undone where an undo waits. */
export function withActions(actions: readonly Action[], added: readonly Action[]): Action[] {
  const knownIds = new Set(actions.map((action) => action.id));
  const all = [...actions, ...added.filter((action) => !knownIds.has(action.id))];
  const undone = undoneIds(all);
  return all.map((action) =>
    undone.has(action.id) && !action.undone ? { ...action, undone: true } : action,
  );
}

/** @returns the same object where nothing of this tree waits */
export function withWaiting(detail: TreeDetail, waiting: readonly Waiting[], here: Here): TreeDetail {
  const ofThisTree = ofTree(detail, waiting);
  if (ofThisTree.length === 0) return detail;
  const stamp = { by: here.person, receivedAt: here.now };
  const findings = new Map(detail.findings.map((finding) => [finding.id, finding]));
  const jobs = new Map(detail.jobs.map((job) => [job.id, job]));
  const after = { ...detail };
  for (const { recordId: id, baseRevision, at, value } of ofThisTree) {
    if (value.kind === 'tree') {
      const revision = revisionAfter(baseRevision, detail.tree);
      after.tree = { ...after.tree, ...value.tree, ...stamp, revision };
    }
    if (value.kind === 'limbs') {
      after.limbs = value.limbs;
      after.surveyedAt = at ?? here.now;
      after.limbsRevision = revisionAfter(baseRevision, { revision: detail.limbsRevision });
    }
    if (value.kind === 'finding') {
      const before = findings.get(id);
      const state = before?.state ?? ('open' as const);
      const revision = revisionAfter(baseRevision, before);
      findings.set(id, { ...before, ...value.finding, id, state, revision, ...stamp });
    }
    if (value.kind === 'job')
      jobs.set(id, { ...value.job, id, revision: revisionAfter(baseRevision, jobs.get(id)), ...stamp });
  }
  const actions = withActions(detail.actions, actionsWaiting(ofThisTree, here));
  return counted({
    ...after,
    findings: withStates([...findings.values()] as Finding[], actions),
    actions,
    jobs: [...jobs.values()] as Job[],
  });
}

/** The revision that a write makes: one after what it was made on, also where the server has it by now. */
function revisionAfter(base: number | null, before: { revision: number } | undefined): number {
  return Math.max(before?.revision ?? 0, (base ?? 0) + 1);
}

/** What is of this tree. An undo names only what it takes back, which may itself still wait: it belongs to the tree that has that. */
function ofTree({ tree, actions }: TreeDetail, waiting: readonly Waiting[]): Waiting[] {
  const done = new Set(actions.map(({ id }) => id));
  for (const item of waiting)
    if (item.value.kind === 'action' && treeOf(item) === tree.id) done.add(item.recordId);
  return waiting.filter(({ recordId, value }) =>
    value.kind === 'action' && value.action.kind === 'undone'
      ? done.has(value.action.actionId)
      : treeOf({ recordId, value }) === tree.id,
  );
}

function treeOf({ recordId, value }: Pick<Waiting, 'recordId' | 'value'>): string | null {
  switch (value.kind) {
    case 'tree':
    case 'limbs':
      return recordId;
    case 'finding':
      return value.finding.treeId;
    case 'job':
      return value.job.treeId;
    case 'action':
      return 'treeId' in value.action ? value.action.treeId : null;
    default:
      return null;
  }
}

/** What a tree tells of its records: how many findings are open, and when somebody last looked. */
function counted(detail: TreeDetail): TreeDetail {
  const openFindings = detail.findings.filter(({ state }) => state === 'open').length;
  let lastSeenAt: string | null = null;
  for (const { action, undone } of detail.actions) {
    if (action.kind !== 'treeSeen' || undone) continue;
    if (lastSeenAt === null || Date.parse(action.at) > Date.parse(lastSeenAt)) lastSeenAt = action.at;
  }
  return { ...detail, tree: { ...detail.tree, openFindings, lastSeenAt } };
}

/**
 * The open work with what waits laid over it.
 *
 * @param known trees on this device: one whose first finding waits here, or whose cut is taken back here, is not in the server's list
 * @param walk ids of all trees in walking order, so that such a tree comes where it stands
 */
export function openWorkWith<W extends OpenWork>(
  work: W,
  known: readonly TreeDetail[],
  walk: readonly string[],
  waiting: readonly Waiting[],
  here: Here,
): W {
  if (waiting.length === 0) return work;
  const listed = new Set(work.trees.map((detail) => detail.tree.id));
  const added = known.filter((detail) => !listed.has(detail.tree.id));
  const open = [...work.trees, ...added]
    .map((detail) => withWaiting(detail, waiting, here))
    .filter((detail) => asksForWork(detail, Number(here.now.slice(0, 4))));
  return {
    ...work,
    trees: inWalkingOrder(open, walk),
    latestActions: withLatest(work.latestActions, waiting, here),
  };
}

/** What was done lately, the latest first, with what waits; without what is of a round. */
export function withLatest(latest: readonly Action[], waiting: readonly Waiting[], here: Here): Action[] {
  return withActions(latest, actionsWaiting(waiting, here))
    .filter(({ action }) => !isOfRound(action))
    .sort((a, b) => Date.parse(b.action.at) - Date.parse(a.action.at));
}

/**
 * Ids of the trees that something which waits is of.
 *
 * @param treeOfAction of an action that is taken back; null where nobody knows
 */
export function treesWaiting(
  waiting: readonly Waiting[],
  treeOfAction: (actionId: string) => string | null,
): string[] {
  const trees = waiting.flatMap((item) => {
    const { value } = item;
    if (value.kind !== 'action' || value.action.kind !== 'undone') return treeOf(item) ?? [];
    const { actionId } = value.action;
    const taken = waiting.find(({ recordId }) => recordId === actionId);
    return (taken ? treeOf(taken) : treeOfAction(actionId)) ?? [];
  });
  return [...new Set(trees)];
}

/** The register with new and changed trees that wait, and the findings that wait counted in. */
export function treesWith<R extends { trees: TreeSummary[] }>(register: R, waiting: readonly Waiting[]): R {
  const changed = new Map<string, Partial<TreeSummary>>();
  const found = new Map<string, number>();
  for (const { recordId, baseRevision, value } of waiting) {
    if (value.kind === 'tree') changed.set(recordId, value.tree);
    if (value.kind !== 'finding' || baseRevision !== null || value.finding.withdrawn) continue;
    found.set(value.finding.treeId, (found.get(value.finding.treeId) ?? 0) + 1);
  }
  if (changed.size === 0 && found.size === 0) return register;
  const trees = register.trees.map((tree) => ({
    ...tree,
    ...changed.get(tree.id),
    openFindings: tree.openFindings + (found.get(tree.id) ?? 0),
  }));
  return { ...register, trees };
}
