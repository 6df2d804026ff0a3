// The blade for the next cut, and the cleanings that the cuts ahead will ask for.

import {
  agentOf,
  type BladeState,
  cleaningSeconds,
  dirtyBecause,
  stateAfter,
  UNKNOWN,
  type WayOut,
  waysOut,
} from '../blades/index';
import type { Blade, BladeLog, SiteToday } from '../present/index';
import { aheadOf, type RunItem } from './work';

/** Blades of the kind that the cut was planned with; where it names none, all of them. */
export function fitting(blades: readonly Blade[], { handling }: RunItem): Blade[] {
  const ofKind = blades.filter(({ tool }) => tool.id === handling.wielded?.toolId);
  return ofKind.length > 0 ? ofKind : [...blades];
}

export function waysFor(
  item: RunItem,
  blades: readonly Blade[],
  logs: ReadonlyMap<string, BladeLog>,
  inHand: string | null,
  { season, site }: SiteToday,
): WayOut[] {
  const states = blades.flatMap(({ id }) => {
    const log = logs.get(id);
    return log ? [{ id, state: log.state }] : [];
  });
  return waysOut(states, inHand ?? blades[0]?.id ?? '', aheadOf(item), {
    season,
    school: site.schools.cleaning,
    cleanSeconds: cleaningSeconds(agentOf(site.agentId)),
  });
}

/** The one in hand; else one that may cut, one that is wet already, the first. */
export function bladeFor(
  blades: readonly Blade[],
  ways: readonly WayOut[],
  logs: ReadonlyMap<string, BladeLog>,
  inHand: string | null,
): Blade | null {
  const chosen = blades.find(({ id }) => id === inHand);
  if (chosen) return chosen;
  const ready = ways.find((way) => way.how === 'take');
  return (
    blades.find(({ id }) => id === ready?.bladeId) ??
    blades.find(({ id }) => logs.get(id)?.state.is === 'wet') ??
    blades[0] ??
    null
  );
}

/** Cleanings that the cuts still to make will ask for, by the rule of the site, with one blade of each kind. */
export function cleaningsAhead(left: readonly RunItem[], { season, site }: SiteToday): number {
  const states = new Map<string, BladeState>();
  let cleanings = 0;
  for (const item of left) {
    const tool = item.handling.wielded?.toolId ?? '';
    let state = states.get(tool) ?? UNKNOWN;
    if (dirtyBecause(state, aheadOf(item), season, site.schools.cleaning) !== null) {
      cleanings++;
      state = stateAfter(state, { kind: 'cleaned' });
    }
    const { treeId, disorders } = aheadOf(item);
    states.set(tool, stateAfter(state, { kind: 'cut', treeId, disorders: [...disorders] }));
  }
  return cleanings;
}

/** Of one tree, coming to it included. */
export function cleaningsOn(items: readonly RunItem[]): number {
  return Math.max(1, items.filter((item) => item.wood === 'infected').length);
}
