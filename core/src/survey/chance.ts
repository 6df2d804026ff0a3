// How far off is what somebody taps, paces and holds? The same each time for the same seed.
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

export interface Chance {
  between(least: number, most: number): number;
  /** Spread like a bell round nothing; one standard deviation is given. */
  off(spread: number): number;
}

export function chance(seed: number): Chance {
  const source = xoroshiro128plus(seed);
  const between = (least: number, most: number) => least + (most - least) * uniformFloat64(source);
  // Box and Muller 1958, Ann. Math. Stat. 29:610
  const bell = () => Math.sqrt(-2 * Math.log(1 - between(0, 1))) * Math.cos(2 * Math.PI * between(0, 1));
  return { between, off: (spread) => spread * bell() };
}
