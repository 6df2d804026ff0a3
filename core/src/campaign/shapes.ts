// A season to be shared out: visits, the people and the days there are, and what each visit is worth when. As plain data, without a word about trees.
import { z } from 'zod';
import { localDay } from '../measure/index';
import { issueOf, refusal } from '../refusal/index';

/** What somebody must be able, or allowed, to do. */
export const skills = ['power saw', 'arborist'] as const;
export type Skill = (typeof skills)[number];
/** What a visit asks for: a skill, or something that a crew has with it. */
export const demands = [...skills, 'pole'] as const;
export type Demand = (typeof demands)[number];

const id = z.string().min(1).max(200);

/** A half-day of the forecast, or a week beyond it. */
export const CampaignSlot = z.strictObject({ id, from: localDay, to: localDay });
export type CampaignSlot = z.infer<typeof CampaignSlot>;

/** People who are alike in what they can do, carry and when they work. */
export const CampaignPool = z.strictObject({
  id,
  people: z.number().int().min(0).max(50),
  ladders: z.number().int().min(0).max(50).describe('so many of them can work on one at a time'),
  skills: z.array(z.enum(demands)).max(demands.length).describe('and what they have with them'),
  minutes: z.array(z.number().min(0).max(10_000)).describe('that one of them can work, one figure a slot'),
});
export type CampaignPool = z.infer<typeof CampaignPool>;

export const CampaignVisit = z.strictObject({
  id,
  plotId: id,
  minutes: z
    .number()
    .positive()
    .max(20_000)
    .describe('of work, with walking to the tree and cleaning after it'),
  ladder: z.boolean(),
  needs: z.array(z.enum(demands)).max(demands.length),
  worth: z
    .array(z.number().nullable())
    .describe('points when it is done in each slot; null: not in that one'),
  skip: z.number().describe('points when it is left until next year'),
  must: z
    .strictObject({ by: localDay, weight: z.number().positive().max(1000) })
    .nullable()
    .describe('cannot wait beyond that day; each day later weighs so much'),
  pin: z
    .strictObject({ slotId: id.nullable(), poolId: id.nullable() })
    .nullable()
    .describe('somebody said when, or who'),
});
export type CampaignVisit = z.infer<typeof CampaignVisit>;

/** Of a slot’s minutes so many are planned at most, and what it takes to begin in a plot. Common practice, no source. */
export const SAFETY_SHARE = 0.85;
export const PLOT_MINUTES = 10;

export const CampaignInput = z
  .strictObject({
    slots: z.array(CampaignSlot).min(1).max(80),
    pools: z.array(CampaignPool).max(20),
    visits: z.array(CampaignVisit).max(20_000),
    plotMinutes: z.number().min(0).max(240).default(PLOT_MINUTES),
    safety: z.number().gt(0).max(1).default(SAFETY_SHARE),
  })
  .superRefine(({ slots, pools, visits }, context) => {
    const unique = (part: 'slots' | 'pools' | 'visits', all: readonly { id: string }[]) => {
      const seen = new Set<string>();
      all.forEach(({ id }, i) => {
        if (seen.has(id)) context.addIssue(issueOf([part, i, 'id'], refusal('idTwice', { id })));
        seen.add(id);
      });
      return seen;
    };
    const [slotIds, poolIds] = [unique('slots', slots), unique('pools', pools)];
    unique('visits', visits);
    const one = (path: (string | number)[], figures: readonly unknown[]) => {
      if (figures.length !== slots.length)
        context.addIssue(issueOf(path, refusal('oneForEachSlot', { slots: slots.length })));
    };
    pools.forEach(({ minutes }, i) => {
      one(['pools', i, 'minutes'], minutes);
    });
    visits.forEach(({ worth, pin }, i) => {
      one(['visits', i, 'worth'], worth);
      if (pin?.slotId && !slotIds.has(pin.slotId))
        context.addIssue(issueOf(['visits', i, 'pin', 'slotId'], refusal('notListed', { id: pin.slotId })));
      if (pin?.poolId && !poolIds.has(pin.poolId))
        context.addIssue(issueOf(['visits', i, 'pin', 'poolId'], refusal('notListed', { id: pin.poolId })));
    });
  })
  .meta({ id: 'CampaignInput' });
export type CampaignInput = z.infer<typeof CampaignInput>;

/** Why a visit is left, the plainest reason first. */
export const leftBecause = [
  'nobody has the skill',
  'nobody has a ladder',
  'nobody has a pole',
  'no day of its own',
  'nobody works then',
  'longer than a slot',
  'better left',
  'others are worth more',
] as const;
export type LeftBecause = (typeof leftBecause)[number];

export const CampaignPlan = z
  .strictObject({
    done: z.array(z.strictObject({ visitId: z.string(), slotId: z.string(), poolId: z.string() })),
    left: z.array(
      z.strictObject({
        visitId: z.string(),
        because: z.enum(leftBecause),
        costs: z.number().describe('points that are lost against its best day'),
        must: z.boolean(),
        pinned: z.boolean(),
      }),
    ),
    slots: z.array(
      z.strictObject({
        slotId: z.string(),
        poolId: z.string(),
        needed: z.number().describe('minutes, with beginning in each plot'),
        workable: z.number().describe('minutes of all of them, safety taken off'),
        plots: z.number().int(),
      }),
    ),
    lateness: z.number().describe('days that musts are late, each by its weight'),
    points: z.number(),
    allLeft: z.number().describe('points when nothing is done'),
    bound: z.number().describe('points that no plan with as little lateness goes beyond'),
    gap: z.number().describe('0 where it is proved best'),
  })
  .meta({ id: 'CampaignPlan' });
export type CampaignPlan = z.infer<typeof CampaignPlan>;
