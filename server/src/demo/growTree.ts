// Grows a limb map from a few measured scaffolds, the same one every time: side branches and buds stand where they usually do.
import { type Bud, diameterMmAt, type Limb, type StarterTree, starterMap } from '@mortisect/core/tree';
import { z } from 'zod';

export const Scaffold = z.strictObject({
  id: z.string(),
  jointCm: z.number(),
  lengthCm: z.number(),
  baseMm: z.number(),
  bearingDeg: z.number(),
  inclinationDeg: z.number(),
  ageYears: z.number().optional(),
  sideBranches: z.number().optional(),
  uprights: z.number().optional().describe('a thicket of so many, four years old, on its upper side'),
  thicket: z.number().optional().describe('about so many uprights of a year or two that nobody counted'),
  cultivar: z.string().optional(),
  budsUnmapped: z.boolean().optional(),
  budsFrom: z.number().optional().describe('share of the length from which buds stand; older wood has none'),
});
type Scaffold = z.infer<typeof Scaffold>;

export const Stem = z.strictObject({
  lengthCm: z.number(),
  baseMm: z.number(),
  tipMm: z.number(),
  ageYears: z.number(),
  graftUnionCm: z.number().optional(),
  leanDeg: z.number().optional(),
});
type Stem = z.infer<typeof Stem>;

const DIRECTIONS: readonly Bud['points'][] = ['out', 'left', 'under', 'right', 'up', 'in'];
const TIP_MM = 6;

/** Every side branch gets buds; limbs whose buds were not mapped say so. */
export function growTree(stem: Stem, scaffolds: Scaffold[]): Limb[] {
  const trunk: Limb = {
    id: 'T',
    parentId: null,
    jointCm: 0,
    lengthCm: stem.lengthCm,
    baseMm: stem.baseMm,
    tipMm: stem.tipMm,
    ageYears: stem.ageYears,
    kind: 'trunk',
    bearingDeg: 0,
    inclinationDeg: stem.leanDeg === undefined ? 90 : 90 - stem.leanDeg,
    budsComplete: true,
    ...(stem.graftUnionCm !== undefined && { graftUnionCm: stem.graftUnionCm }),
  };
  return [trunk, ...scaffolds.flatMap((spec, i) => withSideBranches(spec, stem, i))];
}

/** A young limb that stands too close to its stem. */
const STEEP = { inclinationDeg: 66, ageYears: 3, baseMm: 26, tipMm: 8 } as const;

/** What a tree has grown into. */
interface Habit {
  /** Limbs that stand too close to the stem. */
  steep?: readonly string[];
  /** How much thicker its side branches are than usual. */
  stout?: number;
  /** Degrees that they stand farther to the side than usual. */
  aside?: number;
  /** Degrees that side branches have turned, by their id. */
  turned?: Readonly<Record<string, number>>;
  /** Shoots of last year, some of them too long, by the limb that they stand on. */
  longShoots?: Readonly<Record<string, number>>;
  /** Four years old, by the limb that they stand on. */
  uprights?: Readonly<Record<string, number>>;
}

/** A tree from its form and size, moved a little from where a first map puts its limbs, with side branches. */
export function growFromForm(
  given: StarterTree,
  sideBranches: number,
  variety: number,
  { steep = [], stout = 1, aside = 0, uprights = {}, longShoots = {}, turned = {} }: Habit = {},
): Limb[] {
  const [stem, ...main] = starterMap(given);
  if (!stem) return [];
  const moved = main.map((limb, i): Limb => {
    const sway = spread(i * 3 + variety);
    const flat = given.form === 'espalier' || given.form === 'fan';
    const { guessed: _guessed, ...measured } = limb;
    const isSteep = steep.includes(limb.id);
    return {
      ...measured,
      ...(isSteep && STEEP),
      lengthCm: Math.round(limb.lengthCm * (0.86 + 0.24 * sway)),
      bearingDeg: (limb.bearingDeg + Math.round((sway - 0.5) * (flat ? 8 : 26)) + 360) % 360,
      inclinationDeg: isSteep ? STEEP.inclinationDeg : Math.round(limb.inclinationDeg + (sway - 0.5) * 10),
      budsComplete: true,
      buds: budsAlong(limb.lengthCm * 0.7, limb.lengthCm * 0.86, i),
    };
  });
  const branches = moved.flatMap((limb) =>
    Array.from({ length: sideBranches }, (_, i) =>
      sideBranch(limb, i, sideBranches, false, { stout, aside }),
    ),
  );
  const grown = branches.map((limb) => ({
    ...limb,
    bearingDeg: (limb.bearingDeg + (turned[limb.id] ?? 0)) % 360,
  }));
  const thicket = moved.flatMap((limb) => {
    const count = uprights[limb.id] ?? 0;
    return Array.from({ length: count }, (_, i) => uprightOn(limb, i, count));
  });
  const shoots = moved.flatMap((limb) => {
    const about = longShoots[limb.id];
    return about === undefined ? [] : [longShootsOn(limb, about, given.form === 'espalier')];
  });
  return [{ ...stem, budsComplete: true }, ...moved, ...grown, ...thicket, ...shoots];
}

function withSideBranches(spec: Scaffold, stem: Stem, turn: number): Limb[] {
  const scaffold: Limb = {
    id: spec.id,
    parentId: 'T',
    jointCm: spec.jointCm,
    lengthCm: spec.lengthCm,
    baseMm: spec.baseMm,
    tipMm: Math.min(TIP_MM + 2, spec.baseMm),
    ageYears: spec.ageYears ?? Math.max(2, stem.ageYears - 2),
    kind: 'scaffold',
    bearingDeg: spec.bearingDeg,
    inclinationDeg: spec.inclinationDeg,
    budsComplete: !spec.budsUnmapped,
    buds: budsAlong(spec.lengthCm * (spec.budsFrom ?? 0.72), spec.lengthCm, turn),
    ...(spec.cultivar && { cultivar: spec.cultivar }),
  };
  const count = spec.sideBranches ?? 4;
  return [
    scaffold,
    ...Array.from({ length: count }, (_, i) => sideBranch(scaffold, i, count, spec.budsUnmapped ?? false)),
    ...(spec.thicket ? [thicketOn(scaffold, spec.thicket)] : []),
    ...Array.from({ length: spec.uprights ?? 0 }, (_, i) => uprightOn(scaffold, i, spec.uprights ?? 0)),
  ];
}

/** Shoots that stand too close to be mapped one by one. */
function thicketOn(scaffold: Limb, about: number): Limb {
  return {
    ...uprightOn(scaffold, 0, 1),
    id: `${scaffold.id}t`,
    jointCm: Math.round(scaffold.lengthCm * 0.5),
    lengthCm: 90,
    baseMm: 11,
    ageYears: 2,
    bundle: { about, overCm: Math.round(scaffold.lengthCm * 0.5) },
  };
}

/** What last summer added along a limb. */
function longShootsOn(scaffold: Limb, about: number, onTier: boolean): Limb {
  return {
    ...thicketOn(scaffold, about),
    id: `${scaffold.id}l`,
    kind: 'shoot',
    jointCm: Math.round(scaffold.lengthCm * 0.6),
    lengthCm: 65,
    baseMm: 8,
    tipMm: 3,
    ageYears: 1,
    inclinationDeg: onTier ? 80 : 35,
    buds: [],
    budsComplete: false,
    bundle: { about, overCm: Math.round(scaffold.lengthCm * 0.6) },
  };
}

/** What shot up after a hard cut, and nobody thinned. */
function uprightOn(scaffold: Limb, i: number, count: number): Limb {
  const sway = spread(i + scaffold.bearingDeg + 5);
  return {
    id: `${scaffold.id}u${i + 1}`,
    parentId: scaffold.id,
    jointCm: Math.round(scaffold.lengthCm * (0.24 + (0.4 * i) / count)),
    lengthCm: Math.round(105 + 50 * sway),
    baseMm: Math.round(19 + 9 * sway),
    tipMm: 5,
    ageYears: 4,
    kind: 'sprout',
    bearingDeg: Math.round((scaffold.bearingDeg + 60 * (sway - 0.5) + 360) % 360),
    inclinationDeg: Math.round(74 + 12 * sway),
    budsComplete: true,
    buds: [],
  };
}

function sideBranch(
  scaffold: Limb,
  i: number,
  count: number,
  budsUnmapped: boolean,
  { stout = 1, aside = 0 } = {},
): Limb {
  const sway = spread(i + scaffold.bearingDeg);
  const jointCm = Math.round(scaffold.lengthCm * (0.2 + (0.66 * (i + 0.4 + 0.3 * sway)) / count));
  const lengthCm = Math.round(
    scaffold.lengthCm * (0.5 - 0.28 * (jointCm / scaffold.lengthCm)) * (0.85 + 0.3 * sway),
  );
  const baseMm = Math.round(diameterMmAt(scaffold, jointCm) * (0.42 + 0.2 * sway) * stout);
  const side = i % 2 === 0 ? 1 : -1;
  return {
    id: `${scaffold.id}${String.fromCharCode(97 + i)}`,
    parentId: scaffold.id,
    jointCm,
    lengthCm,
    baseMm,
    tipMm: Math.min(4, baseMm),
    ageYears: Math.max(2, Math.round(scaffold.ageYears * 0.5 * (1 - jointCm / scaffold.lengthCm)) + 1),
    kind: scaffold.kind === 'scaffold' ? 'lateral' : 'shoot',
    bearingDeg: Math.round((scaffold.bearingDeg + side * (38 + aside + 24 * sway) + 360) % 360),
    inclinationDeg: Math.round(Math.max(-20, Math.min(75, scaffold.inclinationDeg + (sway - 0.4) * 36))),
    budsComplete: !budsUnmapped,
    buds: budsUnmapped ? [] : budsAlong(7, lengthCm, i),
  };
}

function budsAlong(fromCm: number, toCm: number, turn: number): Bud[] {
  const buds: Bud[] = [];
  for (let at = fromCm, i = turn; at < toCm - 3; at += 6 + 4 * spread(i), i++) {
    buds.push({
      atCm: Math.round(at * 2) / 2,
      points: DIRECTIONS[i % DIRECTIONS.length] as Bud['points'],
      kind: i % 7 === 3 ? 'flower' : 'leaf',
      live: i % 11 !== 5,
    });
  }
  return buds;
}

/** Numbers 0..1 that spread evenly and never repeat: the golden ratio's fractional multiples. */
function spread(i: number): number {
  return (i * 0.618034 + 0.31) % 1;
}
