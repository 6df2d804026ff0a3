// How will the tree answer this cut, and where must one look for it?
import type { z } from 'zod';
import { plainReason, reasonSchema } from '../reason/index';

export interface AnsweredCut {
  kind: 'collar' | 'reduction' | 'heading' | 'stub';
  kerfMm: number;
  pass: 'dormant' | 'summer';
  /** Share of the living crown that goes in the season, 0..1. */
  seasonShare: number;
  /** The branch that takes over is thin for it: more shoots come. */
  weakHeir?: boolean;
}

export const RegrowthReason = reasonSchema({
  'cut in summer': {},
  'large wound': {},
  'taken at its collar': {},
  shortened: {},
  'the heir is weak': {},
  'much goes at once': {},
});
export type RegrowthReason = z.infer<typeof RegrowthReason>;

export type ShootsAt = 'collar' | 'below the cut';

export interface Regrowth {
  shoots: readonly [number, number];
  /** Length against an ordinary year's shoot. */
  lengthFactor: readonly [number, number];
  where: ShootsAt;
  when: 'early summer' | 'next early summer';
  because: RegrowthReason[];
}

/** @source direction: Mika 1986, Hort. Rev. 8:337, remembered with confidence; the numbers from memory, unsure */
const LARGE_MM = 50;
const HARD_SHARE = 0.3;
/** Common practice, no source. */
const WEAK_HEIR_SHOOTS = 1.5;

/** Shoots to expect below a cut, for the recheck in early summer. Heading wakes the buds below it, thinning hardly any, a large wound many. */
export function regrowth({ kind, kerfMm, pass, seasonShare, weakHeir = false }: AnsweredCut): Regrowth {
  const hard = seasonShare > HARD_SHARE;
  const shootsAt = kind === 'collar' ? 'collar' : 'below the cut';
  const lengthFactor: readonly [number, number] = hard ? [1.5, 2] : [1, 1];
  if (pass === 'summer') {
    return {
      shoots: [0, 1],
      lengthFactor: [1, 1],
      where: shootsAt,
      when: 'next early summer',
      because: [plainReason('cut in summer')],
    };
  }
  const shoots: readonly [number, number] =
    kerfMm >= LARGE_MM
      ? [5, 15]
      : kind === 'heading' || kind === 'stub'
        ? [2, 4]
        : kind === 'reduction'
          ? [0, 2]
          : [0, 1];
  return {
    shoots: weakHeir
      ? [Math.ceil(shoots[0] * WEAK_HEIR_SHOOTS), Math.ceil(shoots[1] * WEAK_HEIR_SHOOTS)]
      : shoots,
    lengthFactor,
    where: shootsAt,
    when: 'early summer',
    because: [
      plainReason(
        kerfMm >= LARGE_MM ? 'large wound' : kind === 'collar' ? 'taken at its collar' : 'shortened',
      ),
      ...(weakHeir ? [plainReason('the heir is weak')] : []),
      ...(hard ? [plainReason('much goes at once')] : []),
    ],
  };
}
