// The site's answer turned into lanes: one for each kind of wood, told by what holds for most of its trees.

import { type LaneId, laneIds, type Reason, type Verdict, windowsOfHours } from '@mortisect/core/timing';
import { hourOf } from '@mortisect/core/weather';
import type { TimingNow } from './when';

type Timing = NonNullable<TimingNow['timing']>;
export type Group = Timing['groups'][number];

export interface LaneCell {
  day: string;
  half: 'morning' | 'afternoon';
  verdict: Verdict;
  why: Reason | null;
}

export interface LaneWindow {
  fromHour: number;
  toHour: number;
  verdict: 'go' | 'possible';
  dryH: number | null;
}

export interface Lane {
  id: LaneId;
  /** That stand here, by their codes; none for dead wood. */
  species: string[];
  cells: LaneCell[];
  windows: LaneWindow[];
  /** Groups with how many trees each, most trees first; none for dead wood. */
  groups: { group: Group; trees: number }[];
}

const lanesKnown = new WeakMap<TimingNow, Lane[]>();

/** Lanes of the kinds of wood that stand here, and dead wood; reckoned once an answer. */
export function lanesOf(timingNow: TimingNow): Lane[] {
  const lanes = lanesKnown.get(timingNow) ?? reckoned(timingNow);
  lanesKnown.set(timingNow, lanes);
  return lanes;
}

const groupsKnown = new WeakMap<TimingNow, ReadonlyMap<string, string>>();

/** Key of the group by tree id; reckoned once an answer. */
export function groupOf(timingNow: TimingNow): ReadonlyMap<string, string> {
  const known = groupsKnown.get(timingNow);
  if (known) return known;
  const groups = new Map<string, string>();
  for (const [key, trees] of Object.entries(timingNow.treesOf)) for (const id of trees) groups.set(id, key);
  groupsKnown.set(timingNow, groups);
  return groups;
}

function reckoned({ timing, treesOf, now }: TimingNow): Lane[] {
  if (!timing) return [];
  return laneIds.flatMap((id): Lane[] => {
    if (id === 'dead') {
      const windows = timing.deadWindows.map((deadWindow) => ({
        ...deadWindow,
        verdict: 'go' as const,
        dryH: null,
      }));
      return [{ id, species: [], cells: timing.deadCells, windows, groups: [] }];
    }
    const groups = timing.groups
      .filter((group) => group.lane === id)
      .map((group) => ({ group, trees: treesOf[group.key]?.length ?? 0 }))
      .sort((a, b) => b.trees - a.trees);
    const most = groups[0];
    if (!most) return [];
    const species = [...new Set(groups.map(({ group }) => group.species))];
    const cells = most.group.cells.map((_, i) => ofMost(groups, i));
    return [
      {
        id,
        species,
        cells,
        windows: windowsOfCells(timing, cells, hourOf(now)),
        groups,
      },
    ];
  });
}

const WORSE: Verdict[] = ['wait', 'possible', 'go'];

/** The verdict that most trees share; of two that as many share, the worse. */
function ofMost(groups: Lane['groups'], i: number): LaneCell {
  const trees: Record<Verdict, number> = { go: 0, possible: 0, wait: 0 };
  for (const { group, trees: own } of groups) trees[group.cells[i]?.verdict ?? 'wait'] += own;
  const verdict = WORSE.reduce(
    (best, verdict) => (trees[verdict] > trees[best] ? verdict : best),
    'wait' as Verdict,
  );
  const cell = groups.map(({ group }) => group.cells[i]).find((cell) => cell?.verdict === verdict);
  const first = (cell ?? groups[0]?.group.cells[i]) as Group['cells'][number];
  return { day: first.day, half: first.half, verdict, why: first.why };
}

const NOON = 12;

/** The half-day of a lane that an hour lies in. */
export function cellAt(timing: Timing, cells: readonly LaneCell[], hour: number): LaneCell | undefined {
  const day = timing.days.find((day) => hour >= day.fromHour && hour < day.toHour);
  if (!day) return undefined;
  const half = hour - day.fromHour < NOON ? 'morning' : 'afternoon';
  return cells.find((cell) => cell.day === day.day && cell.half === half);
}

/** Windows by the very half-days that the lane shows. */
function windowsOfCells(timing: Timing, cells: readonly LaneCell[], nowHour: number): LaneWindow[] {
  return windowsOfHours({
    fromHour: timing.fromHour,
    living: timing.living,
    least: timing.least,
    rainMm: timing.rainMm,
    nowHour,
    endHour: timing.days.at(-1)?.toHour ?? nowHour,
    cellAt: (hour) => cellAt(timing, cells, hour),
  });
}

/** The window that is open now, and the next that is not yet. */
export function windowsAt(windows: readonly LaneWindow[], nowHour: number) {
  const best = [...windows].sort((a, b) => a.fromHour - b.fromHour || (a.verdict === 'go' ? -1 : 1));
  return {
    open: best.find((window) => window.fromHour <= nowHour && window.toHour > nowHour) ?? null,
    next: best.find((window) => window.fromHour > nowHour) ?? null,
    nextGood: best.find((window) => window.toHour > nowHour && window.verdict === 'go') ?? null,
  };
}

/** How many trees of a lane share each verdict at a half-day. */
export function countsAt(lane: Lane, i: number): Record<Verdict, number> {
  const counts: Record<Verdict, number> = { go: 0, possible: 0, wait: 0 };
  for (const { group, trees } of lane.groups) counts[group.cells[i]?.verdict ?? 'wait'] += trees;
  return counts;
}
