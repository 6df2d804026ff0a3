// What is asked of the days, and what is answered.
import { z } from 'zod';
import { moment } from '../measure/index';
import { FreezeEvent, phases, type SeenStage, StageDay, type Stages } from '../stage/index';
import { DayOfWeather, type Ground, grounds, type Series } from '../weather/index';
import { BloomDay, Strike } from './bloom';
import type { CutKind } from './factors';
import { type LaneId, livingLanes } from './lanes';
import { type PathogenCode, pathogenCodes } from './pathogens';
import { timingSchools } from './schoolNames';
import { Factors } from './score';
import type { TimingSettings } from './settings';
import { blocks, DryWindow } from './windows';

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

const score = z
  .tuple([z.number(), z.number(), z.number()])
  .describe('index: a tenth of draws below, middle, nine tenths below');
const share = z.number().min(0).max(1);
const hour = z.number().int().describe('hours since 1970-01-01T00:00Z');
const figures = z.array(z.number().nullable());

/** Why a half-day is not better than it is. */
const Reason = z.enum([
  ...blocks,
  'risk',
  'severe frost',
  'bloom of a blight host',
  'outside the school',
  'short dry spell',
  'no weather',
]);
export type Reason = z.infer<typeof Reason>;

export const Cell = z.object({
  day: z.iso.date(),
  half: z.enum(['morning', 'afternoon']),
  cutHour: hour.describe('at which the wound of its index is made'),
  verdict: z.enum(verdicts),
  why: Reason.nullable(),
  score,
  infection: share,
  chances: z
    .partialRecord(z.enum(pathogenCodes), share)
    .describe('of infection by pathogen at the middle of the constants'),
  factors: Factors,
  stage: z.string(),
  phase: z.enum(phases),
  inSchool: z.boolean(),
});
export type Cell = z.infer<typeof Cell>;

export const TimingWindow = DryWindow.extend({
  verdict: z.enum(['go', 'possible']),
  dryH: z.number().describe('hours without rain from its beginning, as far as is known'),
  score,
});
export type TimingWindow = z.infer<typeof TimingWindow>;

export const Bloom = z.object({ day: z.iso.date(), from: z.iso.date(), to: z.iso.date() });

export const GroupTiming = z.object({
  key: z.string(),
  species: z.string(),
  lane: z.enum(livingLanes),
  school: z.enum(timingSchools),
  stage: StageDay.nullable(),
  bloom: Bloom.nullable(),
  hardinessC: z.number().nullable(),
  lowestC: z.number().describe('of the frost days from now on, usual or forecast, °C'),
  cells: z.array(Cell),
  windows: z.array(TimingWindow),
  freezes: z.array(FreezeEvent),
});
export type GroupTiming = z.infer<typeof GroupTiming>;

export const SiteTiming = z.object({
  now: moment,
  fromHour: hour.describe('first hour of the columns'),
  knownToHour: hour,
  temperatureC: figures,
  humidityPct: figures,
  rainMm: figures,
  windMs: figures,
  living: z
    .array(z.array(z.enum(blocks)))
    .describe('why an hour will not do for living wood, by the rule of the site'),
  least: z.array(z.array(z.enum(blocks))).describe('the same by the least that a wound asks for'),
  dead: z.array(z.array(z.enum(blocks))),
  ground: z.array(z.enum(grounds)),
  days: z.array(DayOfWeather),
  groups: z.array(GroupTiming),
  deadCells: z.array(Cell.pick({ day: true, half: true, verdict: true, why: true })),
  deadWindows: z.array(DryWindow),
  blight: z.array(
    z.object({ key: z.string(), species: z.string(), days: z.array(BloomDay), strikes: z.array(Strike) }),
  ),
});
export type SiteTiming = z.infer<typeof SiteTiming>;

export interface Staged {
  stages: Stages;
  byDay: ReadonlyMap<string, number>;
  bloom: GroupTiming['bloom'];
  freezes: FreezeEvent[];
}
