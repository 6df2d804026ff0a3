// What is told of the days, as plain data.
import { z } from 'zod';
import { pathogenCodes } from '../disorders/index';
import { moment } from '../measure/index';
import { FreezeEvent, phases, StageDay } from '../stage/index';
import { DayOfWeather, grounds } from '../weather/index';
import { livingLanes } from './lanes';
import { timingSchools } from './schoolNames';

export const verdicts = ['go', 'possible', 'wait'] as const;
export type Verdict = (typeof verdicts)[number];

const score = z
  .tuple([z.number(), z.number(), z.number()])
  .describe('index: a tenth of draws below, middle, nine tenths below');
const share = z.number().min(0).max(1);
const hour = z.number().int().describe('hours since 1970-01-01T00:00Z');
const figures = z.array(z.number().nullable());

export const blocks = [
  'dark',
  'rain',
  'bark wet',
  'rain coming',
  'wind',
  'frost',
  'snow',
  'mud',
  'not known',
] as const;
/** Why an hour will not do. */
export type Block = (typeof blocks)[number];

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

/** What besides infection makes a day better or worse, each 0 (nothing) to 1 (fully). */
export const Factors = z.object({
  cold: share,
  heat: share,
  slip: share,
  late: share,
  buds: share,
  growth: share,
});
export type Factors = z.infer<typeof Factors>;
export const factorNames = ['cold', 'heat', 'slip', 'late', 'buds', 'growth'] as const;

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

export const DryWindow = z.object({
  fromHour: z.number().int().describe('first hour since 1970'),
  toHour: z.number().int().describe('the hour after its last'),
  lightHours: z.number().describe('hours of daylight in it'),
});
export type DryWindow = z.infer<typeof DryWindow>;

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

export const bloomRisks = ['low', 'moderate', 'high', 'infection'] as const;
export type BloomRisk = (typeof bloomRisks)[number];

export const BloomDay = z.object({
  day: z.iso.date(),
  flowersOpen: z.boolean(),
  heat: z.boolean(),
  wet: z.boolean(),
  warm: z.boolean(),
  degreeHours: z.number().describe('above 18.3 °C within the life of a flower'),
  meanC: z.number(),
  rainMm: z.number(),
  doublings: z.number().describe('of the bacteria that day'),
  risk: z.enum(bloomRisks),
});
export type BloomDay = z.infer<typeof BloomDay>;

export const Strike = z.object({
  day: z.iso.date().describe('of infection or injury'),
  cause: z.enum(['infection', 'injury']),
  showFrom: z.iso.date().nullable().describe('first day on which strikes show; null beyond what is known'),
  degreeDays: z.number().describe('of 57.2 that have passed by the end of what is known'),
});
export type Strike = z.infer<typeof Strike>;

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

/** How a wound made at one moment lives through its weather. */
export const Curves = z.object({
  cutHour: z.number().int(),
  days: z.array(
    z.object({
      day: z.iso.date(),
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
      chanceBand: z.tuple([z.number(), z.number(), z.number()]),
      consequence: share,
      susceptible: z.array(z.number()).describe('share of susceptibility left at the end of each day'),
      suitable: z
        .array(z.number())
        .describe('suitability of temperature in wet hours, mean of the day; 0 where none is wet'),
      inoculum: z.array(z.number()),
      adds: z.array(z.number()).describe('what each day adds to the expected infections'),
    }),
  ),
});
export type Curves = z.infer<typeof Curves>;
const SeasonWeek = z.object({
  from: z.number().describe('first day of the week, day of the year 1..365'),
  score,
  dryShare: share.describe('of its days with hours that the school’s window rule lets be cut in'),
  wetShare: share.describe('of days with rain'),
  meanC: z.number(),
});
export type SeasonWeek = z.infer<typeof SeasonWeek>;

const SchoolSeason = z.object({
  school: z.enum(timingSchools),
  score: score.nullable().describe('on its days that had a window; null where no day ever did'),
  days: z.number().describe('in its season, mean of the years'),
  dryDays: z.number().describe('with a window, mean of the years'),
  from: z
    .number()
    .nullable()
    .describe('usual first day of the year of its season; null where it has none here'),
  to: z.number().nullable(),
});
export type SchoolSeason = z.infer<typeof SchoolSeason>;

/** What makes one month differ from another, each apart from the others. */
const SeasonMonth = z.object({
  month: z.number(),
  temperatureTerm: z
    .number()
    .describe(
      'expected infections of a cut on its middle day if rain were the same all year and inoculum full',
    ),
  rainShare: z.number().describe('of hours with rain'),
  inoculum: z.number(),
});
export type SeasonMonth = z.infer<typeof SeasonMonth>;

export const Season = z.object({
  years: z.number(),
  weeks: z.array(SeasonWeek),
  schools: z.array(SchoolSeason),
  bloom: z.object({
    first: z.number().nullable().describe('usual day of the year of the first flower; null: none was seen'),
    blightShare: z
      .number()
      .describe('of past years in which flowers could be infected by fire blight; 0 where it is no host'),
  }),
  months: z.array(SeasonMonth),
});
export type Season = z.infer<typeof Season>;
