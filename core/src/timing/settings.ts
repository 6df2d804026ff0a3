// What a site goes by when it picks days: rules of the dry window, limits of safe work, schools, weights. All of it can be set.
import { z } from 'zod';
import { timingSchools } from './schoolNames';

/** Kinds of wood that are cut by one rule. */
export const laneIds = ['pome', 'plum', 'peach', 'other', 'dead'] as const;
export type LaneId = (typeof laneIds)[number];
export const livingLanes = ['pome', 'plum', 'peach', 'other'] as const;

const share = z.number().min(0).max(1);

export const TimingSettings = z
  .strictObject({
    dryBeforeH: z
      .number()
      .int()
      .min(0)
      .max(96)
      .describe('no rain for so long before, so that bark is dry, h'),
    dryAfterH: z.number().int().min(0).max(120).describe('no rain for so long after the cut, h'),
    climbWindMs: z.number().min(2).max(20).describe('no work in a tree above this mean wind, m/s'),
    leastC: z.number().min(-25).max(5).describe('no cuts below, °C: frozen wood splits'),
    stopDay: z
      .string()
      .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'Write it as month and day: 07-31.')
      .describe('last day of summer cuts, month and day as in the north; half a year off in the south'),
    goodBelow: z.number().min(1).max(99).describe('index below which a day is good'),
    waitAbove: z.number().min(2).max(100).describe('index above which it is better to wait'),
    heavyRainMm: z
      .number()
      .min(1)
      .max(200)
      .describe('rain within four days that washes a protectant off, mm'),
    school: z.record(z.enum(livingLanes), z.enum(timingSchools)),
    weights: z.strictObject({
      cold: share.describe('frost after the cut'),
      heat: share.describe('sun scorch'),
      slip: share.describe('bark slips'),
      late: share.describe('after the stop date'),
      buds: share.describe('flower buds knocked off'),
      growth: share.describe('shoots in answer'),
    }),
  })
  .meta({ id: 'TimingSettings' });
export type TimingSettings = z.infer<typeof TimingSettings>;

/** Common practice; weights of cold, heat, slip and late are a proposal without a source, those of buds and growth ours. */
export function startingTimingSettings(): TimingSettings {
  return {
    dryBeforeH: 24,
    dryAfterH: 48,
    climbWindMs: 10,
    leastC: -6,
    stopDay: '07-31',
    goodBelow: 15,
    waitAbove: 35,
    heavyRainMm: 25,
    school: { pome: 'full dormancy', plum: 'after fruit set', peach: 'bloom', other: 'late dormancy' },
    weights: { cold: 0.5, heat: 0.2, slip: 0.1, late: 0.3, buds: 0.05, growth: 0.01 },
  };
}
