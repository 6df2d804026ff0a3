// Whose cut is it? A cut is the caretaker's when one way leads to every kerf of it: from the ground, with a pole, or from a three-legged ladder.
import { z } from 'zod';
import { reasonSchema } from '../reason/index';
import { isPole, LADDER_FEET_CM, reachCm, SHOULDER_CM, type Tool, takesIt, type Wielded } from './tools';

/** Where the saw goes through once, for one of the pieces. */
export interface KerfAtHand {
  /** Over the ground, cm. */
  heightCm: number;
  kerfMm: number;
}

export interface WoodAtHand {
  /** Of each piece; the last one is the kerf itself. */
  kerfs: readonly KerfAtHand[];
  /** The wood at the kerf is dead. */
  dead: boolean;
  /** All that comes off, the upper end of its range, kg; 0 where nobody has weighed it. */
  limbKg: number;
  /** Its length beyond the kerf, cm. */
  limbCm: number;
  /** Why no ladder may stand here; null where one may. */
  noLadder: NoLadder | null;
  /** Height of the shoulder of whoever cuts, cm. */
  shoulderCm?: number;
}

/** A hollow stem bears no ladder, nor does ground that is steep or soft. */
export const noLadders = {
  'no ladder': {},
  'too steep for a ladder': { overDeg: z.number() },
  'too soft for a ladder': {},
};
const NoLadder = reasonSchema(noLadders);
export type NoLadder = z.infer<typeof NoLadder>;

/** Why no way leads to a cut. */
export const wayReasons = {
  'cut too high': { overCm: z.number() },
  'piece too high': { overCm: z.number() },
  ...noLadders,
  'too thick': { overMm: z.number() },
  'too thick on a ladder': { overMm: z.number() },
  'too heavy': { overKg: z.number() },
};
const WayReason = reasonSchema(wayReasons);
type WayReason = z.infer<typeof WayReason>;

export interface Way {
  wielded: Wielded | null;
  /** Why no way leads to it; empty where one does. */
  against: WayReason[];
}

/** Common practice, no source. */
const GROUND_REACH_CM = 210;
const GROUND_MM = 150;
const LADDER_MM = 100;
export const LIMB_KG = 50;
/** The kerf no higher than the shoulder of whoever stands on the highest step that is allowed. */
export const ladderKerfCm = (shoulderCm = SHOULDER_CM) => LADDER_FEET_CM + shoulderCm;
/** How high somebody reaches from the ground without a tool that reaches farther. */
export const groundReachCm = (shoulderCm = SHOULDER_CM) => GROUND_REACH_CM + shoulderCm - SHOULDER_CM;
/** With the pole at most 60° from level, so that one stands outside of the fall line; in one piece. */
const POLE_KERF_CM = 350;
const POLE_PIECE_CM = 120;
const POLES: Partial<Record<Tool['kind'], { mm: number; kg: number }>> = {
  'pole shear': { mm: 30, kg: 5 },
  'pole saw': { mm: 50, kg: 10 },
};

/**
 * The easiest way that leads to every kerf of a cut, with the finest tool of the kit that takes it. A kit without a tool for it makes no cut an
 * arborist's: the tool is missing, and said so. A power saw is never chosen.
 *
 * @example wayTo(startingKit, { kerfs: [{ heightCm: 120, kerfMm: 18 }], dead: false, limbKg: 1, limbCm: 90, noLadder: null }).wielded?.station //=> 'ground'
 */
export function wayTo(kit: readonly Tool[], wood: WoodAtHand): Way {
  const { shoulderCm } = wood;
  const highestOnLadder = ladderKerfCm(shoulderCm);
  const highest = Math.max(...wood.kerfs.map(({ heightCm }) => heightCm));
  const thickest = Math.max(...wood.kerfs.map(({ kerfMm }) => kerfMm));
  const takes = kit
    .filter((tool) => takesIt(tool, thickest, wood.dead))
    .sort((a, b) => a.takesMm - b.takesMm || a.lengthCm - b.lengthCm);
  const hand = takes.filter((tool) => !isPole(tool));
  const groundReach =
    hand.length === 0
      ? groundReachCm(shoulderCm)
      : Math.max(...hand.map((tool) => reachCm(tool, shoulderCm)));
  const tooHeavy: WayReason[] =
    wood.limbKg > LIMB_KG ? [{ code: 'too heavy', values: { overKg: LIMB_KG } }] : [];
  const by = (tool: Tool | undefined, station: Wielded['station']): Way => ({
    wielded: tool ? { tool, station } : null,
    against: tooHeavy,
  });
  if (highest <= groundReach && thickest <= GROUND_MM)
    return by(
      hand.find((tool) => reachCm(tool, shoulderCm) >= highest),
      'ground',
    );
  const pole = takes.find((tool) => byPole(tool, wood, highest, thickest));
  if (pole) return by(pole, 'ground');
  if (highest <= highestOnLadder && thickest <= LADDER_MM && !wood.noLadder) return by(hand[0], 'ladder');
  const against: WayReason[] = [];
  const kerf = wood.kerfs.at(-1);
  if (highest > highestOnLadder)
    against.push({
      code: kerf && kerf.heightCm > highestOnLadder ? 'cut too high' : 'piece too high',
      values: { overCm: highestOnLadder },
    });
  else if (highest > groundReach && wood.noLadder) against.push(wood.noLadder);
  else if (highest > groundReach && thickest <= GROUND_MM)
    against.push({ code: 'too thick on a ladder', values: { overMm: LADDER_MM } });
  if (thickest > GROUND_MM) against.push({ code: 'too thick', values: { overMm: GROUND_MM } });
  return { wielded: null, against: [...against, ...tooHeavy] };
}

function byPole(
  tool: Tool,
  { kerfs, limbKg, limbCm, shoulderCm }: WoodAtHand,
  highest: number,
  thickest: number,
): boolean {
  const takes = POLES[tool.kind];
  return (
    takes !== undefined &&
    kerfs.length === 1 &&
    highest <= Math.min(POLE_KERF_CM, reachCm(tool, shoulderCm)) &&
    thickest <= takes.mm &&
    limbKg <= takes.kg &&
    limbCm <= POLE_PIECE_CM
  );
}
