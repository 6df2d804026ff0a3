// Days on the wire: what the weather says of every kind of wood, of one tree, and of the year.

import { USUAL_CUT } from '@mortisect/core/present';
import { moment, RecordId, SpeciesCode, TimeZone, TreeId, weatherSources } from '@mortisect/core/records';
import { freezeKinds, phases, SeenStage, woodInjuries } from '@mortisect/core/stage';
import {
  blocks,
  bloomRisks,
  LEAST_KNOWN,
  livingLanes,
  pathogenCodes,
  protectantStates,
  startingTimingSettings,
  TimingSettings,
  timingSchools,
  verdicts,
} from '@mortisect/core/timing';
import { columns, grounds, Series, WeatherHour } from '@mortisect/core/weather';
import { z } from 'zod';

const band = z
  .tuple([z.number(), z.number(), z.number()])
  .describe('a tenth below, middle, nine tenths below');
const hour = z.number().int().describe('hours since 1970-01-01T00:00Z');
const share = z.number().min(0).max(1);
const day = z.iso.date();
const block = z.enum(blocks);
const reason = z.enum([
  ...blocks,
  'risk',
  'severe frost',
  'bloom of a blight host',
  'outside the school',
  'short dry spell',
  'no weather',
]);

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

const StageShape = z.object({
  day,
  phase: z.enum(phases),
  stage: z.string(),
  share: z.number(),
  chillShare: z.number(),
  portions: z.number(),
  utah: z.number(),
  chillHours: z.number(),
  warmth: z.number().describe('growing degree hours since the end of rest, °C·h'),
  degreeDays: z
    .number()
    .describe('above 6.1 °C since 1 January (1 July in the south), single sine from daily values'),
  basis: z.enum(['weather', 'calendar', 'seen']),
});

const FactorsShape = z.object({
  cold: share,
  heat: share,
  slip: share,
  late: share,
  buds: share,
  growth: share,
});

const CellShape = z.object({
  day,
  half: z.enum(['morning', 'afternoon']),
  cutHour: hour,
  verdict: z.enum(verdicts),
  why: reason.nullable(),
  score: band,
  infection: share,
  chances: z.partialRecord(z.enum(pathogenCodes), share),
  factors: FactorsShape,
  stage: z.string(),
  phase: z.enum(phases),
  inSchool: z.boolean(),
});

const WindowShape = z.object({ fromHour: hour, toHour: hour, lightHours: z.number() });
const TimingWindowShape = WindowShape.extend({
  verdict: z.enum(['go', 'possible']),
  dryH: z.number().describe('hours without rain from its beginning, as far as is known'),
  score: band,
});

const FreezeShape = z.object({
  day,
  kind: z.enum(freezeKinds),
  stage: z.string(),
  minC: z.number(),
  killed: band.nullable().describe('share of buds killed: least, likely, most'),
  belowC: z.number().nullable(),
  hardinessC: z.number().nullable(),
  injury: z.enum(woodInjuries).nullable(),
  lookFrom: day,
  limbsFrom: day.nullable(),
  treeFrom: day.nullable(),
});

const GroupShape = z.object({
  key: z.string(),
  species: z.string(),
  lane: z.enum(livingLanes),
  school: z.enum(timingSchools),
  stage: StageShape.nullable(),
  bloom: z.object({ day, from: day, to: day }).nullable(),
  hardinessC: z.number().nullable(),
  lowestC: z.number(),
  cells: z.array(CellShape),
  windows: z.array(TimingWindowShape),
  freezes: z.array(FreezeShape),
});

const StrikeShape = z.object({
  day,
  cause: z.enum(['infection', 'injury']),
  showFrom: day.nullable(),
  degreeDays: z.number(),
});

const BloomShape = z.object({
  day,
  flowersOpen: z.boolean(),
  heat: z.boolean(),
  wet: z.boolean(),
  warm: z.boolean(),
  degreeHours: z.number(),
  meanC: z.number(),
  rainMm: z.number(),
  doublings: z.number(),
  risk: z.enum(bloomRisks),
});

const values = z.array(z.number().nullable());
const ground = z.enum(grounds);

/** Everything a site needs to know of the next ten days. */
export const TimingNow = z
  .object({
    now: moment,
    station: StationState,
    timing: z
      .object({
        fromHour: hour,
        knownToHour: hour,
        temperatureC: values,
        humidityPct: values,
        rainMm: values,
        windMs: values,
        living: z.array(z.array(block)),
        least: z.array(z.array(block)),
        dead: z.array(z.array(block)),
        ground: z.array(ground),
        days: z.array(
          z.object({
            day,
            fromHour: hour,
            toHour: hour,
            minC: z.number().nullable(),
            maxC: z.number().nullable(),
            meanC: z.number().nullable(),
            rainMm: z.number().nullable(),
            wetHours: z.number(),
            maxWindMs: z.number().nullable(),
            known: z.number(),
          }),
        ),
        groups: z.array(GroupShape),
        deadCells: z.array(CellShape.pick({ day: true, half: true, verdict: true, why: true })),
        deadWindows: z.array(WindowShape),
        blight: z.array(
          z.object({
            key: z.string(),
            species: z.string(),
            days: z.array(BloomShape),
            strikes: z.array(StrikeShape),
          }),
        ),
      })
      .nullable()
      .describe('null where no weather is known'),
    stages: z
      .array(
        z.object({
          species: z.string(),
          stage: StageShape.nullable(),
          bloom: z.object({ day, from: day, to: day }).nullable(),
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

/** How a wound made at one moment lives through its weather. */
const CurvesShape = z.object({
  cutHour: hour,
  days: z.array(
    z.object({
      day,
      minC: z.number(),
      maxC: z.number(),
      hardinessC: z.number().nullable(),
      rainHours: z.number(),
      known: z.boolean().describe('forecast; past years stand in where false'),
    }),
  ),
  pathogens: z.array(
    z.object({
      code: z.enum(pathogenCodes),
      load: z.number().describe('host times what is nearby'),
      chance: share,
      chanceBand: band,
      consequence: share,
      susceptible: z.array(z.number()).describe('share of susceptibility left at the end of each day'),
      suitable: z.array(z.number()).describe('suitability of temperature in wet hours, mean of the day'),
      inoculum: z.array(z.number()),
      adds: z.array(z.number()).describe('what each day adds to the expected infections'),
    }),
  ),
});

export const TreeTiming = z
  .object({ now: moment, station: StationState, group: GroupShape, curves: CurvesShape })
  .meta({ id: 'TreeTiming' });
export type TreeTiming = z.infer<typeof TreeTiming>;

export const SeasonShape = z
  .object({
    years: z.number(),
    yearsSimulated: z.boolean(),
    weeks: z.array(
      z.object({ from: z.number(), score: band, dryShare: share, wetShare: share, meanC: z.number() }),
    ),
    schools: z.array(
      z.object({
        school: z.enum(timingSchools),
        score: band.nullable(),
        days: z.number(),
        dryDays: z.number(),
        from: z.number().nullable(),
        to: z.number().nullable(),
      }),
    ),
    months: z.array(
      z.object({
        month: z.number(),
        temperatureTerm: z.number(),
        rainShare: z.number(),
        inoculum: z.number(),
      }),
    ),
  })
  .meta({ id: 'SeasonAnswer' });
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
const inWords: Record<Measured, string> = { temperatureC: 'a temperature', rainMm: 'their rain' };

/** Hours of which at least half tell what is asked of them. */
const hoursWith = (...asked: Measured[]) =>
  asked.reduce(
    (hours, column) =>
      hours.refine(
        (given) => given.filter((hour) => hour[column] !== null).length >= LEAST_MEASURED * given.length,
        `Fewer than half of these hours have ${inWords[column]}: too little is known.`,
      ),
    z.array(WeatherHour).min(24).max(96_500),
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
export const StageResult = z.object({ days: z.array(StageShape.extend({ hardinessC: z.number() })) });

export const FreezeInput = StageInput.meta({ id: 'FreezeInput' });
export const FreezeResult = z.object({
  events: z.array(FreezeShape),
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
    hours: z.array(WeatherHour).min(2).max(5000),
    dryBeforeH: z.number().int().min(0).max(96).default(24),
    dryAfterH: z.number().int().min(0).max(120).default(48),
    climbWindMs: z.number().min(2).max(20).default(10),
    leastC: z.number().min(-25).max(5).default(-6),
  })
  .meta({ id: 'WindowsInput' });
export const WindowsResult = z.object({
  windows: z.array(z.object({ from: moment, to: moment, lightHours: z.number() })),
  blocked: z.array(z.object({ at: moment, why: z.array(block) })),
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
