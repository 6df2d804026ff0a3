// A limb map by the clock: where somebody tapped each main limb seen from above, the rest as the form usually has it.
import { withBundle } from './edit';
import type { Limb } from './limbMap';
import { type StarterTree, starterMap } from './starterMap';

/** A main limb as it was tapped on the clock. */
export interface ClockLimb {
  bearingDeg: number;
  /** How far out its tip is as seen from above, cm. */
  reachCm: number;
  baseMm: number;
}

/** Wood by what it is as thick as, mm over bark. Breadth of a grown-up’s forearm, wrist, thumb and finger: common practice, no source. */
export const thickAs = { forearm: 90, wrist: 60, thumb: 22, finger: 15 } as const;

/** Shoots in a thicket on one limb: no fewer than two are many. */
const FEWEST_ALIKE = 2;

/**
 * The stem and the main limbs that were tapped, in their order from the lowest; height and steepness as the form usually has them.
 *
 * @param shootsEach about so many upright shoots on each main limb, as one bundle; fewer than two: none
 * @returns a sound limb map
 */
export function framedMap(
  tree: Omit<StarterTree, 'scaffolds'>,
  limbs: readonly ClockLimb[],
  shootsEach: number,
): Limb[] {
  if (tree.form === 'multi-stem') return framedStems(tree, limbs);
  const usual = starterMap({ ...tree, scaffolds: Math.max(1, limbs.length) });
  const [stem, ...main] = usual as [Limb, ...Limb[]];
  const tapped = limbs.map(({ bearingDeg, reachCm, baseMm }, i): Limb => {
    const { guessed: _guessed, ...like } = main[i] as Limb;
    return {
      ...like,
      bearingDeg: Math.round(bearingDeg),
      lengthCm: reachedLength(reachCm, like.inclinationDeg),
      baseMm,
      tipMm: Math.min(like.tipMm, baseMm),
    };
  });
  if (shootsEach < FEWEST_ALIKE) return [stem, ...tapped];
  return tapped.reduce<Limb[]>(
    (map, { id }) => {
      const next = withBundle(map, id);
      return next.limbs.map((limb) =>
        limb.id === next.id && limb.bundle
          ? { ...limb, bundle: { ...limb.bundle, about: Math.round(shootsEach) } }
          : limb,
      );
    },
    [stem, ...tapped],
  );
}

/** Stems lean out to where they were tapped. */
function framedStems(tree: Omit<StarterTree, 'scaffolds'>, limbs: readonly ClockLimb[]): Limb[] {
  const usual = starterMap({ ...tree, scaffolds: Math.max(1, limbs.length) });
  if (limbs.length === 0) return usual;
  return usual.map((stem, i) => {
    const { bearingDeg, reachCm, baseMm } = limbs[i] as ClockLimb;
    const inclinationDeg = Math.round((Math.atan2(tree.heightCm, reachCm) * 1800) / Math.PI) / 10;
    const lengthCm = Math.round(Math.hypot(tree.heightCm, reachCm));
    return {
      ...stem,
      bearingDeg: Math.round(bearingDeg),
      inclinationDeg,
      lengthCm,
      baseMm,
      tipMm: Math.min(stem.tipMm, baseMm),
    };
  });
}

const SHORTEST_CM = 5;
const LEVEL_ENOUGH = 0.17;

/** How long a limb is that reaches so far out as seen from above; of one that is nearly upright that says little. */
export function reachedLength(reachCm: number, inclinationDeg: number): number {
  const level = Math.max(LEVEL_ENOUGH, Math.cos((inclinationDeg * Math.PI) / 180));
  return Math.max(SHORTEST_CM, Math.round(reachCm / level));
}
