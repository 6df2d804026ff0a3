// What is computed of days from hours that somebody else has: input and answer of each.
import { USUAL_CUT } from '@mortisect/core/present';
import { moment, SpeciesCode, TimeZone } from '@mortisect/core/records';
import { refusing } from '@mortisect/core/refusal';
import { FreezeEvent, SeenStage, StageDay } from '@mortisect/core/stage';
import {
  blocks,
  LEAST_KNOWN,
  pathogenCodes,
  startingTimingSettings,
  TimingSettings,
} from '@mortisect/core/timing';
import { hoursUpTo } from '@mortisect/core/weather';
import { z } from 'zod';
import { band, day, share } from './when';

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
