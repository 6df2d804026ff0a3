// The same wild tree mapped twice: limb by limb, and its uprights and shoots as bundles with a count that was guessed. Invented, for tests and figures.
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { bundleParts } from '../../shaping/index';
import { type Limb, onStretch, partBundles } from '../../tree/index';
import { grainOfAll, withinOf } from '../grain';
import type { PlanInput } from '../input';
import type { Grain, TreePlan } from '../treePlan';
import { given, limb } from './given';

const SCAFFOLDS = 5;

export interface TwiceMapped {
  full: PlanInput;
  coarse: PlanInput;
}

/** @param missed hundredths that each count is guessed wrong by */
export function twiceMapped(seed: number, missed: number): TwiceMapped {
  const rng = xoroshiro128plus(seed * 6151 + 3);
  const int = (from: number, to: number) => uniformInt(rng, from, to);
  const frame = [limb('T', null, 0, 120, 180, { tipMm: 150 })];
  const singly: Limb[] = [];
  const bundles: Limb[] = [];
  const grow = (id: string, on: string, many: number, one: () => Limb) => {
    const own = Array.from({ length: many }, (_, i) => ({ ...one(), id: `${id}${i}`, parentId: on }));
    singly.push(...own);
    const mean = (of: (each: Limb) => number) => own.reduce((sum, each) => sum + of(each), 0) / many;
    const joints = own.map(({ jointCm }) => jointCm);
    const { jointCm, overCm } = onStretch(Math.min(...joints), Math.max(...joints));
    bundles.push({
      ...(own[0] as Limb),
      ...{ id: `${id}b`, jointCm },
      lengthCm: Math.round(mean(({ lengthCm }) => lengthCm)),
      baseMm: mean(({ baseMm }) => baseMm),
      inclinationDeg: Math.round(mean(({ inclinationDeg }) => inclinationDeg)),
      bundle: { about: Math.max(2, Math.round(many * (1 + missed / 100))), overCm },
    });
  };
  for (let s = 0; s < SCAFFOLDS; s++) {
    const on = `S${s}`;
    const bearingDeg = 72 * s;
    frame.push(limb(on, 'T', 60 + 10 * s, int(200, 320), int(60, 100), { bearingDeg, tipMm: 12 }));
    grow(`${on}u`, on, int(4, 16), () =>
      limb('', on, int(40, 180), int(75, 125), int(9, 18), {
        ...{ bearingDeg, inclinationDeg: int(76, 88), ageYears: 4, kind: 'sprout', tipMm: 4 },
      }),
    );
    if (seed % 2 === 0)
      grow(`${on}s`, on, int(4, 12), () =>
        limb('', on, int(40, 180), int(36, 104), int(6, 9), {
          ...{
            bearingDeg: bearingDeg + 60,
            inclinationDeg: 30,
            ageYears: 1,
            kind: 'shoot',
            tipMm: 3,
            budsComplete: false,
          },
        }),
      );
  }
  const planned = (limbs: Limb[]) =>
    given([], {
      tree: { limbs: [...frame, ...limbs], form: 'wild', heightCm: 380 },
      // A handful goes whole or not at all: with little room the two maps would be compared by that alone
      plan: { limit: 500, seasons: 3 },
    });
  const parts = bundleParts([...frame, ...bundles]);
  return {
    full: planned(singly),
    coarse: planned(partBundles(bundles, ({ id }) => parts.get(id) ?? [])),
  };
}

/** What a plan comes to over all its seasons. */
export function wholeOf({ seasons }: Pick<TreePlan, 'seasons'>): {
  minutes: number;
  crown: number;
  grain: Grain;
} {
  const sum = (of: (season: TreePlan['seasons'][number]) => number) =>
    seasons.reduce((total, season) => total + of(season), 0);
  return {
    minutes: sum(({ minutes }) => minutes),
    crown: sum(({ crown }) => crown),
    grain: grainOfAll(seasons),
  };
}

/** Does a figure of the full map lie within what the coarse one tells? */
export function isWithin(figure: number, told: number, grain: Grain['minutes']): boolean {
  const [least, most] = withinOf(told, grain) ?? [told, told];
  return least <= figure && figure <= most;
}
