// What asks for a day: the pass at hand of a tree, its next one, a cut to look at again, a job. Each with the slots that suit it and what it brings.
import { PLOT_MINUTES, SAFETY_SHARE, type Skill } from '../campaign/index';
import type { VisitWorth } from '../plan/index';
import type { ListedTree } from '../run/index';
import type { GroupTiming, LaneId, Season } from '../timing/index';
import { dayAfter, dayOfYear } from '../weather/index';
import type { RotaSlot } from './slots';

/** A year later it is worth so much of now, as the planner has it. */
const NEXT_YEAR = 0.85;
/** Points that a wound of a hundred cm² costs at an index of one. Common practice, no source. */
const WOUND_POINTS = 0.25;
/** Beyond the school’s end it is late, and still worth it for so long. Common practice, no source. */
export const LATE_DAYS = 28;
/** What it brings to look at a cut again in its time, and to do a job by its day; a job that is late brings half. Common practice, no source. */
const LOOKED_POINTS = 3;
const JOB_POINTS = 2;
const LATE_SHARE = 0.5;

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
  season: Pick<Season, 'weeks' | 'schools'> | null;
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
  needs: Skill[];
  must: boolean;
  /** Before the wounds, on a day that suits it. */
  points: number;
  /** When it is left until next year; what was left a season ago has lost a year already. */
  skip(wasLeft: boolean): number;
  /** When it is done in that slot; null: not in that one. */
  worthIn(slot: RotaSlot): number | null;
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
}

/** The pass that is at hand, where it asks for work. */
export function passAtHand({ tree, cuts, due }: ListedTree, { group, end }: OfTree): Asked | null {
  if (!due?.worth || due.minutes <= 0) return null;
  const { points, woundCm2 } = due.worth;
  return {
    ...{ id: tree.id, treeId: tree.id, plotId: tree.plotId, kind: 'pass at hand', end },
    minutes: due.minutes + TO_A_TREE_MIN,
    ladder: cuts.some(({ ladder, handedOver }) => ladder && !handedOver),
    must: due.must,
    ...ofPass(due.worth),
    worthIn: (slot) => {
      const isIn = slot.half !== null || (end !== null && slot.from <= dayAfter(end, LATE_DAYS));
      return isIn ? lessWound(points, woundCm2, group, slot) : null;
    },
  };
}

/** The pass after the one at hand, summer after winter or winter after summer, in its own season of the year; null where nothing is told of that. */
export function nextPass(listed: ListedTree, { today, group }: OfTree): Asked | null {
  const visit = listed.due?.ahead.find(({ next }) => next);
  if (!visit || visit.minutes <= 0) return null;
  const isSummer = visit.pass === 'summer';
  const span = group && spanOf(group, isSummer ? 'after fruit set' : group.school, today);
  if (!span) return null;
  const { tree } = listed;
  const { points, woundCm2, minutes, ladder } = visit;
  // Summer cuts stop on their day: there is no late zone after it
  const last = isSummer ? span.to : dayAfter(span.to, LATE_DAYS);
  return {
    ...{ id: `${tree.id} ${visit.pass}`, treeId: tree.id, plotId: tree.plotId },
    kind: isSummer ? 'summer pass' : 'winter pass',
    ...{ minutes: minutes + TO_A_TREE_MIN, ladder, must: false, end: span.to },
    ...ofPass(visit),
    worthIn: (slot) =>
      slot.from >= span.from && slot.from <= last ? lessWound(points, woundCm2, group, slot) : null,
  };
}

const ofPass = ({ points, powerSaw }: VisitWorth): Pick<Asked, 'points' | 'needs' | 'skip'> => ({
  points,
  needs: powerSaw ? ['power saw'] : [],
  skip: (wasLeft) => points * NEXT_YEAR ** (wasLeft ? 2 : 1),
});

export function errandAsked(errand: Errand): Asked {
  const { id, treeId, plotId, kind, minutes, from, dueOn, until } = errand;
  const points = kind === 'recheck' ? LOOKED_POINTS : JOB_POINTS;
  return {
    ...{ id, treeId, plotId, kind, ladder: false, needs: [], points, must: false, end: until ?? dueOn },
    minutes: minutes + TO_A_TREE_MIN,
    skip: () => 0,
    worthIn: (slot) => {
      if (slot.to < from || (until !== null && slot.from > until)) return null;
      return kind === 'job' && slot.from > dueOn ? points * LATE_SHARE : points;
    },
  };
}

/** What so many minutes take of a slot when nothing else is done in it. */
export const plannedMinutes = (minutes: number): number => (minutes + PLOT_MINUTES) / SAFETY_SHARE;

function lessWound(points: number, cm2: number, group: RotaGroup | null, slot: RotaSlot): number | null {
  const index = group && indexIn(group, slot);
  return index === null ? null : points - (index * WOUND_POINTS * cm2) / 100;
}

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
