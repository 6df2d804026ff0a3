// Lets a general MILP solver judge the 50 plan instances and keeps its answers, which tests and bench compare with.
import { writeFileSync } from 'node:fs';
import { register } from 'tsx/esm/api';

register();
const { planInstance } = await import('../core/src/plan/testing/instances.ts');
const { asMilp } = await import('../core/src/plan/testing/asMilp.ts');
const highs = await (await import('highs')).default();

const COUNT = 50;
const SIZE = { candidates: 40, seasons: 3 };
const optima = [];
for (let seed = 1; seed <= COUNT; seed++) {
  const said = highs.solve(asMilp(planInstance(seed, SIZE)), {
    mip_rel_gap: 0,
    mip_abs_gap: 1e-9,
    mip_feasibility_tolerance: 1e-9,
    primal_feasibility_tolerance: 1e-9,
    time_limit: 900,
  });
  optima.push({ seed, status: said.Status, worth: Math.round(said.ObjectiveValue * 1e7) / 1e7 });
  console.log(seed, said.Status, said.ObjectiveValue);
}
const file = new URL('../core/src/plan/testing/optima.json', import.meta.url);
writeFileSync(
  file,
  `${JSON.stringify({ ...SIZE, solver: 'HiGHS 1.15.3, relative gap 0', optima }, null, 1)}\n`,
);
