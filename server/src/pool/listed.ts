// Trees as lists take them, from their records and the plans that are kept of them.
import type { WorkPace } from '@mortisect/core/handling';
import type { Units } from '@mortisect/core/measure';
import { type KeptPlan, planStamp } from '@mortisect/core/plan';
import { planInputOf, siteToday, treeView } from '@mortisect/core/present';
import { type Site, TreeDetail } from '@mortisect/core/records';
import { type ListedTree, listedTreeOf } from '@mortisect/core/run';

export interface TreesToList {
  trees: { detail: TreeDetail; kept: KeptPlan | null }[];
  site: Site;
  units: Units;
  day: string;
  paces: readonly WorkPace[];
}

export function listedTrees({ trees, site, units, day, paces }: TreesToList): ListedTree[] {
  const today = siteToday(site, units, day, paces);
  return trees.map(({ detail, kept }) => {
    // One from before lists were shown from plans says no cuts
    const listed = kept?.now ? kept : null;
    const isCurrent = listed?.stamp === planStamp(planInputOf(detail, site, day, paces));
    // What a record of an earlier version leaves out is filled in, as the app does
    return listedTreeOf(treeView(TreeDetail.parse(detail), today), listed, today, isCurrent);
  });
}
