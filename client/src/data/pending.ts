// The orchard as it will stand once the outbox is empty: what the server said, with what waits here laid over it.

import { isOfRound, undoneIds, withStates } from '@mortisect/core/present';
import type { Action, ActionBody, Finding, TreeDetail, TreeSummary } from '@mortisect/core/records';
import type { Answer } from './api';
import type { OutboxItem } from './outbox';

interface Here {
  /** Who works on this device. */
  person: string;
  now: string;
}

/** Writes of one route among what waits; refused ones are not laid over: the server will not have them. */
function waiting<R extends OutboxItem['route']>(items: readonly OutboxItem[], route: R): OutboxItem<R>[] {
  return items.filter(
    (item) => item.route === route && item.state !== 'refused',
  ) as unknown as OutboxItem<R>[];
}

export function pendingActions(items: readonly OutboxItem[], { person, now }: Here): Action[] {
  return waiting(items, 'putAction').map(({ input }) => ({
    id: input.params.actionId,
    // Inputs may leave out what has a default; the app fills everything in
    action: input.body as ActionBody,
    undone: false,
    by: person,
    receivedAt: now,
  }));
}

/** Actions with those that wait added once, and undone where an undo waits. */
export function withActions(actions: readonly Action[], pending: readonly Action[]): Action[] {
  const known = new Set(actions.map((one) => one.id));
  const all = [...actions, ...pending.filter((one) => !known.has(one.id))];
  const undone = undoneIds(all);
  return all.map((one) => (undone.has(one.id) && !one.undone ? { ...one, undone: true } : one));
}

export function withPending(detail: TreeDetail, items: readonly OutboxItem[], here: Here): TreeDetail {
  const { id } = detail.tree;
  const own = items.filter((item) => treeOf(item, detail) === id);
  if (own.length === 0) return detail;
  const maps = waiting(own, 'putLimbs');
  const limbs = maps.at(-1)?.input.body;
  const jobs = new Map(detail.jobs.map((job) => [job.id, job]));
  for (const { input } of waiting(own, 'putJob')) {
    const before = jobs.get(input.params.jobId);
    jobs.set(input.params.jobId, {
      ...input.body.job,
      id: input.params.jobId,
      revision: revisionAfter(input.body.baseRevision, before),
      by: here.person,
      receivedAt: here.now,
    });
  }
  const actions = withActions(detail.actions, pendingActions(own, here));
  const tree = waiting(own, 'putTree').at(-1)?.input.body.tree;
  return {
    ...detail,
    tree: { ...detail.tree, ...tree },
    ...(limbs && { limbs: limbs.limbs, surveyedAt: limbs.surveyedAt }),
    ...(limbs && { limbsRevision: revisionAfter(limbs.baseRevision, { revision: detail.limbsRevision }) }),
    findings: withStates(findingsWith(detail.findings, own, here), actions),
    actions,
    jobs: [...jobs.values()],
  };
}

/** The revision that a write makes: one after what it was made on, also where the server has it by now. */
function revisionAfter(base: number | null, before: { revision: number } | undefined): number {
  return Math.max(before?.revision ?? 0, (base ?? 0) + 1);
}

/** An undo names only what it takes back; it belongs to the tree that has it. */
function treeOf(item: OutboxItem, detail: TreeDetail): string | null {
  if (item.route === 'putLimbs' || item.route === 'putTree') {
    return (item as unknown as OutboxItem<'putTree'>).input.params.treeId;
  }
  if (item.route === 'putFinding')
    return (item as unknown as OutboxItem<'putFinding'>).input.body.finding.treeId;
  if (item.route === 'putJob') return (item as unknown as OutboxItem<'putJob'>).input.body.job.treeId;
  if (item.route !== 'putAction') return null;
  const action = (item as unknown as OutboxItem<'putAction'>).input.body;
  if ('treeId' in action) return action.treeId;
  // What it takes back may itself still wait: then every tree looks, and only its own has it
  return action.kind === 'undone' ? detail.tree.id : null;
}

function findingsWith(findings: readonly Finding[], own: readonly OutboxItem[], here: Here): Finding[] {
  const byId = new Map(findings.map((finding) => [finding.id, finding]));
  for (const { input } of waiting(own, 'putFinding')) {
    const { findingId } = input.params;
    const before = byId.get(findingId);
    byId.set(findingId, {
      ...before,
      // Inputs may leave out what has a default; the form fills everything in
      ...(input.body.finding as Finding),
      id: findingId,
      state: before?.state ?? 'open',
      revision: revisionAfter(input.body.baseRevision, before),
      by: here.person,
      receivedAt: before?.receivedAt ?? here.now,
    });
  }
  return [...byId.values()];
}

/**
 * The open work with what waits laid over it.
 *
 * @param known trees on this device: one whose first finding waits here, or whose cut is taken back here, is not in the server's list
 * @param walk ids of all trees in walking order, so that such a tree comes where it stands
 */
export function openWorkWith(
  work: Answer<'getOpenWork'>,
  known: readonly TreeDetail[],
  walk: readonly string[],
  items: readonly OutboxItem[],
  here: Here,
): Answer<'getOpenWork'> {
  if (items.length === 0) return work;
  const pending = pendingActions(items, here);
  const listed = new Set(work.trees.map((detail) => detail.tree.id));
  const added = known.filter((detail) => !listed.has(detail.tree.id));
  const placeOf = new Map(walk.map((id, place) => [id, place]));
  const place = (detail: TreeDetail) => placeOf.get(detail.tree.id) ?? walk.length;
  return {
    trees: [...work.trees, ...added]
      .map((detail) => withPending(detail, items, here))
      .filter((detail) => detail.findings.some((finding) => finding.state === 'open'))
      .sort((a, b) => place(a) - place(b)),
    latestActions: withActions(work.latestActions, pending)
      .filter(({ action }) => !isOfRound(action))
      .sort((a, b) => Date.parse(b.action.at) - Date.parse(a.action.at)),
  };
}

/** The register with new and changed trees that wait, and the findings that wait counted in. */
export function treesWith(answer: Answer<'getTrees'>, items: readonly OutboxItem[]): Answer<'getTrees'> {
  const changed = new Map(
    waiting(items, 'putTree').map(({ input }) => [input.params.treeId, input.body.tree]),
  );
  const found = new Map<string, number>();
  for (const { input } of waiting(items, 'putFinding')) {
    const { baseRevision, finding } = input.body;
    if (baseRevision === null && !finding.withdrawn)
      found.set(finding.treeId, (found.get(finding.treeId) ?? 0) + 1);
  }
  if (changed.size === 0 && found.size === 0) return answer;
  const trees: TreeSummary[] = answer.trees.map((tree) => ({
    ...tree,
    ...(changed.get(tree.id) as Partial<TreeSummary> | undefined),
    openFindings: tree.openFindings + (found.get(tree.id) ?? 0),
  }));
  return { ...answer, trees };
}
