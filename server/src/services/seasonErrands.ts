// What a season holds beside the plans of trees: cuts to look at again, jobs, and who comes on a day that is booked.
import { cutsOnRecord } from '@mortisect/core/present';
import type { Job, Site } from '@mortisect/core/records';
import { type Errand, errandsOf } from '@mortisect/core/rota';
import { and, eq, gte, inArray, sql } from 'drizzle-orm';
import type { Db } from '../store/openDb';
import { actions, rows, trees } from '../store/schema';
import { getJobs } from './jobs';
import { getAftercare } from './runs';

export interface SeasonErrands {
  errands: Errand[];
  /** By id of the errand. */
  jobs: Map<string, Job>;
  /** Tags of the trees that have errands. */
  codes: Map<string, string>;
}

/** @param today of the site */
export async function seasonErrands(db: Db, site: Site, now: string, today: string): Promise<SeasonErrands> {
  const { jobs } = await getJobs(db);
  const { actions: done, disorders } = await getAftercare(db, now);
  const cuts = cutsOnRecord(done, site, today, (id) => disorders[id] ?? 'unknown');
  const ids = [...jobs.map(({ treeId }) => treeId), ...cuts.map(({ action }) => action.treeId)];
  const places = await db
    .select({ id: trees.id, code: trees.code, plotId: rows.plotId })
    .from(trees)
    .innerJoin(rows, eq(rows.id, trees.rowId))
    .where(inArray(trees.id, [...new Set(ids)]));
  const plotOf = new Map(places.map(({ id, plotId }) => [id, plotId]));
  return {
    errands: errandsOf({ today, cuts, jobs, plotOf, overdueDays: site.rechecks.overdueDays }),
    jobs: new Map(jobs.map((job) => [`job ${job.id}`, job])),
    codes: new Map(places.map(({ id, code }) => [id, code])),
  };
}

/** Trees that an arborist is booked for, with the next day on which they come. */
export async function arboristDays(db: Db, today: string): Promise<Map<string, string>> {
  const on = sql<string>`${actions.value}->>'on'`;
  const booked = await db
    .select({ treeId: actions.treeId, on })
    .from(actions)
    .where(and(eq(actions.kind, 'visitBooked'), eq(actions.undone, false), gte(on, today)))
    .orderBy(sql`${on} desc`);
  return new Map(booked.flatMap(({ treeId, on }) => (treeId ? [[treeId, on] as const] : [])));
}
