// Days of the simulated weather that are so by order.
import { z } from 'zod';
import { localDay } from '../measure/index';

/** Days of the simulated weather that are warmer, colder, wet or dry by order. */
export const Spell = z
  .strictObject({
    from: localDay,
    to: localDay,
    addC: z.number().min(-25).max(25),
    rain: z.enum(['every day', 'none', 'as it comes']),
  })
  .meta({ id: 'Spell' });
export type Spell = z.infer<typeof Spell>;
