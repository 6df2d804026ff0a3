// How much of the product makes the mix, what does it hold, and how long does it last?

import { z } from 'zod';
import { issueOf, type Refusal, refusal } from '../refusal/index';
import type { Agent } from './agents';
import type { Keeping } from './keeping';

const litres = z.number().positive().max(1000).describe('of mix that is wanted');
const pct = z.number().positive().max(100);

export const DilutionInput = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('chlorine'),
      productPct: z.number().positive().max(20).describe('sodium hypochlorite on the label'),
      targetPpm: z.number().positive().max(200_000).describe('available chlorine'),
      litres,
    }),
    z.strictObject({
      kind: z.literal('parts'),
      productPct: z.number().positive().max(20).describe('sodium hypochlorite on the label'),
      partsWater: z.number().min(0).max(1000).describe('to one part of the product'),
      litres,
    }),
    z.strictObject({
      kind: z.literal('alcohol'),
      spirit: z.enum(['ethanol', 'isopropanol']),
      productPct: pct.describe('by volume'),
      targetPct: pct.describe('by volume'),
      litres,
    }),
    z.strictObject({
      kind: z.literal('weight'),
      gramsPerLitre: z.number().positive().max(1000),
      litres,
    }),
  ])
  .superRefine((input, context) => {
    const tooStrong = (path: string, why: Refusal) => context.addIssue(issueOf([path], why));
    if (input.kind === 'alcohol' && input.targetPct > input.productPct)
      tooStrong('targetPct', refusal('notStronger', { productPct: input.productPct }));
    if (input.kind === 'chlorine' && input.targetPpm > input.productPct * PPM_A_PCT)
      tooStrong('targetPpm', refusal('productHolds', { ppm: input.productPct * PPM_A_PCT }));
  })
  .meta({ id: 'DilutionInput' });
export type DilutionInput = z.infer<typeof DilutionInput>;

const Household = z.strictObject({
  cups: z.number().describe('US cups, in quarters'),
  tablespoons: z.number().int(),
  teaspoons: z.number().describe('in halves'),
  offPct: z.number().describe('how far these measures are from the amount'),
});
export type Household = z.infer<typeof Household>;

export const DilutionResult = z
  .strictObject({
    productMl: z.number().nullable().describe('null where it is weighed'),
    productG: z.number().nullable(),
    waterMl: z.number().describe('what it takes to come to the mark; alcohol and water shrink together'),
    partsWater: z.number().nullable().describe('to one part of the product'),
    ppm: z.number().nullable().describe('available chlorine'),
    pct: z.number().nullable().describe('alcohol by volume'),
    household: Household.nullable(),
    note: z.string(),
  })
  .meta({ id: 'DilutionResult' });
export type DilutionResult = z.infer<typeof DilutionResult>;

/** A labelled per cent is taken as grams in 100 mL; a product labelled by weight is some 8–10 % stronger. */
const PPM_A_PCT = 10_000;
const ML = 1000;

/**
 * The mix by C1·V1 = C2·V2.
 *
 * @throws {z.ZodError} never here: the input was parsed; a target stronger than the product is refused there
 * @example dilution({ kind: 'chlorine', productPct: 7.5, targetPpm: 5000, litres: 5 }).productMl //=> 333.3
 */
export function dilution(input: DilutionInput): DilutionResult {
  const volumeMl = input.litres * ML;
  switch (input.kind) {
    case 'weight':
      return {
        ...NOTHING,
        productG: input.gramsPerLitre * input.litres,
        waterMl: volumeMl,
        note: 'dissolveInSomeOfTheWater',
      };
    case 'alcohol': {
      const productMl = (input.targetPct * volumeMl) / input.productPct;
      return {
        ...NOTHING,
        productMl,
        waterMl: input.spirit === 'ethanol' ? waterToAdd(productMl, input, volumeMl) : volumeMl - productMl,
        partsWater: (volumeMl - productMl) / productMl,
        pct: input.targetPct,
        household: householdOf(productMl),
        note: 'makeUpToTheMarkWith',
      };
    }
    case 'parts': {
      const ppm = (input.productPct * PPM_A_PCT) / (input.partsWater + 1);
      return chlorine(volumeMl / (input.partsWater + 1), volumeMl, ppm);
    }
    case 'chlorine':
      return chlorine(
        (input.targetPpm * volumeMl) / (input.productPct * PPM_A_PCT),
        volumeMl,
        input.targetPpm,
      );
  }
}

const NOTHING = { productMl: null, productG: null, partsWater: null, ppm: null, pct: null, household: null };

function chlorine(productMl: number, volumeMl: number, ppm: number): DilutionResult {
  return {
    ...NOTHING,
    productMl,
    waterMl: volumeMl - productMl,
    partsWater: (volumeMl - productMl) / productMl,
    ppm,
    household: householdOf(productMl),
    note: 'chlorineWaterFirst',
  };
}

/** Grams a millilitre of ethanol in water at 20 °C by per cent of volume. @source OIML R 22 alcoholometric table, from memory */
const ETHANOL_DENSITY: readonly (readonly [number, number])[] = [
  [0, 0.9982],
  [10, 0.98471],
  [20, 0.97356],
  [30, 0.96221],
  [40, 0.94805],
  [50, 0.93014],
  [60, 0.90911],
  [70, 0.88556],
  [80, 0.85927],
  [90, 0.82918],
  [95, 0.8114],
  [96, 0.80742],
  [100, 0.78924],
];
const WATER_DENSITY = 0.9982;

function ethanolDensity(pct: number): number {
  const above = ETHANOL_DENSITY.findIndex(([at]) => at >= pct);
  const [toPct, to] = ETHANOL_DENSITY[above] as [number, number];
  const [fromPct, from] = ETHANOL_DENSITY[Math.max(0, above - 1)] as [number, number];
  return toPct === fromPct ? to : from + ((pct - fromPct) / (toPct - fromPct)) * (to - from);
}

/** By weight: nothing is lost when the volumes shrink. */
function waterToAdd(
  productMl: number,
  { productPct, targetPct }: { productPct: number; targetPct: number },
  volumeMl: number,
): number {
  const product = productMl * ethanolDensity(productPct);
  return (volumeMl * ethanolDensity(targetPct) - product) / WATER_DENSITY;
}

const CUP_ML = 236.588;
const SPOON_ML = 14.787;
const TEASPOON_ML = 4.929;

/** US kitchen measures, the largest first, to the nearest half teaspoon. */
export function householdOf(ml: number): Household {
  const cups = Math.floor((ml / CUP_ML) * 4 + 1e-9) / 4;
  const afterCups = ml - cups * CUP_ML;
  const tablespoons = Math.floor(afterCups / SPOON_ML + 1e-9);
  const teaspoons = Math.round(((afterCups - tablespoons * SPOON_ML) / TEASPOON_ML) * 2) / 2;
  const measured = cups * CUP_ML + tablespoons * SPOON_ML + teaspoons * TEASPOON_ML;
  return { cups, tablespoons, teaspoons, offPct: ml === 0 ? 0 : ((measured - ml) / ml) * 100 };
}

/**
 * Strength that is left, in the unit it was given in.
 *
 * @example strengthAfter(5000, 8, 24) //=> 3968.5
 */
export function strengthAfter(strength: number, hours: number, halfLifeHours: number): number {
  return strength * 0.5 ** (hours / halfLifeHours);
}

/** Half of what is asked still works; below it a mix is spent. Common practice, no source. */
const SPENT_BELOW = 0.5;

/**
 * Hours that a mix may be used: until it holds half of what is asked, and no longer than a bath is kept.
 *
 * @param made strength over the strength that is asked: 1.5 where it was made half as strong again
 */
export function usableHours(agent: Agent, keeping: Keeping, made = 1): number {
  const bath = keeping === 'sappy' ? agent.changeHours : DAY_HOURS;
  if (!agent.halfLifeHours || made <= SPENT_BELOW) return made <= SPENT_BELOW ? 0 : bath;
  return Math.min(bath, agent.halfLifeHours[keeping] * Math.log2(made / SPENT_BELOW));
}
const DAY_HOURS = 24;
