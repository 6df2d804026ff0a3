// The order of the cuts of a visit, as plain data.
import { z } from 'zod';

const Tally = z.strictObject({
  cleanings: z.number().int(),
  moves: z.number().int().describe('stations taken up, ladder places among them'),
  ladderMoves: z.number().int(),
  toolChanges: z.number().int(),
  minutes: z.number(),
});
export type Tally = z.infer<typeof Tally>;

export const OrderResult = z
  .strictObject({
    order: z.array(z.string()),
    tally: Tally,
    naive: Tally.describe('the cuts as listed, with the cleanings that are then due'),
    bound: z.number().describe('no order takes fewer minutes'),
    gap: z.number().describe('0 where the order is proved best'),
  })
  .meta({ id: 'OrderResult' });
export type OrderResult = z.infer<typeof OrderResult>;
