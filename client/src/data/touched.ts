// Trees that were changed here: until a list that was asked for later has come, this device says how they stand.
import { create } from 'zustand';

interface Touched {
  /** When the server took the last change, ms, by tree. */
  at: ReadonlyMap<string, number>;
  touch(treeIds: readonly string[]): void;
}

export const useTouched = create<Touched>((set) => ({
  at: new Map(),
  touch: (treeIds) =>
    set(({ at }) =>
      treeIds.length === 0 ? {} : { at: new Map([...at, ...treeIds.map((id) => [id, Date.now()] as const)]) },
    ),
}));
