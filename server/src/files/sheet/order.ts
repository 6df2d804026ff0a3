// In which order does the sheet tell the cuts of a visit?
import { type OrderResult, type PlannedStep, type Priced, visitKey } from '@mortisect/core/plan';

/** In the order that the visit takes on every screen as well. */
export function inOrder(
  steps: readonly PlannedStep[],
  byId: ReadonlyMap<string, Priced>,
  orders: Record<string, OrderResult>,
): Priced[] {
  const stepIds = new Set(steps.map((step) => step.candidateId));
  const [first] = steps;
  const order = first ? (orders[visitKey(first)]?.order ?? []) : [];
  return order.filter((id) => stepIds.has(id)).flatMap((id) => byId.get(id) ?? []);
}
