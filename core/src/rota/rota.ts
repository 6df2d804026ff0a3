// A winter’s work from the trees, the crews and the weather: what is shared out, and what came of it.
import {
  CampaignInput,
  type CampaignPlan,
  type CampaignVisit,
  type Crew,
  type SeasonSettings,
  type VisitWish,
} from '../campaign/index';
import { type Pass, passes } from '../plan/index';
import type { ListedTree } from '../run/index';
import { dayAfter, type LocalClock } from '../weather/index';
import { type ArboristVisit, arboristVisit } from './arborist';
import {
  type Asked,
  type Errand,
  errandAsked,
  nextPass,
  passAtHand,
  plannedMinutes,
  type RotaGroup,
  spanOf,
  type VisitKind,
} from './asked';
import { type LaneSeason, laneSeasons } from './lanes';
import { type Hours, minutesNear, minutesOfYears, type RotaSlot, slotsOf } from './slots';
import { NO_WAITING, type WaitingCosts } from './waiting';
import { type Lapse, wishedOf } from './wishes';

const MOST_WEEKS = 40;

export interface RotaInput {
  today: string;
  crews: readonly Crew[];
  /** Minutes that each crew takes for a minute of a plan, by its id; 1 where it is not said. */
  paces: Readonly<Record<string, number>>;
  trees: readonly ListedTree[];
  /** Cuts to look at again, and jobs. */
  errands: readonly Errand[];
  groupOf: Readonly<Record<string, string>>;
  groups: readonly RotaGroup[];
  /** Trees that an arborist is booked for. */
  booked: readonly string[];
  /** How many hosts of fire blight stand near each tree, itself among them, where any do. */
  hosts: Readonly<Record<string, number>>;
  settings: SeasonSettings;
  /** Points that the planner takes for a minute. */
  minutePoints: number;
  /** What somebody has said of a visit, by its id. */
  wishes: Readonly<Record<string, VisitWish>>;
  clock: LocalClock;
  /** By the rule of the site. */
  near: Hours;
  far: Hours;
}

/**
 * Minutes of plans that one of a crew gets done in a slot: a wet tenth of past years, their mean and a dry tenth; by the forecast the same thrice. The mean, not the
 * middle: who works one day a week has none or all of it, and the middle of that is nothing for a whole winter.
 */
export type Workable = [number, number, number];

/** A visit that somebody leaves this season. */
export interface LeftByChoice {
  visitId: string;
  plotId: string;
  until: string;
  reason: string;
  /** Points that are lost against its best day. */
  costs: number;
  must: boolean;
}

export interface Rota {
  campaign: CampaignInput;
  slots: RotaSlot[];
  /** By crew, then by slot. */
  workable: Workable[][];
  /** The same by crew, slot, year. */
  years: number[][][];
  lanes: LaneSeason[];
  /** Points in each slot if nothing had been said, of visits of which something was. */
  worthUnsaid: Record<string, (number | null)[]>;
  /** What each visit brings before its wounds. */
  points: Record<string, number>;
  /** Points that a visit loses by waiting until a slot, or where it is left (null), by why. */
  waitsAt(visitId: string, slot: number | null): WaitingCosts;
  /** Whose each visit is, and what it is. */
  of: Record<string, { treeId: string; kind: VisitKind }>;
  arborist: ArboristVisit | null;
  /** First to last. */
  later: LaterPass[];
  /** Last day of its school, by visit; what is done after it is late. */
  endOf: Record<string, string | null>;
  leftByChoice: LeftByChoice[];
  /** What was said of them holds no more: they are planned like others. */
  lapsed: { visitId: string; why: Lapse }[];
}

/** Work of a pass that lies beyond the season: what a renovation holds its years for. */
export interface LaterPass {
  pass: Pass;
  season: number;
  firstYear: number;
  trees: number;
  minutes: number;
}

/** What there is to share out; null where no tree asks for a visit. */
export function rotaOf(input: RotaInput): Rota | null {
  const { today, crews, paces, clock, near, far, groups, settings, minutePoints } = input;
  const byKey = new Map(groups.map((group) => [group.key, group]));
  const endOf = new Map(groups.map((group) => [group.key, spanOf(group, group.school, today)?.to ?? null]));
  const ofTrees = input.trees.flatMap((tree) => {
    const group = byKey.get(input.groupOf[tree.tree.id] ?? '') ?? null;
    const of = {
      ...{ today, group, end: group && (endOf.get(group.key) ?? null), settings, minutePoints },
      hosts: input.hosts[tree.tree.id] ?? 0,
    };
    return [passAtHand(tree, of) ?? [], nextPass(tree, of) ?? []].flat();
  });
  const horizon = dayAfter(today, 7 * MOST_WEEKS);
  const errands = input.errands.filter(({ from }) => from <= horizon);
  const asked = [...ofTrees, ...errands.map((errand) => errandAsked(errand, settings))];
  if (asked.length === 0) return null;
  const askedOf = new Map(asked.map((each) => [each.id, each]));
  const days = [...new Set(groups.flatMap(({ cells }) => cells.map(({ day }) => day)))].sort();
  const ends = [...endOf.values(), ...asked.map(({ end }) => end)].flatMap((end) => end ?? []);
  const lastEnd = ends.toSorted().at(-1) ?? today;
  const lastDay = [dayAfter(lastEnd, settings.lateDays), horizon].sort()[0] as string;
  const slots = slotsOf(days.length > 0 ? days : [today], lastDay);
  // Whoever takes longer than all together gets less of a plan done in an hour
  const own = (crew: Crew, minutes: number) => minutes / (paces[crew.id] ?? 1);
  const years = crews.map((crew) =>
    slots.map((slot) =>
      slot.half ? [] : minutesOfYears(crew, slot, far, clock).map((minutes) => own(crew, minutes)),
    ),
  );
  const workable = crews.map((crew, c) =>
    slots.map((slot, t): Workable => {
      if (!slot.half) return spread(years[c]?.[t] ?? []);
      const minutes = own(crew, minutesNear(crew, slot, near, clock));
      return [minutes, minutes, minutes];
    }),
  );
  const all = asked.map((each) => {
    const { id, plotId, minutes, ladder, needs, must, end } = each;
    const wished = wishedOf(input.wishes[id], { today, slots, crews });
    const visit: CampaignVisit = {
      ...{ id, plotId, minutes, ladder, needs },
      worth: slots.map((slot) => (wished.isOpen(slot) ? each.worthIn(slot) : null)),
      skip: each.skip(wished.wasLeft),
      must: must ? { by: today, weight: 1 } : null,
      pin: wished.pin,
    };
    return { visit, end, wished, each };
  });
  const visits = all.flatMap(({ visit, wished }) => (wished.left ? [] : [visit]));
  const askedIn = (slotId: string, crewId: string) =>
    visits
      .filter(({ pin }) => pin?.slotId === slotId && (pin.poolId ?? crewId) === crewId)
      .reduce((sum, { minutes }) => sum + plannedMinutes(minutes), 0);
  const longest = plannedMinutes(Math.max(0, ...visits.map(({ minutes }) => minutes)));
  return {
    campaign: CampaignInput.parse({
      slots: slots.map(({ id, from, to }) => ({ id, from, to })),
      pools: crews.map(({ id, people, ladders, poles, skills }, c) => ({
        ...{ id, people, ladders, skills: poles > 0 ? [...skills, 'pole' as const] : skills },
        minutes: addedUp(
          slots.map((slot, t) => ({
            isNear: slot.half !== null,
            minutes: workable[c]?.[t]?.[1] ?? 0,
            // What somebody has fixed to a week is done on its dry days, where a dry year has any
            asked: Math.min(askedIn(slot.id, id) / people, Math.max(0, ...(years[c]?.[t] ?? []))),
          })),
          Math.min(longest / people, Math.max(0, ...(years[c] ?? []).flat())),
        ),
      })),
      visits,
    }),
    ...{ slots, workable, years, lanes: laneSeasons(groups, today) },
    worthUnsaid: Object.fromEntries(
      all.flatMap(({ visit: { id }, each }) =>
        input.wishes[id] ? [[id, slots.map((slot) => each.worthIn(slot))] as const] : [],
      ),
    ),
    points: Object.fromEntries(asked.map(({ id, points }) => [id, points])),
    waitsAt: (visitId, slot) =>
      askedOf.get(visitId)?.waitsUntil(slot === null ? null : (slots[slot]?.from ?? null)) ?? NO_WAITING,
    of: Object.fromEntries(asked.map(({ id, treeId, kind }) => [id, { treeId, kind }])),
    arborist: arboristVisit({
      ...{ today, trees: input.trees, groupOf: input.groupOf, groups, slots, near, clock },
      booked: new Set(input.booked),
    }),
    later: laterPasses(input.trees, asked),
    endOf: Object.fromEntries(all.map(({ visit, end }) => [visit.id, end])),
    leftByChoice: all.flatMap(({ visit: { id, plotId, worth, skip, must }, wished: { left } }) =>
      left
        ? [
            {
              ...{ visitId: id, plotId, ...left, must: must !== null },
              costs: Math.max(0, ...worth.map((points) => (points === null ? 0 : points - skip))),
            },
          ]
        : [],
    ),
    lapsed: all.flatMap(({ visit: { id }, wished: { lapse } }) =>
      lapse ? [{ visitId: id, why: lapse }] : [],
    ),
  };
}

function laterPasses(trees: readonly ListedTree[], asked: readonly Asked[]): LaterPass[] {
  const shared = new Set(asked.map(({ id }) => id));
  const later = new Map<string, LaterPass>();
  for (const listed of trees)
    for (const visit of listed.due?.ahead ?? []) {
      const { pass, season, firstYear, minutes } = visit;
      if (visit.next && shared.has(`${listed.tree.id} ${pass}`)) continue;
      const key = `${firstYear + season} ${passes.indexOf(pass)}`;
      const known = later.get(key) ?? { ...{ pass, season, firstYear }, trees: 0, minutes: 0 };
      later.set(key, { ...known, trees: known.trees + 1, minutes: known.minutes + minutes });
    }
  return [...later].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, pass]) => pass);
}

interface SlotMinutes {
  isNear: boolean;
  /** Of one of the crew. */
  minutes: number;
  /** At least so many, where somebody has fixed work to that week; 0 where nobody has. */
  asked: number;
}

/**
 * Who works one day a week has all of it or nothing, and on the mean too little to begin: hours of weeks beyond the forecast are added up until
 * the longest visit fits, and stand in the week in which they have come together.
 *
 * @param least so many at once, of one of the crew
 * @returns minutes of one of the crew, by slot
 */
export function addedUp(slots: readonly SlotMinutes[], least: number): number[] {
  let waiting = 0;
  // Where none come any more they stand where they are
  const last = slots.findLastIndex(({ minutes }) => minutes > 0);
  return slots.map(({ isNear, minutes, asked }, t) => {
    if (isNear) return minutes;
    waiting += minutes;
    if (waiting < least - CLOSE && asked === 0 && t !== last) return 0;
    const all = Math.max(waiting, asked);
    waiting = 0;
    return all;
  });
}

const CLOSE = 1e-9;

function spread(figures: readonly number[]): Workable {
  const sorted = figures.toSorted((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))] ?? 0;
  const mean = figures.reduce((sum, each) => sum + each, 0) / Math.max(1, figures.length);
  return [at(0.1), mean, at(0.9)];
}

export interface YearPlayed {
  /** Visits that were planned and not done. */
  left: string[];
  /** The last day on which anything was done; null where nothing was. */
  doneBy: string | null;
  /** Of what was done when it was done, and of what was left. */
  points: number;
}

/** The plan in the weather of each past year: a week too wet leaves its visits to the next, the crew’s own order kept; what is left at the end stays. */
export function played({ campaign, slots, years }: Rota, plan: CampaignPlan): YearPlayed[] {
  const count = Math.min(
    ...years.flatMap((ofCrew) => ofCrew.flatMap((of) => (of.length > 0 ? of.length : []))),
  );
  const visitOf = new Map(campaign.visits.map((visit) => [visit.id, visit]));
  return Array.from({ length: Number.isFinite(count) ? count : 0 }, (_, year): YearPlayed => {
    const left: string[] = [];
    let doneBy: string | null = null;
    let points = campaign.visits.reduce((sum, { skip }) => sum + skip, 0);
    campaign.pools.forEach((pool, p) => {
      let waiting: string[] = [];
      // Where the hours of several weeks stand in the last of them, the work may begin in the first
      const begins = slots.map((slot, t) => {
        if (slot.half) return t;
        let first = t;
        while (first > 0 && !slots[first - 1]?.half && pool.minutes[first - 1] === 0) first -= 1;
        return first;
      });
      slots.forEach((slot, t) => {
        const own = new Set(slots.flatMap(({ id }, u) => (begins[u] === t ? [id] : [])));
        const planned = plan.done.flatMap(({ visitId, slotId, poolId }) =>
          own.has(slotId) && poolId === pool.id ? [visitId] : [],
        );
        const each = slot.half ? (pool.minutes[t] ?? 0) : (years[p]?.[t]?.[year] ?? 0);
        let room = each * pool.people * campaign.safety;
        const plots = new Set<string>();
        const still: string[] = [];
        for (const id of [...waiting, ...planned]) {
          const visit = visitOf.get(id);
          if (!visit) continue;
          const needed = visit.minutes + (plots.has(visit.plotId) ? 0 : campaign.plotMinutes);
          if (needed > room || visit.worth[t] == null) still.push(id);
          else {
            room -= needed;
            plots.add(visit.plotId);
            points += visit.worth[t] - visit.skip;
            if (doneBy === null || slot.to > doneBy) doneBy = slot.to;
          }
        }
        waiting = still;
      });
      left.push(...waiting);
    });
    return { left, doneBy, points };
  });
}

/** The season for somebody who knew the weather of that past year beforehand. @param year 0 is the last */
export function knowing(
  { campaign, slots, years }: Pick<Rota, 'campaign' | 'slots' | 'years'>,
  year: number,
): CampaignInput {
  return {
    ...campaign,
    pools: campaign.pools.map((pool, p) => ({
      ...pool,
      minutes: pool.minutes.map((minutes, t) => (slots[t]?.half ? minutes : (years[p]?.[t]?.[year] ?? 0))),
    })),
  };
}
