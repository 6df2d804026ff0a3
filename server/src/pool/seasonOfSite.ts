// The season of a site shared out: what each visit is worth when, how long everybody can work, and how it went in past years.
import { createHash } from 'node:crypto';
import {
  type CampaignInput,
  type CampaignPlan,
  type Crew,
  campaignProgram,
  firstCampaign,
  type SeasonSettings,
  solveCampaign,
  type VisitWish,
} from '@mortisect/core/campaign';
import {
  type Errand,
  inSlotsOf,
  knowing,
  type Move,
  movesBetween,
  played,
  type Rota,
  type RotaGroup,
  rotaOf,
  type SharedBefore,
  sharedBefore,
  sumOf,
  type WaitingCosts,
  type YearPlayed,
} from '@mortisect/core/rota';
import type { ListedTree } from '@mortisect/core/run';
import { cropOf } from '@mortisect/core/stage';
import {
  blockedHours,
  type Season,
  type SiteTiming,
  seasonsOf,
  type TimingInput,
  type TreeGroup,
} from '@mortisect/core/timing';
import { dayAfter, daysBetween, groundByRecord, localClock } from '@mortisect/core/weather';
import { seasonSolver } from './seasonPlan';
import { type WeatherSource, weatherOf } from './weatherSource';

/** Of one weather record and day: by group and settings. */
export interface PastYears {
  of: string;
  seasons: Record<string, Pick<Season, 'weeks' | 'schools' | 'bloom'> | null>;
}

export interface SeasonTask {
  source: WeatherSource;
  now: string;
  today: string;
  place: TimingInput['place'];
  settings: TimingInput['settings'];
  timing: SiteTiming;
  groups: readonly TreeGroup[];
  groupOf: Readonly<Record<string, string>>;
  trees: readonly ListedTree[];
  errands: readonly Errand[];
  booked: readonly string[];
  crews: readonly Crew[];
  paces: Readonly<Record<string, number>>;
  /** How many hosts of fire blight stand near each tree. */
  hosts: Readonly<Record<string, number>>;
  worth: SeasonSettings;
  /** Points that the planner takes for a minute. */
  minutePoints: number;
  wishes: Readonly<Record<string, VisitWish>>;
  /** What past years say of the groups, as it was worked out before: it takes seconds, and changes with the day and not with a crew. */
  pastYears: PastYears | null;
  /** How it was shared out before; null: for the first time. */
  before: SharedBefore | null;
  /** Whoever waits for the first season of all gets a plan that is there at once, without what more hands or more knowledge would bring. */
  atOnce: boolean;
}

/** What a plan brings more than the one that stands: made again, not guessed. */
export interface Brings {
  points: number;
  visits: number;
  /** Of work that is done. */
  minutes: number;
}

/** What one more person, or one more ladder, of a crew is worth, all season. */
export interface OneMore extends Brings {
  crewId: string;
  of: 'person' | 'ladder';
}

/** One more day of one person in a week, or the crew two weeks earlier here. */
export interface WhatIf {
  crewId: string;
  /** The week; null: earlier. */
  slotId: string | null;
}

export interface SeasonShared {
  rota: Omit<Rota, 'years' | 'waitsAt'>;
  plan: CampaignPlan;
  /** What each visit loses by waiting for its day, or for a year where it is left, by why; of those that lose anything. */
  waits: Record<string, WaitingCosts>;
  prices: number[][];
  played: YearPlayed[];
  yearsSimulated: boolean;
  /** Of the last years: points by the plan, and by one that knew the weather beforehand; empty for large orchards. */
  known: { points: number; knowing: number }[];
  oneMore: OneMore[];
  /** What is different from before. */
  moves: Move[];
  /** For the next time. */
  kept: SharedBefore;
  pastYears: PastYears;
}

/** So many past years are played with the weather known beforehand. */
const KNOWN_YEARS = 2;
/** More than so many visits are not shared out a second time to see what one more would bring. */
const FEW_VISITS = 400;

/** What there is to share out, and the weather that it was made from; null where nothing asks for a visit. */
function rotaOfTask(task: SeasonTask) {
  const { source, now, settings, timing, crews, paces } = task;
  const { latitude, longitude, timeZone } = task.place;
  const place = { latitude, longitude, clock: localClock(timeZone) };
  const { years, yearsSimulated } = weatherOf(source, now);
  const weather = createHash('sha256')
    .update(JSON.stringify([source, task.today, place]))
    .digest('base64url');
  const known = task.pastYears?.of === weather ? task.pastYears.seasons : {};
  const pastYears: PastYears = { of: weather, seasons: {} };
  let made: ReturnType<typeof seasonsOf> | null = null;
  // What past weather says by itself takes seconds, and is only asked for where a group is new
  const seasonFor = () => (made ??= seasonsOf({ years, settings }, place));
  const timed = new Map(timing.groups.map((group) => [group.key, group]));
  const groups = task.groups.map((group): RotaGroup => {
    const crop = cropOf(group.species);
    const { loads, cut, offsetDays, key, lane, species } = group;
    const asked = JSON.stringify([settings, group]);
    const season = asked in known ? (known[asked] ?? null) : pastYear();
    pastYears.seasons[asked] = season;
    return {
      ...{ key, lane, species },
      cells: timed.get(key)?.cells ?? [],
      school: timed.get(key)?.school ?? 'any dry day',
      season,
    };

    function pastYear() {
      if (!crop) return null;
      const { weeks, schools, bloom } = seasonFor()({ crop, loads, cut, offsetDays });
      return { weeks, schools, bloom };
    }
  });
  const rota = rotaOf({
    ...{ today: task.today, crews, paces, trees: task.trees },
    ...{ groupOf: task.groupOf, groups, clock: place.clock },
    ...{ wishes: task.wishes, errands: task.errands, booked: task.booked },
    ...{ hosts: task.hosts, settings: task.worth, minutePoints: task.minutePoints },
    near: { fromHour: timing.fromHour, blocked: timing.living },
    far: { fromHour: years.fromHour, blocked: blockedHours(years, settings, place, groundByRecord(years)) },
  });
  return rota && { rota, yearsSimulated, pastYears };
}

/** Null where nothing asks for a visit. */
export async function siteSeason(task: SeasonTask): Promise<SeasonShared | null> {
  const { crews } = task;
  const made = rotaOfTask(task);
  if (!made) return null;
  const { rota, yearsSimulated, pastYears } = made;
  const solver = await seasonSolver();
  const { years: _years, waitsAt, ...told } = rota;
  const { campaign } = rota;
  const { before } = task;
  const stood = before ? inSlotsOf(before, rota) : [];
  const isAnotherDay = before?.today !== task.today;
  // Of a large season what is repaired day after day would drift: on another day it is made from nothing
  const isAnew = isAnotherDay && campaign.visits.length > FEW_VISITS;
  const { plan, prices } = task.atOnce
    ? firstCampaign(campaign, solver)
    : solveCampaign(campaign, solver, isAnew ? [] : stood);
  const more = ['person', 'ladder'] as const;
  const isAlone = task.atOnce || campaign.visits.length > FEW_VISITS;
  const oneMore = isAlone
    ? []
    : crews.flatMap(({ id }) =>
        more.map((of): OneMore => {
          const pools = campaign.pools.map((pool) =>
            pool.id !== id
              ? pool
              : {
                  ...pool,
                  ...(of === 'person' ? { people: pool.people + 1 } : { ladders: pool.ladders + 1 }),
                },
          );
          // Freely: what a hand is worth does not count what moves for it. The plan as it stands can be kept, so that it is never worse
          const { plan: other } = solveCampaign({ ...campaign, pools }, solver);
          return { ...{ crewId: id, of }, ...brings(campaign, plan, other) };
        }),
      );
  const inPastYears = played(rota, plan);
  const known = isAlone
    ? []
    : inPastYears.slice(0, KNOWN_YEARS).map(({ points }, year) => {
        const { plan: other } = solveCampaign(knowing(rota, year), solver);
        // Whoever knows can do as the plan does
        return { points, knowing: Math.max(points, other.points) };
      });
  const slotAt = new Map(rota.slots.map(({ id }, t) => [id, t]));
  const placed = new Map(plan.done.map(({ visitId, slotId }) => [visitId, slotAt.get(slotId) ?? null]));
  const waits = campaign.visits.map(({ id }) => [id, waitsAt(id, placed.get(id) ?? null)] as const);
  const { today, wishes } = task;
  const unplanned = task.trees.flatMap(({ tree, due }) => (due ? [] : tree.id));
  const asOfNow = { today, slots: rota.slots, crews, wishes, unplanned, done: plan.done, rota };
  return {
    rota: told,
    ...{ plan, prices, oneMore, yearsSimulated, pastYears },
    waits: Object.fromEntries(waits.filter(([, costs]) => sumOf(costs) > 0)),
    played: inPastYears,
    known,
    moves: before ? movesBetween(before, asOfNow) : [],
    kept: sharedBefore(asOfNow),
  };
}

type Standing = Pick<CampaignPlan, 'points' | 'done'>;

/** The plan as it stands can be kept, so that nothing is ever worse. */
function brings({ visits }: CampaignInput, stands: Standing, other: Standing): Brings {
  const points = other.points - stands.points;
  if (points <= 0) return { points: 0, visits: 0, minutes: 0 };
  const minutesOf = new Map(visits.map(({ id, minutes }) => [id, minutes]));
  const worked = ({ done }: Standing) =>
    done.reduce((sum, { visitId }) => sum + (minutesOf.get(visitId) ?? 0), 0);
  return { points, visits: other.done.length - stands.done.length, minutes: worked(other) - worked(stands) };
}

const EARLIER_DAYS = 14;

/**
 * The season shared out anew with a hand more.
 *
 * @param stands the plan as it stands
 * @returns null where nothing asks for a visit, or there is no such crew or week
 */
export async function siteWhatIf(
  task: SeasonTask & { whatIf: WhatIf; stands: Standing },
): Promise<Brings | null> {
  const { crewId, slotId } = task.whatIf;
  const crew = task.crews.find(({ id }) => id === crewId);
  if (!crew) return null;
  const first = dayAfter(crew.from ?? task.today, -EARLIER_DAYS);
  const earlier = { ...crew, from: first > task.today ? first : task.today };
  const crews = slotId === null ? task.crews.map((each) => (each === crew ? earlier : each)) : task.crews;
  const made = rotaOfTask({ ...task, crews });
  if (!made) return null;
  const { campaign, slots } = made.rota;
  const t = slots.findIndex(({ id }) => id === slotId);
  if (slotId !== null && t < 0) return null;
  const day = t < 0 ? 0 : oneDay({ ...task, crews: [{ ...crew, weekdays: EVERY_DAY, daysOff: [] }] }, t);
  const pools = campaign.pools.map((pool) =>
    pool.id === crewId
      ? { ...pool, minutes: pool.minutes.map((each, i) => (i === t ? each + day / pool.people : each)) }
      : pool,
  );
  const { plan } = solveCampaign({ ...campaign, pools }, await seasonSolver());
  return brings(campaign, task.stands, plan);
}

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

/** Minutes of a plan that one of a crew gets done on one more day of a slot: of a week, on the mean of its days in past years. */
function oneDay(task: SeasonTask, t: number): number {
  const { slots, workable } = rotaOfTask(task)?.rota ?? {};
  const slot = slots?.[t];
  const [, mean] = workable?.[0]?.[t] ?? [];
  if (!slot || mean === undefined) return 0;
  return mean / (daysBetween(slot.from, slot.to) + 1);
}

/** The linear program of a season, in CPLEX LP format. */
export async function seasonLp(input: CampaignInput): Promise<string> {
  return campaignProgram(input, await seasonSolver());
}
