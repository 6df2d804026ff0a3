// How would a wound made at one hour live through its weather? Every factor day by day.
import { dayAfter } from '../weather/index';
import { groupTiming } from './groupTiming';
import { chanceOf, exposureOf, inoculumOn, inoculumWeights, suitability, susceptibility } from './lambda';
import type { TimingInput, TreeGroup } from './model';
import { pathogensIn } from './pathogens';
import type { Curves, GroupTiming } from './shapes';
import { type Shared, sharedOf } from './shared';
import { stagedOf } from './staged';
import { bandOf, woundsOf } from './wounds';

/** Days that are drawn: by then nearly every wound is closed. */
const CURVE_DAYS = 42;
const DAY = 24;

type PathogenCurve = Curves['pathogens'][number];

/** A group’s ten days, and the curves of a wound made at an hour; at the best half-day ahead where none is named. */
export function groupWithCurves(
  input: TimingInput,
  group: TreeGroup,
  cutHour: number | null,
): { group: GroupTiming; curves: Curves } {
  const shared = sharedOf(input);
  const timing = groupTiming(group, input, shared);
  const rank = { go: 0, possible: 1, wait: 2 } as const;
  const best = timing.cells.toSorted((a, b) => rank[a.verdict] - rank[b.verdict] || a.cutHour - b.cutHour)[0];
  const last = shared.halves.at(-1)?.cutHour ?? shared.nowHour;
  const at = Math.max(shared.nowHour, Math.min(last, cutHour ?? best?.cutHour ?? shared.nowHour));
  return { group: timing, curves: curvesOf(group, input, shared, at) };
}

function curvesOf(group: TreeGroup, input: TimingInput, shared: Shared, cutHour: number): Curves {
  const { outlook, clock } = shared;
  const { latitude } = input.place;
  const { stages, byDay } = stagedOf(group, input, shared);
  const start = cutHour - outlook.fromHour;
  const wounds = woundsOf(outlook, [cutHour], latitude, input.seed);
  const used = pathogensIn(group.loads);
  const scenarios = outlook.scenarios.length;
  const first = clock.day(cutHour);
  const days = Array.from({ length: CURVE_DAYS }, (_, d) => {
    const day = dayAfter(first, d);
    const at = byDay.get(day);
    const stageDay = at === undefined ? undefined : stages.days[at];
    return {
      day,
      minC: stageDay?.minC ?? meanOver(outlook, start + d * DAY, Math.min),
      maxC: stageDay?.maxC ?? meanOver(outlook, start + d * DAY, Math.max),
      hardinessC: at === undefined ? null : (stages.hardinessC[at] ?? null),
      rainHours: rainHoursOf(outlook, start + d * DAY),
      known: cutHour + d * DAY < outlook.knownToHour,
    };
  });
  return {
    cutHour,
    days,
    pathogens: used.map((pathogen): PathogenCurve => {
      const load = group.loads[pathogen.code] ?? 0;
      const inoculum = inoculumWeights(
        pathogen,
        outlook.fromHour,
        outlook.scenarios[0]?.temperatureC.length ?? 0,
        latitude,
      );
      const susceptible = Array<number>(CURVE_DAYS).fill(0);
      const adds = Array<number>(CURVE_DAYS).fill(0);
      const suitable = Array<number>(CURVE_DAYS).fill(0);
      for (const { temperatureC, wetness, weather } of outlook.scenarios) {
        const exposure = exposureOf(pathogen, weather, inoculum);
        const from = exposure.warmth[start] as number;
        const left = (hour: number) => susceptibility((exposure.warmth[hour] as number) - from, pathogen);
        exposure.at.forEach((hour, k) => {
          const d = Math.floor((hour - start) / DAY);
          if (d >= 0 && d < CURVE_DAYS)
            adds[d] = (adds[d] as number) + (load * (exposure.hazard[k] as number) * left(hour)) / scenarios;
        });
        for (let d = 0; d < CURVE_DAYS; d++) {
          susceptible[d] = (susceptible[d] as number) + left(start + (d + 1) * DAY) / scenarios;
          suitable[d] =
            (suitable[d] as number) +
            suitableOn(temperatureC, wetness, start + d * DAY, pathogen) / scenarios;
        }
      }
      const central = (wounds.central[pathogen.code][0] ?? []).map((lambda) => chanceOf(load * lambda));
      const drawn = (wounds.drawn[pathogen.code][0] ?? []).map((lambda) => chanceOf(load * lambda));
      return {
        code: pathogen.code,
        load,
        chance: central.reduce((sum, chance) => sum + chance, 0) / Math.max(1, central.length),
        chanceBand: bandOf(drawn),
        consequence: pathogen.consequence,
        susceptible,
        suitable,
        inoculum: days.map(({ day }) => inoculumOn(pathogen, day, latitude)),
        adds,
      };
    }),
  };
}

function suitableOn(
  temperatureC: Float64Array,
  wetness: Float64Array,
  from: number,
  pathogen: Parameters<typeof suitability>[1],
): number {
  let sum = 0;
  let wet = 0;
  for (let i = from; i < from + DAY; i++) {
    if ((wetness[i] ?? 0) === 0) continue;
    wet += 1;
    sum += suitability(temperatureC[i] as number, pathogen);
  }
  return wet > 0 ? sum / wet : 0;
}

function meanOver(outlook: Shared['outlook'], from: number, of: (...values: number[]) => number): number {
  const each = outlook.scenarios.map(({ temperatureC }) => of(...temperatureC.subarray(from, from + DAY)));
  return each.reduce((sum, value) => sum + value, 0) / each.length;
}

function rainHoursOf(outlook: Shared['outlook'], from: number): number {
  const each = outlook.scenarios.map(
    ({ wetness }) => wetness.subarray(from, from + DAY).filter((wet) => wet === 1).length,
  );
  return each.reduce((sum, hours) => sum + hours, 0) / each.length;
}
