// The trees that have something open, kept up to date by what changed of them.
import type { Action, TreeDetail } from '../records/index';
import { asksForShape, showsWork } from '../shaping/index';

/** Trees with open findings, in walking order, and what was done lately. */
export interface OpenWork {
  trees: TreeDetail[];
  latestActions: Action[];
}

export interface OpenWorkChanges extends OpenWork {
  /** How far the history had come. */
  revision: string;
  /** All that is open; otherwise what changed since the revision that was asked about. */
  whole: boolean;
  /** Ids of trees that changed and have nothing open any more. */
  gone: string[];
}

/**
 * May a plan of this tree hold work: something was found on it, it is shaped, or shoots came that are not to stay? The server asks the same of
 * its tables.
 */
export function asksForWork({ tree, limbs, findings, actions }: TreeDetail, year: number): boolean {
  return (
    findings.some(({ state }) => state === 'open') ||
    asksForShape(tree, year) ||
    showsWork(limbs) ||
    actions.some(
      ({ action, undone }) =>
        !undone &&
        action.kind === 'recheckDone' &&
        action.stay !== undefined &&
        (action.shoots ?? 0) > action.stay,
    )
  );
}

/** @param walk ids of all trees in walking order */
export function withChanges<W extends OpenWork>(
  before: W,
  changes: OpenWorkChanges,
  walk: readonly string[],
): OpenWorkChanges {
  if (changes.whole) return changes;
  const trees = withChangedTrees(before.trees, changes);
  return { ...changes, whole: true, gone: [], trees: inWalkingOrder(trees, walk) };
}

/** Trees with those that changed in place of what they were, and without those that are gone; in no order. */
export function withChangedTrees<T extends { tree: { id: string } }>(
  before: readonly T[],
  { trees, gone }: { trees: readonly T[]; gone: readonly string[] },
): T[] {
  const changed = new Set([...gone, ...trees.map(({ tree }) => tree.id)]);
  return [...before.filter(({ tree }) => !changed.has(tree.id)), ...trees];
}

/** Trees that the walk does not know come last. @param walk ids of all trees in walking order */
export function inWalkingOrder<T extends { tree: { id: string } }>(
  trees: readonly T[],
  walk: readonly string[],
): T[] {
  const byId = new Map(trees.map((each) => [each.tree.id, each]));
  const walked: T[] = [];
  for (const id of walk) {
    const each = byId.get(id);
    if (each && byId.delete(id)) walked.push(each);
  }
  return [...walked, ...byId.values()];
}
