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
  /** @param about steps about the same thing, as the moves of a drag are, join into one */
  change(limbs: Limb[], about?: string): void;
  undo: (() => void) | null;
  redo: (() => void) | null;
}

export function useMapHistory(first: Limb[]): MapHistory {
  const [history, setHistory] = useState<History>({ past: [], now: first, future: [], about: null });
  const { past, now, future } = history;
  return {
    limbs: now,
    changed: past.length > 0,
    change: (limbs, about) =>
      setHistory((before) => {
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
