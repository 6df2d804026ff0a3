// Days on the wire: what the weather says of every kind of wood, of one tree, and of the year.

import { localDay } from '@mortisect/core/measure';
import { USUAL_CUT } from '@mortisect/core/present';
import { moment, RecordId, SpeciesCode, TimeZone, TreeId, weatherSources } from '@mortisect/core/records';
import { refusing } from '@mortisect/core/refusal';
import { FreezeEvent, SeenStage, StageDay } from '@mortisect/core/stage';
import {
  Bloom,
  blocks,
  Curves,
  GroupTiming,
  LEAST_KNOWN,
  pathogenCodes,
  protectantStates,
  Season,
  SiteTiming,
  startingTimingSettings,
  TimingSettings,
} from '@mortisect/core/timing';
import { columns, hoursUpTo, Series, WeatherHour } from '@mortisect/core/weather';
import { z } from 'zod';

const band = z
  .tuple([z.number(), z.number(), z.number()])
  .describe('a tenth below, middle, nine tenths below');
const hour = z.number().int().describe('hours since 1970-01-01T00:00Z');
const share = z.number().min(0).max(1);
const day = localDay;
/** Where the weather of a site comes from, and how far it reaches. */
export const StationState = z.object({
  source: z.enum(weatherSources),
  simulated: z.boolean().describe('no instrument measured it'),
  name: z.string(),
  observedTo: moment.nullable(),
  forecastTo: moment.nullable(),
  missingHours: z.number().int().describe('hours of the last thirty days without a temperature'),
  pastYears: z.number().int().describe('whole past years that outlook and schools are taken from'),
  pastYearsSimulated: z.boolean(),
});
export type StationState = z.infer<typeof StationState>;

/** Everything a site needs to know of the next ten days. */
export const TimingNow = z
  .object({
    now: moment,
    station: StationState,
    timing: SiteTiming.omit({ now: true }).nullable().describe('null where no weather is known'),
    stages: z
      .array(
        z.object({
          species: z.string(),
          stage: StageDay.nullable(),
          bloom: Bloom.nullable(),
        }),
      )
      .describe('what the calendar and the weather say of each species'),
    groupOf: z.record(TreeId, z.string()).describe('group of each tree'),
    seen: z
      .array(
        z.object({
          actionId: RecordId,
          species: z.string(),
          cultivar: z.string().nullable(),
          stage: z.string(),
          day,
          by: z.string(),
        }),
      )
      .describe('stages that somebody saw this year, the latest first'),
    protectants: z.array(
      z.object({
        actionId: RecordId,
        product: z.string(),
        label: z.string(),
        species: z.array(z.string()),
        at: moment,
        state: z.enum(protectantStates),
        rainMm: z.number(),
        washedHour: hour.nullable(),
        unknownHours: z.number(),
        greenTissue: z.array(z.string()).describe('species that showed green when it was put on'),
      }),
    ),
  })
  .meta({ id: 'TimingNow' });
export type TimingNow = z.infer<typeof TimingNow>;

export const CutQuery = z.object({
  mm: z.coerce.number().min(1).max(2000).default(USUAL_CUT.mm).describe('largest cut, mm'),
  crownShare: z.coerce.number().min(0).max(1).default(USUAL_CUT.crownShare),
  at: z.iso
    .datetime({ offset: true })
    .optional()
    .describe('moment of the cut whose curves are wanted; the best half-day where missing'),
});

export const TreeTiming = z
  .object({ now: moment, station: StationState, group: GroupTiming, curves: Curves })
  .meta({ id: 'TreeTiming' });
export type TreeTiming = z.infer<typeof TreeTiming>;

export const SeasonShape = Season.extend({ yearsSimulated: z.boolean() }).meta({ id: 'SeasonAnswer' });
export type SeasonAnswer = z.infer<typeof SeasonShape>;

/** What an import of weather found, before or after it was taken. */
export const WeatherImportReport = z
  .object({
    columns: z.array(z.string()),
    mapping: z.record(z.string(), z.string()),
    sample: z.array(z.record(z.string(), z.string())),
    hours: z.number().int(),
    from: moment.nullable(),
    to: moment.nullable(),
    fresh: z.number().int().describe('hours that are not on record yet'),
    same: z.number().int(),
    differing: z.number().int().describe('hours on record with other values'),
    refused: z.array(z.object({ line: z.number().int(), message: z.string() })),
    refusedCount: z.number().int(),
    faults: z.array(
      z.object({
        kind: z.string(),
        from: moment,
        to: moment,
        column: z.enum(columns).nullable(),
        line: z.number().int().nullable(),
        words: z.string(),
        repair: z.string().nullable(),
        mended: z.boolean(),
      }),
    ),
    faultCount: z.number().int(),
    written: z.number().int(),
  })
  .meta({ id: 'WeatherImportReport' });
export type WeatherImportReport = z.infer<typeof WeatherImportReport>;

export const PushBody = z
  .strictObject({
    kind: z.enum(['observed', 'forecast']).default('observed'),
    hours: z.array(WeatherHour).min(1).max(20_000),
  })
  .meta({ id: 'PushedHours' });

export const Station = z.object({
  id: RecordId,
  name: z.string(),
  createdAt: moment,
  heardAt: moment.nullable(),
});

const place = {
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180).default(0),
  timeZone: TimeZone.default('UTC'),
};
/** Of less than this share of the hours nothing can be told that rests on them. */
const LEAST_MEASURED = 0.5;
type Measured = 'temperatureC' | 'rainMm';
const WITHOUT = { temperatureC: 'hoursWithoutTemperature', rainMm: 'hoursWithoutRain' } as const;

/** Hours of which at least half tell what is asked of them. */
const hoursWith = (...asked: Measured[]) =>
  asked.reduce(
    (hours, column) =>
      hours.refine(
        (given) => given.filter((hour) => hour[column] !== null).length >= LEAST_MEASURED * given.length,
        refusing(WITHOUT[column]),
      ),
    hoursUpTo(24),
  );

export const StageInput = z
  .strictObject({
    ...place,
    species: SpeciesCode,
    hours: hoursWith('temperatureC').describe(
      'from 1 October (north) or 1 April (south) on, for a whole season',
    ),
    offsetDays: z.number().min(-40).max(40).default(0),
    seen: z.array(SeenStage).max(20).default([]),
  })
  .meta({ id: 'StageInput' });
export const StageResult = z.object({ days: z.array(StageDay.extend({ hardinessC: z.number() })) });

export const FreezeInput = StageInput.meta({ id: 'FreezeInput' });
export const FreezeResult = z.object({
  events: z.array(FreezeEvent),
  unknownDays: z.array(day).describe('days of the record of which too few hours are known to see a frost'),
});

const load = z.number().min(0).max(4);
export const WoundRiskInput = z
  .strictObject({
    ...place,
    hours: hoursWith('temperatureC').describe('through which the wounds heal'),
    cuts: z.array(moment).min(1).max(400),
    loads: z.partialRecord(z.enum(pathogenCodes), load).describe('host times what is nearby'),
    seed: z.number().int().min(0).default(1),
    draws: z.number().int().min(0).max(500).default(200),
  })
  .meta({ id: 'WoundRiskInput' });
export const WoundRiskResult = z.object({
  cuts: z.array(
    z.object({
      at: moment,
      known: share.describe('share of the time the wound stays open whose temperature and rain are known'),
      infection: share.nullable().describe(`null where less than ${LEAST_KNOWN} of that time is known`),
      infectionBand: band.nullable(),
      pathogens: z.partialRecord(
        z.enum(pathogenCodes),
        z.object({
          atLeast: share.describe('chance by the hours that are known'),
          known: share,
          lambda: z.number().nullable(),
          chance: share.nullable(),
        }),
      ),
    }),
  ),
});

export const WindowsInput = z
  .strictObject({
    ...place,
    hours: hoursUpTo(2, 5000),
    dryBeforeH: z.number().int().min(0).max(96).default(24),
    dryAfterH: z.number().int().min(0).max(120).default(48),
    climbWindMs: z.number().min(2).max(20).default(10),
    leastC: z.number().min(-25).max(5).default(-6),
  })
  .meta({ id: 'WindowsInput' });
export const WindowsResult = z.object({
  windows: z.array(z.object({ from: moment, to: moment, lightHours: z.number() })),
  blocked: z.array(z.object({ at: moment, why: z.array(z.enum(blocks)) })),
});

export const SeasonInputBody = z
  .strictObject({
    ...place,
    species: SpeciesCode,
    hours: hoursWith('temperatureC', 'rainMm').describe('whole past years'),
    loads: z.partialRecord(z.enum(pathogenCodes), load),
    settings: TimingSettings.default(startingTimingSettings()),
    mm: z.number().min(1).max(2000).default(USUAL_CUT.mm),
    crownShare: share.default(USUAL_CUT.crownShare),
  })
  .meta({ id: 'SeasonOfSchoolsInput' });

export const WeatherSeries = z.object({
  station: StationState,
  observed: Series,
  forecast: Series.nullable(),
});
