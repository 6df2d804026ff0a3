// A plan as it is kept: as plain data, read without what plans.
import { z } from 'zod';
import { Cut } from '../cuts/index';
import { sides } from '../measure/index';
import { OrderResult } from './orderShape';
import { passes } from './passes';
import { TreePlan } from './treePlan';

/** Where the saw goes for a step, and what that comes to. */
const PricedCut = z.strictObject({
  cut: Cut,
  minutes: z.number().describe('of work at the cut'),
  plainMinutes: z.number().describe('the same before anybody’s own pace'),
  massKg: z.number().describe('of all that comes off'),
  ladder: z.boolean().describe('one stands on a ladder for it'),
  side: z.enum(sides).describe('of the tree, on which one stands'),
});

/** What a visit brings, the wounds that it makes, and what it asks for. */
export const VisitWorth = z.strictObject({
  points: z.number().describe('by which the plan is worse without its steps, minutes not counted'),
  woundCm2: z.number().describe('of the faces of all its cuts'),
  powerSaw: z.boolean().default(false).describe('one of its cuts is made with one'),
  pole: z.boolean().default(false).describe('one of its cuts is made with a tool on a pole'),
  waits: z
    .strictObject({
      blightPoint: z.number().describe('points that a further centimetre of its fire blight takes in crown'),
      cankerPoint: z.number().describe('the same of other cankers that run on'),
      cankers: z.number().int().describe('of active fire blight'),
      atRisk: z.number().describe('points given for damaged wood and narrow unions that it takes out'),
      shoots: z.number().int().describe('green shoots that it takes in summer'),
    })
    .nullable()
    .default(null)
    .describe('what loses by waiting; null: nothing'),
});
export type VisitWorth = z.infer<typeof VisitWorth>;

/** A visit of the plan after the one at hand. */
export const VisitAhead = VisitWorth.extend({
  season: z.number().int(),
  pass: z.enum(passes),
  next: z.boolean().describe('it comes before the pass at hand comes round again'),
  firstYear: z.number().int().describe('the calendar year in which the winter of season 1 begins'),
  minutes: z.number().describe('of work at the tree'),
  ladder: z.boolean(),
});
export type VisitAhead = z.infer<typeof VisitAhead>;

/** A plan as lists of trees take it: what is done, when and where, without what it was chosen from. */
export const ListedPlan = z.strictObject({
  plan: TreePlan,
  orders: z.record(z.string(), OrderResult).describe('the order of each visit, by its key: “1 dormant”'),
  now: z
    .enum(passes)
    .nullable()
    .default(null)
    .describe('the pass of season 1 that is at hand; null: kept before lists were shown from it'),
  cuts: z.record(z.string(), PricedCut).default({}).describe('of the steps that are cuts, by candidate'),
  musts: z.array(z.string()).default([]).describe('findings that must be answered'),
  worth: VisitWorth.nullable()
    .default(null)
    .describe(
      'of the visit that is at hand; null where nothing is due, or it was kept before seasons were shared out',
    ),
  ahead: z
    .array(VisitAhead)
    .default([])
    .describe('the visits after it, first to last; none where it was kept before they were told'),
});
export type ListedPlan = z.infer<typeof ListedPlan>;

export const KeptPlan = ListedPlan.extend({
  stamp: z.string().max(64).describe('of the input that it was searched for'),
  problem: z
    .string()
    .max(64)
    .default('')
    .describe('of what the search chose from: another planner may make another problem of the same input'),
}).meta({ id: 'KeptPlan' });
export type KeptPlan = z.infer<typeof KeptPlan>;
