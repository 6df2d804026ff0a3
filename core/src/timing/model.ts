// What is asked of the days.
import type { FreezeEvent, SeenStage, Stages } from '../stage/index';
import type { Ground, Series } from '../weather/index';
import type { CutKind } from './factors';
import type { LaneId } from './lanes';
import type { PathogenCode } from './pathogens';
import type { TimingSettings } from './settings';
import type { GroupTiming } from './shapes';

/** Trees that one answer holds for. */
export interface TreeGroup {
  key: string;
  species: string;
  lane: Exclude<LaneId, 'dead'>;
  /** Days that the cultivar blooms after the usual. */
  offsetDays: number;
  /** Stages that were seen on it. */
  seen: readonly SeenStage[];
  /** Weight of each pathogen: how good a host, times what is nearby. Missing: none. */
  loads: Partial<Record<PathogenCode, number>>;
  cut: CutKind;
}

export interface TimingInput {
  now: string;
  place: { latitude: number; longitude: number; timeZone: string };
  /** Measured, then forecast; from 1 October (north) of the season before the last one on, where it is known. */
  known: Series;
  /** Past years, hourly; null where there are none. */
  years: Series | null;
  settings: TimingSettings;
  groups: readonly TreeGroup[];
  groundSaid: { state: Ground; untilHour: number } | null;
  seed: number;
  /** Draws of what is uncertain; 200 where missing. */
  draws?: number;
}

export interface Staged {
  stages: Stages;
  byDay: ReadonlyMap<string, number>;
  bloom: GroupTiming['bloom'];
  freezes: FreezeEvent[];
}
