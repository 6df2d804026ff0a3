// What share of buds or flowers does a frost kill?
import { upperTail } from '../residual/index';

/** Standard normal deviates between a tenth and nine tenths. */
const SPAN = 2.563103;
/** Acclimation, humidity and supercooling shift a kill temperature by so much either way, °C. */
export const KILL_SHIFT_C = 1.5;

/**
 * Share killed by about half an hour at a temperature, between the published tenth and nine tenths by a normal curve.
 *
 * @param tenthC temperature that kills a tenth, °C
 * @param nineTenthsC temperature that kills nine tenths, °C; lower
 * @example killedShare(-3.5, -2.78, -4.44) //=> 0.43
 */
export function killedShare(temperatureC: number, tenthC: number, nineTenthsC: number): number {
  const middle = (tenthC + nineTenthsC) / 2;
  const sigma = (tenthC - nineTenthsC) / SPAN;
  return upperTail((temperatureC - middle) / sigma);
}
