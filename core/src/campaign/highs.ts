// HiGHS behind the solver’s door; whoever runs the core loads it.
import type { Solver } from './lp';

/** As much of the npm package as is used. */
interface HighsModel {
  options: { set(values: Readonly<Record<string, string | number | boolean>>): unknown };
  info: { get(name: string): unknown };
  run(): unknown;
  getModelStatus(): number;
  getColName(column: number): string;
  getSolution(): { colValue: ArrayLike<number> };
}

export interface Highs {
  withModel<R>(source: { format: 'lp'; data: string }, use: (model: HighsModel) => R): R;
}

/** kHighsModelStatusOptimal and kSolutionStatusFeasible of the solver. */
const OPTIMAL = 7;
const FEASIBLE = 2;

export function solverOf(highs: Highs): Solver {
  return (lp, { gap, nodes } = {}) =>
    highs.withModel({ format: 'lp', data: lp }, (model) => {
      model.options.set({
        ...{ output_flag: false, random_seed: 0 },
        ...(gap !== undefined && { mip_rel_gap: gap }),
        ...(nodes !== undefined && { mip_max_nodes: nodes }),
      });
      model.run();
      const { colValue } = model.getSolution();
      const named = Array.from(colValue, (figure, i): [string, number] => [model.getColName(i), figure]);
      const feasible = model.info.get('primal_solution_status') === FEASIBLE;
      const bound = nodes === undefined ? null : Number(model.info.get('mip_dual_bound'));
      return {
        optimal: model.getModelStatus() === OPTIMAL,
        bound: bound !== null && Number.isFinite(bound) ? bound : null,
        values: feasible ? Object.fromEntries(named.filter(([, figure]) => figure !== 0)) : null,
      };
    });
}
