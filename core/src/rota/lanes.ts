// When each kind of wood has its season: what the weeks of everybody are seen against.
import type { LaneId } from '../timing/index';
import { type RotaGroup, spanOf } from './asked';

interface Days {
  from: string;
  to: string;
}

export interface LaneSeason {
  lane: LaneId;
  species: string[];
  /** Of the school that the site goes by, from the first day of any of its trees to the last of any. */
  school: Days;
  /** When shoots are cut in summer; null where the school is that, or nothing is told. */
  summer: Days | null;
}

/** In the order of the groups; kinds that have no season ahead are left out. */
export function laneSeasons(groups: readonly RotaGroup[], today: string): LaneSeason[] {
  const lanes = new Map<LaneId, LaneSeason>();
  for (const group of groups) {
    const school = spanOf(group, group.school, today);
    if (!school) continue;
    const isSummer = group.school === 'after fruit set';
    const summer = isSummer ? null : spanOf(group, 'after fruit set', today);
    const known = lanes.get(group.lane);
    lanes.set(group.lane, {
      lane: group.lane,
      species: [...new Set([...(known?.species ?? []), group.species])],
      school: known ? widest(known.school, school) : school,
      summer: known?.summer && summer ? widest(known.summer, summer) : (known?.summer ?? summer),
    });
  }
  return [...lanes.values()];
}

const widest = (one: Days, other: Days): Days => ({
  from: one.from < other.from ? one.from : other.from,
  to: one.to > other.to ? one.to : other.to,
});
