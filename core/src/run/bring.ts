// What to bring for the cuts ahead, and what is missing, before anybody leaves.
import {
  type Agent,
  agentOf,
  type CleaningMethod,
  HANDLING_SECONDS,
  type Supplies,
  supplies,
  usualMethod,
} from '../blades/index';
import { isPlainDead } from '../disorders/index';
import { type KitGap, kitGap, type Tool } from '../handling/index';
import type { SiteToday } from '../present/index';
import { cleaningsAhead } from './bladeAtHand';
import type { Run } from './run';
import type { RunItem } from './work';

export interface Bring {
  tools: { tool: Tool; cuts: number; thickestMm: number }[];
  ladder: boolean;
  /** What the kit cannot do. */
  missing: { itemId: string; treeCode: string; gap: KitGap; kerfMm: number; kerfHeightCm: number }[];
  supplies: Supplies;
  method: CleaningMethod;
  cleanings: number;
  minutes: number;
}

/** @param method how blades are cleaned; the usual one of the agent where it is not said */
export function bringFor(
  { left }: Pick<Run, 'left'>,
  today: SiteToday,
  agent: Agent = agentOf(today.site.agentId),
  method: CleaningMethod = usualMethod(agent),
): Bring {
  const { kit } = today.site.plan;
  const tools = kit.flatMap((tool) => {
    const cuts = left.filter((item) => item.handling.wielded?.toolId === tool.id);
    const thickestMm = Math.max(0, ...cuts.map((item) => item.handling.kerfMm));
    return cuts.length > 0 ? [{ tool, cuts: cuts.length, thickestMm }] : [];
  });
  const cleanings = cleaningsAhead(left, today);
  const minutes = left.reduce((sum, item) => sum + item.minutes, 0);
  return {
    tools,
    ladder: left.some((item) => item.ladder),
    missing: left.flatMap((item) => missingFor(item, today)),
    supplies: supplies({
      cleanings,
      method,
      hours: Math.min(24, minutes / 60),
      contactSeconds: agent.contactSeconds,
      handlingSeconds: HANDLING_SECONDS,
      cutEverySeconds: Math.max(5, (minutes * 60) / Math.max(1, left.length)),
      blades: Math.max(1, ...tools.map(({ tool }) => tool.count ?? 1)),
    }),
    method,
    cleanings,
    minutes,
  };
}

function missingFor({ id, tree, handling, disorders }: RunItem, { site }: SiteToday): Bring['missing'] {
  const { kerfMm, kerfHeightCm, wielded } = handling;
  const cut = { kerfMm, dead: isPlainDead(disorders), wielded };
  const gap = kitGap(site.plan.kit, cut, site.gear.includes('ladder'));
  return gap ? [{ itemId: id, treeCode: tree.code, gap, kerfMm, kerfHeightCm }] : [];
}
