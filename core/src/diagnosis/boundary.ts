// Between which points on this limb does dead wood end, and where to scratch next?
import { z } from 'zod';

export const scratchReadings = ['green', 'brown', 'unsure'] as const;
export const Scratch = z.strictObject({
  atCm: z.number().min(0).max(3000).describe('cm along the limb from its base'),
  reads: z.enum(scratchReadings).describe('green: moist and alive; brown: dry and dead'),
});
export type Scratch = z.infer<typeof Scratch>;

interface LiveBoundary {
  /** Live wood reaches at least to here; 0 where nothing green was found. */
  liveToCm: number;
  /** Dead wood begins at the latest here; the limb's end where nothing brown was found. */
  deadFromCm: number;
  /** Where the next scratch halves what is not known; null once it is as fine as the tape asks for. */
  nextCm: number | null;
  /** Scratches that contradict the rest: green beyond brown. The wood is patchy, or a reading is wrong. */
  contradictedBy: number[];
  /** No green scratch at all: the whole limb may be dead. */
  noneGreen: boolean;
  noneBrown: boolean;
}

const FINE_ENOUGH_CM = 2;

/**
 * The boundary between live and dead wood as an interval, from scratches along the limb. Dead wood lies toward the tip.
 * An unsure scratch says nothing of its own, but the next one is not made at the same place.
 * Where readings contradict one another the most brown toward the trunk counts: too little is worse than too much.
 *
 * @param lengthCm length of the limb
 * @example liveBoundary([{ atCm: 20, reads: 'green' }, { atCm: 60, reads: 'brown' }], 90).nextCm //=> 40
 */
export function liveBoundary(scratches: readonly Scratch[], lengthCm: number): LiveBoundary {
  const at = (reads: Scratch['reads']) =>
    scratches.filter((scratch) => scratch.reads === reads).map((scratch) => scratch.atCm);
  const browns = at('brown');
  const deadFromCm = Math.min(lengthCm, ...browns);
  const greens = at('green');
  // Where nothing is brown the wood may be alive to its very end
  const isBelow = (cm: number) => cm < deadFromCm || browns.length === 0;
  const below = greens.filter(isBelow);
  const contradictedBy = greens.filter((cm) => !isBelow(cm)).sort((a, b) => a - b);
  const liveToCm = Math.max(0, ...below);
  const open = deadFromCm - liveToCm;
  return {
    liveToCm,
    deadFromCm,
    nextCm: open <= FINE_ENOUGH_CM ? null : awayFrom(at('unsure'), liveToCm, deadFromCm),
    contradictedBy,
    noneGreen: below.length === 0,
    noneBrown: browns.length === 0,
  };
}

/** The middle of the widest stretch that no unsure scratch divides, so that the next reading tells most. */
function awayFrom(unsure: number[], from: number, to: number): number {
  const middle = (from + to) / 2;
  const near = unsure.filter((cm) => Math.abs(cm - middle) < (to - from) / 8);
  if (near.length === 0) return middle;
  const ends = [from, ...near.sort((a, b) => a - b), to];
  let best = { at: middle, width: -1 };
  ends.slice(1).forEach((end, i) => {
    const start = ends[i] as number;
    if (end - start > best.width) best = { at: (start + end) / 2, width: end - start };
  });
  return best.at;
}
