// The season of the site: made in the pool from the listed trees, the crews and the weather, kept until something changes.
import { createHash } from 'node:crypto';
import type { SeasonPlan, SeasonToday } from '@mortisect/contracts';
import type { CampaignInput, VisitWish } from '@mortisect/core/campaign';
import { paceBeside } from '@mortisect/core/handling';
import { unitsOf } from '@mortisect/core/measure';
import type { Job, Site } from '@mortisect/core/records';
import { TO_A_TREE_MIN, type WaitingCosts, waitings } from '@mortisect/core/rota';
import type { ListedTree } from '@mortisect/core/run';
import { unsaid } from '@mortisect/words';
import { and, asc, eq } from 'drizzle-orm';
import { dayAt } from '../files/day';
import type { Pool } from '../pool/pool';
import type { Brings, PastYears, SeasonTask } from '../pool/seasonOfSite';
import { notThere } from '../refusal';
import type { Db } from '../store/openDb';
import { actions } from '../store/schema';
import { Answers } from './answers';
import { blightHosts } from './blightHosts';
import { isOneToGoBy, type Kept, keepSeason, keptDays, keptSeason } from './keptSeason';
import type { TreeLister } from './listedTrees';
import { arboristDays, type SeasonErrands, seasonErrands } from './seasonErrands';
import { getSiteRecord } from './site';
import { seasonFacts } from './timing';

const MOST_KEPT = 4;
const answers = new WeakMap<Db, Answers>();

function answersOf(db: Db): Answers {
  const ofDb = answers.get(db) ?? new Answers(MOST_KEPT);
  answers.set(db, ofDb);
  return ofDb;
}

export interface SeasonAsked {
  db: Db;
  pool: Pool;
  lister: TreeLister;
  now: string;
}

interface Made {
  site: Site;
  siteRevision: number;
  trees: readonly ListedTree[];
  wishes: Readonly<Record<string, VisitWish>>;
  errands: SeasonErrands;
  /** By crew. */
  paces: Readonly<Record<string, number>>;
  /** Day on which an arborist comes, by tree. */
  booked: ReadonlyMap<string, string>;
  state: SeasonPlan['state'];
  season: Kept | null;
  /** What it was shared out from; null where it was not. */
  task: SeasonTask | null;
  /** A better one is to be had. */
  isFirst: boolean;
}

const jobWords = (job: Job | undefined) => job && { job: job.job, ...(job.title && { title: job.title }) };

/** In memory alone: after a restart it is worked out once. */
const pastYears = new WeakMap<Db, PastYears>();

const digest = (of: unknown): string => createHash('sha256').update(JSON.stringify(of)).digest('base64url');

/** What was said last of each visit, by its id. */
async function wishesOf(db: Db): Promise<Record<string, VisitWish>> {
  const rows = await db
    .select({ value: actions.value })
    .from(actions)
    .where(and(eq(actions.kind, 'visitWished'), eq(actions.undone, false)))
    .orderBy(asc(actions.at), asc(actions.receivedAt), asc(actions.id));
  return Object.fromEntries(
    rows.flatMap(({ value }) =>
      value.kind === 'visitWished' ? [[value.visitId ?? value.treeId, value.wish]] : [],
    ),
  );
}

interface Waits {
  /** Before anything was ever shared out a plan that is there at once will do. */
  atOnce?: boolean;
  /** Aborted when they wait no more: where nobody else does, it is not shared out to the end. */
  signal?: AbortSignal | undefined;
}

/** @throws {HttpProblem} 503 where it took too long */
async function made({ db, pool, lister, now }: SeasonAsked, waits: Waits = {}): Promise<Made> {
  const { site, revision: siteRevision, paces: measured } = await getSiteRecord(db);
  const { revision, trees } = await lister.read(unitsOf(site.units, 'metric'));
  const { crews } = site;
  const wishes = await wishesOf(db);
  const today = dayAt(now, site.timeZone);
  const errands = await seasonErrands(db, site, now, today);
  const booked = await arboristDays(db, today);
  const paces = Object.fromEntries(
    crews.map(({ id, name, pace }) => [id, pace ?? paceBeside(measured, name)]),
  );
  const told = {
    ...{ site, siteRevision, trees, wishes, paces, errands, booked },
    ...{ season: null, task: null, isFirst: false },
  };
  if (crews.length === 0) return { ...told, state: 'nobody works' };
  const facts = await seasonFacts(db, pool, now);
  if (!facts) return { ...told, state: 'no weather' };
  const worth = site.seasonWorth;
  const minutePoints = site.plan.costs.minute;
  const hosts = await blightHosts(db, facts.task, worth.blightWithinM);
  const said = [worth, minutePoints, hosts];
  const rests = digest([pool.code, crews, paces, wishes, errands.errands, [...booked], facts.stamp, said]);
  const task: SeasonTask = {
    ...{ ...facts.task, today, trees, crews, paces, wishes, before: null, atOnce: false },
    ...{ worth, minutePoints, hosts },
    ...{ errands: errands.errands, booked: [...booked.keys()], pastYears: pastYears.get(db) ?? null },
  };
  const known = answersOf(db);
  const key = `${revision} ${rests}`;
  /** Past years are worked through once, by whichever is asked first. */
  const sharedOut = async (how: Pick<SeasonTask, 'before' | 'atOnce'>, left: AbortSignal) => {
    const made = await pool.siteSeason({ ...task, ...how, pastYears: pastYears.get(db) ?? null }, left);
    if (!made) return null;
    const { pastYears: worked, ...shared } = made;
    pastYears.set(db, worked);
    return shared;
  };
  /** Null where one that people go by is kept already, or nothing asks for a visit. */
  const first = () =>
    known.ask<Kept | null>(
      `${key} at once`,
      async (left) => {
        const stored = await keptSeason(db);
        if (stored && isOneToGoBy(stored, trees.length)) return null;
        const shared = await sharedOut({ before: null, atOnce: true }, left);
        return shared && { stamp: '', madeAt: now, shared, moved: null };
      },
      waits,
    );
  const best = () =>
    known.ask<Kept | null>(
      key,
      async (left) => {
        const stored = await keptSeason(db);
        // After a restart the revision is another and the trees are the same
        const stamp = digest([rests, trees]);
        if (stored?.stamp === stamp) return stored;
        const last = stored && isOneToGoBy(stored, trees.length) ? stored : null;
        const shared = await sharedOut({ before: last?.shared.kept ?? null, atOnce: false }, left);
        if (!shared) return null;
        const gain = ({ plan }: Kept['shared']) => plan.points - plan.allLeft;
        const { moves } = shared;
        const moved =
          last && moves.length > 0
            ? { at: now, points: gain(shared) - gain(last.shared), moves }
            : (last?.moved ?? null);
        const keptNow: Kept = { stamp, madeAt: now, shared, moved };
        await keepSeason(db, keptNow);
        return keptNow;
      },
      waits,
    );
  const early = waits.atOnce && !known.isThere(key) ? await first() : null;
  if (early) return { ...told, season: early, task, state: 'planned', isFirst: true };
  const season = await best();
  return season ? { ...told, season, task, state: 'planned' } : { ...told, state: 'nothing to do' };
}

const waitsOf = (costs: WaitingCosts | undefined) =>
  waitings.flatMap((why) => (costs && costs[why] > 0 ? [{ why, points: rounded(costs[why]) }] : []));

/** Of more visits than these the points of every day are not sent: they are megabytes. */
const MOST_WITH_WORTH = 400;
const rounded = (points: number) => Math.round(points * 1000) / 1000;

/** @throws {HttpProblem} 503 where it took too long */
export async function getSeasonPlan(asked: SeasonAsked, waits: Waits = {}): Promise<SeasonPlan> {
  const { site, siteRevision, trees, state, season, wishes, errands, booked, paces, isFirst } = await made(
    asked,
    waits,
  );
  const told = {
    ...{ now: asked.now, siteRevision, state, crews: site.crews, paces, shared: null, isFirst },
    unplanned: trees.filter(({ due }) => due === null).length,
  };
  if (!season) return told;
  const { rota, kept: _kept, moves: _moves, waits: _waits, ...rest } = season.shared;
  const byId = new Map(trees.map((each) => [each.tree.id, each]));
  const treeCode = (treeId: string) => byId.get(treeId)?.tree.code ?? errands.codes.get(treeId) ?? treeId;
  const named = (visitId: string) => {
    const of = rota.of[visitId] ?? { treeId: visitId, kind: 'pass at hand' as const };
    return { ...of, code: treeCode(of.treeId), job: jobWords(errands.jobs.get(visitId)) };
  };
  const comes = [...booked].filter(([treeId]) => byId.has(treeId));
  const slotAt = new Map(rota.slots.map(({ id }, t) => [id, t]));
  const dayOf = new Map(rest.plan.done.map(({ visitId, slotId }) => [visitId, slotAt.get(slotId) ?? -1]));
  return {
    ...told,
    shared: {
      ...rest,
      ...{ slots: rota.slots, workable: rota.workable, lanes: rota.lanes, lapsed: rota.lapsed },
      later: rota.later,
      arborist: {
        asks: rota.arborist && {
          ...{ day: rota.arborist.day, suits: rota.arborist.suits },
          codes: rota.arborist.treeIds.map(treeCode),
        },
        booked: comes.map(([treeId, on]) => ({ treeId, on, code: treeCode(treeId) })),
      },
      visits: rota.campaign.visits.map(
        ({ id, plotId, minutes, must, ladder, worth, skip }, _, { length }) => {
          const t = dayOf.get(id) ?? -1;
          const [day, end] = [rota.slots[t], rota.endOf[id] ?? null];
          const best = Math.max(...worth.map((points) => points ?? Number.NEGATIVE_INFINITY));
          return {
            ...{ id, ...named(id), plotId, ladder },
            minutes: minutes - TO_A_TREE_MIN,
            points: rota.points[id] ?? 0,
            must: must !== null,
            late: day !== undefined && end !== null && day.from > end,
            below: day ? best - (worth[t] ?? best) : 0,
            worth:
              length > MOST_WITH_WORTH
                ? []
                : (rota.worthUnsaid[id] ?? worth).map((points) => points && rounded(points)),
            skip: rounded(skip),
            waits: waitsOf(season.shared.waits[id]),
            wish: wishes[id] ?? null,
          };
        },
      ),
      leftByChoice: rota.leftByChoice.map((each) => ({ ...each, ...named(each.visitId) })),
      moved: season.moved && {
        ...season.moved,
        // What is done meanwhile stands nowhere any more
        moves: season.moved.moves
          .filter(({ visitId }) => visitId in rota.of)
          .map((move) => ({ ...move, ...named(move.visitId) })),
      },
    },
  };
}

/**
 * What each crew has to do today, as it was shared out last. Nobody waits for it: of another day it is told as it stands, and shared out anew
 * meanwhile.
 *
 * @returns half-days with visits, the morning first
 */
export async function getSeasonToday(asked: SeasonAsked): Promise<SeasonToday> {
  const { db, now } = asked;
  const { site } = await getSiteRecord(db);
  const day = dayAt(now, site.timeZone);
  const last = await keptDays(db);
  // Whoever works here may be on record before anybody has opened a season, as after an archive was read in
  const isAnew = last ? dayAt(last.madeAt, site.timeZone) !== day : site.crews.length > 0;
  // Whoever asks for the season next is told what went wrong
  if (isAnew) void made(asked).catch(() => undefined);
  const nameOf = new Map(site.crews.map(({ id, name }) => [id, name]));
  if (!last) return { day, madeAt: null, isAnew, halfDays: [] };
  const halfDays = last.halfDays.flatMap(({ day: of, half, crewId, treeIds }) => {
    const crew = nameOf.get(crewId);
    return of === day && crew !== undefined ? [{ half, crewId, crew, treeIds }] : [];
  });
  return { day, madeAt: last.madeAt, isAnew, halfDays };
}

/** What the season was chosen from; null where there is none. */
export async function seasonInput(asked: SeasonAsked): Promise<CampaignInput | null> {
  return (await made(asked)).season?.shared.rota.campaign ?? null;
}

/**
 * What a hand more brings: one more day of one of a crew in a half-day or week, or the crew here two weeks earlier. The season is shared out for it.
 *
 * @param slotId null: earlier
 * @throws {HttpProblem} 404 for a crew or a week that is none, 503 where it took too long
 */
export async function seasonWhatIf(
  asked: SeasonAsked,
  { crewId, slotId }: { crewId: string; slotId: string | null },
  signal?: AbortSignal,
): Promise<Brings> {
  const { season, task } = await made(asked);
  if (!season || !task) throw notThere(unsaid('problem.theSeason'));
  const { points, done } = season.shared.plan;
  const whatIf = { crewId, slotId };
  const brings = await asked.pool.siteWhatIf({ ...task, whatIf, stands: { points, done } }, signal);
  if (!brings) throw notThere(unsaid('problem.theCrew'));
  return brings;
}
