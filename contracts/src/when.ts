// Days on the wire: what the weather says of every kind of wood, of one tree, and of the year.

import { localDay } from '@mortisect/core/measure';
import { USUAL_CUT } from '@mortisect/core/present';
import { moment, RecordId, TreeId, weatherSources } from '@mortisect/core/records';
import { StageDay } from '@mortisect/core/stage';
import { Bloom, Curves, GroupTiming, protectantStates, Season, SiteTiming } from '@mortisect/core/timing';
import { columns, Series, WeatherHour } from '@mortisect/core/weather';
import { z } from 'zod';

export const band = z
  .tuple([z.number(), z.number(), z.number()])
  .describe('a tenth below, middle, nine tenths below');
const hour = z.number().int().describe('hours since 1970-01-01T00:00Z');
export const share = z.number().min(0).max(1);
export const day = localDay;
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
    treesOf: z.record(z.string(), z.array(TreeId)).describe('trees of each group, by its key'),
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

export const WeatherSeries = z.object({
  station: StationState,
  observed: Series,
  forecast: Series.nullable(),
});
