// Seeded noise that can be asked for any day without going through the days before it.
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Uniform numbers of one day, always the same for the same seed and day. */
export function uniformsOf(seed: number, day: number, count: number): number[] {
  const rng = xoroshiro128plus(mixed(seed, day));
  return Array.from({ length: count }, () => uniformFloat64(rng));
}

/** Two whole numbers into one that looks like neither: the finaliser of MurmurHash3 (public domain). */
export function mixed(a: number, b: number): number {
  let h = Math.imul(a ^ 0x9e3779b9, 0x85ebca6b) ^ Math.imul(b + 0x7f4a7c15, 0xc2b2ae35);
  h ^= h >>> 16;
  h = Math.imul(h, 0x85ebca6b);
  h ^= h >>> 13;
  h = Math.imul(h, 0xc2b2ae35);
  h ^= h >>> 16;
  return h | 0;
}

/** Standard normal from two uniforms. @source Box & Muller 1958, Ann. Math. Stat. 29:610 */
export function normalOf(u: number, v: number): number {
  return Math.sqrt(-2 * Math.log(1 - u)) * Math.cos(2 * Math.PI * v);
}

/**
 * Standard normal numbers of consecutive days of which each resembles the day before: an autoregression of order one, cut
 * off where its memory is below a hundredth.
 *
 * @param white one normal number a day, beginning `memoryDays(phi)` days before the first that is wanted
 * @param phi correlation of one day with the next
 */
export function smoothed(white: number[], phi: number): number[] {
  const memory = memoryDays(phi);
  const weights = Array.from({ length: memory + 1 }, (_, k) => phi ** k);
  const size = Math.sqrt(weights.reduce((sum, weight) => sum + weight * weight, 0));
  return Array.from({ length: white.length - memory }, (_, i) => {
    let sum = 0;
    for (let k = 0; k <= memory; k++) sum += (weights[k] as number) * (white[i + memory - k] as number);
    return sum / size;
  });
}

export function memoryDays(phi: number): number {
  return Math.ceil(Math.log(0.01) / Math.log(phi));
}
