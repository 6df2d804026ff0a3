// The season of the site: made in the pool from the listed trees, the crews and the weather, kept until something changes.
import type { SeasonPlan } from '@mortisect/contracts';
import { unitsOf } from '@mortisect/core/measure';
import type { Site } from '@mortisect/core/records';
import type { ListedTree } from '@mortisect/core/run';
import { type PlainKey, type Say, unsaid } from '@mortisect/words';
import { type CalendarEvent, calendarOf } from '../files/calendar';
import { dayAt } from '../files/day';
import { csvOf } from '../files/writeTrees';
import type { Pool } from '../pool/pool';
import type { SeasonShared } from '../pool/seasonOfSite';
import { notThere } from '../refusal';
import type { Db } from '../store/openDb';
import { Answers } from './answers';
import type { TreeLister } from './listedTrees';
import { getSiteRecord } from './site';
import { seasonFacts } from './timing';

interface RawFile {
  fileName: string;
  content: string;
}

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
  state: SeasonPlan['state'];
  shared: SeasonShared | null;
}

/** @throws {HttpProblem} 503 where it took too long */
async function made({ db, pool, lister, now }: Asked): Promise<Made> {
  const { site, revision: siteRevision } = await getSiteRecord(db);
  const { revision, trees } = await lister.read(unitsOf(site.units, 'metric'));
  const { crews } = site;
  const told = { site, siteRevision, trees, shared: null };
  if (crews.length === 0) return { ...told, state: 'nobody works' };
  const facts = await seasonFacts(db, pool, now);
  if (!facts) return { ...told, state: 'no weather' };
  const shared = await answersOf(db).ask(`${revision} ${siteRevision} ${facts.stamp}`, () =>
    pool.siteSeason({ ...facts.task, today: dayAt(now, site.timeZone), trees, crews }),
  );
  return shared ? { ...told, shared, state: 'planned' } : { ...told, state: 'nothing to do' };
}

/** @throws {HttpProblem} 503 where it took too long */
export async function getSeasonPlan(asked: Asked): Promise<SeasonPlan> {
  const { site, siteRevision, trees, state, shared } = await made(asked);
  const told = {
    ...{ now: asked.now, siteRevision, state, crews: site.crews, shared: null },
    unplanned: trees.filter(({ due }) => due === null).length,
  };
  if (!shared) return told;
  const byId = new Map(trees.map((each) => [each.tree.id, each]));
  const { rota, program: _program, ...rest } = shared;
  return {
    ...told,
    shared: {
      ...rest,
      ...{ slots: rota.slots, workable: rota.workable, schoolEnds: rota.schoolEnds },
      visits: rota.campaign.visits.map(({ id, plotId, must, ladder }) => {
        const of = byId.get(id);
        return {
          ...{ id, plotId, ladder },
          minutes: of?.due?.minutes ?? 0,
          code: of?.tree.code ?? id,
          points: of?.due?.worth?.points ?? 0,
          must: must !== null,
        };
      }),
    },
  };
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
  return { fileName: 'season.csv', content: csvOf([...rows, ...left], columns) };
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

/** The program that the plan was chosen by, in CPLEX LP format, for other solvers to read. */
export async function seasonProgram(asked: Asked): Promise<RawFile> {
  const { shared } = await made(asked);
  return { fileName: 'season.lp', content: shared?.program ?? '' };
}
