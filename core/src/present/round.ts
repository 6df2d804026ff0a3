// Where does the round stand? Read from what was done, on the server and on a phone that is away from it.

import type { Action, ActionBody, ActionOf, PartSeen, TreeSummary } from '../records/index';
import { byTag } from '../register/index';
import { standingActions } from './done';

export interface RoundEntry {
  state: 'sound' | 'found' | 'partly' | 'skipped';
  seen: PartSeen | null;
  reason: string;
  at: string;
  by: string;
  actionId: string;
}

export interface OpenRound {
  id: string;
  startedAt: string;
  by: string;
  paused: boolean;
  order: ActionOf<'roundStarted'>['order'];
  plotIds: string[];
  /** By tree; what was not seen stays open as `partly`. */
  entries: Map<string, RoundEntry>;
}

export const roundKinds = [
  'roundStarted',
  'roundPaused',
  'roundResumed',
  'roundClosed',
  'treeSeen',
  'treeSkipped',
] as const;
export function isOfRound(action: ActionBody): boolean {
  return (roundKinds as readonly string[]).includes(action.kind);
}

/**
 * The round that is open, from actions in any order; null when none is. A start while one is open joins it, so that two phones
 * that both began share one round.
 */
export function openRound(actions: readonly Action[]): OpenRound | null {
  const done = standingActions(actions).filter((standing) => isOfRound(standing.action));
  let round: OpenRound | null = null;
  for (const { id, action, by } of done) {
    if (action.kind === 'roundStarted') {
      round ??= {
        id,
        startedAt: action.at,
        by,
        paused: false,
        order: action.order,
        plotIds: action.plotIds,
        entries: new Map(),
      };
    } else if (round) {
      if (action.kind === 'roundClosed') round = null;
      else step(round, id, action, by);
    }
  }
  return round;
}

function step(round: OpenRound, actionId: string, action: ActionBody, by: string): void {
  if (action.kind === 'roundPaused') round.paused = true;
  if (action.kind === 'roundResumed') round.paused = false;
  if (action.kind === 'treeSeen') {
    const whole = action.seen === 'all round';
    const state = !whole ? 'partly' : action.verdict;
    round.entries.set(action.treeId, { state, seen: action.seen, reason: '', at: action.at, by, actionId });
  }
  if (action.kind === 'treeSkipped') {
    const { at, reason, treeId } = action;
    round.entries.set(treeId, { state: 'skipped', seen: null, reason, at, by, actionId });
  }
}

export interface Queue {
  /** All trees of the round in walking order. */
  trees: TreeSummary[];
  done: number;
  partly: number;
  skipped: number;
  /** The tree to go to: the first after the last one visited that is not done; skipped ones come at the end. */
  next: TreeSummary | null;
}

/** @param trees in serpentine order, as the server lists them */
export function queueOf(
  round: Pick<OpenRound, 'order' | 'plotIds' | 'entries'>,
  trees: readonly TreeSummary[],
): Queue {
  const inRound = trees.filter(
    (tree) =>
      tree.status !== 'removed' && (round.plotIds.length === 0 || round.plotIds.includes(tree.plotId)),
  );
  const walked = round.order === 'tag' ? [...inRound].sort(byTag) : inRound;
  const stateOf = (tree: TreeSummary) => round.entries.get(tree.id)?.state;
  const count = (...states: RoundEntry['state'][]) =>
    walked.filter((tree) => states.includes(stateOf(tree) as RoundEntry['state'])).length;
  let lastAt = '';
  let last = -1;
  walked.forEach((tree, i) => {
    const at = round.entries.get(tree.id)?.at ?? '';
    if (at > lastAt) [lastAt, last] = [at, i];
  });
  const from = [...walked.slice(last + 1), ...walked.slice(0, last + 1)];
  const next =
    from.find((tree) => stateOf(tree) === undefined) ??
    from.find((tree) => stateOf(tree) === 'partly') ??
    from.find((tree) => stateOf(tree) === 'skipped') ??
    null;
  return {
    trees: walked,
    done: count('sound', 'found'),
    partly: count('partly'),
    skipped: count('skipped'),
    next,
  };
}
