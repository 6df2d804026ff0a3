// The order of the trees of a run, as plain data.

import { z } from 'zod';
import { woodClasses } from '../blades/index';
import { issueOf, refusal } from '../refusal/index';

const place = z.strictObject({ x: z.number(), y: z.number() }).describe('on the ground, metres');
export type Place = z.infer<typeof place>;
const id = z.string().min(1).max(200);

/** Between trees, with tools in hand. Common practice, no source. */
export const WALKED_M_A_MINUTE = 50;

export const RunTree = z.strictObject({
  id,
  class: z.enum(woodClasses),
  ...place.shape,
  cleanings: z.number().int().min(0).max(2000).default(1).describe('on this tree, coming to it included'),
});
export type RunTree = z.infer<typeof RunTree>;

export const RunOrderInput = z
  .strictObject({
    trees: z.array(RunTree).max(400).describe('as listed: the order they are walked in otherwise'),
    start: place.nullable().default(null),
    end: place.nullable().default(null).describe('where the cart goes out'),
    metresPerMinute: z.number().positive().max(200).default(WALKED_M_A_MINUTE),
  })
  .superRefine(({ trees }, context) => {
    const seen = new Set<string>();
    trees.forEach((tree, i) => {
      if (seen.has(tree.id)) context.addIssue(issueOf(['trees', i, 'id'], refusal('treeTwice')));
      seen.add(tree.id);
    });
  })
  .meta({ id: 'RunOrderInput' });
export type RunOrderInput = z.infer<typeof RunOrderInput>;

const Walk = z.strictObject({ metres: z.number(), minutes: z.number() });
export const RunOrder = z
  .strictObject({
    order: z.array(z.string()),
    walk: Walk,
    naive: Walk.extend({
      carried: z.number().int().describe('times it goes from an infected tree to one that is less so'),
    }).describe('the trees as listed'),
    cleanings: z.number().int(),
    bound: z.number().describe('metres that no order of this kind goes below'),
    gap: z.number().describe('0 where the order is proved shortest'),
  })
  .meta({ id: 'RunOrder' });
export type RunOrder = z.infer<typeof RunOrder>;
