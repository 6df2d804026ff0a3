// What is told of stages and of frosts, as plain data.
import { z } from 'zod';
import { localDay } from '../measure/index';

export const phases = ['rest', 'awake', 'buds', 'bloom', 'petal fall', 'growth', 'hardening'] as const;
/**
 * `rest`: chill not yet met. `awake`: met, buds not moving. `buds`: from swelling to the first flower. `hardening`: growth has
 * ended, leaves still on.
 */
export type Phase = (typeof phases)[number];

/** What a caretaker saw, which wins over any sum. */
export const SeenStage = z.strictObject({ day: localDay, share: z.number().min(0).max(2) });
export type SeenStage = z.infer<typeof SeenStage>;

export const StageDay = z.object({
  day: z.iso.date(),
  phase: z.enum(phases),
  stage: z.string().describe('name of the bud stage; of the phase where buds do not move'),
  share: z.number().describe('of the way from the end of rest to full bloom'),
  chillShare: z.number().describe('of the chill that ends rest'),
  portions: z.number(),
  utah: z.number(),
  chillHours: z.number(),
  warmth: z.number().describe('growing degree hours since the end of rest, °C·h'),
  degreeDays: z
    .number()
    .describe('above 6.1 °C since 1 January (1 July in the south), single sine from daily values'),
  basis: z.enum(['weather', 'calendar', 'seen']),
});
export type StageDay = z.infer<typeof StageDay>;

export const freezeKinds = ['buds', 'wood'] as const;
export const woodInjuries = ['mild', 'severe'] as const;

export const FreezeEvent = z.object({
  day: z.iso.date(),
  kind: z.enum(freezeKinds),
  stage: z.string(),
  minC: z.number(),
  killed: z
    .tuple([z.number(), z.number(), z.number()])
    .nullable()
    .describe('share of buds killed: least, likely, most; of wood null'),
  belowC: z.number().nullable().describe('how far below what the wood stood on that day, °C; of buds null'),
  hardinessC: z.number().nullable(),
  injury: z.enum(woodInjuries).nullable(),
  lookFrom: z.iso.date().describe('from when it can be looked at'),
  limbsFrom: z.iso.date().nullable().describe('from when limbs may be decided on'),
  treeFrom: z.iso.date().nullable(),
});
export type FreezeEvent = z.infer<typeof FreezeEvent>;
