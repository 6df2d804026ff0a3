// One card a step: which is due is read from the records, so that a reload, another phone or another day goes on at the same one.

import { type CleanWhy, carriesDisease, dirtyBecause, type WayOut, woodClass } from '../blades/index';
import { needsThreeCuts } from '../handling/index';
import type { Blade, BladeLog, OpenRun, SiteToday } from '../present/index';
import type { Action, ActionOf } from '../records/index';
import { aheadOf, type RunItem } from './work';

/** The cut that something is still to be done about. */
export interface AfterCut {
  cutId: string;
  cut: ActionOf<'cutMade'>;
}

export type Card =
  | { is: 'before' }
  | { is: 'paused'; at: string; by: string }
  | ({ is: 'read' } & AfterCut)
  | ({ is: 'stand back' } & AfterCut)
  | { is: 'stop'; why: CleanWhy; ways: WayOut[] }
  | { is: 'clean'; why: CleanWhy }
  | { is: 'wet'; until: string }
  | { is: 'go' }
  | { is: 'cut' }
  | { is: 'close' };

export interface Standing {
  open: OpenRun | null;
  item: RunItem | null;
  done: readonly Action[];
  logs: ReadonlyMap<string, BladeLog>;
  blade: Blade | null;
  ways: WayOut[];
  today: SiteToday;
  /** Somebody chose this blade by hand. */
  chosen: boolean;
}

/** One card a step. All of it is read from the records, so that a reload, another phone or another day goes on at the same card. */
export function cardOf({ open, item, done, logs, blade, ways, today, chosen }: Standing): Card {
  if (!open) return { is: 'before' };
  if (open.paused) return { is: 'paused', ...open.paused };
  const after = afterCut(done);
  if (after) return after;
  if (!item) return { is: 'close' };
  const state = (blade && logs.get(blade.id)?.state) ?? { is: 'unknown' as const };
  const { season, site } = today;
  const why = dirtyBecause(state, aheadOf(item), season, site.schools.cleaning);
  if (why && why !== 'still wet') {
    const stopped = chosen && carriesDisease(state, aheadOf(item), season, site.schools.cleaning);
    return stopped ? { is: 'stop', why, ways } : { is: 'clean', why };
  }
  const stands = done.findLast(({ action }) => action.kind === 'stationTaken')?.action;
  const there =
    stands?.kind === 'stationTaken' && stands.treeId === item.tree.id && stands.station === item.station;
  // The contact time runs on the way to the tree
  if (!there) return { is: 'go' };
  return state.is === 'wet' ? { is: 'wet', until: state.until } : { is: 'cut' };
}

/** What is still to be done about the last cut: the wood is read where it was ill, and after a big cut one steps back. */
function afterCut(done: readonly Action[]): Card | null {
  const at = done.findLastIndex(({ action }) => action.kind === 'cutMade');
  const last = done[at];
  if (last?.action.kind !== 'cutMade') return null;
  const cut = last.action;
  const did = (kind: 'woodRead' | 'stoodBack') =>
    done.slice(at + 1).some(({ action }) => action.kind === kind && action.cutId === last.id);
  if (woodClass(cut.disorders ?? []) !== 'sound' && !did('woodRead'))
    return { is: 'read', cutId: last.id, cut };
  if (isBig(cut) && !did('stoodBack')) return { is: 'stand back', cutId: last.id, cut };
  return null;
}

/** So thick or heavy that it took three strokes, held or not. */
function isBig({ cut }: ActionOf<'cutMade'>): boolean {
  return needsThreeCuts({ kerfMm: cut.diameterMm, kg: cut.massKg ?? 0, held: true });
}
