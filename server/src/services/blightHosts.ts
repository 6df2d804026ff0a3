// How many hosts of fire blight stand near each tree: what a canker that is left into bloom may reach.
import { orchardPlan } from '@mortisect/core/register';
import { hostsNear } from '@mortisect/core/rota';
import type { TreeGroup } from '@mortisect/core/timing';
import type { Db } from '../store/openDb';
import { getTrees } from './orchard';

interface Grouped {
  groups: readonly TreeGroup[];
  groupOf: Readonly<Record<string, string>>;
}

/** @returns by tree; empty where the site has no fire blight about, or nothing that takes it */
export async function blightHosts(
  db: Db,
  { groups, groupOf }: Grouped,
  withinM: number,
): Promise<Record<string, number>> {
  const ofHosts = new Set(groups.flatMap(({ key, loads }) => ((loads.FB ?? 0) > 0 ? [key] : [])));
  if (ofHosts.size === 0) return {};
  const register = await getTrees(db);
  const standing = register.trees.filter(({ status }) => status !== 'removed');
  const { plots } = orchardPlan({ ...register, trees: standing });
  return hostsNear(plots, (id) => ofHosts.has(groupOf[id] ?? ''), withinM);
}
