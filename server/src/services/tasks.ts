// Work that is done later: it waits in the database, outlives a restart, is taken by one process only, and is tried again when it fails.

import { DAY_MS } from '@mortisect/core/measure';
import { and, asc, eq, inArray, isNull, lte, or, sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import type { Db, Store } from '../store/openDb';
import { tasks } from '../store/schema';

export type TaskKind = 'sample' | 'photo' | 'tree';
export type Task = typeof tasks.$inferSelect;

/** How one kind of work is done. */
export interface TaskWork {
  /** So long after it was caused it is due. */
  afterMs: number;
  /** Inside the transaction that takes the line away: what it writes is written once. What it does besides must bear being done twice. */
  work(tx: Store, task: Task): Promise<void>;
}

/** Inside the transaction that causes it. Caused again it waits anew. */
export async function later(
  tx: Store,
  kind: TaskKind,
  subjects: readonly string[],
  value: Record<string, string> = {},
): Promise<void> {
  if (subjects.length === 0) return;
  const written = { askedAt: serverTime(), value, tries: 0, nextTryAt: null };
  await tx
    .insert(tasks)
    .values(subjects.map((subject) => ({ kind, subject, ...written })))
    .onConflictDoUpdate({ target: [tasks.kind, tasks.subject], set: written });
}

/** Takes back what is not to be done after all. */
export async function notLater(tx: Store, kind: TaskKind, subjects: readonly string[]): Promise<void> {
  if (subjects.length > 0)
    await tx.delete(tasks).where(and(eq(tasks.kind, kind), inArray(tasks.subject, [...subjects])));
}

const serverTime = () => new Date().toISOString();

const FIRST_WAIT_MS = 10_000;
const LONGEST_WAIT_MS = DAY_MS;

/** One that failed so often waits so long: ten seconds, then four times as long each time, a day at most. */
export const waitMs = (tries: number) => Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 4 ** (tries - 1));

export interface TaskQueueParts {
  db: Db;
  kinds: Partial<Record<TaskKind, TaskWork>>;
  log: Logger;
  /** Called when something was done. */
  onDone?: () => void;
  /** Called when something failed and waits to be tried again. */
  onFailed?: (kind: TaskKind) => void;
  /** The server's own clock, ISO. */
  clock?: () => string;
}

/**
 * Does everything that is due, one after another; one that fails does not hold up the others.
 *
 * @returns how many were done
 */
export async function workThrough({
  db,
  kinds,
  log,
  onFailed = () => {},
  clock = serverTime,
}: TaskQueueParts): Promise<number> {
  let done = 0;
  for (const [kind, { afterMs, work }] of Object.entries(kinds) as [TaskKind, TaskWork][]) {
    for (;;) {
      const outcome = await workOne(
        db,
        kind,
        new Date(Date.parse(clock()) - afterMs).toISOString(),
        clock(),
        work,
      );
      if (outcome === 'nothing due') break;
      if (outcome === 'done') {
        done++;
        continue;
      }
      const { task, error } = outcome;
      const tries = task.tries + 1;
      const nextTryAt = new Date(Date.parse(clock()) + waitMs(tries)).toISOString();
      await db
        .update(tasks)
        .set({ tries, nextTryAt })
        .where(and(eq(tasks.kind, kind), eq(tasks.subject, task.subject)));
      log.error({ err: error, task: kind, tries }, 'a task failed and waits to be tried again');
      onFailed(kind);
    }
  }
  return done;
}

/** A process that dies in the middle gives the line back with its transaction. */
async function workOne(
  db: Db,
  kind: TaskKind,
  askedBy: string,
  now: string,
  work: TaskWork['work'],
): Promise<'nothing due' | 'done' | { task: Task; error: unknown }> {
  const isDue = and(
    eq(tasks.kind, kind),
    lte(tasks.askedAt, askedBy),
    or(isNull(tasks.nextTryAt), lte(tasks.nextTryAt, now)),
  );
  // Mostly there is nothing, and a database that takes nothing just now can still say so
  const [any] = await db.select({ kind: tasks.kind }).from(tasks).where(isDue).limit(1);
  if (!any) return 'nothing due';
  let task: Task | undefined;
  try {
    return await db.transaction(async (tx) => {
      [task] = await tx
        .select()
        .from(tasks)
        .where(isDue)
        .orderBy(asc(tasks.askedAt), asc(tasks.subject))
        .limit(1)
        .for('update', { skipLocked: true });
      if (!task) return 'nothing due';
      await work(tx, task);
      await tx.delete(tasks).where(and(eq(tasks.kind, kind), eq(tasks.subject, task.subject)));
      return 'done';
    });
  } catch (error) {
    if (!task) throw error;
    return { task, error };
  }
}

/**
 * Looks every few seconds whether something is due.
 *
 * @returns ends it, once what is being done is done
 */
export function runTasks(parts: TaskQueueParts, everyMs: number): () => Promise<void> {
  let working: Promise<unknown> | null = null;
  const look = async () => {
    try {
      if ((await workThrough(parts)) > 0) parts.onDone?.();
    } catch (error) {
      parts.log.error({ err: error }, 'tasks could not be looked at');
    } finally {
      working = null;
    }
  };
  const timer = setInterval(() => {
    working ??= look();
  }, everyMs);
  timer.unref();
  return async () => {
    clearInterval(timer);
    await working;
  };
}

/** How many of each kind wait, and how many of them have failed before. */
export async function tasksWaiting(db: Store): Promise<{ kind: string; waiting: number; failed: number }[]> {
  return db
    .select({
      kind: tasks.kind,
      waiting: sql<number>`count(*)::int`,
      failed: sql<number>`count(*) filter (where ${tasks.tries} > 0)::int`,
    })
    .from(tasks)
    .groupBy(tasks.kind);
}
