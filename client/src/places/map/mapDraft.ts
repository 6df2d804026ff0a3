// A limb map that somebody left half done: kept on this device until it is saved or thrown away.
import type { Aiming, Survey } from '@mortisect/core/survey';
import type { ClockLimb, Limb } from '@mortisect/core/tree';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';

/** Where a survey and an aiming begin: about as far away as a tree is high, plus two steps; the eyes of a grown-up. Common practice, no source. */
export const AWAY_STARTS_CM = 500;
export const EYE_STARTS_CM = 165;

export interface MapDraft {
  /** The map on record that it was begun on. */
  baseRevision: number;
  limbs: Limb[];
}

/** Main limbs tapped on the clock, and about how many shoots stand on each. */
export interface ClockDraft {
  limbs: (ClockLimb & { id: string })[];
  shootsEach: number;
}

interface Drafts {
  clocks: Record<string, ClockDraft>;
  maps: Record<string, MapDraft>;
  surveys: Record<string, SurveyDraft>;
  aimings: Record<string, Aiming>;
}

export interface SurveyDraft extends Survey {
  /** Counts the photos that were taken, so that each is shown once it is kept. */
  taken: number;
  /** For each photo the tree that a simulated camera drew it from. */
  simulatedOf: (string | null)[];
}

export const useMapDrafts = create<Drafts>()(
  persist((): Drafts => ({ clocks: {}, maps: {}, surveys: {}, aimings: {} }), {
    name: 'mortisect-maps',
    version: 1,
  }),
);

type Kept = { [K in keyof Drafts]: Drafts[K][string] };

/** Keeps what was done so far of a tree’s map, or forgets it. */
export function keepMapDraft<K extends keyof Drafts>(kind: K, treeId: string, draft: Kept[K] | null): void {
  useMapDrafts.setState((drafts) => {
    const { [treeId]: _before, ...rest } = drafts[kind] as Record<string, Kept[K]>;
    return { [kind]: draft ? { ...rest, [treeId]: draft } : rest } as Partial<Drafts>;
  });
}

export function forgetMapDrafts(treeId: string): void {
  for (const kind of ['clocks', 'maps', 'surveys', 'aimings'] as const) keepMapDraft(kind, treeId, null);
}
