// The run: the cuts that wait, in the order they are made, and what the blade has done today.
import type { Action } from '@mortisect/contracts';
import { type BladeEvent, type NextStep, nextStep } from '@mortisect/core/blades';
import type { Cut } from '@mortisect/core/cuts';
import { dayAt } from '../../data/moment';
import { cutAtHand, type SiteToday, standingCuts, type TreeView } from '../../data/orchardView';
import type { Solved } from '../../data/usePlan';
import { stepsNow } from '../plan/planView';

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
 * @param plans the plan of each tree; a tree without one is not in the run yet
 * @param latest the latest actions of the orchard, newest first
 */
export function runOf(
  views: TreeView[],
  plans: ReadonlyMap<string, Solved>,
  latest: readonly Action[],
  today: SiteToday,
): Run {
  const done = latest.filter(
    ({ undone, action }) => !undone && action.kind !== 'undone' && isToday(action.at, today),
  );
  const known = new Map(
    views.flatMap((view) => view.history.map(({ id, disorder }) => [id, disorder] as const)),
  );
  const items = views.flatMap((view) => itemsOf(view, plans.get(view.tree.id), known));
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

/** The cuts that are due now, in the order of the plan; and those that the position rule asks for but an arborist must make. */
function itemsOf(view: TreeView, solved: Solved | undefined, known: Map<string, string>): RunItem[] {
  if (!solved) return [];
  const item = (cut: Cut, findingIds: string[]): RunItem => ({
    id: `${view.tree.id}:${findingIds.toSorted().join(',')}`,
    view,
    cut,
    findingIds,
    disorders: disordersOf(findingIds, known),
  });
  const planned = stepsNow(solved).flatMap(({ cut, step }) => {
    const findingIds = step.solves.map(({ findingId }) => findingId);
    // A plan that stands from before a cut was made names what is closed by now
    const isOpen = findingIds.every((id) => view.findings.some((finding) => finding.id === id));
    return cut && findingIds.length > 0 && isOpen ? [item(cut, findingIds)] : [];
  });
  const handedOver = standingCuts(view).flatMap((cut) => {
    const ids = cut.lesionIds.filter((id) => solved.plan.handOver.includes(id));
    return ids.length > 0 ? [item(cut, ids)] : [];
  });
  return [...planned, ...handedOver];
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
