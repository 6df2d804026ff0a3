// Which share of the living crown hangs beyond this place on the tree?
import { z } from 'zod';
import {
  ageYearsAt,
  alike,
  diameterMmAt,
  indexLimbs,
  type Limb,
  type LimbIndex,
  section,
} from '../tree/index';
import { type FruitingTree, fruitingShare } from './fruiting';

/** Wood that carries nothing alive from s outward. */
interface DeadFrom {
  limbId: string;
  fromCm: number;
}

/** A stretch of one limb with the living crown it carries itself, without its side branches. */
export const CrownPiece = z.strictObject({
  limbId: z.string(),
  fromCm: z.number(),
  toCm: z.number(),
  crown: z.number().int().describe('thousandths of the living crown; all add up to 1000'),
  fruit: z.number().int().describe('the fruiting part of them'),
});
type CrownPiece = z.infer<typeof CrownPiece>;

export interface CrownMap {
  pieces: CrownPiece[];
  /** Limbs whose thickness was never measured: their share rests on length and age. */
  guessedLimbIds: string[];
  /** Living limbs on the map. */
  limbCount: number;
}

/** The whole crown. */
const WHOLE_CROWN = 1000;
/** A stem that ends this close to its topmost joint has no leader of its own. */
const LEADER_FROM_CM = 10;
/** And one that is hardly thinner at its end than at that joint is a stump. */
const STUMP_FROM = 0.8;
/** A limb ends thinner than this, mm, unless it was cut. */
const NATURAL_TIP_MM = 15;

interface Part {
  weight: number;
  child?: Limb;
  piece?: { limbId: string; fromCm: number; toCm: number };
}

/**
 * Shares the living crown from the trunk out: 1000 over the main limbs by d² at the base, then along each limb over its pieces and side
 * branches by d², by largest remainders, so that whole pieces add up. A piece carries what its taper gives off; the last one what is
 * left at the end of the limb. Wood that is dead carries nothing and takes no share. Stem wood below its topmost joint carries nothing.
 *
 * @param dead where dead wood begins
 * @param breaks places at which pieces end, so that a kerf there parts no piece; s in cm by limb
 * @param tree what bears fruit on it
 * @returns pieces that add up to 1000; none where nothing is alive
 * @source Shinozaki et al. 1964, Jpn J. Ecol. 14:97, pipe model
 */
export function crownMap(
  limbs: Limb[],
  dead: readonly DeadFrom[],
  breaks: ReadonlyMap<string, readonly number[]>,
  tree: FruitingTree,
): CrownMap {
  const index = indexLimbs(limbs);
  const deadFrom = new Map<string, number>();
  for (const { limbId, fromCm } of dead)
    deadFrom.set(limbId, Math.min(fromCm, deadFrom.get(limbId) ?? Number.POSITIVE_INFINITY));
  const pieces: CrownPiece[] = [];
  const share = (parts: Part[], crown: number) => {
    const units = largestRemainders(
      parts.map((part) => part.weight),
      crown,
    );
    parts.forEach((part, i) => {
      const ownUnits = units[i] as number;
      if (part.child) share(partsOf(part.child, index, deadFrom, breaks), ownUnits);
      else if (part.piece && ownUnits > 0) pieces.push(pieceOf(part.piece, ownUnits, index, tree));
    });
  };
  const standing = limbs.filter((limb) => limb.parentId === null);
  share(
    standing.flatMap((limb) =>
      limb.kind === 'trunk'
        ? partsOf(limb, index, deadFrom, breaks)
        : isAlive(limb, deadFrom)
          ? [{ weight: livingSection(limb, index, deadFrom), child: limb }]
          : [],
    ),
    WHOLE_CROWN,
  );
  const living = new Set(pieces.map((piece) => piece.limbId));
  return {
    pieces,
    guessedLimbIds: limbs.filter((limb) => limb.guessed && living.has(limb.id)).map((limb) => limb.id),
    limbCount: living.size,
  };
}

function isAlive(limb: Limb, deadFrom: Map<string, number>): boolean {
  return (deadFrom.get(limb.id) ?? limb.lengthCm) > 0;
}

/** What of its section at the base feeds living wood: what fed the dead end of a limb, or the end that was cut off, feeds nothing now. */
function livingSection(limb: Limb, index: LimbIndex, deadFrom: Map<string, number>): number {
  const endCm = Math.min(limb.lengthCm, deadFrom.get(limb.id) ?? limb.lengthCm);
  const wasCut = limb.uncutLengthCm !== undefined && limb.tipMm > NATURAL_TIP_MM;
  if (endCm === limb.lengthCm && !wasCut) return section(limb);
  const onIt = livingChildren(limb, endCm, index, deadFrom).reduce(
    (sum, child) => sum + livingSection(child, index, deadFrom),
    0,
  );
  const gone = alike(limb) * diameterMmAt(limb, endCm) ** 2;
  return Math.min(section(limb), onIt + section(limb) - gone);
}

function livingChildren(limb: Limb, endCm: number, index: LimbIndex, deadFrom: Map<string, number>): Limb[] {
  return (index.childrenOf.get(limb.id) ?? []).filter(
    (child) => child.jointCm <= endCm && isAlive(child, deadFrom),
  );
}

function partsOf(
  limb: Limb,
  index: LimbIndex,
  deadFrom: Map<string, number>,
  breaks: ReadonlyMap<string, readonly number[]>,
): Part[] {
  const endCm = Math.min(limb.lengthCm, deadFrom.get(limb.id) ?? limb.lengthCm);
  const children = livingChildren(limb, endCm, index, deadFrom);
  const top = Math.max(0, ...children.map((child) => child.jointCm));
  const fromCm = limb.kind === 'trunk' && children.length > 0 ? top : 0;
  return [
    ...children.map((child): Part => ({ weight: livingSection(child, index, deadFrom), child })),
    ...ownParts(limb, fromCm, endCm, children, breaks.get(limb.id) ?? []),
  ];
}

function ownParts(
  limb: Limb,
  fromCm: number,
  endCm: number,
  children: Limb[],
  breaks: readonly number[],
): Part[] {
  const goesOn = children.some((child) => child.jointCm >= endCm - 1 && child.baseMm >= limb.tipMm * 0.7);
  const noLeader =
    limb.kind === 'trunk' &&
    children.length > 0 &&
    (endCm - fromCm < LEADER_FROM_CM || limb.tipMm > STUMP_FROM * diameterMmAt(limb, fromCm));
  if (endCm <= fromCm || noLeader) return [];
  const stops = [
    ...new Set([...children.map((child) => child.jointCm), ...breaks].filter((s) => s > fromCm && s < endCm)),
    endCm,
  ].sort((a, b) => a - b);
  let at = fromCm;
  return stops.map((toCm) => {
    const piece = { limbId: limb.id, fromCm: at, toCm };
    const given = diameterMmAt(limb, at) ** 2 - diameterMmAt(limb, toCm) ** 2;
    // What is left at the end carries the tip, unless the wood goes on as another limb or is dead from there
    const left =
      toCm === limb.lengthCm && !goesOn && !isStub(limb, children) ? diameterMmAt(limb, toCm) ** 2 : 0;
    at = toCm;
    return { weight: Math.max(0, given) + left, piece };
  });
}

/** The end of a limb that was cut back: what it fed went with the wood. */
function isStub(limb: Limb, children: Limb[]): boolean {
  const besideEnd = children.some((child) => child.jointCm >= limb.lengthCm - LEADER_FROM_CM);
  return (
    limb.tipMm > NATURAL_TIP_MM && limb.kind !== 'trunk' && (limb.uncutLengthCm !== undefined || besideEnd)
  );
}

function pieceOf(
  { limbId, fromCm, toCm }: { limbId: string; fromCm: number; toCm: number },
  crown: number,
  index: LimbIndex,
  tree: FruitingTree,
): CrownPiece {
  const limb = index.byId.get(limbId) as Limb;
  const years = ageYearsAt(limb, (fromCm + toCm) / 2);
  return { limbId, fromCm, toCm, crown, fruit: Math.round(crown * fruitingShare(tree, years)) };
}

/**
 * Whole numbers in proportion to the weights that add up to the sum: each gets its whole part, the largest remainders one more.
 *
 * @example largestRemainders([1, 1, 1], 100) //=> [34, 33, 33]
 */
export function largestRemainders(weights: readonly number[], sum: number): number[] {
  const whole = weights.reduce((a, b) => a + b, 0);
  if (whole === 0) return weights.map(() => 0);
  const exact = weights.map((weight) => (sum * weight) / whole);
  const units = exact.map(Math.floor);
  const left = sum - units.reduce((a, b) => a + b, 0);
  const byRest = exact
    .map((value, i) => ({ i, rest: value - Math.floor(value) }))
    .sort((a, b) => b.rest - a.rest || a.i - b.i);
  for (const { i } of byRest.slice(0, left)) units[i] = (units[i] as number) + 1;
  return units;
}
