// The calendar that others subscribe to: dry windows by kind of wood, days to look after a frost or for strikes, cuts to look at again, jobs due.

import { randomBytes, timingSafeEqual } from 'node:crypto';
import { lanesOf, type TimingNow } from '@mortisect/contracts';
import { upperFirst } from '@mortisect/core/measure';
import { cutsOnRecord, USUAL_CUT } from '@mortisect/core/present';
import type { Site } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import { dayAfter, hourOf, localClock, momentOf } from '@mortisect/core/weather';
import type { Say } from '@mortisect/words';
import { unsaid } from '@mortisect/words';
import {
  dayIn,
  jobName,
  jobNotes,
  laneName,
  limbIn,
  lookForWords,
  riskWords,
  told,
  windowTitle,
} from '@mortisect/words/trade';
import { type CalendarEvent, calendarOf } from '../files/calendar';
import type { Pool } from '../pool/pool';
import { notThere } from '../refusal';
import type { Db, Store } from '../store/openDb';
import { getJobs } from './jobs';
import { keep, kept, letGo } from './keepsakes';
import { getTree, getTrees } from './orchard';
import { getAftercare } from './runs';
import { getSite } from './site';
import { getTiming, getTreeTiming } from './timing';

const KEPT_AS = 'calendar';

/** A new address; the old one ends. */
export async function makeCalendar(db: Store): Promise<{ path: string }> {
  const token = randomBytes(24).toString('base64url');
  await keep(db, KEPT_AS, { token });
  return { path: pathOf(token) };
}

/** There is no address any more, until one is made. */
export async function endCalendar(db: Store): Promise<{ path: null }> {
  await letGo(db, KEPT_AS);
  return { path: null };
}

export async function calendarPath(db: Store): Promise<{ path: string | null }> {
  const calendar = await kept<{ token: string }>(db, KEPT_AS);
  return { path: calendar && pathOf(calendar.token) };
}

const pathOf = (token: string) => `/api/calendar/${token}.ics`;

/** @throws {HttpProblem} 404 for an address that is not, or no longer, in force */
export async function siteCalendar(
  say: Say,
  db: Db,
  pool: Pool,
  { token, now }: { token: string; now: string },
) {
  const calendar = await kept<{ token: string }>(db, KEPT_AS);
  const [given, known] = [Buffer.from(token), Buffer.from(calendar?.token ?? '')];
  if (given.length !== known.length || !timingSafeEqual(given, known))
    throw notThere(unsaid('problem.theCalendar'));
  const { site } = await getSite(db);
  const siteTiming = await getTiming(db, pool, now);
  const { jobs } = await getJobs(db);
  const { trees } = await getTrees(db);
  const codeOf = new Map(trees.map((tree) => [tree.id, tree.code]));
  const events = [
    ...windowEvents(say, siteTiming),
    ...lookEvents(say, siteTiming),
    ...recheckEvents(say, await getAftercare(db, now), site, now, codeOf),
    ...jobs.map(
      (job): CalendarEvent => ({
        id: job.id,
        title: `${jobName(say, job)} · ${codeOf.get(job.treeId) ?? job.treeId}`,
        detail: jobNotes(say, job).join(' · '),
        when: { day: job.dueOn },
      }),
    ),
  ];
  return { fileName: 'windows.ics', content: calendarOf(say, site.name, events, now) };
}

/** For each kind of wood the windows that hold for most of its trees, as Today tells them. */
function windowEvents(say: Say, timing: TimingNow): CalendarEvent[] {
  return lanesOf(timing)
    .filter((lane) => lane.id !== 'dead')
    .flatMap((lane) =>
      lane.windows.map(
        (window): CalendarEvent => ({
          id: `window-${lane.id}-${window.fromHour}-${window.verdict}`,
          title: windowTitle(say, laneName(say, lane), window.verdict),
          detail: [
            say('files.mostOfItsTrees'),
            ...(window.dryH === null ? [] : [say('files.dryOnceItStarts', { hours: window.dryH })]),
            ...(timing.station.simulated ? [say('files.simulatedWeather')] : []),
          ].join(' '),
          when: { from: momentOf(window.fromHour), to: momentOf(window.toHour) },
        }),
      ),
    );
}

/** What is longer past is no appointment any more. */
const PAST_DAYS = 30;

function lookEvents(say: Say, { timing, now }: TimingNow): CalendarEvent[] {
  if (!timing) return [];
  const since = dayAfter(now.slice(0, 10), -PAST_DAYS);
  const seen = new Set<string>();
  const frosts = timing.groups.flatMap((group) =>
    group.freezes.flatMap((freeze): CalendarEvent[] => {
      const id = `look-${group.species}-${freeze.kind}-${freeze.day}`;
      if (seen.has(id) || freeze.lookFrom < since) return [];
      seen.add(id);
      return [
        {
          id,
          title: say('files.lookAfterFrost', {
            species: told(say, speciesName(group.species)),
            day: dayIn(say, freeze.day),
          }),
          detail: say(freeze.kind === 'buds' ? 'files.cutBudsAcross' : 'files.judgeWood'),
          when: { day: freeze.lookFrom },
        },
      ];
    }),
  );
  const strikes = timing.blight.flatMap(({ species, strikes: all }) =>
    all.flatMap(({ day, showFrom }): CalendarEvent[] => {
      const id = `strikes-${species}-${day}`;
      if (showFrom === null || showFrom < since || seen.has(id)) return [];
      seen.add(id);
      return [
        {
          id,
          title: say('files.strikesMayShow', { species: told(say, speciesName(species)) }),
          detail: say('files.strikesOf', { day: dayIn(say, day) }),
          when: { day: showFrom },
        },
      ];
    }),
  );
  return [...frosts, ...strikes];
}

function recheckEvents(
  say: Say,
  { actions, disorders }: Awaited<ReturnType<typeof getAftercare>>,
  site: Site,
  now: string,
  codeOf: ReadonlyMap<string, string>,
): CalendarEvent[] {
  const today = localClock(site.timeZone).day(hourOf(now));
  return cutsOnRecord(actions, site, today, (id) => disorders[id] ?? 'unknown').flatMap((cut) =>
    cut.rechecks
      .filter(({ state }) => state === 'due' || state === 'to come')
      .map(
        (recheck): CalendarEvent => ({
          id: recheck.id,
          title: say('files.lookAgain', {
            tree: codeOf.get(recheck.treeId) ?? recheck.treeId,
            limb: limbIn(say, cut.action.cut.limbName),
          }),
          detail: lookForWords(say, recheck.lookFor),
          when: { day: recheck.dueOn },
        }),
      ),
  );
}

/** @throws {HttpProblem} 409 where no weather is known */
export async function treeCalendar(
  say: Say,
  db: Db,
  pool: Pool,
  { treeId, now }: { treeId: string; now: string },
) {
  const { tree } = await getTree(db, treeId);
  const { group } = await getTreeTiming(db, pool, { treeId, ...USUAL_CUT, now });
  const events = group.windows.map(
    (window): CalendarEvent => ({
      id: `${treeId}-${window.fromHour}-${window.verdict}`,
      title: windowTitle(say, tree.code, window.verdict),
      detail: `${say('files.dryOnceItStarts', { hours: window.dryH })} ${upperFirst(riskWords(say, window.score))}.`,
      when: { from: momentOf(window.fromHour), to: momentOf(window.toHour) },
    }),
  );
  return { fileName: 'windows.ics', content: calendarOf(say, tree.code, events, now) };
}
