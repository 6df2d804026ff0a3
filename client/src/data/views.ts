// What is computed of a tree, once for each answer of the server and each day: its view and the input of its plan.
import type { PlanInput } from '@mortisect/core/plan';
import { planInputOf, type SiteToday, type TreeView, treeView } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';

const views = new WeakMap<TreeDetail, { today: SiteToday; view: TreeView }>();
const inputs = new WeakMap<TreeDetail, { today: SiteToday; input: PlanInput }>();

/** As `treeView`; the same object for the same tree on the same day. */
export function viewOf(detail: TreeDetail, today: SiteToday): TreeView {
  const before = views.get(detail);
  if (before?.today === today) return before.view;
  const view = treeView(detail, today);
  views.set(detail, { today, view });
  return view;
}

/** As `planInputOf`; the same object for the same tree on the same day. */
export function planInputFor({ detail }: Pick<TreeView, 'detail'>, today: SiteToday): PlanInput {
  const before = inputs.get(detail);
  if (before?.today === today) return before.input;
  const input = planInputOf(detail, today.site, today.day, today.paces);
  inputs.set(detail, { today, input });
  return input;
}
