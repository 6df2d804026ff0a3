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

/** What the visit that is at hand brings, and the wounds that it makes. */
export const VisitWorth = z.strictObject({
  points: z.number().describe('by which the plan is worse without its steps, minutes not counted'),
  woundCm2: z.number().describe('of the faces of all its cuts'),
});

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
