// What a fault of geometry is: where, how much, against which limit.
import { z } from 'zod';
import { bearingHabits, treeForms } from '../register/index';
import { type indexLimbs, LimbMap, type limbShape } from '../tree/index';

export const faultKinds = [
  'rubbing',
  'crossing',
  'inward',
  'upright sprout',
  'downward',
  'narrow union',
  'flat union',
  'cluster',
  'over another',
  'too low',
  'out of reach',
  'past bearing',
  'sucker',
  'double leader',
  'empty sector',
  'lopsided',
  'out of plane',
] as const;
export type FaultKind = (typeof faultKinds)[number];

export const Fault = z
  .strictObject({
    kind: z.enum(faultKinds),
    limbIds: z.array(z.string()).describe('the limbs it is about; the first is where it is shown'),
    atCm: z.number().describe('cm along the first limb'),
    measured: z.number().describe('in the unit of the limit'),
    limit: z.number(),
    unit: z.enum(['mm', 'cm', '°', '%', 'years', 'ratio', 'limbs', '']),
    severity: z
      .number()
      .describe('1 at the limit, growing as it gets worse; for comparing one season with the next'),
  })
  .meta({ id: 'Fault' });
export type Fault = z.infer<typeof Fault>;

export const FaultTree = z.strictObject({
  limbs: LimbMap,
  species: z.string().max(40),
  form: z.enum(treeForms),
  habit: z.enum(bearingHabits),
  reachCm: z
    .number()
    .min(50)
    .max(2000)
    .nullable()
    .describe('how high its picker reaches; the site’s limit where null'),
});
export type FaultTree = z.infer<typeof FaultTree>;

/**
 * What the same fault is called next season: its kind and its limbs. Of two limbs with a gap on either side the one that the gap follows,
 * clockwise, stands first: they are two faults.
 */
export function faultKey({ kind, limbIds }: Pick<Fault, 'kind' | 'limbIds'>): string {
  return `${kind}:${(kind === 'empty sector' ? limbIds : [...limbIds].sort()).join('+')}`;
}

/** A tree with its look-ups made once. */
export interface Wood {
  tree: FaultTree;
  index: ReturnType<typeof indexLimbs>;
  shape: ReturnType<typeof limbShape>;
  flat: boolean;
}
