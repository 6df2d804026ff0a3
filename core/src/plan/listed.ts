// A plan as lists of trees take it.
import type { ListedPlan } from './keptShape';
import { worthOf } from './problem';
import type { PlannedStep } from './treePlan';
import { standOf, visitKey } from './visit';
import { passNow, type Solved, visitsOf } from './visits';

/** A plan without what it was chosen from: a twentieth of it, and all that a list, a run or the orchard from above says of it. */
export function listedOf(solved: Solved): ListedPlan {
  const { prepared, plan, orders } = solved;
  const cuts: ListedPlan['cuts'] = {};
  for (const { steps } of visitsOf(solved))
    for (const { step, cut, priced } of steps)
      if (cut && priced.handling)
        cuts[step.candidateId] = {
          cut,
          minutes: priced.minutes.minutes,
          plainMinutes: priced.minutes.plain,
          massKg: priced.handling.massKg,
          ...standOf(priced, prepared.input.tree),
        };
  return {
    plan,
    orders,
    now: passNow(prepared.problem.slots),
    cuts,
    worth: visitWorth(solved),
    musts: prepared.asked.flatMap(({ must, findingId }) => (must && findingId ? [findingId] : [])),
  };
}

/** The steps that are due now, in their order. */
export function listedNow({ plan, orders, now }: ListedPlan): PlannedStep[] {
  if (now === null) return [];
  const due = plan.steps.filter(({ season, pass }) => season === 1 && pass === now);
  const order = orders[visitKey({ season: 1, pass: now })]?.order ?? [];
  return order.flatMap((id) => due.filter(({ candidateId }) => candidateId === id));
}

function visitWorth({ prepared: { problem, all }, plan }: Solved): ListedPlan['worth'] {
  const now = passNow(problem.slots);
  const isDue = ({ season, pass }: PlannedStep) => season === 1 && pass === now;
  const due = plan.steps.filter(isDue);
  if (due.length === 0) return null;
  const chosen = (steps: readonly PlannedStep[]) =>
    problem.candidates.map(({ id }) => {
      const step = steps.find(({ candidateId }) => candidateId === id);
      return problem.slots.findIndex(({ season, pass }) => season === step?.season && pass === step.pass);
    });
  const ids = new Set(due.map(({ candidateId }) => candidateId));
  const minutes = problem.candidates.reduce((sum, each) => sum + (ids.has(each.id) ? each.minutes : 0), 0);
  const others = plan.steps.filter((step) => !isDue(step));
  const points = worthOf(problem, chosen(plan.steps)) - worthOf(problem, chosen(others));
  return {
    points: points + minutes * problem.costs.minute,
    woundCm2: all.reduce((sum, { id, handling }) => {
      return sum + (handling && ids.has(id) ? (Math.PI / 4) * (handling.kerfMm / 10) ** 2 : 0);
    }, 0),
  };
}
