// The same wild tree mapped twice: limb by limb, and its uprights as bundles with a count that was guessed. Invented, for tests and figures.
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { type Limb, onStretch } from '../../tree/index';
import type { PlanInput } from '../input';
import { fault, given, limb } from './given';

const SCAFFOLDS = 5;
const YEARS = 4;

export interface TwiceMapped {
  full: PlanInput;
  coarse: PlanInput;
}

/** @param missed hundredths that each count is guessed wrong by */
export function twiceMapped(seed: number, missed: number): TwiceMapped {
  const rng = xoroshiro128plus(seed * 6151 + 3);
  const int = (from: number, to: number) => uniformInt(rng, from, to);
  const frame = [limb('T', null, 0, 120, 180, { tipMm: 150 })];
  const shoots: Limb[] = [];
  const bundles: Limb[] = [];
  for (let s = 0; s < SCAFFOLDS; s++) {
    const on = `S${s}`;
    frame.push(limb(on, 'T', 60 + 10 * s, int(200, 320), int(60, 100), { bearingDeg: 72 * s, tipMm: 12 }));
    const own = Array.from({ length: int(4, 16) }, (_, i) =>
      limb(`${on}u${i}`, on, int(40, 180), 100, int(9, 18), {
        bearingDeg: 72 * s,
        inclinationDeg: 82,
        ageYears: YEARS,
        kind: 'sprout',
        tipMm: 4,
      }),
    );
    shoots.push(...own);
    const joints = own.map(({ jointCm }) => jointCm);
    const { jointCm, overCm } = onStretch(Math.min(...joints), Math.max(...joints));
    const mm = own.reduce((sum, { baseMm }) => sum + baseMm, 0) / own.length;
    const about = Math.max(2, Math.round(own.length * (1 + missed / 100)));
    bundles.push({ ...(own[0] as Limb), id: `${on}b`, jointCm, baseMm: mm, bundle: { about, overCm } });
  }
  const planned = (uprights: Limb[]) =>
    given(
      uprights.map(({ id }) => fault(`f ${id}`, id, 'upright sprout')),
      {
        tree: { limbs: [...frame, ...uprights], form: 'wild', heightCm: 380 },
        // A handful goes whole or not at all: with little room the two maps would be compared by that alone
        plan: { limit: 500, seasons: 3 },
      },
    );
  return { full: planned(shoots), coarse: planned(bundles) };
}
