// The run: the cuts that wait, in the order they are made, and what the blade has done today.
import type { Action } from '@mortisect/contracts';
import { type BladeEvent, type NextStep, nextStep } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { kindOf } from '@mortisect/core/disorders';
import { dayAt } from '../../data/moment';
import { cutAtHand, type SiteToday, standingCuts, type TreeView } from '../../data/orchardView';

/** One blade until there is a kit of them. */
export const BLADE = 'Blade 1';

export interface RunItem {
  id: string;
  view: TreeView;
  cut: Cut;
  /** Findings that this cut answers, those of the cuts it swallows included. */
  findingIds: string[];
  disorders: string[];
}

interface LeftOut extends RunItem {
  why: string;
}

export interface Run {
  left: RunItem[];
  leftOut: LeftOut[];
  madeToday: number;
  step: NextStep;
  item: RunItem | null;
  /** The latest thing done today that can still be undone. */
  last: Action | null;
}

/**
 * @param views trees with open findings, in walking order
 * @param latest the latest actions of the orchard, newest first
 */
export function runOf(views: TreeView[], latest: readonly Action[], today: SiteToday): Run {
  const done = latest.filter(
    ({ undone, action }) => !undone && action.kind !== 'undone' && isToday(action.at, today),
  );
  const known = new Map(
    views.flatMap((view) => view.history.map(({ id, disorder }) => [id, disorder] as const)),
  );
  const items = views.flatMap((view) => itemsOf(view, known));
  const leftOut: LeftOut[] = [];
  const left: RunItem[] = [];
  for (const item of items) {
    const why = whyLeftOut(item, done);
    if (why === null) left.push(item);
    else leftOut.push({ ...item, why });
  }
  const events = bladeEvents(done, known);
  const step = nextStep(
    left.map(({ id, view, disorders }) => ({ id, treeId: view.tree.id, disorders })),
    events,
    today.season,
    today.site.schools.cleaning,
  );
  return {
    left,
    leftOut,
    madeToday: events.filter((event) => event.kind === 'cut').length,
    step,
    item: step.do === 'done' ? null : (left[0] ?? null),
    last: done.find(({ action }) => OF_THE_RUN.has(action.kind)) ?? null,
  };
}

/** What the run itself records, and may take back. */
const OF_THE_RUN: ReadonlySet<Action['action']['kind']> = new Set([
  'bladeCleaned',
  'cutMade',
  'cutNotMade',
  'decided',
]);

function isToday(at: string, { site, day }: SiteToday): boolean {
  return dayAt(at, site.timeZone) === day;
}

/** Within a tree sound before infected: fewer cleanings, and nothing carried from a canker into dead wood's clean neighbour. */
function itemsOf(view: TreeView, known: Map<string, string>): RunItem[] {
  return standingCuts(view)
    .map((cut) => {
      const findingIds = view.cuts.cuts
        .filter((other) => other === cut || view.cuts.cuts[other.swallowedBy ?? -1] === cut)
        .flatMap((other) => other.lesionIds);
      const disorders = disordersOf(findingIds, known);
      return { id: `${view.tree.id}:${findingIds.toSorted().join(',')}`, view, cut, findingIds, disorders };
    })
    .toSorted((a, b) => Number(isInfected(a)) - Number(isInfected(b)));
}

function isInfected({ disorders }: RunItem): boolean {
  return disorders.some((code) => kindOf(code) === 'diseased');
}

function whyLeftOut(item: RunItem, done: Action[]): string | null {
  const { cautions } = cutAtHand(item.view, item.cut);
  const handOver = cautions.find((caution) => caution.kind === 'hand over');
  if (handOver) return `For a licensed arborist. ${handOver.text}`;
  const notMade = done.find(
    ({ action }) =>
      action.kind === 'cutNotMade' && item.findingIds.every((id) => action.findingIds.includes(id)),
  );
  return notMade?.action.kind === 'cutNotMade' ? `Not made today: ${notMade.action.reason}` : null;
}

/** What the blade did today, oldest first. Yesterday's blade is of unknown history. */
function bladeEvents(done: Action[], known: Map<string, string>): BladeEvent[] {
  return done.toReversed().flatMap(({ action }): BladeEvent[] => {
    if (action.kind === 'bladeCleaned' && action.blade === BLADE) return [{ kind: 'cleaned' }];
    if (action.kind !== 'cutMade' || action.blade !== BLADE) return [];
    return [{ kind: 'cut', treeId: action.treeId, disorders: disordersOf(action.findingIds, known) }];
  });
}

/** Disorder by finding id. A finding of a tree that has nothing open any more is not at hand: its wood counts as suspect. */
function disordersOf(findingIds: string[], known: Map<string, string>): string[] {
  return findingIds.map((id) => known.get(id) ?? 'unknown');
}
