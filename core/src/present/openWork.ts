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
  const changed = new Set([...changes.gone, ...changes.trees.map(({ tree }) => tree.id)]);
  const trees = [...before.trees.filter(({ tree }) => !changed.has(tree.id)), ...changes.trees];
  return { ...changes, whole: true, gone: [], trees: inWalkingOrder(trees, walk) };
}

/** Trees that the walk does not know come last. @param walk ids of all trees in walking order */
export function inWalkingOrder<T extends { tree: { id: string } }>(
  trees: readonly T[],
  walk: readonly string[],
): T[] {
  const placeOf = new Map(walk.map((id, place) => [id, place]));
  const place = ({ tree }: T) => placeOf.get(tree.id) ?? walk.length;
  return trees.toSorted((a, b) => place(a) - place(b));
}
