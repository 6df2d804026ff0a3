// What was ticked while a run is closed down, by run: while lists are read anew the page may be drawn again, and nobody counts blades twice for it.
import { create } from 'zustand';

interface Ticked {
  runId: string | null;
  blades: ReadonlySet<string>;
  points: ReadonlySet<string>;
}

const NOTHING: ReadonlySet<string> = new Set();

const useStore = create<Ticked>(() => ({ runId: null, blades: NOTHING, points: NOTHING }));

/** Blades that were counted back in and points that were looked at, for this run. */
export function useTicked(runId: string) {
  const ticked = useStore();
  const own = ticked.runId === runId ? ticked : { blades: NOTHING, points: NOTHING };
  return {
    blades: own.blades,
    points: own.points,
    tick: (more: Partial<Pick<Ticked, 'blades' | 'points'>>) => {
      const { blades, points } = own;
      useStore.setState({ blades, points, ...more, runId });
    },
  };
}
