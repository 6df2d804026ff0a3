// How much cold has a tree had, by three ways of counting?

/** Weinberger 1950, Proc. Am. Soc. Hort. Sci. 56:122: hours above 0 and up to 7.2 °C. */
export function isChillHour(temperatureC: number): boolean {
  return temperatureC > 0 && temperatureC <= 7.2;
}

/** Upper bounds, inclusive, and the units of an hour up to them. Richardson, Seeley & Walker 1974, HortScience 9:331. */
const UTAH: readonly (readonly [upToC: number, units: number])[] = [
  [1.4, 0],
  [2.4, 0.5],
  [9.1, 1],
  [12.4, 0.5],
  [15.9, 0],
  [18, -0.5],
  [Number.POSITIVE_INFINITY, -1],
];

/**
 * Utah chill units of one hour.
 *
 * @example utahUnits(6) //=> 1
 */
export function utahUnits(temperatureC: number): number {
  return (UTAH.find(([upTo]) => temperatureC <= upTo) as readonly [number, number])[1];
}

/** Constants of Fishman, Erez & Couvillon 1987, J. Theor. Biol. 124:473 and 126:309. */
const E0 = 4153.5;
const E1 = 12888.8;
const A0 = 139500;
const A1 = 2.567e18;
const SLOPE = 1.6;
const TF_K = 277;
/** Not 273.15: the constant 277 goes with it. */
const KELVIN = 273;

/**
 * The dynamic model: cold builds up a product that warmth takes apart again, until a portion of it is fixed for good.
 *
 * @returns portions fixed in an hour of this temperature, °C, on top of those before; each count begins with a new one
 * @source Fishman, Erez & Couvillon 1987
 */
export function dynamicPortions(): (temperatureC: number) => number {
  let built = 0;
  return (temperatureC) => {
    const kelvin = temperatureC + KELVIN;
    const sr = Math.exp((SLOPE * TF_K * (kelvin - TF_K)) / kelvin);
    const fixing = sr / (1 + sr);
    const limit = (A0 / A1) * Math.exp((E1 - E0) / kelvin);
    const rate = A1 * Math.exp(-E1 / kelvin);
    const now = limit - (limit - built) * Math.exp(-rate);
    if (now < 1) {
      built = now;
      return 0;
    }
    built = now * (1 - fixing);
    return now * fixing;
  };
}
