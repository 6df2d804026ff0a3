// A plan as it is kept: as plain data, read without what plans.
import { z } from 'zod';
import { OrderResult } from './order';
import { TreePlan } from './treePlan';

export const KeptPlan = z
  .strictObject({
    stamp: z.string().max(64).describe('of the input that it was searched for'),
    problem: z
      .string()
      .max(64)
      .default('')
      .describe('of what the search chose from: another planner may make another problem of the same input'),
    plan: TreePlan,
    orders: z.record(z.string(), OrderResult).describe('the order of each visit, by its key: “1 dormant”'),
  })
  .meta({ id: 'KeptPlan' });
export type KeptPlan = z.infer<typeof KeptPlan>;
