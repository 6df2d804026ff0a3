// A plan as lists of trees take it.
import type { ListedPlan } from './keptShape';
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
