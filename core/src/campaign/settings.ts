// What the site has its season reckon with: points for wounds, for what waits, and for what is done beside plans.
import { z } from 'zod';
import { COMMON_PRACTICE, setting } from '../settings/index';

const points = (most: number, start: number) => z.number().min(0).max(most).default(start);
const LOW = { ...COMMON_PRACTICE, confidence: 'low' } as const;

export const SeasonSettings = z
  .strictObject({
    woundPoints: setting(points(5, 0.25), {
      label: 'woundOfHundredAtIndexOne',
      unit: 'points',
      ...COMMON_PRACTICE,
    }),
    minutesCost: setting(z.boolean().default(false), { label: 'minutesCostPointsToo', ...COMMON_PRACTICE }),
    lateDays: setting(z.number().int().min(0).max(90).default(28), {
      ...{ label: 'lateAndStillWorthItFor', unit: 'days', hint: 'zeroNeverLate' },
      ...COMMON_PRACTICE,
    }),
    lookPoints: setting(points(50, 3), {
      label: 'toLookAtACutInItsTime',
      unit: 'points',
      ...COMMON_PRACTICE,
    }),
    jobPoints: setting(points(50, 2), { label: 'aJobByItsDay', unit: 'points', ...COMMON_PRACTICE }),
    jobLateShare: setting(z.number().min(0).max(1).default(0.5), {
      ...{ label: 'whatAJobBringsLate', unit: '%', percent: true },
      ...COMMON_PRACTICE,
    }),
    blightCmAWeek: setting(z.number().min(0).max(50).default(3), {
      ...{ label: 'fireBlightRunsAWeek', unit: 'cm', hint: 'inFullGrowthLessWhereItIsCooler' },
      ...LOW,
    }),
    cankerCmAWeek: setting(z.number().min(0).max(10).default(0.3), {
      ...{ label: 'otherCankersRunAWeek', unit: 'cm', hint: 'inFullGrowthLessWhereItIsCooler' },
      ...LOW,
    }),
    blightPoints: setting(points(100, 5), {
      ...{ label: 'aBlightCankerLeftIntoBloom', unit: 'points', hint: 'forEachHostInBloomNearby' },
      ...LOW,
    }),
    blightWithinM: setting(z.number().min(1).max(500).default(30), {
      ...{ label: 'hostsInBloomWithin', unit: 'm' },
      ...LOW,
    }),
    breakShare: setting(z.number().min(0).max(1).default(0.1), {
      ...{
        label: 'damagedWoodBreaksUnderCrop',
        unit: '%',
        percent: true,
        hint: 'timesWhatThePlanGivesForIt',
      },
      ...LOW,
    }),
    shootPoints: setting(points(5, 0.05), {
      ...{ label: 'aShootThatNoSummerCutTakes', unit: 'points' },
      ...COMMON_PRACTICE,
    }),
  })
  .meta({ id: 'SeasonSettings' });
export type SeasonSettings = z.infer<typeof SeasonSettings>;
export const startingSeason = (): SeasonSettings => SeasonSettings.parse({});
