// The season of the site: made in the pool from the listed trees, the crews and the weather, kept until something changes.
import { createHash } from 'node:crypto';
import type { SeasonPlan, SeasonToday } from '@mortisect/contracts';
import type { Half, VisitWish } from '@mortisect/core/campaign';
import { unitsOf } from '@mortisect/core/measure';
import type { Site } from '@mortisect/core/records';
import type { Move } from '@mortisect/core/rota';
import type { ListedTree } from '@mortisect/core/run';
import { dayAfter } from '@mortisect/core/weather';
import { type PlainKey, type Say, unsaid } from '@mortisect/words';
import { and, asc, eq } from 'drizzle-orm';
import { type CalendarEvent, calendarOf } from '../files/calendar';
import { dayAt } from '../files/day';
import { csvOf } from '../files/writeTrees';
import type { Pool } from '../pool/pool';
import type { SeasonShared } from '../pool/seasonOfSite';
import { notThere } from '../refusal';
import { whereItCan } from '../store/faults';
import type { Db } from '../store/openDb';
import { actions } from '../store/schema';
import { Answers } from './answers';
import { keep, kept } from './keepsakes';
import type { TreeLister } from './listedTrees';
import { details, placesOf } from './orchard';
import { drawn, fileWord, type Printed, type RawFile } from './plans';
import { getSite, getSiteRecord } from './site';
import { seasonFacts } from './timing';

const MOST_KEPT = 4;
const answers = new WeakMap<Db, Answers>();

function answersOf(db: Db): Answers {
  const ofDb = answers.get(db) ?? new Answers(MOST_KEPT);
  answers.set(db, ofDb);
  return ofDb;
}

interface Asked {
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
  state: SeasonPlan['state'];
  season: Kept | null;
}

/** A season as it is kept: with what was different when it last changed. */
interface Kept {
  stamp: string;
  madeAt: string;
  shared: SeasonShared;
  moved: { at: string; points: number; moves: Move[] } | null;
}

const KEPT_AS = 'season plan';
/** The half-days of the forecast alone: a season of thousands of visits is megabytes, and Today asks often. */
const DAYS_KEPT_AS = 'season days';

interface KeptDays {
  madeAt: string;
  halfDays: { day: string; half: Half; crewId: string; treeIds: string[] }[];
}

function halfDaysOf({ rota, plan }: SeasonShared): KeptDays['halfDays'] {
  return rota.slots.flatMap(({ id, from, half }) =>
    rota.campaign.pools.flatMap((pool) => {
      const treeIds = plan.done.flatMap(({ visitId, slotId, poolId }) =>
        slotId === id && poolId === pool.id ? [visitId] : [],
      );
      return half === null || treeIds.length === 0 ? [] : [{ day: from, half, crewId: pool.id, treeIds }];
    }),
  );
}

const digest = (of: unknown): string => createHash('sha256').update(JSON.stringify(of)).digest('base64url');

/** As text: the database would put the keys of an object in an order of its own. */
async function keptSeason(db: Db): Promise<Kept | null> {
  const last = await kept<{ json: string }>(db, KEPT_AS);
  return last && JSON.parse(last.json);
}

/** What was said last of the visit of each tree. */
async function wishesOf(db: Db): Promise<Record<string, VisitWish>> {
  const rows = await db
    .select({ value: actions.value })
    .from(actions)
    .where(and(eq(actions.kind, 'visitWished'), eq(actions.undone, false)))
    .orderBy(asc(actions.at), asc(actions.receivedAt), asc(actions.id));
  return Object.fromEntries(
    rows.flatMap(({ value }) => (value.kind === 'visitWished' ? [[value.treeId, value.wish]] : [])),
  );
}

/** @throws {HttpProblem} 503 where it took too long */
async function made({ db, pool, lister, now }: Asked): Promise<Made> {
  const { site, revision: siteRevision } = await getSiteRecord(db);
  const { revision, trees } = await lister.read(unitsOf(site.units, 'metric'));
  const { crews } = site;
  const wishes = await wishesOf(db);
  const told = { site, siteRevision, trees, wishes, season: null };
  if (crews.length === 0) return { ...told, state: 'nobody works' };
  const facts = await seasonFacts(db, pool, now);
  if (!facts) return { ...told, state: 'no weather' };
  const rests = digest([pool.code, crews, wishes, facts.stamp]);
  const season = await answersOf(db).ask(`${revision} ${rests}`, async () => {
    const last = await keptSeason(db);
    // After a restart the revision is another and the trees are the same
    const stamp = digest([rests, trees]);
    if (last?.stamp === stamp) return last;
    const before = last?.shared.kept ?? null;
    const today = dayAt(now, site.timeZone);
    const shared = await pool.siteSeason({ ...facts.task, today, trees, crews, wishes, before });
    if (!shared) return null;
    const gain = ({ plan }: SeasonShared) => plan.points - plan.allLeft;
    const { moves } = shared;
    const moved =
      last && moves.length > 0
        ? { at: now, points: gain(shared) - gain(last.shared), moves }
        : (last?.moved ?? null);
    const keptNow: Kept = { stamp, madeAt: now, shared, moved };
    const days: KeptDays = { madeAt: now, halfDays: halfDaysOf(shared) };
    await whereItCan(keep(db, KEPT_AS, { json: JSON.stringify(keptNow) }));
    await whereItCan(keep(db, DAYS_KEPT_AS, days));
    return keptNow;
  });
  return season ? { ...told, season, state: 'planned' } : { ...told, state: 'nothing to do' };
}

/** @throws {HttpProblem} 503 where it took too long */
export async function getSeasonPlan(asked: Asked): Promise<SeasonPlan> {
  const { site, siteRevision, trees, state, season, wishes } = await made(asked);
  const told = {
    ...{ now: asked.now, siteRevision, state, crews: site.crews, shared: null },
    unplanned: trees.filter(({ due }) => due === null).length,
  };
  if (!season) return told;
  const { rota, kept: _kept, moves: _moves, ...rest } = season.shared;
  const byId = new Map(trees.map((each) => [each.tree.id, each]));
  const codeOf = (id: string) => byId.get(id)?.tree.code ?? id;
  const slotAt = new Map(rota.slots.map(({ id }, t) => [id, t]));
  const dayOf = new Map(rest.plan.done.map(({ visitId, slotId }) => [visitId, slotAt.get(slotId) ?? -1]));
  return {
    ...told,
    shared: {
      ...rest,
      ...{ slots: rota.slots, workable: rota.workable, schoolEnds: rota.schoolEnds, lapsed: rota.lapsed },
      visits: rota.campaign.visits.map(({ id, plotId, must, ladder, worth }) => {
        const due = byId.get(id)?.due;
        const t = dayOf.get(id) ?? -1;
        const [day, end] = [rota.slots[t], rota.endOf[id] ?? null];
        const best = Math.max(...worth.map((points) => points ?? Number.NEGATIVE_INFINITY));
        return {
          ...{ id, plotId, ladder },
          minutes: due?.minutes ?? 0,
          code: codeOf(id),
          points: due?.worth?.points ?? 0,
          must: must !== null,
          late: day !== undefined && end !== null && day.from > end,
          below: day ? best - (worth[t] ?? best) : 0,
          wish: wishes[id] ?? null,
        };
      }),
      leftByChoice: rota.leftByChoice.map((each) => ({ ...each, code: codeOf(each.visitId) })),
      moved: season.moved && {
        ...season.moved,
        moves: season.moved.moves.map((move) => ({ ...move, code: codeOf(move.visitId) })),
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
export async function getSeasonToday(asked: Asked): Promise<SeasonToday> {
  const { db, now } = asked;
  const { site } = await getSiteRecord(db);
  const day = dayAt(now, site.timeZone);
  const last = await kept<KeptDays>(db, DAYS_KEPT_AS);
  if (!last) return { day, madeAt: null, isAnew: false, halfDays: [] };
  const isAnew = dayAt(last.madeAt, site.timeZone) !== day;
  // Whoever asks for the season next is told what went wrong
  if (isAnew) void made(asked).catch(() => undefined);
  const nameOf = new Map(site.crews.map(({ id, name }) => [id, name]));
  const halfDays = last.halfDays.flatMap(({ day: of, half, crewId, treeIds }) => {
    const crew = nameOf.get(crewId);
    return of === day && crew !== undefined ? [{ half, crewId, crew, treeIds }] : [];
  });
  return { day, madeAt: last.madeAt, isAnew, halfDays };
}

const CSV_COLUMNS: readonly PlainKey[] = [
  'files.seasonColumnFrom',
  'files.seasonColumnTo',
  'files.seasonColumnHalf',
  'files.seasonColumnCrew',
  'files.planColumnTree',
  'files.planColumnMinutes',
  'files.seasonColumnCannotWait',
  'files.seasonColumnLeft',
  'files.seasonColumnReason',
];

/** Visits in the order of their days, then those that are left with what that costs. */
export async function seasonCsv(say: Say, asked: Asked): Promise<RawFile> {
  const { shared, crews } = await getSeasonPlan(asked);
  const columns = CSV_COLUMNS.map((column) => say(column));
  const visitOf = new Map(shared?.visits.map((visit) => [visit.id, visit]));
  const row = (figures: readonly (string | number)[]) =>
    Object.fromEntries(columns.map((column, i) => [column, String(figures[i] ?? '')]));
  const must = (id: string) => (visitOf.get(id)?.must ? say('files.seasonYes') : '');
  const of = (id: string) => [visitOf.get(id)?.code ?? id, visitOf.get(id)?.minutes ?? '', must(id)];
  const rows = (shared?.slots ?? []).flatMap((slot) =>
    crews.flatMap((crew) =>
      (shared?.plan.done ?? [])
        .filter(({ slotId, poolId }) => slotId === slot.id && poolId === crew.id)
        .map(({ visitId }) =>
          row([slot.from, slot.to, slot.half ? say(HALF_WORDS[slot.half]) : '', crew.name, ...of(visitId)]),
        ),
    ),
  );
  const left = (shared?.plan.left ?? []).map(({ visitId, costs }) =>
    row(['', '', '', '', ...of(visitId), Math.round(costs * 100) / 100]),
  );
  const byChoice = (shared?.leftByChoice ?? []).map(({ code, costs, must, reason }) =>
    row([
      '',
      '',
      '',
      '',
      code,
      '',
      must ? say('files.seasonYes') : '',
      Math.round(costs * 100) / 100,
      reason,
    ]),
  );
  return { fileName: 'season.csv', content: csvOf([...rows, ...left, ...byChoice], columns) };
}

const HALF_WORDS = { morning: 'files.seasonMorning', afternoon: 'files.seasonAfternoon' } as const;

/**
 * What a crew, or everybody, does in each half-day and week, as iCalendar.
 *
 * @param crewId null: all crews
 * @throws {HttpProblem} 404 for a crew that does not work here
 */
export async function seasonCalendar(say: Say, asked: Asked, crewId: string | null): Promise<RawFile> {
  const { shared, crews } = await getSeasonPlan(asked);
  const own = crews.filter(({ id }) => crewId === null || id === crewId);
  if (crewId !== null && own.length === 0) throw notThere(unsaid('problem.theCrew'));
  const codeOf = new Map(shared?.visits.map(({ id, code }) => [id, code]));
  const events = (shared?.slots ?? []).flatMap((slot) =>
    own.flatMap((crew): CalendarEvent[] => {
      const trees = (shared?.plan.done ?? []).filter(
        ({ slotId, poolId }) => slotId === slot.id && poolId === crew.id,
      );
      const { needed = 0 } =
        shared?.plan.slots.find(({ slotId, poolId }) => slotId === slot.id && poolId === crew.id) ?? {};
      if (trees.length === 0) return [];
      const half = slot.half ? `${say(HALF_WORDS[slot.half])}: ` : '';
      return [
        {
          id: `season ${crew.id} ${slot.id}`,
          title: say('files.seasonEvent', {
            crew: crew.name,
            trees: trees.length,
            minutes: Math.round(needed),
          }),
          detail: half + trees.map(({ visitId }) => codeOf.get(visitId) ?? visitId).join(', '),
          when: { day: slot.from },
        },
      ];
    }),
  );
  const name = own.map((crew) => crew.name).join(', ');
  return { fileName: 'season.ics', content: calendarOf(say, name, events, asked.now) };
}

const WEEK_DAYS = 7;

/**
 * A week of a crew, then the cut sheets of its trees in the order of their days.
 *
 * @throws {HttpProblem} 404 for a crew that does not work here
 */
export async function weekSheet(
  asked: Asked,
  { crew: crewId, from: asksFrom, ...printed }: Printed & { crew: string; from?: string | undefined },
): Promise<RawFile> {
  const { db, pool } = asked;
  const { shared, crews } = await getSeasonPlan(asked);
  const crew = crews.find(({ id }) => id === crewId);
  if (!crew) throw notThere(unsaid('problem.theCrew'));
  const [site, { plots }] = await Promise.all([getSite(db), placesOf(db)]);
  const plotOf = new Map(plots.map(({ id, name }) => [id, name]));
  const visitOf = new Map(shared?.visits.map((visit) => [visit.id, visit]));
  const places = (shared?.slots ?? []).flatMap((slot) => {
    const at = shared?.plan.slots.find(({ slotId, poolId }) => slotId === slot.id && poolId === crewId);
    const own = shared?.plan.done.filter(({ slotId, poolId }) => slotId === slot.id && poolId === crewId);
    const trees = own?.flatMap(({ visitId }) => visitOf.get(visitId) ?? []) ?? [];
    return at && trees.length > 0 ? [{ ...slot, needed: at.needed, workable: at.workable, trees }] : [];
  });
  const from = asksFrom ?? places[0]?.from ?? dayAt(asked.now, site.site.timeZone);
  const to = dayAfter(from, WEEK_DAYS - 1);
  const ofWeek = places.filter((place) => place.to >= from && place.from <= to);
  const week = {
    ...{ crew: crew.name, site: site.site.name, from, to },
    places: ofWeek.map((place) => ({
      ...place,
      trees: place.trees.map((tree) => ({ ...tree, plot: plotOf.get(tree.plotId) ?? '' })),
    })),
  };
  const ids = ofWeek.flatMap(({ trees }) => trees.map(({ id }) => id));
  const byId = new Map((await details(db, ids)).map((detail) => [detail.tree.id, detail]));
  const inOrder = ids.flatMap((id) => byId.get(id) ?? []);
  const content = await drawn(db, pool, inOrder, printed, week);
  return { fileName: `${fileWord(crew.name)}-${from}.pdf`, content };
}

/** The program that the plan was chosen by, in CPLEX LP format, for other solvers to read. */
export async function seasonProgram(asked: Asked): Promise<RawFile> {
  const { season } = await made(asked);
  const content = season ? await asked.pool.seasonLp(season.shared.rota.campaign) : '';
  return { fileName: 'season.lp', content };
}
