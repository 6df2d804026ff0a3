// From infection and everything else that speaks for or against a day to one index.
import type { TimingSettings } from './settings';
import { type Factors, factorNames } from './shapes';

/**
 * Chance that at least one infection takes, each weighed by what it would cost.
 *
 * @param chances by pathogen: chance of infection 0..1 and consequence 0..1
 */
export function infectionOf(chances: readonly { chance: number; consequence: number }[]): number {
  return 1 - chances.reduce((none, { chance, consequence }) => none * (1 - consequence * chance), 1);
}

/**
 * The index of a day, 0 to 100: a proposal, not a published model.
 *
 * @param infection weighed chance of infection, 0..1
 * @example scoreOf(0.2051, { cold: 0.2, heat: 0, slip: 0.5, late: 0, buds: 0, growth: 0 }, weights) //=> 32.0
 */
export function scoreOf(infection: number, factors: Factors, weights: TimingSettings['weights']): number {
  let well = 1 - infection;
  for (const name of factorNames) well *= 1 - weights[name] * factors[name];
  return 100 * (1 - well);
}

/** A value’s place between two, 0 to 1, at either end held. */
export function ramp(value: number, zeroAt: number, oneAt: number): number {
  return Math.max(0, Math.min(1, (value - zeroAt) / (oneAt - zeroAt)));
}
