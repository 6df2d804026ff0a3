// How is a tree brought down to the height it should have, and how far does each cut bring it?
import { type Cut, type Heir, heirsOf, type Lesion, shapeCut } from '../cuts/index';
import { plainDisorder } from '../disorders/index';
import { indexLimbs, type Limb, type LimbIndex, limbShape, type Point, wayToStool } from '../tree/index';

/** Wood that joins no higher than this above the height the tree should have is brought down itself; what joins higher goes with what carries it. Common practice, no source. */
export const JOINS_WITHIN_CM = 25;
/** So near the height counts as reached. Common practice, no source. */
export const TOO_TALL_FROM_CM = 25;
/** Side branches from so far below the height take over; a weak one too, where none is stout enough. Common practice, no source. */
const HEIR_WITHIN_CM = 100;
export const WEAK_HEIR_RATIO = 1 / 4;
/** Of a stem at most this share goes in one season, unless the pace is hard. Common practice, no source. */
const STEM_SHARE = 1 / 3;

export interface Lowering {
  cut: Cut;
  /** Highest point of what is left, the branch that takes over included. */
  afterCm: number;
  /** What goes on in its place. */
  heir: 'stout' | 'weak' | 'bud' | 'none';
}

/** What a cut does to a limb that is too tall. */
export type Lowers = Pick<Lowering, 'afterCm' | 'heir'> & Pick<TooTall, 'limbId' | 'tipCm'>;

/** A limb or stem that ends above the height its tree should have. */
export interface TooTall {
  limbId: string;
  /** Highest point of it and of what belongs to it. */
  tipCm: number;
  /** Whatever it carries that joins it too high for a place of its own, itself too. */
  limbIds: ReadonlySet<string>;
  lowerings: Lowering[];
  /** No side branch stands within a metre below the height that could take over, not even a weak one. */
  noHeir: boolean;
}

/** The height of each place of a tree over the ground. */
interface Heights {
  limbs: Limb[];
  index: LimbIndex;
  at(limbId: string, s: number): number;
  targetCm: number;
}

/** Highest point of a tree, cm over the ground; 0 where nothing stands. @param among limbs that are looked at; all where missing */
export function heightOf(limbs: Limb[], among: Limb[] = limbs): number {
  const shape = limbShape(limbs);
  return Math.max(0, ...among.flatMap(({ id }) => [shape.get(id)?.base.z ?? 0, shape.get(id)?.tip.z ?? 0]));
}

/**
 * The limbs and stems that are too tall, each with every cut that would lower it.
 *
 * @param targetCm the height that the tree should have, cm
 * @param lesions open findings: ill, dead and broken branches do not take over
 */
export function tooTall(limbs: Limb[], targetCm: number, lesions: Lesion[]): TooTall[] {
  const heights = heightsIn(limbs, targetCm);
  const ownerOf = owners(heights);
  return limbs.flatMap((limb): TooTall[] => {
    if (limb.kind === 'sucker' || ownerOf.get(limb.id) !== limb.id) return [];
    const own = limbs.filter(({ id }) => ownerOf.get(id) === limb.id);
    const tipCm = highest(own, heights);
    if (tipCm <= targetCm + TOO_TALL_FROM_CM) return [];
    const heirs = heirsOf(limbs, limb.id, lesions, {
      findingId: heightId(limb.id),
      disorder: plainDisorder('misplaced'),
    }).filter(({ jointCm }) => heights.at(limb.id, jointCm) >= targetCm - HEIR_WITHIN_CM);
    const takers = takersOf(heirs, ({ jointCm }) => heights.at(limb.id, jointCm) <= targetCm);
    return [
      {
        limbId: limb.id,
        tipCm,
        limbIds: new Set(own.map(({ id }) => id)),
        lowerings: [
          ...takers.map(
            (heir): Lowering => ({
              cut: heir.cut,
              afterCm: leftAfter(limb, heir.cut.atCm, heir.branch, own, heights),
              heir: heir.stout ? 'stout' : 'weak',
            }),
          ),
          ...headed(limb, takers, heights),
          ...wholeLimb(limb, limbs),
        ],
        noHeir: takers.every(({ jointCm }) => heights.at(limb.id, jointCm) > targetCm),
      },
    ];
  });
}

/** What the problem of a limb’s height is called in a plan. */
export const heightId = (limbId: string) => `height ${limbId}`;

/** Share of what is too tall that is left after a cut: 1 where it brings nothing, 0 where the limb ends at the height or below. */
export function heightLeft({ tipCm }: Pick<TooTall, 'tipCm'>, afterCm: number, targetCm: number): number {
  return Math.min(1, Math.max(0, (afterCm - targetCm) / (tipCm - targetCm)));
}

/** How far down a stem may be cut in one season, cm along it. @param lengthCm as it stands when the season begins */
export function stemKeptCm(lengthCm: number): number {
  return lengthCm * (1 - STEM_SHARE);
}

/** All that are stout enough; and of those no higher than the height the thickest, where none of them is. */
function takersOf(heirs: Heir[], isBelow: (heir: Heir) => boolean): Heir[] {
  const stout = heirs.filter((heir) => heir.stout);
  if (stout.some(isBelow)) return stout;
  const weak = heirs
    .filter((heir) => !heir.stout && isBelow(heir) && heir.ratio >= WEAK_HEIR_RATIO)
    .toSorted((a, b) => b.branch.baseMm - a.branch.baseMm)[0];
  return weak ? [weak, ...stout] : stout;
}

/** Thin or young wood without a branch that takes over is headed at the height, or at the first bud below it. */
function headed(limb: Limb, takers: Heir[], { limbs, at, targetCm }: Heights): Lowering[] {
  const rise = at(limb.id, limb.lengthCm) - at(limb.id, 0);
  const atCm = ((targetCm - at(limb.id, 0)) / rise) * limb.lengthCm;
  // What joins above the height has no place at it
  if (takers.length > 0 || limb.kind === 'trunk' || atCm <= 0) return [];
  const cut = shapeCut(limbs, limb.id, atCm, {
    findingId: heightId(limb.id),
    disorder: plainDisorder('misplaced'),
  });
  if (!cut || (cut.kind !== 'heading' && cut.upToCm === undefined)) return [];
  return [{ cut, afterCm: at(limb.id, cut.upToCm ?? cut.atCm), heir: 'bud' }];
}

/** A limb may go whole, and one of several stems at the stool. */
function wholeLimb(limb: Limb, limbs: Limb[]): Lowering[] {
  const cut = shapeCut(limbs, limb.id, null, {
    findingId: heightId(limb.id),
    disorder: plainDisorder('misplaced'),
    stool: true,
  });
  return cut ? [{ cut, afterCm: 0, heir: 'none' }] : [];
}

function leftAfter(limb: Limb, atCm: number, kept: Limb, own: Limb[], heights: Heights): number {
  const { index } = heights;
  const stands = own.filter(({ id }) => id !== limb.id && standsBelow(id, limb.id, atCm, index));
  const ofHeir = heights.limbs.filter(({ id }) =>
    [...wayToStool(index, id, 0)].some(({ limbId }) => limbId === kept.id),
  );
  return Math.max(heights.at(limb.id, atCm), highest(stands, heights), highest(ofHeir, heights));
}

/** Does it hang on the limb nearer than the kerf? */
function standsBelow(id: string, limbId: string, atCm: number, index: LimbIndex): boolean {
  const joint = [...wayToStool(index, id, 0)].find((place) => place.limbId === limbId);
  return (joint?.atCm ?? 0) <= atCm;
}

function highest(limbs: Limb[], heights: Heights): number {
  return Math.max(0, ...limbs.flatMap(({ id, lengthCm }) => [heights.at(id, 0), heights.at(id, lengthCm)]));
}

function heightsIn(limbs: Limb[], targetCm: number): Heights {
  const shape = limbShape(limbs);
  const index = indexLimbs(limbs);
  return {
    limbs,
    index,
    targetCm,
    at(limbId, s) {
      const stick = shape.get(limbId) as { base: Point; tip: Point };
      const share = s / (index.byId.get(limbId) as Limb).lengthCm;
      return stick.base.z + (stick.tip.z - stick.base.z) * share;
    },
  };
}

/** For each limb the one that it is brought down with: itself, where it joins low enough. */
function owners({ limbs, at, targetCm, index }: Heights): Map<string, string> {
  const found = new Map<string, string>();
  const ownerOf = (limb: Limb): string => {
    const parent = limb.parentId === null ? undefined : index.byId.get(limb.parentId);
    const own = !parent || at(limb.id, 0) <= targetCm + JOINS_WITHIN_CM;
    const owner = own ? limb.id : ownerOf(parent);
    found.set(limb.id, owner);
    return owner;
  };
  for (const limb of limbs) ownerOf(limb);
  return found;
}
