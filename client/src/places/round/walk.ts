// The walk on this device: what part of a tree was seen, what was marked last, and where to go next.

import { type OpenRound, type Queue, queueOf } from '@mortisect/core/present';
import type { PartSeen } from '@mortisect/core/records';
import { told } from '@mortisect/words/trade';
import { useMemo } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { useRound, useTrees } from '../../data/queries';
import { useClock } from '../../data/useClock';
import { useSay } from '../../data/useSay';
import { useRecordAction } from '../../data/writes';

interface Walk {
  /** Remembered from tree to tree, so that “Mark sound” stays one tap. */
  seen: PartSeen;
  /** What was marked last, for its undo; on the next tree's screen. */
  last: { actionId: string; code: string; words: string } | null;
}

export const useWalk = create<Walk>()(
  persist((): Walk => ({ seen: 'all round', last: null }), { name: 'mortisect-walk', version: 1 }),
);

interface RoundHere {
  round: OpenRound | null;
  /** Without a round it is all trees. */
  queue: Queue | null;
  /** Whether a round is open is known; until then none is. */
  isRead: boolean;
  error: Error | null;
  refetch(): unknown;
}

/** The open round with its queue. */
export function useQueue(): RoundHere {
  const { round, data, error, refetch } = useRound();
  const trees = useTrees().data?.trees;
  const queue = useMemo(
    () => (trees ? queueOf(round ?? { order: 'serpentine', plotIds: [], entries: new Map() }, trees) : null),
    [round, trees],
  );
  return { round: round ?? null, queue, isRead: data !== undefined, error, refetch };
}

interface Seen {
  treeId: string;
  code: string;
  found: boolean;
}

/** Marks a tree as seen with what was seen of it; the tree after it in the queue is where to go. */
export function useMarkSeen() {
  const say = useSay();
  const clock = useClock();
  const { record, error, isPending } = useRecordAction();
  const seen = useWalk((walk) => walk.seen);
  const mark = ({ treeId, code, found }: Seen, onDone: () => void) => {
    const verdict = found ? 'found' : 'sound';
    const actionId = record({ kind: 'treeSeen', at: clock(), treeId, verdict, seen }, onDone);
    useWalk.setState({
      last: {
        actionId,
        code,
        words: found
          ? say('shared.seen2', { seen: told(say, seen) })
          : say('shared.markedSound2', { seen: told(say, seen) }),
      },
    });
  };
  const skip = (treeId: string, code: string, reason: string, onDone: () => void) => {
    const actionId = record({ kind: 'treeSkipped', at: clock(), treeId, reason }, onDone);
    useWalk.setState({ last: { actionId, code, words: 'skipped' } });
  };
  const undo = () => {
    const { last } = useWalk.getState();
    if (!last) return;
    record({ kind: 'undone', at: clock(), actionId: last.actionId });
    useWalk.setState({ last: null });
  };
  return { mark, skip, undo, seen, error, isPending };
}

/** The tree after this one that is still to be looked at; null at the end of the round. */
export function nextAfter(queue: Queue, round: OpenRound | null, treeId: string): string | null {
  const { trees } = queue;
  const at = trees.findIndex((tree) => tree.id === treeId);
  const rest = [...trees.slice(at + 1), ...trees.slice(0, Math.max(0, at))];
  const open = rest.find((tree) => !round?.entries.has(tree.id));
  if (open) return open.id;
  return rest.find((tree) => round?.entries.get(tree.id)?.state === 'partly')?.id ?? null;
}
