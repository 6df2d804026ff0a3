// What asks for a day: the pass at hand of a tree, its next one, a cut to look at again, a job. Each with the slots that suit it and what it brings.
import { type Demand, PLOT_MINUTES, SAFETY_SHARE, type SeasonSettings } from '../campaign/index';
import type { VisitWorth } from '../plan/index';
import type { ListedTree } from '../run/index';
import type { GroupTiming, LaneId, Season } from '../timing/index';
import { dayAfter, dayOfYear } from '../weather/index';
import type { RotaSlot } from './slots';
import { NO_WAITING, sumOf, type WaitingCosts, waitingCosts, yearsWaiting } from './waiting';

/** A year later it is worth so much of now, as the planner has it. */
const NEXT_YEAR = 0.85;
export const visitKinds = ['pass at hand', 'summer pass', 'winter pass', 'recheck', 'job'] as const;
export type VisitKind = (typeof visitKinds)[number];

export interface RotaGroup {
  key: string;
  lane: LaneId;
  species: string;
  /** Half-days of the forecast; empty where nothing is told of them. */
  cells: GroupTiming['cells'];
  school: GroupTiming['school'];
  /** null: of trees that keep their leaves nothing is told. */
  season: Pick<Season, 'weeks' | 'schools' | 'bloom'> | null;
}

/** What is done at a tree beside its plan. */
export interface Errand {
  id: string;
  treeId: string;
  plotId: string;
  kind: 'recheck' | 'job';
  minutes: number;
  /** Not before this day. */
  from: string;
  /** It is late after it. */
  dueOn: string;
  /** After this day it is not asked for any more; null: a job stays. */
  until: string | null;
}

export interface Asked {
  id: string;
  treeId: string;
  plotId: string;
  kind: VisitKind;
  minutes: number;
  ladder: boolean;
  needs: Demand[];
  must: boolean;
  /** Before the wounds, on a day that suits it. */
  points: number;
  /** When it is left until next year; what was left a season ago has lost a year already. */
  skip(wasLeft: boolean): number;
  /** When it is done in that slot; null: not in that one. */
  worthIn(slot: RotaSlot): number | null;
  /** Points that it loses until a day, by why, or where it is left for a year (null); they are off its worth already. */
  waitsUntil(day: string | null): WaitingCosts;
  /** What is done after this day is late; null: it has none. */
  end: string | null;
}

/** From tree to tree, and getting to work there. Common practice, no source. */
export const TO_A_TREE_MIN = 0.5;

export interface OfTree {
  today: string;
  group: RotaGroup | null;
  /** Last day of the school of its group. */
  end: string | null;
  /** Hosts of fire blight near the tree, itself among them. */
  hosts: number;
  settings: SeasonSettings;
  /** Points that the planner takes for a minute. */
  minutePoints: number;
}

/** The pass that is at hand, where it asks for work. */
export function passAtHand({ tree, cuts, due }: ListedTree, of: OfTree): Asked | null {
  if (!due?.worth || due.minutes <= 0) return null;
  const { end, settings, today } = of;
  const pass = passOf({ ...due.worth, minutes: due.minutes }, of, today);
  return {
    ...{ id: tree.id, treeId: tree.id, plotId: tree.plotId, kind: 'pass at hand', end },
    minutes: due.minutes + TO_A_TREE_MIN,
    ladder: cuts.some(({ ladder, handedOver }) => ladder && !handedOver),
    must: due.must,
    ...pass,
    worthIn: (slot) => {
      const isIn = slot.half !== null || (end !== null && slot.from <= dayAfter(end, settings.lateDays));
      return isIn ? pass.worthIn(slot) : null;
    },
  };
}

/** The pass after the one at hand, summer after winter or winter after summer, in its own season of the year; null where nothing is told of that. */
export function nextPass(listed: ListedTree, of: OfTree): Asked | null {
  const { today, group, settings } = of;
  const visit = listed.due?.ahead.find(({ next }) => next);
  if (!visit || visit.minutes <= 0) return null;
  const isSummer = visit.pass === 'summer';
  const span = group && spanOf(group, isSummer ? 'after fruit set' : group.school, today);
  if (!span) return null;
  const { tree } = listed;
  const pass = passOf(visit, of, span.from);
  const { minutes, ladder } = visit;
  // Summer cuts stop on their day: there is no late zone after it
  const last = isSummer ? span.to : dayAfter(span.to, settings.lateDays);
  return {
    ...{ id: `${tree.id} ${visit.pass}`, treeId: tree.id, plotId: tree.plotId },
    kind: isSummer ? 'summer pass' : 'winter pass',
    ...{ minutes: minutes + TO_A_TREE_MIN, ladder, must: false, end: span.to },
    ...pass,
    worthIn: (slot) => (slot.from >= span.from && slot.from <= last ? pass.worthIn(slot) : null),
  };
}

/** @param since nothing is lost by waiting before this day */
function passOf(
  { points: all, woundCm2, minutes, powerSaw, pole, waits: facts }: VisitWorth & { minutes: number },
  { group, hosts, settings, minutePoints }: OfTree,
  since: string,
): Pick<Asked, 'points' | 'needs' | 'skip' | 'worthIn' | 'waitsUntil'> {
  const points = settings.minutesCost ? all - minutes * minutePoints : all;
  const waits = { facts, season: group?.season ?? null, hosts, since };
  const waitsUntil = (day: string | null) =>
    day === null ? yearsWaiting(waits, settings) : waitingCosts(waits, day, settings);
  return {
    points,
    needs: [...(powerSaw ? ['power saw' as const] : []), ...(pole ? ['pole' as const] : [])],
    skip: (wasLeft) => points * NEXT_YEAR ** (wasLeft ? 2 : 1) - sumOf(waitsUntil(null)),
    worthIn: (slot) => {
      const index = group && indexIn(group, slot);
      if (index === null) return null;
      return points - (index * settings.woundPoints * woundCm2) / 100 - sumOf(waitsUntil(slot.from));
    },
    waitsUntil,
  };
}

export function errandAsked(errand: Errand, settings: SeasonSettings): Asked {
  const { id, treeId, plotId, kind, minutes, from, dueOn, until } = errand;
  const points = kind === 'recheck' ? settings.lookPoints : settings.jobPoints;
  return {
    ...{ id, treeId, plotId, kind, ladder: false, needs: [], points, must: false, end: until ?? dueOn },
    minutes: minutes + TO_A_TREE_MIN,
    skip: () => 0,
    waitsUntil: () => NO_WAITING,
    worthIn: (slot) => {
      if (slot.to < from || (until !== null && slot.from > until)) return null;
      return kind === 'job' && slot.from > dueOn ? points * settings.jobLateShare : points;
    },
  };
}

/** What so many minutes take of a slot when nothing else is done in it. */
export const plannedMinutes = (minutes: number): number => (minutes + PLOT_MINUTES) / SAFETY_SHARE;

/** The index of wounds made in the slot; null where no wound should be. */
export function indexIn({ cells, season }: RotaGroup, slot: RotaSlot): number | null {
  if (slot.half) {
    const cell = cells.find(({ day, half }) => day === slot.from && half === slot.half);
    // Weather that stops work leaves no hours; blossom, frost and risk stop the wound
    const stops = cell?.verdict === 'wait' && STOPS.has(cell.why ?? '');
    return cell === undefined || stops ? null : cell.score[1];
  }
  if (!season) return null;
  const at = dayOfYear(slot.from);
  const week = season.weeks.findLast(({ from }) => from <= at) ?? season.weeks[0];
  return week ? week.score[1] : null;
}

const STOPS: ReadonlySet<string> = new Set(['bloom of a blight host', 'severe frost', 'risk']);

/** The season of a school, as it is in most years, that is at hand or comes next: days; null where it has none. */
export function spanOf(
  { season }: Pick<RotaGroup, 'season'>,
  school: RotaGroup['school'],
  today: string,
): { from: string; to: string } | null {
  const usual = season?.schools.find((each) => each.school === school);
  if (!usual || usual.from === null || usual.to === null) return null;
  const now = dayOfYear(today);
  const ahead = (ofYear: number) => (ofYear >= now ? ofYear - now : ofYear + YEAR - now);
  const [from, to] = [Math.round(usual.from), Math.round(usual.to)];
  const isIn = from <= to ? now >= from && now <= to : now >= from || now <= to;
  return { from: isIn ? today : dayAfter(today, ahead(from)), to: dayAfter(today, ahead(to)) };
}

const YEAR = 365;
