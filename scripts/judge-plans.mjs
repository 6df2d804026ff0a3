// Lets a general MILP solver judge the 120 plan instances and keeps its answers, which tests and bench compare with. The sets may be named: optima, shaped, …
import { readFileSync, writeFileSync } from 'node:fs';
import { register } from 'tsx/esm/api';

register();
const { peachInstance, planInstance, regrowingInstance, shapedInstance } = await import(
  '../core/src/plan/testing/instances.ts'
);
const { asMilp } = await import('../core/src/plan/testing/asMilp.ts');
const highs = await (await import('highs')).default();

const SIZE = { candidates: 40, seasons: 3 };
const SETS = [
  { key: 'optima', make: planInstance, count: 50 },
  { key: 'shaped', make: shapedInstance, count: 30 },
  { key: 'regrowing', make: regrowingInstance, count: 20 },
  { key: 'peaches', make: peachInstance, count: 20 },
];

function judged(problem, seed) {
  const said = highs.solve(asMilp(problem), {
    mip_rel_gap: 0,
    mip_abs_gap: 1e-9,
    mip_feasibility_tolerance: 1e-9,
    primal_feasibility_tolerance: 1e-9,
    time_limit: 900,
  });
  console.log(seed, said.Status, said.ObjectiveValue);
  return { seed, status: said.Status, worth: Math.round(said.ObjectiveValue * 1e7) / 1e7 };
}

const file = new URL('../core/src/plan/testing/optima.json', import.meta.url);
const named = process.argv.slice(2);
const answers = {
  ...JSON.parse(readFileSync(file, 'utf8')),
  ...SIZE,
  solver: 'HiGHS 1.15.3, relative gap 0',
};
for (const { key, make, count } of SETS.filter(({ key }) => named.length === 0 || named.includes(key)))
  answers[key] = Array.from({ length: count }, (_, i) => judged(make(i + 1, SIZE), i + 1));
writeFileSync(file, `${JSON.stringify(answers, null, 1)}\n`);
