// What the tree as a whole lacks: light inside.
import { LIGHT_ENOUGH_FROM, LIGHT_SEED, lightGains, openSky } from '../faults/index';
import type { PlanInput } from './input';
import { type Ask, askGoal, beyondInner, type Parts } from './parts';
import { ancestors, type PlanProblem } from './problem';
import type { LightOfPlan } from './treePlan';

/** A point of value for each point of light gained, as far as the crown lacks light; a cut counts beyond what its inner cuts gain. */
export function askLight(
  input: PlanInput,
  { doable }: Parts,
  problem: PlanProblem,
  ask: Ask,
): LightOfPlan | null {
  const { limbs } = input.tree;
  if (limbs.every((limb) => limb.kind === 'trunk')) return null;
  const kerfs = doable.flatMap(({ priced }, k) =>
    priced.kerf && priced.crown > 0 ? [{ k, kerf: priced.kerf }] : [],
  );
  const { share, points } = lightGains(
    limbs,
    LIGHT_SEED,
    kerfs.map(({ kerf }) => kerf),
    input.shades,
  );
  const open = openSky(limbs, input.shades);
  // What is hidden outside no cut brings back
  const lacks = Math.max(0, (LIGHT_ENOUGH_FROM * open - share) * 100);
  const light = { share, open, enough: LIGHT_ENOUGH_FROM };
  const sum = points.reduce((total, gain) => total + gain, 0);
  if (lacks <= 0 || sum <= 0) return light;
  const scale = Math.min(1, lacks / sum) * input.settings.weights.lightPoint;
  const alone = problem.candidates.map(() => 0);
  kerfs.forEach(({ k }, i) => {
    alone[k] = (points[i] as number) * scale;
  });
  for (const [k, value] of beyondInner(problem, alone).entries()) {
    if (value <= 0) continue;
    askGoal(
      { id: `light ${problem.candidates[k]?.id}`, what: 'light', value },
      [k, ...ancestors(problem, k)],
      problem,
      ask,
    );
  }
  return light;
}
