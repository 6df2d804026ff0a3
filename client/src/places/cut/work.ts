// The cuts that are due, read from the plans: where, with what, on which wood.

import { contaminationChance, type WoodClass, woodClass } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { type Handling, type Priced, stationOf } from '@mortisect/core/plan';
import { openDecisions, standingCuts, type TreeView } from '../../data/orchardView';
import type { Solved } from '../../data/usePlan';
import { stepsNow } from '../plan/planView';

export interface RunItem {
  id: string;
  view: TreeView;
  cut: Cut;
  /** Findings that this cut answers, those of the cuts it swallows included. */
  findingIds: string[];
  disorders: string[];
  wood: WoodClass;
  /** The kerf itself lies in or near ill wood. */
  infectedKerf: boolean;
  /** Chance that ill wood is met or stays, by the hidden extent. */
  hidden: number;
  /** Where one stands for it. */
  station: string;
  /** Null for a cut that no plan has priced. */
  handling: Handling | null;
  /** Work at the cut by the plan; none where no plan has priced it. */
  minutes: number;
}

/** All cuts that are due by the plans, whatever was done since. */
export interface RunWork {
  items: RunItem[];
  /** Disorder by finding id, of all trees at hand. */
  known: ReadonlyMap<string, string>;
  /** Trees on which no cut answers something, and nobody has decided yet. */
  toDecide: TreeView[];
}

/**
 * @param views trees with open findings, in walking order
 * @param plans the plan of each tree; a tree without one is not in the run yet
 */
export function workOf(views: readonly TreeView[], plans: ReadonlyMap<string, Solved>): RunWork {
  const known = new Map(
    views.flatMap((view) => view.history.map(({ id, disorder }) => [id, disorder] as const)),
  );
  return {
    items: views.flatMap((view) => itemsOf(view, plans.get(view.tree.id), known)),
    known,
    toDecide: views.filter((view) => openDecisions(view).length > 0),
  };
}

/** The cuts that are due now, in the order of the plan; and those that the position rule asks for but an arborist must make. */
function itemsOf(view: TreeView, solved: Solved | undefined, known: ReadonlyMap<string, string>): RunItem[] {
  if (!solved) return [];
  const item = (cut: Cut, findingIds: string[], station: string, priced: Priced | null): RunItem => {
    const disorders = findingIds.map((id) => known.get(id) ?? 'unknown');
    const id = `${view.tree.id}:${findingIds.toSorted().join(',')}`;
    return {
      id,
      view,
      cut,
      findingIds,
      disorders,
      wood: woodClass(disorders),
      infectedKerf: priced?.infected ?? true,
      hidden: Math.max(0, ...(priced?.left.map(({ chance }) => chance) ?? [])),
      station,
      handling: priced?.handling ?? null,
      minutes: priced?.minutes.minutes ?? 0,
    };
  };
  const planned = stepsNow(solved).flatMap(({ cut, step, priced }) => {
    const findingIds = step.solves.map(({ findingId }) => findingId);
    // A plan that stands from before a cut was made names what is closed by now
    const isOpen = findingIds.every((id) => view.findings.some((finding) => finding.id === id));
    if (!cut || findingIds.length === 0 || !isOpen) return [];
    return [item(cut, findingIds, stationOf(priced, solved.prepared.input.tree), priced)];
  });
  const handedOver = standingCuts(view).flatMap((cut) => {
    const ids = cut.lesionIds.filter((id) => solved.plan.handOver.includes(id));
    return ids.length > 0 ? [item(cut, ids, 'ground', null)] : [];
  });
  return [...planned, ...handedOver];
}

export function aheadOf(item: RunItem) {
  return { treeId: item.view.tree.id, disorders: item.disorders };
}

/**
 * The cuts of the run as the simulator of skipped cleanings reads them.
 *
 * @param soft sound cuts are made in green shoots
 */
export function transmissionCuts(left: readonly RunItem[], soft: boolean) {
  return left.map((item) => ({
    treeId: item.view.tree.id,
    disorders: item.disorders,
    infected: item.infectedKerf,
    contaminates: contaminationChance(item.wood, item.infectedKerf, item.hidden),
    soft: soft && !item.infectedKerf,
  }));
}
