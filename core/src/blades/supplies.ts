// How much to carry, and how many blades so that nobody waits for one that is wet?
import { z } from 'zod';
import { reasonSchema } from '../reason/index';
import { cleaningMethods } from './agents';

export const SuppliesInput = z
  .strictObject({
    cleanings: z.number().int().min(0).max(10_000),
    method: z.enum(cleaningMethods),
    hours: z.number().min(0).max(24).describe('that the work takes'),
    contactSeconds: z.number().min(0).max(7200),
    handlingSeconds: z.number().min(0).max(600).default(5),
    cutEverySeconds: z.number().positive().max(7200).describe('from one cleaning to the next'),
    blades: z.number().int().min(1).max(40).default(1).describe('of a kind, in rotation'),
  })
  .meta({ id: 'SuppliesInput' });
export type SuppliesInput = z.infer<typeof SuppliesInput>;

export const SuppliesReason = reasonSchema({
  wipes: { mL: z.number(), count: z.number() },
  squirts: { mL: z.number(), count: z.number() },
  tray: { litres: z.number() },
  jar: { litres: z.number() },
  'top-up': { litres: z.number(), everyHours: z.number() },
});
export type SuppliesReason = z.infer<typeof SuppliesReason>;

export const Supplies = z
  .strictObject({
    litres: z.number().describe('of mix, a fifth in reserve'),
    cloths: z.number().int(),
    bladesForNoWait: z.number().int(),
    waitMinutes: z.number().describe('that are spent on wet blades with the blades there are'),
    handlingMinutes: z.number(),
    because: z.array(SuppliesReason),
  })
  .meta({ id: 'Supplies' });
export type Supplies = z.infer<typeof Supplies>;

/** Common practice, no source. */
const JAR_L = 0.75;
const TOP_UP_L = 0.1;
const TOP_UP_EVERY_HOURS = 2;
const SOAK_L = 2;
const SQUIRT_ML = 0.7;
const SIDES = 2;
const WIPE_ML = 4;
const WIPES_A_CLOTH = 20;
const RESERVE = 1.2;
const ML = 1000;

/** @source jar, squirt and top-up: common practice, no source */
export function supplies(input: SuppliesInput): Supplies {
  const { cleanings, method, hours, blades, contactSeconds, handlingSeconds, cutEverySeconds } = input;
  const [carried, because] = litresOf(method, cleanings, hours);
  const bladesForNoWait = bladesInRotation(contactSeconds, handlingSeconds, cutEverySeconds);
  // A blade comes round again after the cuts of the others; what is left of its time is waited for
  const waitSeconds = Math.max(0, contactSeconds + handlingSeconds - (blades - 1) * cutEverySeconds);
  const wait = blades >= bladesForNoWait ? 0 : waitSeconds;
  return {
    litres: cleanings === 0 ? 0 : carried * RESERVE,
    cloths: method === 'wipe' ? Math.ceil(cleanings / WIPES_A_CLOTH) : cleanings > 0 ? 1 : 0,
    bladesForNoWait,
    waitMinutes: (cleanings * wait) / 60,
    handlingMinutes: (cleanings * handlingSeconds) / 60,
    because,
  };
}

/** Litres that so many cleanings used up, without the reserve. */
export function usedLitres(method: SuppliesInput['method'], cleanings: number, hours: number): number {
  return cleanings === 0 ? 0 : litresOf(method, cleanings, hours)[0];
}

function litresOf(
  method: SuppliesInput['method'],
  cleanings: number,
  hours: number,
): [number, SuppliesReason[]] {
  switch (method) {
    case 'wipe':
      return [(cleanings * WIPE_ML) / ML, [{ code: 'wipes', values: { mL: WIPE_ML, count: cleanings } }]];
    case 'spray':
      return [
        (cleanings * SQUIRT_ML * SIDES) / ML,
        [{ code: 'squirts', values: { mL: SQUIRT_ML, count: cleanings } }],
      ];
    case 'soak':
      return [SOAK_L, [{ code: 'tray', values: { litres: SOAK_L } }]];
    case 'dip':
      return [
        JAR_L + TOP_UP_L * (hours / TOP_UP_EVERY_HOURS),
        [
          { code: 'jar', values: { litres: JAR_L } },
          { code: 'top-up', values: { litres: TOP_UP_L, everyHours: TOP_UP_EVERY_HOURS } },
        ],
      ];
  }
}

/**
 * Blades of a kind so that the contact time costs no waiting.
 *
 * @example bladesInRotation(60, 5, 20) //=> 5
 */
export function bladesInRotation(
  contactSeconds: number,
  handlingSeconds: number,
  cutEverySeconds: number,
): number {
  return Math.ceil((contactSeconds + handlingSeconds) / cutEverySeconds) + 1;
}
