// Plans of trees for tests, searched where they are: there is no worker.

import { planTree, visitOrders } from '@mortisect/core/plan';
import { planInputOf } from '@mortisect/core/present';
import type { SiteToday, TreeView } from '../data/orchardView';
import type { Solved } from '../data/usePlan';

export function plansOf(views: readonly TreeView[], { site, day }: SiteToday): Map<string, Solved> {
  return new Map(
    views.map((view) => {
      const { prepared, plan } = planTree(planInputOf(view.detail, site, day));
      return [view.tree.id, { prepared, plan, orders: visitOrders(prepared, plan) }];
    }),
  );
}
