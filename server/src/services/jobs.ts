// Jobs without a saw.

import { isDeepStrictEqual } from 'node:util';
import type { Job, JobBody } from '@mortisect/core/records';
import { unsaid } from '@mortisect/words';
import { and, eq, getTableColumns, sql } from 'drizzle-orm';
import { doesNotFit, moved, notThere } from '../refusal';
import { type Db, type Store, writing } from '../store/openDb';
import { isKept, jobs, trees } from '../store/schema';
import type { Device } from './devices';
import { append } from './history';
import { asJob } from './orchard';

export async function getJobs(db: Store): Promise<{ jobs: Job[] }> {
  const open = await db
    .select(getTableColumns(jobs))
    .from(jobs)
    .innerJoin(trees, eq(trees.id, jobs.treeId))
    .where(
      and(sql`${jobs.value}->>'doneAt' is null and ${jobs.value}->>'withdrawn' = 'false'`, isKept(trees)),
    )
    .orderBy(sql`${jobs.value}->>'dueOn'`, jobs.id);
  return { jobs: open.map(asJob) };
}

interface JobWrite {
  id: string;
  baseRevision: number | null;
  job: JobBody;
  device: Device;
  now: string;
}

/** Sent twice it counts once; made on an older revision it is refused with both versions. */
export function putJob(db: Db, write: JobWrite): Promise<Job> {
  return writing(db, (tx) => writeJob(tx, write));
}

/** One job inside a transaction that does more. */
export async function writeJob(tx: Store, { id, baseRevision, job, device, now }: JobWrite): Promise<Job> {
  const [row] = await tx.select().from(jobs).where(eq(jobs.id, id)).for('update');
  if (row && isDeepStrictEqual(row.value, job)) return asJob(row);
  if ((row?.revision ?? null) !== baseRevision) {
    if (!row) throw notThere(unsaid('problem.aJob', { id }));
    throw moved(job, asJob(row));
  }
  const [tree] = await tx.select({ id: trees.id }).from(trees).where(eq(trees.id, job.treeId));
  if (!tree) throw doesNotFit('job.treeId', unsaid('problem.treeElsewhere', { tree: job.treeId }));
  const written = {
    treeId: job.treeId,
    value: job,
    revision: (row?.revision ?? 0) + 1,
    by: device.name,
    receivedAt: now,
  };
  const [kept] = await tx
    .insert(jobs)
    .values({ id, ...written })
    .onConflictDoUpdate({ target: jobs.id, set: written })
    .returning();
  if (!kept) throw notThere(unsaid('problem.aJob', { id }));
  await append(tx, {
    at: job.doneAt ?? now,
    receivedAt: now,
    recordId: id,
    revision: kept.revision,
    treeId: job.treeId,
    deviceId: device.id,
    by: device.name,
    value: { kind: 'job', job },
  });
  return asJob(kept);
}
