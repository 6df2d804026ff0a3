// A limb map while it is drawn, with undo and redo. Moves of one drag count as one step.
import type { Limb } from '@mortisect/core/tree';
import { useState } from 'react';

interface History {
  past: Limb[][];
  now: Limb[];
  future: Limb[][];
  /** What the last step was about; the same again joins it. */
  about: string | null;
}

const MOST = 100;

export interface MapHistory {
  limbs: Limb[];
  changed: boolean;
  /** Something was changed, though it may have been undone: what arrives meanwhile is not drawn. */
  begun: boolean;
  /** @param about steps about the same thing, as the moves of a drag are, join into one */
  change(limbs: Limb[], about?: string): void;
  undo: (() => void) | null;
  redo: (() => void) | null;
  /** It goes on from a map that was left half done. */
  isLeft: boolean;
  /** Back to what is on record; what was drawn is gone. */
  forget(): void;
}

/**
 * @param newest the limbs as they are on record by now
 * @param left as somebody left them half done; null where nobody did
 */
export function useMapHistory(newest: Limb[], left: Limb[] | null = null): MapHistory {
  const [isLeft, setLeft] = useState(left !== null);
  const [history, setHistory] = useState<History | null>(
    left && { past: [newest], now: left, future: [], about: null },
  );
  const unchanged: History = { past: [], now: newest, future: [], about: null };
  const { past, now, future } = history ?? unchanged;
  return {
    limbs: now,
    changed: past.length > 0,
    begun: history !== null,
    isLeft,
    forget: () => {
      setHistory(null);
      setLeft(false);
    },
    change: (limbs, about) =>
      setHistory((known) => {
        const before = known ?? unchanged;
        const joins = about !== undefined && before.about === about;
        return {
          past: joins ? before.past : [...before.past, before.now].slice(-MOST),
          now: limbs,
          future: [],
          about: about ?? null,
        };
      }),
    undo:
      past.length === 0
        ? null
        : () =>
            setHistory({
              past: past.slice(0, -1),
              now: past.at(-1) as Limb[],
              future: [now, ...future],
              about: null,
            }),
    redo:
      future.length === 0
        ? null
        : () =>
            setHistory({
              past: [...past, now],
              now: future[0] as Limb[],
              future: future.slice(1),
              about: null,
            }),
  };
}
