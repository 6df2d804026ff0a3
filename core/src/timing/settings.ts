// What a site goes by when it picks days: rules of the dry window, limits of safe work, schools, weights. All of it can be set.

import { z } from 'zod';
import { refusing } from '../refusal/index';
import { COMMON_PRACTICE, setting } from '../settings/index';
import { laneNames, type livingLanes } from './lanes';
import { schoolWords, timingSchools } from './schoolNames';

const weight = (label: string) => setting(z.number().min(0).max(1), { label, ...COMMON_PRACTICE });
const schoolChoices = Object.fromEntries(
  timingSchools.map((school) => [school, schoolWords[school].nameAndWhen]),
);
const school = (lane: (typeof livingLanes)[number]) =>
  setting(z.enum(timingSchools), { label: laneNames[lane], choices: schoolChoices });

export const TimingSchools = z.strictObject({
  pome: school('pome'),
  plum: school('plum'),
  peach: school('peach'),
  other: school('other'),
});

/** What stands against a day beside the chance of infection: how much of a day that is well each takes at its worst. */
export const TimingWeights = z.strictObject({
  cold: weight('frostAfterTheCut'),
  heat: weight('sunScorch'),
  slip: weight('barkSlips'),
  late: weight('afterTheStopDate'),
  buds: weight('flowerBudsKnockedOff'),
  growth: weight('strongRegrowth'),
});

export const TimingSettings = z
  .strictObject({
    dryAfterH: setting(z.number().int().min(0).max(120).describe('no rain for so long after the cut, h'), {
      label: 'dryAfterTheCut',
      unit: 'h',
      offered: [24, 48, 72],
      hint: 'dryAfterTheCut24To72',
      ...COMMON_PRACTICE,
    }),
    dryBeforeH: setting(
      z.number().int().min(0).max(96).describe('no rain for so long before, so that bark is dry, h'),
      { label: 'dryBefore', unit: 'h', ...COMMON_PRACTICE },
    ),
    climbWindMs: setting(z.number().min(2).max(20).describe('no work in a tree above this mean wind, m/s'), {
      label: 'noClimbingAbove',
      unit: 'm/s',
      ...COMMON_PRACTICE,
    }),
    leastC: setting(z.number().min(-25).max(5).describe('no cuts below, °C: frozen wood splits'), {
      label: 'noCutsBelow',
      unit: '°C',
      ...COMMON_PRACTICE,
    }),
    stopDay: setting(
      z
        .string()
        .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, refusing('noMonthAndDay'))
        .describe('last day of summer cuts, month and day as in the north; half a year off in the south'),
      { label: 'stopDateAsInTheNorth', hint: 'monthDay0731', ...COMMON_PRACTICE },
    ),
    goodBelow: setting(z.number().min(1).max(99).describe('index below which a day is good'), {
      label: 'goodBelowAnIndexOf',
      ...COMMON_PRACTICE,
    }),
    waitAbove: setting(z.number().min(2).max(100).describe('index above which it is better to wait'), {
      label: 'waitAbove',
      ...COMMON_PRACTICE,
    }),
    heavyRainMm: setting(
      z.number().min(1).max(200).describe('rain within four days that washes a protectant off, mm'),
      { label: 'heavyRainWashesAProtectantOff', unit: 'mm', ...COMMON_PRACTICE },
    ),
    school: TimingSchools,
    weights: TimingWeights,
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
