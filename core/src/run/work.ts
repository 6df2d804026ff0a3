// The cuts that are due, read from the plans: where, with what, on which wood.

import { contaminationChance, type WoodClass, woodClass } from '../blades/index';
import type { Cut } from '../cuts/index';
import type { Side } from '../measure/index';
import { cutId, type ListedPlan, listedNow, stationWord } from '../plan/index';
import { judgedAt, openDecisions, type SiteToday, standingCuts, type TreeView } from '../present/index';
import type { Handling, Judgement } from '../residual/index';
import type { Goal } from '../shaping/index';

export interface RunItem {
  id: string;
  view: TreeView;
  cut: Cut;
  /** Findings that this cut answers, those of the cuts it swallows included. */
  findingIds: string[];
  /** What it is for besides findings. */
  goals: readonly Goal[];
  /** Of the plan’s step, or of the cut that the position rule asks for. */
  candidateId: string;
  disorders: string[];
  wood: WoodClass;
  /** The kerf itself lies in or near ill wood. */
  infectedKerf: boolean;
  /** Chance that ill wood is met or stays, by the hidden extent. */
  hidden: number;
  /** Where one stands for it: on a ladder or not, and on which side of the tree. */
  station: string;
  ladder: boolean;
  /** None where an arborist does it. */
  side: Side | '';
  handling: Handling;
  /** The plan leaves it to an arborist. */
  handedOver: boolean;
  /** Work at the cut by the plan; none where no plan has priced it. */
  minutes: number;
  /** The same before anybody’s own pace. */
  plainMinutes: number;
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
 * @param views trees with open findings, or with work on sound wood, in walking order
 * @param plans the plan of each tree; a tree without one is not in the run yet
 */
export function workOf(
  views: readonly TreeView[],
  plans: ReadonlyMap<string, ListedPlan>,
  today: SiteToday,
): RunWork {
  const knownCuts = new Map(
    views.flatMap((view) => view.history.map(({ id, disorder }) => [id, disorder] as const)),
  );
  const itemsOn = (view: TreeView) => {
    const listed = plans.get(view.tree.id);
    return listed
      ? [...planned(view, listed, knownCuts, today), ...handedOver(view, listed, knownCuts, today)]
      : [];
  };
  return {
    items: views.flatMap(itemsOn),
    known: knownCuts,
    toDecide: views.filter((view) => openDecisions(view).length > 0),
  };
}

/** The cuts that are due now, in the order of the plan. */
function planned(view: TreeView, listed: ListedPlan, known: RunWork['known'], today: SiteToday): RunItem[] {
  return listedNow(listed).flatMap(({ candidateId, solves, serves }) => {
    const priced = listed.cuts[candidateId];
    const findingIds = solves.map(({ findingId }) => findingId);
    // A plan that stands from before a cut was made, or a map drawn, names what is gone by now
    const isOpen = findingIds.every((id) => view.findings.some((finding) => finding.id === id));
    const stands = view.limbs.some(
      (limb) => limb.id === priced?.cut.limbId && priced.cut.atCm < limb.lengthCm,
    );
    const isFor = findingIds.length + serves.length > 0;
    if (!priced || !isFor || !isOpen || !stands) return [];
    const { cut, ladder, side, minutes, plainMinutes } = priced;
    return [
      {
        ...named(view, cut, findingIds, known, candidateId),
        goals: serves,
        ...judged(judgedAt(view, cut, today)),
        station: stationWord(priced),
        ...{ ladder, side, minutes, plainMinutes },
        handedOver: false,
      },
    ];
  });
}

/** Cuts that the position rule asks for and the plan leaves to an arborist. */
function handedOver(
  view: TreeView,
  { plan }: Pick<ListedPlan, 'plan'>,
  known: RunWork['known'],
  today: SiteToday,
): RunItem[] {
  return standingCuts(view).flatMap((cut) => {
    const findingIds = cut.lesionIds.filter((id) => plan.handOver.includes(id));
    if (findingIds.length === 0) return [];
    return [
      {
        ...named(view, cut, findingIds, known),
        goals: [],
        ...judged(judgedAt(view, cut, today)),
        station: 'ground',
        ladder: false,
        side: '',
        handedOver: true,
        minutes: 0,
        plainMinutes: 0,
      },
    ];
  });
}

function named(
  view: TreeView,
  cut: Cut,
  findingIds: string[],
  known: RunWork['known'],
  candidateId = cutId(cut),
) {
  const disorders = findingIds.map((id) => known.get(id) ?? 'unknown');
  const id = `${view.tree.id}:${findingIds.toSorted().join(',') || candidateId}`;
  return { id, view, cut, candidateId, findingIds, disorders, wood: woodClass(disorders) };
}

function judged({ handling, infected, left }: Judgement) {
  return {
    handling,
    infectedKerf: infected,
    hidden: Math.max(0, ...left.map(({ chance }) => chance)),
  };
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
