// How long did the cuts of closed runs take?
import { pacesFrom, type Timed, type Tool, type WorkPace } from '../handling/index';
import type { Action } from '../records/index';
import { standingActions } from './done';
import { bladesOf } from './run';

/** A gap of more than so many times the estimate, and so many minutes, is a break that nobody wrote down. Common practice, no source. */
const BREAK_TIMES = 6;
const BREAK_MINUTES = 10;
const MINUTE_MS = 60_000;

/**
 * Each cut is timed from what the same person did before it on the same tree; time for which the run was paused does not count, nor does a run
 * that is still open.
 *
 * @param actions in any order
 * @returns by kind of tool, everybody together first, then each person
 */
export function workPaces(actions: readonly Action[], kit: readonly Tool[]): WorkPace[] {
  return pacesFrom(timedCuts(actions, kit));
}

function timedCuts(actions: readonly Action[], kit: readonly Tool[]): Timed[] {
  const kindOf = new Map(bladesOf(kit).map(({ id, tool }) => [id, tool.kind]));
  const closed: Timed[] = [];
  let open: { timed: Timed[]; pausedMs: number; pausedAt: number | null } | null = null;
  const last = new Map<string, { at: number; treeId: string; pausedMs: number }>();
  for (const { action, by } of standingActions(actions)) {
    const at = Date.parse(action.at);
    if (action.kind === 'runStarted') {
      open ??= { timed: [], pausedMs: 0, pausedAt: null };
      continue;
    }
    if (!open) continue;
    if (action.kind === 'runClosed') {
      closed.push(...open.timed);
      open = null;
      last.clear();
    } else if (action.kind === 'runPaused') open.pausedAt ??= at;
    else if (action.kind === 'runResumed') {
      if (open.pausedAt !== null) open.pausedMs += at - open.pausedAt;
      open.pausedAt = null;
    } else if ('treeId' in action) {
      const before = last.get(by);
      const kind = action.kind === 'cutMade' ? kindOf.get(action.blade) : undefined;
      const estimate = action.kind === 'cutMade' ? (action.cut.estimatedMinutes ?? 0) : 0;
      if (before?.treeId === action.treeId && kind && estimate > 0) {
        const actual = (at - before.at - (open.pausedMs - before.pausedMs)) / MINUTE_MS;
        if (actual > 0 && actual <= estimate * BREAK_TIMES + BREAK_MINUTES)
          open.timed.push({ by, kind, actual, estimate });
      }
      last.set(by, { at, treeId: action.treeId, pausedMs: open.pausedMs });
    }
  }
  return closed;
}
