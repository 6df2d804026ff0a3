// The run: the cuts that wait, tree by tree in the order they are visited, with the blade for the next one and the card that is due.
import {
  type Action,
  type ActionOf,
  type Blade,
  type BladeLog,
  bladeLogs,
  bladesOf,
  marksStanding,
  type OpenRun,
  openRun,
} from '@mortisect/contracts';
import {
  agentOf,
  type CleanWhy,
  carriesDisease,
  dirtyBecause,
  type WayOut,
  type WoodClass,
  waysOut,
  woodClass,
  woodClasses,
} from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { type Handling, type Priced, stationOf } from '@mortisect/core/plan';
import { startOfDay } from '../../data/moment';
import { cutAtHand, type SiteToday, standingCuts, type TreeView } from '../../data/orchardView';
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
}

interface LeftOut extends RunItem {
  why: string;
}

/** A tree of the run with what is to be done on it. */
export interface Stop {
  view: TreeView;
  wood: WoodClass;
  items: RunItem[];
}

export type Card =
  | { is: 'before' }
  | { is: 'paused'; at: string; by: string }
  | { is: 'read'; cutId: string; cut: ActionOf<'cutMade'> }
  | { is: 'stand back'; cutId: string; cut: ActionOf<'cutMade'> }
  | { is: 'stop'; why: CleanWhy; ways: WayOut[] }
  | { is: 'clean'; why: CleanWhy }
  | { is: 'wet'; until: string }
  | { is: 'go' }
  | { is: 'cut' }
  | { is: 'close' };

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

/** All cuts that are due by the plans, whatever was done since. */
export interface RunWork {
  items: RunItem[];
  /** Disorder by finding id, of all trees at hand. */
  known: ReadonlyMap<string, string>;
}

/**
 * @param views trees with open findings, in walking order
 * @param plans the plan of each tree; a tree without one is not in the run yet
 */
export function workOf(views: readonly TreeView[], plans: ReadonlyMap<string, Solved>): RunWork {
  const known = new Map(
    views.flatMap((view) => view.history.map(({ id, disorder }) => [id, disorder] as const)),
  );
  return { items: views.flatMap((view) => itemsOf(view, plans.get(view.tree.id), known)), known };
}

export interface RunGiven {
  work: RunWork;
  actions: readonly Action[];
  today: SiteToday;
  /** Ids of trees in the order they are visited; others follow by what their wood is. */
  order?: readonly string[];
  /** The blade that is in the hand, where somebody chose another one. */
  inHand?: string | null;
}

const BIG_MM = 50;
const BIG_KG = 5;

export function runOf({ work, actions, today, order = [], inHand = null }: RunGiven): Run {
  const { items, known } = work;
  const open = openRun(actions);
  const dayBegan = startOfDay(today.day, today.site.timeZone);
  const doneToday = actions
    .filter(
      ({ undone, action }) =>
        !undone && action.kind !== 'undone' && Date.parse(action.at) >= Date.parse(dayBegan),
    )
    .sort((a, b) => Date.parse(a.action.at) - Date.parse(b.action.at) || (a.id < b.id ? -1 : 1));
  const leftOut: LeftOut[] = [];
  const waiting: RunItem[] = [];
  for (const item of items) {
    const why = whyLeftOut(item, doneToday);
    if (why === null) waiting.push(item);
    else leftOut.push({ ...item, why });
  }
  const all = stopsIn(waiting, open?.treeIds ?? order);
  const stops = open ? all.filter(({ view }) => open.treeIds.includes(view.tree.id)) : all;
  const left = stops.flatMap((stop) => stop.items);
  const item = left[0] ?? null;
  const blades = bladesOf(today.site.plan.kit);
  const logs = bladeLogs(blades, actions, dayBegan, (id) => known.get(id) ?? 'unknown');
  const done = open?.done ?? doneToday;
  const ofKind = item ? fitting(blades, item) : [];
  const ways = item ? waysFor(item, ofKind, logs, inHand, today) : [];
  const blade = bladeFor(ofKind, ways, logs, inHand);
  const measured = new Map(
    done.flatMap(({ action }) =>
      action.kind === 'woodRead' ? [[action.cutId, action.diameterMm] as const] : [],
    ),
  );
  const madeCuts = done.flatMap(({ id, action }) =>
    action.kind === 'cutMade' ? [{ id, action, measuredMm: measured.get(id) ?? null }] : [],
  );
  return {
    open,
    stops,
    notChosen: all.length - stops.length,
    waiting: all.flatMap((stop) => stop.items),
    left,
    leftOut,
    item,
    card: cardOf({ open, item, done, logs, blade, ways, today, chosen: inHand !== null }),
    blades,
    logs,
    blade,
    madeCuts,
    cleanings: done.filter(({ action }) => action.kind === 'bladeCleaned').length,
    marks: new Map(marksStanding(actions).map((mark) => [`${mark.treeId} ${mark.limbId}`, mark.how])),
    last: done.findLast(({ action }) => OF_THE_RUN.has(action.kind)) ?? null,
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
  'decided',
]);

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

function whyLeftOut(item: RunItem, done: readonly Action[]): string | null {
  const { cautions } = cutAtHand(item.view, item.cut);
  const handOver = cautions.find((caution) => caution.kind === 'hand over');
  if (handOver) return `For a licensed arborist. ${handOver.text}`;
  const notMade = done.findLast(
    ({ action }) =>
      action.kind === 'cutNotMade' && item.findingIds.every((id) => action.findingIds.includes(id)),
  );
  return notMade?.action.kind === 'cutNotMade' ? `Not made today: ${notMade.action.reason}` : null;
}

/** Trees in the order of the run; those it does not name come after them, sound wood before suspect before infected. */
function stopsIn(items: readonly RunItem[], order: readonly string[]): Stop[] {
  const byTree = new Map<string, RunItem[]>();
  for (const item of items) {
    byTree.set(item.view.tree.id, [...(byTree.get(item.view.tree.id) ?? []), item]);
  }
  const stops = [...byTree.values()].map((own): Stop => {
    const wood = woodClass(own.flatMap((item) => item.disorders));
    return { view: (own[0] as RunItem).view, wood, items: own };
  });
  const placeOf = new Map(order.map((id, place) => [id, place]));
  const rank = ({ view, wood }: Stop) =>
    placeOf.get(view.tree.id) ?? order.length + woodClasses.indexOf(wood);
  return stops.sort((a, b) => rank(a) - rank(b));
}

/** Blades of the kind that the cut was planned with; where it names none, all of them. */
function fitting(blades: readonly Blade[], { handling }: RunItem): Blade[] {
  const own = blades.filter(({ tool }) => tool.id === handling?.wielded?.tool.id);
  return own.length > 0 ? own : [...blades];
}

export const cleanSeconds = (agentId: string) => agentOf(agentId).contactSeconds + HANDLING_SECONDS;
/** Of taking a blade up, wiping the sap off and putting it down. Common practice, no source. */
export const HANDLING_SECONDS = 20;

function waysFor(
  item: RunItem,
  blades: readonly Blade[],
  logs: ReadonlyMap<string, BladeLog>,
  inHand: string | null,
  { season, site }: SiteToday,
): WayOut[] {
  const states = blades.flatMap(({ id }) => {
    const log = logs.get(id);
    return log ? [{ id, state: log.state }] : [];
  });
  return waysOut(states, inHand ?? blades[0]?.id ?? '', aheadOf(item), {
    season,
    school: site.schools.cleaning,
    cleanSeconds: cleanSeconds(site.agentId),
  });
}

/** The one in hand; else one that may cut, one that is wet already, the first. */
function bladeFor(
  blades: readonly Blade[],
  ways: readonly WayOut[],
  logs: ReadonlyMap<string, BladeLog>,
  inHand: string | null,
): Blade | null {
  const chosen = blades.find(({ id }) => id === inHand);
  if (chosen) return chosen;
  const ready = ways.find((way) => way.how === 'take');
  return (
    blades.find(({ id }) => id === ready?.bladeId) ??
    blades.find(({ id }) => logs.get(id)?.state.is === 'wet') ??
    blades[0] ??
    null
  );
}

export function aheadOf(item: RunItem) {
  return { treeId: item.view.tree.id, disorders: item.disorders };
}

interface Standing {
  open: OpenRun | null;
  item: RunItem | null;
  done: readonly Action[];
  logs: ReadonlyMap<string, BladeLog>;
  blade: Blade | null;
  ways: WayOut[];
  today: SiteToday;
  /** Somebody chose this blade by hand. */
  chosen: boolean;
}

/** One card a step. All of it is read from the records, so that a reload, another phone or another day goes on at the same card. */
function cardOf({ open, item, done, logs, blade, ways, today, chosen }: Standing): Card {
  if (!open) return { is: 'before' };
  if (open.paused) return { is: 'paused', ...open.paused };
  const after = afterCut(done);
  if (after) return after;
  if (!item) return { is: 'close' };
  const state = (blade && logs.get(blade.id)?.state) ?? { is: 'unknown' as const };
  const { season, site } = today;
  const why = dirtyBecause(state, aheadOf(item), season, site.schools.cleaning);
  if (why && why !== 'still wet') {
    const stopped = chosen && carriesDisease(state, aheadOf(item), season, site.schools.cleaning);
    return stopped ? { is: 'stop', why, ways } : { is: 'clean', why };
  }
  const stands = done.findLast(({ action }) => action.kind === 'stationTaken')?.action;
  const there =
    stands?.kind === 'stationTaken' && stands.treeId === item.view.tree.id && stands.station === item.station;
  // The contact time runs on the way to the tree
  if (!there) return { is: 'go' };
  return state.is === 'wet' ? { is: 'wet', until: state.until } : { is: 'cut' };
}

/** What is still to be done about the last cut: the wood is read where it was ill, and after a big cut one steps back. */
function afterCut(done: readonly Action[]): Card | null {
  const at = done.findLastIndex(({ action }) => action.kind === 'cutMade');
  const last = done[at];
  if (last?.action.kind !== 'cutMade') return null;
  const cut = last.action;
  const did = (kind: 'woodRead' | 'stoodBack') =>
    done.slice(at + 1).some(({ action }) => action.kind === kind && action.cutId === last.id);
  if (woodClass(cut.disorders ?? []) !== 'sound' && !did('woodRead'))
    return { is: 'read', cutId: last.id, cut };
  if (isBig(cut) && !did('stoodBack')) return { is: 'stand back', cutId: last.id, cut };
  return null;
}

export function isBig({ cut }: ActionOf<'cutMade'>): boolean {
  return cut.diameterMm >= BIG_MM || (cut.massKg ?? 0) > BIG_KG;
}

/** Cleanings that the cuts still to make will ask for, by the rule of the site, with one blade of each kind. */
export function cleaningsAhead(left: readonly RunItem[], { season, site }: SiteToday): number {
  return cleaningsBefore(left, season, site.schools.cleaning).filter(Boolean).length;
}

function cleaningsBefore(
  left: readonly RunItem[],
  season: SiteToday['season'],
  school: SiteToday['site']['schools']['cleaning'],
): boolean[] {
  const states = new Map<string, Parameters<typeof dirtyBecause>[0]>();
  return left.map((item) => {
    const tool = item.handling?.wielded?.tool.id ?? '';
    const state = states.get(tool) ?? { is: 'unknown' as const };
    const dirty = dirtyBecause(state, aheadOf(item), season, school) !== null;
    const before = dirty || state.is !== 'used' ? { treeIds: [], disorders: [], cuts: 0 } : state;
    states.set(tool, {
      is: 'used',
      treeIds: [...new Set([...before.treeIds, item.view.tree.id])],
      disorders: [...new Set([...before.disorders, ...item.disorders])],
      cuts: before.cuts + 1,
    });
    return dirty;
  });
}

/** Of one tree, coming to it included. */
export function cleaningsOn(items: readonly RunItem[]): number {
  return Math.max(1, items.filter((item) => item.wood === 'infected').length);
}

/** Dead wood whose cause nobody knows is ill this often. Ours: no source. */
const SUSPECT_CHANCE = 0.2;

function contaminates({ wood, infectedKerf, hidden }: RunItem): number {
  if (wood === 'sound') return 0;
  if (wood === 'suspect') return SUSPECT_CHANCE;
  return infectedKerf ? 1 : hidden;
}

/** The cuts of the run as the simulator of skipped cleanings reads them. */
export function transmissionCuts(left: readonly RunItem[]) {
  return left.map((item) => ({
    treeId: item.view.tree.id,
    disorders: item.disorders,
    infected: item.infectedKerf,
    contaminates: contaminates(item),
    ooze: false,
    soft: false,
  }));
}
