// Which values fit what was measured, and how sure are they? Weighted least squares.
import { Matrix, pseudoInverse, solve } from 'ml-matrix';

export interface Fit {
  values: number[];
  /** What is left over, each in units of its own standard deviation. */
  residuals: number[];
  /** Rows and columns in the order of the values. */
  covariance: number[][];
}

const MOST_STEPS = 60;
const SMALLEST = 1e-9;

/**
 * Values at which the sum of the squared residuals is least: Gauss–Newton steps, shortened where they would lead uphill.
 *
 * @param residualsOf one number for each thing measured or known beforehand, divided by its standard deviation
 * @param start near enough for the steps to lead down to it
 * @source Levenberg 1944, Q. Appl. Math. 2:164; covariance of a linear fit: any handbook of adjustment
 */
export function fitted(residualsOf: (values: readonly number[]) => number[], start: readonly number[]): Fit {
  let values = [...start];
  let residuals = residualsOf(values);
  let damping = 1e-3;
  for (let step = 0; step < MOST_STEPS; step++) {
    const slopes = slopesOf(residualsOf, values, residuals);
    const toward = slopes.transpose().mmul(Matrix.columnVector(residuals));
    const normal = slopes.transpose().mmul(slopes);
    const damped = normal.clone();
    for (let i = 0; i < values.length; i++) damped.set(i, i, normal.get(i, i) * (1 + damping) + SMALLEST);
    if (!areNumbers(damped) || !areNumbers(toward)) break;
    const move = solve(damped, toward, true).to1DArray();
    const next = values.map((value, i) => value - (move[i] as number));
    const left = residualsOf(next);
    const gained = squares(residuals) - squares(left);
    if (gained < 0 || Number.isNaN(gained)) {
      damping *= 8;
      if (damping > 1e9) break;
      continue;
    }
    [values, residuals, damping] = [next, left, damping / 8];
    if (gained < SMALLEST * (1 + squares(residuals))) break;
  }
  const slopes = slopesOf(residualsOf, values, residuals);
  const normal = slopes.transpose().mmul(slopes);
  // Where nothing that was measured tells of a value there is no inverse
  const covariance = areNumbers(normal) ? pseudoInverse(normal) : Matrix.zeros(values.length, values.length);
  return { values, residuals, covariance: covariance.to2DArray() };
}

/**
 * How far what is made from uncertain values gives, to first order: one standard deviation of each result.
 *
 * @param of what is made; every result must be smooth near the values
 */
export function spreadOf(
  of: (values: readonly number[]) => number[],
  values: readonly number[],
  covariance: number[][],
): number[] {
  const middle = of(values);
  const slopes = values.map((value, i) => {
    const by = SMALL_SHARE * Math.sqrt(covariance[i]?.[i] ?? 0) || STEP;
    return of(values.with(i, value + by)).map((moved, row) => (moved - (middle[row] as number)) / by);
  });
  return middle.map((_, row) => {
    const slope = Matrix.columnVector(slopes.map((column) => column[row] as number));
    const variance = slope.transpose().mmul(new Matrix(covariance)).mmul(slope).get(0, 0);
    return Math.sqrt(Math.max(0, variance));
  });
}

/** Of a standard deviation: small enough for a slope. */
const SMALL_SHARE = 1e-3;
const STEP = 1e-6;

function slopesOf(
  residualsOf: (values: readonly number[]) => number[],
  values: readonly number[],
  residuals: readonly number[],
): Matrix {
  const slopes = Matrix.zeros(residuals.length, values.length);
  values.forEach((value, column) => {
    const by = STEP * Math.max(1, Math.abs(value));
    const moved = residualsOf(values.with(column, value + by));
    residuals.forEach((was, row) => {
      slopes.set(row, column, ((moved[row] as number) - was) / by);
    });
  });
  return slopes;
}

const areNumbers = (matrix: Matrix) => matrix.to1DArray().every(Number.isFinite);
const squares = (all: readonly number[]) => all.reduce((sum, one) => sum + one * one, 0);
