// Trees that were changed here since the server last said how they stand in its lists: until then this device says it.
import { create } from 'zustand';

interface Touched {
  /** When the server took the last change, by tree. */
  at: ReadonlyMap<string, number>;
  touch(treeIds: readonly string[]): void;
  /** What was asked for at that time or later has all that was taken before. */
  readSince(began: number): void;
}

export const useTouched = create<Touched>((set) => ({
  at: new Map(),
  touch: (treeIds) =>
    set(({ at }) =>
      treeIds.length === 0 ? {} : { at: new Map([...at, ...treeIds.map((id) => [id, Date.now()] as const)]) },
    ),
  readSince: (began) =>
    set(({ at }) => {
      const left = [...at].filter(([, touchedAt]) => touchedAt >= began);
      return left.length === at.size ? {} : { at: new Map(left) };
    }),
}));
