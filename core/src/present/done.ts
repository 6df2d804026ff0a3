// What was done and not taken back, in the order it was done.
import type { Action } from '../records/index';

/** Undos that have not reached the server yet. */
export function undoneIds(actions: readonly Action[]): Set<string> {
  return new Set(actions.flatMap(({ action }) => (action.kind === 'undone' ? [action.actionId] : [])));
}

/** Oldest first; what was taken back, here or on the server, left out. */
export function standingActions(actions: readonly Action[]): Action[] {
  const undone = undoneIds(actions);
  return actions
    .filter((action) => action.action.kind !== 'undone' && !action.undone && !undone.has(action.id))
    .sort((a, b) => Date.parse(a.action.at) - Date.parse(b.action.at) || (a.id < b.id ? -1 : 1));
}
