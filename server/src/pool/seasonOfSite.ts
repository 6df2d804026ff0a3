// The season of a site shared out: what each visit is worth when, how long everybody can work, and how it went in past years.
import { createHash } from 'node:crypto';
import {
  type CampaignInput,
  type CampaignPlan,
  type Crew,
  campaignProgram,
  solveCampaign,
  type VisitWish,
} from '@mortisect/core/campaign';
import {
  type Errand,
  inSlotsOf,
  type Move,
  movesBetween,
  played,
  type Rota,
  type RotaGroup,
  rotaOf,
  type SharedBefore,
  sharedBefore,
  type YearPlayed,
} from '@mortisect/core/rota';
import type { ListedTree } from '@mortisect/core/run';
import { cropOf } from '@mortisect/core/stage';
import {
  blockedHours,
  type Season,
  type SiteTiming,
  seasonOf,
  type TimingInput,
  type TreeGroup,
} from '@mortisect/core/timing';
import { groundByRecord, localClock } from '@mortisect/core/weather';
import { seasonSolver } from './seasonPlan';
import { type WeatherSource, weatherOf } from './weatherSource';

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
  wishes: Readonly<Record<string, VisitWish>>;
  /** How it was shared out before; null: for the first time. */
  before: SharedBefore | null;
}

/** What one more person, or one more ladder, of a crew is worth, all season: the plan made again. */
export interface OneMore {
  crewId: string;
  of: 'person' | 'ladder';
  points: number;
  trees: number;
}

export interface SeasonShared {
  rota: Omit<Rota, 'years'>;
  plan: CampaignPlan;
  prices: number[][];
  played: YearPlayed[];
  yearsSimulated: boolean;
  oneMore: OneMore[];
  /** What is different from before. */
  moves: Move[];
  /** For the next time. */
  kept: SharedBefore;
}

/** More than so many visits are not shared out a second time to see what one more would bring. */
const FEW_VISITS = 400;

/** Past years change with the day: what a thread has worked out once it need not work out when a crew changes. */
const seasons = new Map<string, Season>();
const MOST_SEASONS = 200;

function inMemory(key: string, make: () => Season): Season {
  const known = seasons.get(key);
  if (known) return known;
  const made = make();
  if (seasons.size >= MOST_SEASONS) seasons.clear();
  seasons.set(key, made);
  return made;
}

/** Null where no tree asks for a visit. */
export async function siteSeason(task: SeasonTask): Promise<SeasonShared | null> {
  const { source, now, settings, timing, crews } = task;
  const { latitude, longitude, timeZone } = task.place;
  const place = { latitude, longitude, clock: localClock(timeZone) };
  const { years, yearsSimulated } = weatherOf(source, now);
  const weather = createHash('sha256')
    .update(JSON.stringify([source, task.today, place]))
    .digest('base64url');
  const timed = new Map(timing.groups.map((group) => [group.key, group]));
  const groups = task.groups.map((group): RotaGroup => {
    const crop = cropOf(group.species);
    const { loads, cut, offsetDays, key, lane, species } = group;
    return {
      ...{ key, lane, species },
      cells: timed.get(key)?.cells ?? [],
      school: timed.get(key)?.school ?? 'any dry day',
      season:
        (crop &&
          inMemory(`${weather} ${JSON.stringify([settings, group])}`, () =>
            seasonOf({ years, crop, loads, settings, cut, offsetDays }, place),
          )) ||
        null,
    };
  });
  const rota = rotaOf({
    ...{ today: task.today, crews, trees: task.trees, groupOf: task.groupOf, groups, clock: place.clock },
    ...{ wishes: task.wishes, errands: task.errands, booked: task.booked },
    near: { fromHour: timing.fromHour, blocked: timing.living },
    far: { fromHour: years.fromHour, blocked: blockedHours(years, settings, place, groundByRecord(years)) },
  });
  if (!rota) return null;
  const solver = await seasonSolver();
  const { years: _years, ...told } = rota;
  const { campaign } = rota;
  const { before } = task;
  const stood = before ? inSlotsOf(before, rota) : [];
  const isAnotherDay = before?.today !== task.today;
  // Of a large season what is repaired day after day would drift: on another day it is made from nothing
  const isAnew = isAnotherDay && campaign.visits.length > FEW_VISITS;
  const { plan, prices } = solveCampaign(campaign, solver, isAnew ? [] : stood);
  const more = ['person', 'ladder'] as const;
  const oneMore =
    campaign.visits.length > FEW_VISITS
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
            const points = Math.max(0, other.points - plan.points);
            const trees = points > 0 ? other.done.length - plan.done.length : 0;
            return { ...{ crewId: id, of }, points, trees };
          }),
        );
  const { today, wishes } = task;
  const asOfNow = { today, slots: rota.slots, crews, wishes, done: plan.done, rota };
  return {
    rota: told,
    ...{ plan, prices, oneMore, yearsSimulated },
    played: played(rota, plan),
    moves: before ? movesBetween(before, asOfNow) : [],
    kept: sharedBefore(asOfNow),
  };
}

/** The linear program of a season, in CPLEX LP format. */
export async function seasonLp(input: CampaignInput): Promise<string> {
  return campaignProgram(input, await seasonSolver());
}
