// Expected infections of wounds made at some hours, by pathogen, with the spread of what is uncertain. For one site: species only weigh it.
import { normalOf, uniformsOf } from '../weather/index';
import { type Exposure, exposureOf, inoculumWeights, knownShareOf, lambdaOf } from './lambda';
import type { Outlook, Scenario } from './outlook';
import { type Pathogen, type PathogenCode, pathogens } from './pathogens';

export const DRAWS = 200;
const DECILE = 1.2816;

/** Ten in a hundred lie beyond these on either side: factors, and °C for the best temperature. Ours: no source for the spread. */
export const SPREAD = { perHour: 2, halfClosed: 1.4, inoculum: 1.5, bestC: 2 } as const;

/** A chance of infection is told from this share of the wound’s open time that is known; below it is unknown. Ours: no source. */
export const LEAST_KNOWN = 0.9;

export interface Wounds {
  cutHours: number[];
  /** By pathogen, then by hour of the cut: Λ on a main host where inoculum is present, by scenario. */
  central: Record<PathogenCode, number[][]>;
  /** By pathogen, then by hour of the cut: Λ of every draw. */
  drawn: Record<PathogenCode, number[][]>;
  /** By pathogen, then by hour of the cut: share of the wound’s open time whose weather is known, the least of the scenarios. */
  known: Record<PathogenCode, number[]>;
}

/**
 * @param cutHours hours since 1970 at whose beginning a wound is made
 * @param seed of the draws; the same seed gives the same band
 * @param draws how many; each takes one past year, one strength, one pace of healing, one best temperature
 */
export function woundsOf(
  outlook: Outlook,
  cutHours: number[],
  latitude: number,
  seed: number,
  draws = DRAWS,
): Wounds {
  const central = {} as Wounds['central'];
  const drawn = {} as Wounds['drawn'];
  const knownShares = {} as Wounds['known'];
  const places = cutHours.map((hour) => hour - outlook.fromHour);
  const { scenarios } = outlook;
  const hours = scenarios[0]?.temperatureC.length ?? 0;
  for (const pathogen of pathogens) {
    const inoculum = inoculumWeights(pathogen, outlook.fromHour, hours, latitude);
    const exposures = scenarios.map((scenario) => exposureOf(pathogen, scenario.weather, inoculum));
    central[pathogen.code] = places.map((at) => exposures.map((exposure) => lambdaOf(exposure, at)));
    knownShares[pathogen.code] = places.map((at) =>
      Math.min(...exposures.map((exposure, k) => shareKnown(exposure, scenarios[k] as Scenario, at))),
    );
    const all = drawsOf(pathogen, seed, draws);
    drawn[pathogen.code] = places.map(() => []);
    all.forEach((draw, i) => {
      const scenario = scenarios[i % scenarios.length] as Scenario;
      const exposure = exposureOf(draw.pathogen, scenario.weather, inoculum);
      places.forEach((at, cut) => {
        drawn[pathogen.code][cut]?.push(draw.strength * lambdaOf(exposure, at));
      });
    });
  }
  return { cutHours, central, drawn, known: knownShares };
}

function shareKnown(exposure: Exposure, { known, gaps }: Scenario, at: number): number {
  return gaps ? knownShareOf(exposure, known, at) : 1;
}

interface Draw {
  pathogen: Pathogen;
  strength: number;
}

function drawsOf(pathogen: Pathogen, seed: number, count: number): Draw[] {
  const stream = pathogens.indexOf(pathogen) + 1;
  return Array.from({ length: count }, (_, i) => {
    const u = uniformsOf(seed + stream * 7919, i, 8);
    const z = [0, 2, 4, 6].map((k) => normalOf(u[k] as number, u[k + 1] as number) / DECILE);
    const [strength, healing, inoculum, best] = z as [number, number, number, number];
    const bestC = Math.max(
      pathogen.minC + 3,
      Math.min(pathogen.maxC - 2, pathogen.bestC + best * SPREAD.bestC),
    );
    return {
      pathogen: { ...pathogen, bestC, halfClosedDd: pathogen.halfClosedDd * SPREAD.halfClosed ** healing },
      strength: SPREAD.perHour ** strength * SPREAD.inoculum ** inoculum,
    };
  });
}

/** A tenth below, the middle, nine tenths below. */
export function bandOf(values: ArrayLike<number>): [number, number, number] {
  return [quantile(values, 0.1), quantile(values, 0.5), quantile(values, 0.9)];
}

/** The value below which a share of a list lies. */
export function quantile(values: ArrayLike<number>, share: number): number {
  const sorted = Float64Array.from(values).sort();
  const at = (sorted.length - 1) * share;
  const low = sorted[Math.floor(at)] ?? Number.NaN;
  const high = sorted[Math.ceil(at)] ?? low;
  return low + (high - low) * (at - Math.floor(at));
}
