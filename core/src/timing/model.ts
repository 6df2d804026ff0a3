// What is asked of the days, and what is answered.
import type { FreezeEvent, SeenStage, StageDay, Stages } from '../stage/index';
import type { DayOfWeather, Ground, Series } from '../weather/index';
import type { BloomDay, Strike } from './bloom';
import type { CutKind } from './factors';
import type { PathogenCode } from './pathogens';
import type { TimingSchool } from './schoolNames';
import type { Factors } from './score';
import type { LaneId, TimingSettings } from './settings';
import type { Block, DryWindow } from './windows';

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

export const verdicts = ['go', 'possible', 'wait'] as const;
export type Verdict = (typeof verdicts)[number];
/** Why a half-day is not better than it is. */
export type Reason =
  | Block
  | 'risk'
  | 'severe frost'
  | 'bloom of a blight host'
  | 'outside the school'
  | 'short dry spell'
  | 'no weather';

export interface Cell {
  day: string;
  half: 'morning' | 'afternoon';
  /** Hour at which the wound of its index is made. */
  cutHour: number;
  verdict: Verdict;
  why: Reason | null;
  /** Index: a tenth of draws below, middle, nine tenths below. */
  score: [low: number, middle: number, high: number];
  infection: number;
  /** Chance of infection by pathogen at the middle of the constants. */
  chances: Partial<Record<PathogenCode, number>>;
  factors: Factors;
  stage: string;
  phase: StageDay['phase'];
  inSchool: boolean;
}

export interface TimingWindow extends DryWindow {
  verdict: Exclude<Verdict, 'wait'>;
  /** Hours without rain from its beginning, as far as is known. */
  dryH: number;
  score: [number, number, number];
}

export interface GroupTiming {
  key: string;
  species: string;
  lane: TreeGroup['lane'];
  school: TimingSchool;
  stage: StageDay | null;
  bloom: { day: string; from: string; to: string } | null;
  hardinessC: number | null;
  /** Lowest of the frost days from now on, usual or forecast, °C. */
  lowestC: number;
  cells: Cell[];
  windows: TimingWindow[];
  freezes: FreezeEvent[];
}

export interface SiteTiming {
  now: string;
  /** First hour of the columns below. */
  fromHour: number;
  temperatureC: (number | null)[];
  humidityPct: (number | null)[];
  rainMm: (number | null)[];
  windMs: (number | null)[];
  /** Why an hour will not do: for living wood by the rule of the site, by the least, and for dead wood. */
  living: Block[][];
  least: Block[][];
  dead: Block[][];
  ground: Ground[];
  days: DayOfWeather[];
  groups: GroupTiming[];
  deadCells: Pick<Cell, 'day' | 'half' | 'verdict' | 'why'>[];
  deadWindows: DryWindow[];
  blight: { key: string; species: string; days: BloomDay[]; strikes: Strike[] }[];
  knownToHour: number;
}

export interface Staged {
  stages: Stages;
  byDay: ReadonlyMap<string, number>;
  bloom: GroupTiming['bloom'];
  freezes: FreezeEvent[];
}
