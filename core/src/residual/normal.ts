// The normal distribution, to seven places.

/**
 * Chance that a standard normal value is above z.
 *
 * @source complementary error function after Press et al., Numerical Recipes, §6.2: error everywhere below 1.2e-7
 */
export function upperTail(z: number): number {
  const x = z / Math.SQRT2;
  const t = 1 / (1 + 0.5 * Math.abs(x));
  const series = COEFFICIENTS.reduceRight((sum, c) => c + t * sum, 0);
  const erfc = t * Math.exp(-x * x + series);
  return (x >= 0 ? erfc : 2 - erfc) / 2;
}

const COEFFICIENTS = [
  -1.26551223, 1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587,
  -0.82215223, 0.17087277,
];
