// What the caretaker decides about a plan, as it goes on record.
import { z } from 'zod';

export const MOST_PLAN_SEASONS = 5;
const limbId = z.string().min(1).max(64);

/** What the caretaker has decided; the plan is solved round it. */
export const Pin = z
  .discriminatedUnion('kind', [
    z.strictObject({ kind: z.literal('stays'), limbId }),
    z.strictObject({
      kind: z.literal('goes'),
      candidateId: z.string().min(1).max(160),
      season: z.number().int().min(1).max(MOST_PLAN_SEASONS).default(1),
    }),
    z.strictObject({
      kind: z.literal('not before'),
      candidateId: z.string().min(1).max(160),
      season: z.number().int().min(2).max(MOST_PLAN_SEASONS),
    }),
    z.strictObject({
      kind: z.literal('follower'),
      limbId: limbId.describe('the old limb, which stays until its follower is thick enough'),
      followerId: limbId,
      untilMm: z.number().min(1).max(500),
    }),
  ])
  .meta({ id: 'Pin' });
export type Pin = z.infer<typeof Pin>;

/** What may be set as the limit of a tree, thousandths of the living crown a season. */
export const LEAST_LIMIT = 20;
export const MOST_LIMIT = 500;
