// What the weather says of the days ahead, for the site and for one tree. Computed in the pool, kept until something changes.

import { createHash } from 'node:crypto';
import type { StationState, TimingNow, TreeTiming } from '@mortisect/contracts';
import { DAY_MS } from '@mortisect/core/measure';
import { type TreeOfGroup, treeGroups, treesOfGroups } from '@mortisect/core/present';
import type { Action, Site } from '@mortisect/core/records';
import { cropOf, showsGreen, stageByCalendar } from '@mortisect/core/stage';
import { type CutKind, protectantOn, type SiteTiming, type TreeGroup } from '@mortisect/core/timing';
import { hourOf } from '@mortisect/core/weather';
import { unsaid } from '@mortisect/words';
import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { dayAt } from '../files/day';
import { BUDGET_MS, type Pool } from '../pool/pool';
import type { TimingTask } from '../pool/when';
import { HttpProblem, notThere } from '../refusal';
import { whereItCan } from '../store/faults';
import { inPages } from '../store/inPages';
import type { Db } from '../store/openDb';
import { actions, findings, isKept, trees } from '../store/schema';
import { Answers } from './answers';
import { revisionOf } from './changes';
import { keep, kept } from './keepsakes';
import { asAction } from './orchard';
import { getSite } from './site';
import { getWeather, stationState, weatherSource, weatherStamp } from './weather';

/** The same draws for everybody who looks. */
const SEED = 20;
const MOST_KEPT = 200;
const RECORD_DAYS = 30;

interface Facts {
  site: Site;
  station: StationState;
  groups: TreeGroup[];
  keyOf: Map<string, string>;
  said: Action[];
}

/** Answers that hold until the hour turns or something is recorded, by database; one server process keeps its own. */
const answers = new WeakMap<Db, Answers>();

function answersOf(db: Db): Answers {
  const ofDb = answers.get(db) ?? new Answers(MOST_KEPT);
  answers.set(db, ofDb);
  return ofDb;
}

/** What an answer rests on: it is computed anew when any of it changes, and not because a tree was walked past. */
async function stampOf(db: Db, { site, said, groups }: Facts, now: string): Promise<string> {
  const { latitude, longitude, timeZone, weather, timing } = site;
  const rests = [latitude, longitude, timeZone, weather, timing, groundSaid(said, now), groups];
  const hash = createHash('sha256').update(JSON.stringify(rests)).digest('base64url');
  return `${hourOf(now)} ${await weatherStamp(db)} ${hash}`;
}

const SAID = ['stageSeen', 'groundSaid', 'protectantApplied'] as const;

async function factsOf(db: Db, now: string): Promise<Facts> {
  const { site } = await getSite(db);
  const open = await db
    .select({ treeId: findings.treeId, disorder: sql<string>`${findings.value}->>'disorder'` })
    .from(findings)
    .where(eq(findings.state, 'open'));
  const rows = await db
    .select()
    .from(actions)
    .where(and(inArray(actions.kind, [...SAID]), eq(actions.undone, false)))
    .orderBy(asc(actions.at));
  const saidActions = rows.map(asAction);
  const { groups, keyOf } = treeGroups(
    {
      site,
      trees: await treesToGroup(db),
      findings: open,
      seen: saidActions.map(({ action }) => action),
    },
    now,
  );
  return { site, station: await stationState(db, site, now), groups, keyOf, said: saidActions };
}

const treesRead = new WeakMap<Db, { revision: string; trees: TreeOfGroup[] }>();

/** Of thousands of trees only what tells their group; read anew when something was recorded. */
async function treesToGroup(db: Db): Promise<TreeOfGroup[]> {
  const { revision } = await revisionOf(db);
  const known = treesRead.get(db);
  if (known?.revision === revision) return known.trees;
  const trees = await readTreesToGroup(db);
  treesRead.set(db, { revision, trees });
  return trees;
}

const readTreesToGroup = (db: Db): Promise<TreeOfGroup[]> =>
  inPages(db, trees, (isOnPages) =>
    db
      .select({
        id: trees.id,
        species: sql<string>`${trees.value}->>'species'`,
        cultivar: sql<string | null>`${trees.value}->>'cultivar'`,
        status: sql<TreeOfGroup['status']>`${trees.value}->>'status'`,
      })
      .from(trees)
      .where(and(isKept(trees), isOnPages)),
  );

/** Null where no weather is known. */
async function taskOf(
  db: Db,
  { site, said }: Facts,
  now: string,
): Promise<Omit<TimingTask, 'groups'> | null> {
  const source = await weatherSource(db, site, now);
  const { latitude, longitude, timeZone } = site;
  return (
    source && {
      source,
      now,
      place: { latitude, longitude, timeZone },
      settings: site.timing,
      groundSaid: groundSaid(said, now),
      seed: SEED,
    }
  );
}

function groundSaid(said: readonly Action[], now: string): TimingTask['groundSaid'] {
  const last = said.findLast(({ action }) => action.kind === 'groundSaid')?.action;
  if (last?.kind !== 'groundSaid' || Date.parse(last.until) <= Date.parse(now)) return null;
  return { state: last.state, untilHour: hourOf(last.until) };
}

/** The days ahead for all groups, as everybody is told them. */
async function timingOf(db: Db, pool: Pool, facts: Facts, now: string) {
  const stamp = await stampOf(db, facts, now);
  const timing = await answersOf(db).ask(`site ${stamp}`, () =>
    overRestart(db, pool.code && `${pool.code} ${stamp}`, async () => {
      const task = await taskOf(db, facts, now);
      return task && pool.timing({ ...task, groups: facts.groups });
    }),
  );
  return { stamp, timing };
}

/** What a season is shared out by, with the word for it; null where no weather is known. */
export async function seasonFacts(db: Db, pool: Pool, now: string) {
  const facts = await factsOf(db, now);
  const { stamp, timing } = await timingOf(db, pool, facts, now);
  const task = await taskOf(db, facts, now);
  if (!task || !timing) return null;
  const { source, place, settings } = task;
  return {
    stamp,
    task: {
      source,
      now,
      place,
      settings,
      timing,
      groups: facts.groups,
      groupOf: Object.fromEntries(facts.keyOf),
    },
  };
}

export async function getTiming(db: Db, pool: Pool, now: string): Promise<TimingNow> {
  const facts = await factsOf(db, now);
  const { site, station, groups, keyOf, said } = facts;
  const { timing } = await timingOf(db, pool, facts, now);
  return {
    now,
    station,
    timing: timing && withoutNow(timing),
    stages: stagesOf(site, groups, timing, now),
    treesOf: treesOfGroups(keyOf),
    seen: stagesSeen(site, said, now),
    protectants: await protectants(db, pool, site, said, timing, now),
  };
}

/** The answer says it for all of it. */
const withoutNow = ({ now: _now, ...told }: SiteTiming): TimingNow['timing'] => told;

const KEPT_AS = 'site timing';

/** The last answer for the site outlives the server: to work through ten past years takes a core three seconds. @param stamp null: it does not */
async function overRestart(
  db: Db,
  stamp: string | null,
  make: () => Promise<SiteTiming | null>,
): Promise<SiteTiming | null> {
  if (stamp === null) return make();
  // As text: the database would put the keys of an object in an order of its own
  const before = await kept<{ stamp: string; json: string }>(db, KEPT_AS);
  if (before?.stamp === stamp) return JSON.parse(before.json);
  const answer = await make();
  await whereItCan(keep(db, KEPT_AS, { stamp, json: JSON.stringify(answer) }));
  return answer;
}

const SEEN_DAYS = 400;

function stagesSeen(site: Site, said: readonly Action[], now: string): TimingNow['seen'] {
  const since = Date.parse(now) - SEEN_DAYS * DAY_MS;
  return said
    .flatMap(({ id, action, by }) => {
      if (action.kind !== 'stageSeen' || Date.parse(action.at) < since) return [];
      const { species, cultivar, stage, at } = action;
      return [{ actionId: id, species, cultivar, stage, day: dayAt(at, site.timeZone), by }];
    })
    .sort((a, b) => b.day.localeCompare(a.day));
}

/** Of each species: what the weather says of its stage, else what the calendar says. */
function stagesOf(
  site: Site,
  groups: TreeGroup[],
  timing: SiteTiming | null,
  now: string,
): TimingNow['stages'] {
  const bySpecies = new Map<string, TimingNow['stages'][number]>();
  for (const group of groups) {
    if (bySpecies.has(group.species)) continue;
    const groupTiming = timing?.groups.find((timed) => timed.key === group.key);
    bySpecies.set(group.species, {
      species: group.species,
      ...(groupTiming
        ? { stage: groupTiming.stage, bloom: groupTiming.bloom }
        : byCalendar(site, group, now)),
    });
  }
  return [...bySpecies.values()];
}

function byCalendar(
  site: Site,
  group: TreeGroup,
  now: string,
): Pick<TimingNow['stages'][number], 'stage' | 'bloom'> {
  const crop = cropOf(group.species);
  if (!crop) return { stage: null, bloom: null };
  const { latitude, timeZone } = site;
  const { offsetDays, seen } = group;
  return stageByCalendar(crop, dayAt(now, timeZone), { latitude, offsetDays, seen });
}

const PROTECTANT_DAYS = 21;

/** What was put on lately, and whether rain has washed it off. */
async function protectants(
  db: Db,
  pool: Pool,
  site: Site,
  said: readonly Action[],
  timing: SiteTiming | null,
  now: string,
): Promise<TimingNow['protectants']> {
  const since = Date.parse(now) - PROTECTANT_DAYS * DAY_MS;
  const recent = said.flatMap(({ id, action }) =>
    action.kind === 'protectantApplied' && Date.parse(action.at) >= since ? [{ id, ...action }] : [],
  );
  if (recent.length === 0) return [];
  const { observed } = await getWeather(db, pool, RECORD_DAYS, now);
  return recent.map(({ id, product, label, species, at }) => ({
    actionId: id,
    product,
    label,
    species,
    at,
    ...protectantOn(observed, hourOf(at), hourOf(now), site.timing.heavyRainMm),
    greenTissue: green(species, timing),
  }));
}

/** Species whose buds show green: what must go on before that is late. */
function green(species: readonly string[], timing: SiteTiming | null): string[] {
  const showing = (timing?.groups ?? []).filter(
    ({ species: own, stage }) =>
      (species.length === 0 || species.includes(own)) && stage !== null && showsGreen(stage.phase),
  );
  return [...new Set(showing.map((group) => group.species))];
}

async function groupOfTree(db: Db, treeId: string, cut: CutKind, now: string) {
  const facts = await factsOf(db, now);
  const group = facts.groups.find((group) => group.key === facts.keyOf.get(treeId));
  if (!group) throw notThere(unsaid('problem.theTree'));
  return { ...facts, group: { ...group, cut } };
}

const noWeather = () => new HttpProblem(409, 'no-weather', unsaid('problem.noWeather'));

interface TreeAsked {
  /** Aborted when nobody waits for it any more. */
  signal?: AbortSignal;
  treeId: string;
  mm: number;
  crownShare: number;
  at?: string | undefined;
  now: string;
}

/** @throws {HttpProblem} 409 where no weather is known, 503 where it took too long */
export async function getTreeTiming(db: Db, pool: Pool, asked: TreeAsked): Promise<TreeTiming> {
  const { treeId, mm, crownShare, at, now, signal } = asked;
  const { group, ...facts } = await groupOfTree(db, treeId, { mm, crownShare }, now);
  const answer = await answersOf(db).ask(
    `tree ${at} ${await stampOf(db, { ...facts, groups: [group] }, now)}`,
    async (left) => {
      const task = await taskOf(db, facts, now);
      if (!task) throw noWeather();
      return pool.treeTiming({ ...task, groups: [group], group, at: at ?? null }, left);
    },
    { signal, atMostMs: BUDGET_MS },
  );
  return { now, station: facts.station, ...answer };
}

/** @throws {HttpProblem} 409 where no weather is known, 422 for a tree that keeps its leaves, 503 where it took too long */
export async function getTreeSeason(db: Db, pool: Pool, asked: Omit<TreeAsked, 'at'>) {
  const { treeId, mm, crownShare, now, signal } = asked;
  const { group, ...facts } = await groupOfTree(db, treeId, { mm, crownShare }, now);
  // Past years change with the day, not with the hour
  const today = `${dayAt(now, facts.site.timeZone)}T12:00:00Z`;
  return answersOf(db).ask(
    `season ${await stampOf(db, { ...facts, groups: [group] }, today)}`,
    async (left) => {
      const task = await taskOf(db, facts, now);
      if (!task) throw noWeather();
      const treeSeason = await pool.treeSeason({ ...task, group }, left);
      if (!treeSeason) throw new HttpProblem(422, 'keeps-its-leaves', unsaid('problem.keepsLeaves'));
      return treeSeason;
    },
    { signal, atMostMs: BUDGET_MS },
  );
}
