// What to bring for the cuts ahead, and what is missing, before anybody leaves.
import {
  type Agent,
  agentOf,
  type CleaningMethod,
  HANDLING_SECONDS,
  type Supplies,
  supplies,
  usualMethod,
} from '@mortisect/core/blades';
import { isPlainDead } from '@mortisect/core/disorders';
import { kitGap, type Tool } from '@mortisect/core/handling';
import { heightReading, joined, thicknessReading } from '@mortisect/core/measure';
import type { SiteToday } from '../../data/orchardView';
import { cleaningsAhead } from './bladeAtHand';
import type { Run } from './run';
import type { RunItem } from './work';

export interface Bring {
  tools: { tool: Tool; cuts: number; thickestMm: number }[];
  ladder: boolean;
  /** What the kit cannot do, in words. */
  missing: { itemId: string; treeCode: string; text: string }[];
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
    const own = left.filter((item) => item.handling?.wielded?.tool.id === tool.id);
    const thickestMm = Math.max(0, ...own.map((item) => item.handling?.kerfMm ?? 0));
    return own.length > 0 ? [{ tool, cuts: own.length, thickestMm }] : [];
  });
  const cleanings = cleaningsAhead(left, today);
  const minutes = left.reduce((sum, item) => sum + item.minutes, 0);
  return {
    tools,
    ladder: left.some((item) => item.station.startsWith('ladder')),
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

function missingFor(item: RunItem, { site, units }: SiteToday): Bring['missing'] {
  const { handling } = item;
  if (!handling) return [];
  const cut = {
    kerfMm: handling.kerfMm,
    heightCm: handling.kerfHeightCm,
    dead: isPlainDead(item.disorders),
  };
  const gap = kitGap(site.plan.kit, cut, site.gear.includes('ladder'));
  if (!gap) return [];
  const text = {
    'nothing takes it': `No saw for ${joined(thicknessReading(cut.kerfMm, units))}.`,
    'nothing reaches it': `Nothing reaches ${joined(heightReading(cut.heightCm, units))}.`,
    'ladder needed': `Only a ladder reaches ${joined(heightReading(cut.heightCm, units))}, and there is none.`,
  }[gap];
  return [{ itemId: item.id, treeCode: item.view.tree.code, text }];
}
