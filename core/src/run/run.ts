// The run: the cuts that wait, tree by tree in the order they are visited, with the blade for the next one and the card that is due.

import { type WoodClass, woodClass, woodClasses } from '../blades/index';
import type { Caution } from '../handling/index';
import {
  type Blade,
  type BladeLog,
  bladeLogs,
  bladesOf,
  marksStanding,
  type OpenRun,
  openRun,
  type SiteToday,
  standingActions,
} from '../present/index';
import type { Action, ActionOf } from '../records/index';
import { localClock, momentOf } from '../weather/index';
import { bladeFor, fitting, waysFor } from './bladeAtHand';
import { type Card, cardOf } from './card';
import type { ListedTree } from './listedShape';
import type { RunItem, RunWork } from './work';

/** Why a cut that is due is not in the run. */
export type LeftOutBecause =
  | { code: 'hand over'; cautions: Caution[] }
  | { code: 'not made'; reason: string };

interface LeftOut extends RunItem {
  because: LeftOutBecause;
}

/** A tree of the run with what is to be done on it. */
export interface Stop {
  tree: ListedTree['tree'];
  wood: WoodClass;
  items: RunItem[];
}

export interface Run {
  open: OpenRun | null;
  stops: Stop[];
  /** Trees with cuts that were not taken into this run. */
  notChosen: number;
  /** Cuts still to make in this run. */
  left: RunItem[];
  /** Cuts that wait on any tree, this run’s among them. */
  waiting: RunItem[];
  leftOut: LeftOut[];
  /** Trees of this run on which a decision is open. */
  toDecide: ListedTree['tree'][];
  item: RunItem | null;
  card: Card;
  blades: Blade[];
  logs: Map<string, BladeLog>;
  /** For the next cut; null where the kit has none. */
  blade: Blade | null;
  /** In this run, or today where none is open. */
  madeCuts: { id: string; action: ActionOf<'cutMade'>; measuredMm: number | null }[];
  cleanings: number;
  /** How limbs were marked from the ground, by tree and limb; ticked off when they are cut. */
  marks: ReadonlyMap<string, 'tape' | 'chalk'>;
  /** The latest thing done that can still be undone. */
  last: Action | null;
}

interface RunGiven {
  work: RunWork;
  actions: readonly Action[];
  today: SiteToday;
}

/** How the trees are walked, and with which blade. */
interface Walked {
  /** Ids of trees in the order they are visited; others follow by what their wood is. */
  order?: readonly string[];
  /** The blade that is in the hand, where somebody chose another one. */
  inHand?: string | null;
}

/** What of a run is the same in whatever order its trees are visited, and with any blade. */
export interface RunWaiting
  extends Pick<
    Run,
    'open' | 'leftOut' | 'toDecide' | 'blades' | 'logs' | 'madeCuts' | 'cleanings' | 'marks' | 'last'
  > {
  today: SiteToday;
  /** Trees on which cuts wait, as they are listed. */
  stops: Stop[];
  /** In this run, or today where none is open. */
  done: readonly Action[];
}

/** The run as a whole; whoever reckons it for one order after the other takes `runWaiting` and `runIn`. */
export const runOf = ({ work, actions, today, ...walked }: RunGiven & Walked): Run =>
  runIn(runWaiting({ work, actions, today }), walked);

/** For `runIn`: of thousands of cuts it is reckoned once, and not for every order. */
export function runWaiting({ work, actions, today }: RunGiven): RunWaiting {
  const { items, known, toDecide } = work;
  const open = openRun(actions);
  const dayBegan = momentOf(localClock(today.site.timeZone).startOf(today.day));
  const doneToday = standingActions(actions).filter(
    ({ action }) => Date.parse(action.at) >= Date.parse(dayBegan),
  );
  const leftOut: LeftOut[] = [];
  const waiting: RunItem[] = [];
  for (const item of items) {
    const because = whyLeftOut(item, doneToday);
    if (because === null) waiting.push(item);
    else leftOut.push({ ...item, because });
  }
  const blades = bladesOf(today.site.plan.kit);
  const done = open?.done ?? doneToday;
  const measured = new Map(
    done.flatMap(({ action }) =>
      action.kind === 'woodRead' ? [[action.cutId, action.diameterMm] as const] : [],
    ),
  );
  const taken = open && new Set(open.treeIds);
  return {
    ...{ open, today, done, leftOut, blades },
    stops: stopsOf(waiting),
    toDecide: taken ? toDecide.filter(({ id }) => taken.has(id)) : [],
    logs: bladeLogs(blades, actions, dayBegan, (id) => known.get(id) ?? 'unknown'),
    madeCuts: done.flatMap(({ id, action }) =>
      action.kind === 'cutMade' ? [{ id, action, measuredMm: measured.get(id) ?? null }] : [],
    ),
    cleanings: done.filter(({ action }) => action.kind === 'bladeCleaned').length,
    marks: new Map(marksStanding(actions).map((mark) => [`${mark.treeId} ${mark.limbId}`, mark.how])),
    last: done.findLast(({ action }) => OF_THE_RUN.has(action.kind)) ?? null,
  };
}

/** The run with its trees in an order: the next cut, the blade for it and the card that is due hang on that. */
export function runIn(waits: RunWaiting, { order = [], inHand = null }: Walked = {}): Run {
  const { today, stops: listed, done, ...same } = waits;
  const { open, blades, logs } = same;
  const all = inOrder(listed, open?.treeIds ?? order);
  const taken = open && new Set(open.treeIds);
  const stops = taken ? all.filter(({ tree }) => taken.has(tree.id)) : all;
  const left = stops.flatMap((stop) => stop.items);
  const item = left[0] ?? null;
  const ofKind = item ? fitting(blades, item) : [];
  const ways = item ? waysFor(item, ofKind, logs, inHand, today) : [];
  const blade = bladeFor(ofKind, ways, logs, inHand);
  return {
    ...same,
    ...{ stops, left, item, blade },
    notChosen: all.length - stops.length,
    waiting: all.flatMap((stop) => stop.items),
    card: cardOf({ open, item, done, logs, blade, ways, today, chosen: inHand !== null }),
  };
}

/** What the run itself records, and may take back. */
const OF_THE_RUN: ReadonlySet<Action['action']['kind']> = new Set([
  'bladeWetted',
  'bladeCleaned',
  'stationTaken',
  'cutMade',
  'cutNotMade',
  'woodRead',
  'stoodBack',
]);

function whyLeftOut(item: RunItem, done: readonly Action[]): LeftOutBecause | null {
  if (item.handedOver || item.handling.handOver)
    return { code: 'hand over', cautions: item.handling.cautions };
  const notMade = done.findLast(
    ({ action }) =>
      action.kind === 'cutNotMade' &&
      (item.findingIds.length > 0
        ? item.findingIds.every((id) => action.findingIds.includes(id))
        : action.treeId === item.tree.id && action.candidateId === item.candidateId),
  );
  return notMade?.action.kind === 'cutNotMade' ? { code: 'not made', reason: notMade.action.reason } : null;
}

function stopsOf(items: readonly RunItem[]): Stop[] {
  const byTree = new Map<string, RunItem[]>();
  for (const item of items) {
    const onTree = byTree.get(item.tree.id);
    if (onTree) onTree.push(item);
    else byTree.set(item.tree.id, [item]);
  }
  return [...byTree.values()].map((onTree): Stop => {
    const wood = woodClass(onTree.flatMap((item) => item.disorders));
    return { tree: (onTree[0] as RunItem).tree, wood, items: onTree };
  });
}

/** Trees in the order of the run; those it does not name come after them, sound wood before suspect before infected. */
function inOrder(stops: readonly Stop[], order: readonly string[]): Stop[] {
  const placeOf = new Map(order.map((id, place) => [id, place]));
  const rank = ({ tree, wood }: Stop) => placeOf.get(tree.id) ?? order.length + woodClasses.indexOf(wood);
  return stops.toSorted((a, b) => rank(a) - rank(b));
}
