// The season on paper and in files: CSV, iCalendar, the week sheet of a crew, and the program that it was chosen by.
import type { SeasonPlan } from '@mortisect/contracts';
import { dayAfter } from '@mortisect/core/weather';
import { type PlainKey, type Say, unsaid } from '@mortisect/words';
import { visitKindWords, visitWords } from '@mortisect/words/trade';
import { type CalendarEvent, calendarOf } from '../files/calendar';
import { dayAt } from '../files/day';
import { csvOf } from '../files/writeTrees';
import { notThere } from '../refusal';
import { details, placesOf } from './orchard';
import { drawn, fileWord, type Printed, type RawFile } from './plans';
import { getSeasonPlan, type SeasonAsked, seasonInput } from './seasonPlan';
import { getSite } from './site';

type Shared = NonNullable<SeasonPlan['shared']>;

interface Filled {
  slot: Shared['slots'][number];
  crew: SeasonPlan['crews'][number];
  needed: number;
  workable: number;
  visits: Shared['visits'];
}

/** Half-days and weeks in which a crew has something to do, in the order of their days. */
function filledPlaces({ shared, crews }: SeasonPlan): Filled[] {
  if (!shared) return [];
  const { plan, slots } = shared;
  const visitOf = new Map(shared.visits.map((visit) => [visit.id, visit]));
  return slots.flatMap((slot) =>
    crews.flatMap((crew): Filled[] => {
      const isHere = (at: { slotId: string; poolId: string }) =>
        at.slotId === slot.id && at.poolId === crew.id;
      const visits = plan.done.filter(isHere).flatMap(({ visitId }) => visitOf.get(visitId) ?? []);
      const of = plan.slots.find(isHere);
      return of && visits.length > 0
        ? [{ slot, crew, needed: of.needed, workable: of.workable, visits }]
        : [];
    }),
  );
}

const CSV_COLUMNS: readonly PlainKey[] = [
  'files.seasonColumnFrom',
  'files.seasonColumnTo',
  'files.seasonColumnHalf',
  'files.seasonColumnCrew',
  'files.planColumnTree',
  'files.seasonColumnWhat',
  'files.planColumnMinutes',
  'files.seasonColumnCannotWait',
  'files.seasonColumnLeft',
  'files.seasonColumnReason',
];

/** Visits in the order of their days, then those that are left with what that costs. */
export async function seasonCsv(say: Say, asked: SeasonAsked): Promise<RawFile> {
  const season = await getSeasonPlan(asked);
  const { shared } = season;
  const columns = CSV_COLUMNS.map((column) => say(column));
  const row = (figures: readonly (string | number)[]) =>
    Object.fromEntries(columns.map((column, i) => [column, String(figures[i] ?? '')]));
  const yes = (must: boolean | undefined) => (must ? say('files.seasonYes') : '');
  const rounded = (points: number) => Math.round(points * 100) / 100;
  const visitOf = new Map(shared?.visits.map((visit) => [visit.id, visit]));
  const nowhere = ['', '', '', ''];
  const rows = [
    ...filledPlaces(season).flatMap(({ slot: { from, to, half }, crew, visits }) =>
      visits.map((visit) => {
        const { code, minutes, must } = visit;
        const when = [from, to, half ? say(HALF_WORDS[half]) : '', crew.name];
        return row([...when, code, visitKindWords(say, visit), minutes, yes(must)]);
      }),
    ),
    ...(shared?.plan.left ?? []).map(({ visitId, costs, must }) => {
      const visit = visitOf.get(visitId);
      const what = visit ? visitKindWords(say, visit) : '';
      const { code = visitId, minutes = '' } = visit ?? {};
      return row([...nowhere, code, what, minutes, yes(must), rounded(costs)]);
    }),
    ...(shared?.leftByChoice ?? []).map((visit) => {
      const { code, costs, must, reason } = visit;
      return row([...nowhere, code, visitKindWords(say, visit), '', yes(must), rounded(costs), reason]);
    }),
  ];
  return { fileName: 'season.csv', content: csvOf(rows, columns) };
}

const HALF_WORDS = { morning: 'files.seasonMorning', afternoon: 'files.seasonAfternoon' } as const;

/**
 * What a crew, or everybody, does in each half-day and week, as iCalendar.
 *
 * @param crewId null: all crews
 * @throws {HttpProblem} 404 for a crew that does not work here
 */
export async function seasonCalendar(say: Say, asked: SeasonAsked, crewId: string | null): Promise<RawFile> {
  const season = await getSeasonPlan(asked);
  const own = season.crews.filter(({ id }) => crewId === null || id === crewId);
  if (crewId !== null && own.length === 0) throw notThere(unsaid('problem.theCrew'));
  const events = filledPlaces({ ...season, crews: own }).map(
    ({ slot, crew, needed, visits }): CalendarEvent => ({
      id: `season ${crew.id} ${slot.id}`,
      title: say('files.seasonEvent', {
        crew: crew.name,
        visits: visits.length,
        minutes: Math.round(needed),
      }),
      detail:
        (slot.half ? `${say(HALF_WORDS[slot.half])}: ` : '') +
        visits.map((visit) => visitWords(say, visit)).join(', '),
      when: { day: slot.from },
    }),
  );
  const name = own.map((crew) => crew.name).join(', ');
  if (crewId === null && season.shared) events.push(...arboristEvents(say, season.shared.arborist));
  return { fileName: 'season.ics', content: calendarOf(say, name, events, asked.now) };
}

function arboristEvents(say: Say, { asks, booked }: Shared['arborist']): CalendarEvent[] {
  const codesOn = new Map<string, string[]>();
  for (const { on, code } of booked) codesOn.set(on, [...(codesOn.get(on) ?? []), code]);
  return [
    ...[...codesOn].map(
      ([day, codes]): CalendarEvent => ({
        id: `season arborist ${day}`,
        title: say('files.seasonArboristComes', { codes: codes.join(', ') }),
        detail: '',
        when: { day },
      }),
    ),
    ...(asks?.day
      ? [
          {
            id: 'season arborist',
            title: say('files.seasonArborist', { trees: asks.codes.length }),
            detail: asks.codes.join(', '),
            when: { day: asks.day.from },
          },
        ]
      : []),
  ];
}

const WEEK_DAYS = 7;

/**
 * A week of a crew, then the cut sheets of its trees in the order of their days.
 *
 * @throws {HttpProblem} 404 for a crew that does not work here
 */
export async function weekSheet(
  say: Say,
  asked: SeasonAsked,
  { crew: crewId, from: asksFrom, ...printed }: Printed & { crew: string; from?: string | undefined },
): Promise<RawFile> {
  const { db, pool } = asked;
  const season = await getSeasonPlan(asked);
  const crew = season.crews.find(({ id }) => id === crewId);
  if (!crew) throw notThere(unsaid('problem.theCrew'));
  const [site, { plots }] = await Promise.all([getSite(db), placesOf(db)]);
  const plotOf = new Map(plots.map(({ id, name }) => [id, name]));
  const places = filledPlaces({ ...season, crews: [crew] });
  const from = asksFrom ?? places[0]?.slot.from ?? dayAt(asked.now, site.site.timeZone);
  const to = dayAfter(from, WEEK_DAYS - 1);
  const ofWeek = places.filter(({ slot }) => slot.to >= from && slot.from <= to);
  const week = {
    ...{ crew: crew.name, site: site.site.name, from, to },
    places: ofWeek.map(({ slot, needed, workable, visits }) => ({
      ...{ ...slot, needed, workable },
      visits: visits.map((visit) => ({
        ...visit,
        what: visitKindWords(say, visit),
        plot: plotOf.get(visit.plotId) ?? '',
      })),
    })),
  };
  // A cut sheet is of what is planned to be cut
  const ids = ofWeek.flatMap(({ visits }) =>
    visits.flatMap(({ treeId, job, kind }) => (job || kind === 'recheck' ? [] : treeId)),
  );
  const byId = new Map((await details(db, ids)).map((detail) => [detail.tree.id, detail]));
  const inOrder = ids.flatMap((id) => byId.get(id) ?? []);
  const content = await drawn(db, pool, inOrder, printed, week);
  return { fileName: `${fileWord(crew.name)}-${from}.pdf`, content };
}

/** The program that the plan was chosen by, in CPLEX LP format, for other solvers to read. */
export async function seasonProgram(asked: SeasonAsked): Promise<RawFile> {
  const input = await seasonInput(asked);
  return { fileName: 'season.lp', content: input ? await asked.pool.seasonLp(input) : '' };
}
