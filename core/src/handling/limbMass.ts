// How heavy is what comes off?

import { z } from 'zod';
import { isGrowing, type Season } from '../disorders/index';
import { issueOf, type Refusal, refusal } from '../refusal/index';
import type { Confidence } from '../register/index';
import { alike, comesOff, diameterMmAt, indexLimbs, type Limb, LimbMap } from '../tree/index';

interface GreenDensity {
  kgPerM3: number;
  source: string;
  confidence: Confidence;
}

const HANDBOOK = 'USDA Wood Handbook: basic density × (1 + green moisture), from memory';

/** Green density by species; the safe figure where it is not known. Dead wood is lifted as if green. */
const DENSITY: Readonly<Record<string, GreenDensity>> = {
  apple: { kgPerM3: 1104, source: `${HANDBOOK}: 0.61, 81 %`, confidence: 'high' },
  crab: { kgPerM3: 1104, source: `as apple; ${HANDBOOK}`, confidence: 'low' },
  pear: { kgPerM3: 1050, source: '910–1050, from memory; the upper end', confidence: 'low' },
  'asian-pear': { kgPerM3: 1050, source: 'as pear', confidence: 'low' },
  'sweet-cherry': {
    kgPerM3: 900,
    source: 'black cherry 743; sapwood of fruit cherries may reach 900, from memory',
    confidence: 'low',
  },
  'sour-cherry': { kgPerM3: 900, source: 'as sweet cherry', confidence: 'low' },
  'european-plum': { kgPerM3: 1105, source: '1020–1105, from memory; the upper end', confidence: 'low' },
  'japanese-plum': { kgPerM3: 1105, source: 'as European plum', confidence: 'low' },
  peach: { kgPerM3: 1050, source: 'about 1050, from memory', confidence: 'low' },
  nectarine: { kgPerM3: 1050, source: 'as peach', confidence: 'low' },
  apricot: { kgPerM3: 1050, source: 'as peach', confidence: 'low' },
  walnut: { kgPerM3: 926, source: `${HANDBOOK}: black walnut 0.51, 90 / 73 %`, confidence: 'high' },
};
const SAFE: GreenDensity = {
  kgPerM3: 1100,
  source: 'common practice where the species has no figure',
  confidence: 'practice',
};

export function greenDensity(species: string): GreenDensity {
  return DENSITY[species] ?? SAFE;
}

/** Leaves add a quarter of the wood, a crop about as much again. Common practice, no source. */
const LEAVES = 0.25;
const CROP = 0.25;
/** Twigs that are on no map, and what linear taper misses. */
const RANGE: readonly [number, number] = [0.85, 1.35];

export const loads = ['bare', 'in leaf', 'in leaf and fruit'] as const;
export type Load = (typeof loads)[number];
const LOAD_FACTOR: Readonly<Record<Load, number>> = {
  bare: 1,
  'in leaf': 1 + LEAVES,
  'in leaf and fruit': 1 + LEAVES + CROP,
};

/** What hangs on a limb in a season. */
export function loadIn(season: Season): Load {
  if (!isGrowing(season)) return 'bare';
  return season === 'summer' ? 'in leaf and fruit' : 'in leaf';
}

/** A piece of wood between two places of a limb, with what hangs on it. */
export const Stick = z.strictObject({
  limbId: z.string(),
  fromCm: z.number(),
  toCm: z.number(),
  kg: z.number(),
});
export type Stick = z.infer<typeof Stick>;

export const LimbMassInput = z
  .strictObject({
    limbs: LimbMap,
    species: z.string().max(40),
    limbId: z.string().min(1).max(64),
    atCm: z.number().min(0).max(3000).describe('the kerf; all that hangs beyond it is weighed'),
    load: z.enum(loads).default('bare'),
    liftKg: z.number().min(1).max(60).default(15).describe('the most one piece may weigh'),
    handHeldCm: z
      .number()
      .min(0)
      .max(400)
      .optional()
      .describe('height of the kerf over the ground, for the clear zone'),
  })
  .superRefine((input, context) => {
    const limb = input.limbs.find((limb) => limb.id === input.limbId);
    const issue = (field: string, why: Refusal) => context.addIssue(issueOf([field], why));
    if (!limb) issue('limbId', refusal('limbNotInMap', { limb: input.limbId }));
    else if (input.atCm > limb.lengthCm)
      issue('atCm', refusal('kerfBeyond', { limb: limb.id, atCm: input.atCm, lengthCm: limb.lengthCm }));
  })
  .meta({ id: 'LimbMassInput' });
export type LimbMassInput = z.infer<typeof LimbMassInput>;

/**
 * Volume of a frustum of a cone.
 *
 * @param baseM and tipM diameters, m
 * @returns m³
 * @example frustumM3(0.1, 0.06, 2) //=> 0.01026
 */
export function frustumM3(baseM: number, tipM: number, lengthM: number): number {
  return (Math.PI * lengthM * (baseM ** 2 + baseM * tipM + tipM ** 2)) / 12;
}

/** Fresh mass of a whole branch from its base alone, where nothing else was measured; factor 0.5–1.6 either way.
 * @param baseCm diameter at the base, cm
 * @source Jenkins et al. 2003, For. Sci. 49:12, mixed hardwoods, dry mass at breast height; used on branches with low confidence; × 1.9 fresh
 * @example freshBranchKg(5) //=> 8.66
 */
export function freshBranchKg(baseCm: number): number {
  return 1.9 * Math.exp(-2.48 + 2.4835 * Math.log(baseCm));
}

interface LimbMass {
  kg: number;
  rangeKg: [number, number];
  woodM3: number;
  density: GreenDensity;
  /** Branches of its base usually weigh more than all that is mapped: the upper end is theirs. */
  fromBaseAlone: boolean;
}

/**
 * Mass of all that hangs beyond the kerf, of a bundle that of one: taper integrated along every mapped limb, by green density, with leaves and fruit in season, and
 * an allowance for twigs that are on no map. A limb longer than 60 cm may weigh what branches of its base usually do, however much of it is
 * mapped: mapping a twig more never makes it lighter, at neither end of the range.
 */
export function limbMass(
  limbs: Limb[],
  species: string,
  kerf: { limbId: string; atCm: number },
  load: Load,
): LimbMass {
  const index = indexLimbs(limbs);
  const limb = index.byId.get(kerf.limbId);
  const density = greenDensity(species);
  if (!limb) return { kg: 0, rangeKg: [0, 0], woodM3: 0, density, fromBaseAlone: false };
  const from = Math.min(kerf.atCm, limb.lengthCm);
  const woodM3 = volumeBeyond(limb, from, index);
  const perM3 = density.kgPerM3 * LOAD_FACTOR[load];
  const taperKg = woodM3 * perM3;
  const usual = limb.lengthCm > TWIGS_FROM_CM;
  const baseKg = usual ? freshBranchKg(diameterMmAt(limb, from) / 10) * LOAD_FACTOR[load] : 0;
  const bareKg = stickM3(limb, from, limb.lengthCm) * perM3;
  const kg = Math.max(taperKg, Math.min(baseKg, bareKg * MOST_TWIGS));
  return {
    kg,
    rangeKg: [taperKg * RANGE[0], Math.max(kg * RANGE[1], baseKg)],
    woodM3,
    density,
    fromBaseAlone: baseKg > taperKg,
  };
}
/** Shorter ones are stubs and spurs, whose base says nothing of what they carry. Common practice, no source. */
const TWIGS_FROM_CM = 60;
/** Twigs that are on no map weigh at most this share of the limb’s own wood beside it. Common practice, no source. */
const MOST_TWIGS = 1.6;

function volumeBeyond(limb: Limb, fromCm: number, index: ReturnType<typeof indexLimbs>): number {
  let m3 = stickM3(limb, fromCm, limb.lengthCm);
  for (const child of index.childrenOf.get(limb.id) ?? []) {
    if (comesOff(child.jointCm, fromCm)) m3 += alike(child) * volumeBeyond(child, 0, index);
  }
  return m3;
}

/** Wood of the limb itself between two places, m³. */
export function stickM3(limb: Limb, fromCm: number, toCm: number): number {
  return frustumM3(diameterMmAt(limb, fromCm) / 1000, diameterMmAt(limb, toCm) / 1000, (toCm - fromCm) / 100);
}

/** Kg of each cm³ of wood with its load. */
export function kgPerM3(species: string, load: Load): number {
  return greenDensity(species).kgPerM3 * LOAD_FACTOR[load];
}
