// A tree as lists take it: what was found, what is due by its plan, where and with what, and what is asked about it.

import { woodClass } from '../blades/index';
import type { Cut } from '../cuts/index';
import { kindOf } from '../disorders/index';
import {
  cutId,
  grainOfAll,
  type ListedPlan,
  listedNow,
  stationWord,
  visitKey,
  wholeMinutes,
} from '../plan/index';
import {
  judgedAt,
  openDecisions,
  openQuestion,
  type SiteToday,
  standingCuts,
  type TreeView,
} from '../present/index';
import type { Judgement } from '../residual/index';
import type { Due, ListedCut, ListedTree } from './listedShape';
import { cutInShort } from './work';

/**
 * @param listed the plan of the tree; null where there is none yet
 * @param current the plan is of the tree as it stands; else it is one from before something changed
 */
export function listedTreeOf(
  view: TreeView,
  listed: ListedPlan | null,
  today: SiteToday,
  current: boolean,
): ListedTree {
  const { id, code, plotId, plot, hazards } = view.tree;
  const disorderOf = new Map(view.history.map((finding) => [finding.id, finding.disorder]));
  return {
    tree: { id, code, plotId, plot, hazards },
    findings: view.findings.map(({ id, limbId, disorder, activity }) => ({ id, limbId, disorder, activity })),
    known: Object.fromEntries(disorderOf),
    toDecide: openDecisions(view).map(({ lesionId }) => disorderOf.get(lesionId) ?? 'unknown'),
    questions: view.findings.flatMap(({ id: findingId, limbId }) => {
      const asked = openQuestion(view.actions, findingId);
      return asked ? [{ id: asked.id, limbId, by: asked.by, of: asked.of, question: asked.question }] : [];
    }),
    cuts: listed
      ? [...planned(view, listed, disorderOf, today), ...handedOver(view, listed, disorderOf, today)]
      : [],
    due: listed && dueOf(view, listed),
    current,
  };
}

/** The tree as it stands now, with what was due before: until it is planned anew, what is done or gone is left out. */
export function standIn(before: ListedTree, view: TreeView, today: SiteToday): ListedTree {
  return {
    ...listedTreeOf(view, null, today, false),
    cuts: before.cuts.filter((cut) => isLeft(view, cut, cut.findingIds)),
    due: before.due,
  };
}

/** A plan that stands from before a cut was made, or a map drawn, names what is gone by now. */
function isLeft(view: TreeView, cut: Pick<Cut, 'limbId' | 'atCm'>, findingIds: readonly string[]): boolean {
  return (
    findingIds.every((id) => view.findings.some((finding) => finding.id === id)) &&
    view.limbs.some((limb) => limb.id === cut.limbId && cut.atCm < limb.lengthCm)
  );
}

type DisorderOf = ReadonlyMap<string, string>;

/** The cuts that are due now, in the order of the plan. */
function planned(view: TreeView, listed: ListedPlan, disorderOf: DisorderOf, today: SiteToday): ListedCut[] {
  return listedNow(listed).flatMap(({ candidateId, solves, serves }) => {
    const priced = listed.cuts[candidateId];
    const findingIds = solves.map(({ findingId }) => findingId);
    const isFor = findingIds.length + serves.length > 0;
    if (!priced || !isFor || !isLeft(view, priced.cut, findingIds)) return [];
    const { cut, ladder, side, minutes, plainMinutes } = priced;
    return [
      {
        ...named(view, cut, findingIds, disorderOf, candidateId),
        goals: serves,
        ...inShort(judgedAt(view, cut, today)),
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
  disorderOf: DisorderOf,
  today: SiteToday,
): ListedCut[] {
  return standingCuts(view).flatMap((cut) => {
    const findingIds = cut.lesionIds.filter((id) => plan.handOver.includes(id));
    if (findingIds.length === 0) return [];
    return [
      {
        ...named(view, cut, findingIds, disorderOf),
        goals: [],
        ...inShort(judgedAt(view, cut, today)),
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
  disorderOf: DisorderOf,
  candidateId = cutId(cut),
) {
  const disorders = findingIds.map((id) => disorderOf.get(id) ?? 'unknown');
  return {
    id: `${view.tree.id}:${findingIds.toSorted().join(',') || candidateId}`,
    limbId: cut.limbId,
    limbName: view.names.get(cut.limbId) ?? cut.limbId,
    atCm: cut.atCm,
    ...(cut.upToCm !== undefined && { upToCm: cut.upToCm }),
    cut: cutInShort(cut),
    ...{ candidateId, findingIds, disorders },
    wood: woodClass(disorders),
  };
}

function inShort({ handling, infected, left }: Judgement) {
  const { kerfMm, kerfHeightCm, wielded, handOver, cautions } = handling;
  return {
    handling: {
      ...{ kerfMm, kerfHeightCm, handOver },
      wielded: wielded && { toolId: wielded.tool.id, station: wielded.station },
      cautions: cautions.filter(({ kind }) => kind === 'hand over'),
    },
    infectedKerf: infected,
    hidden: Math.max(0, ...left.map(({ chance }) => chance)),
  };
}

function dueOf({ findings }: TreeView, listed: ListedPlan): Due {
  const { plan, orders, now, cuts, musts } = listed;
  const steps = listedNow(listed);
  const ill = new Set(findings.filter(({ disorder }) => kindOf(disorder) === 'diseased').map(({ id }) => id));
  const infected = steps.filter(({ solves }) => solves.some(({ findingId }) => ill.has(findingId)));
  const isLowered = plan.height?.limbs.some(({ left }) => left === 'hand over');
  return {
    steps: steps.length,
    minutes: wholeMinutes(now ? (orders[visitKey({ season: 1, pass: now })]?.tally.minutes ?? 0) : 0),
    crown: steps.reduce((sum, { crown, exempt }) => sum + crown + exempt, 0),
    infectedKg: infected.reduce((sum, { candidateId }) => sum + (cuts[candidateId]?.massKg ?? 0), 0),
    grain: grainOfAll(steps),
    later: plan.steps.length - steps.length,
    must: steps.some(({ solves }) => solves.some(({ findingId }) => musts.includes(findingId))),
    handOver: plan.handOver.length,
    handsOver: findings.some(({ id }) => plan.handOver.includes(id)),
    goals: [
      ...new Set([...plan.steps.flatMap(({ serves }) => serves), ...(isLowered ? ['height' as const] : [])]),
    ],
    verdict: plan.verdict?.choice ?? null,
    clash: plan.clash !== null,
    ...{ worth: listed.worth, ahead: listed.ahead },
  };
}
