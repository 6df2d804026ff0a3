// A tree that somebody deletes is marked at first and leaves every list: it can be taken back for thirty days, then it goes for good with all that is on record of it.

import type { DeletedTrees } from '@mortisect/contracts';
import { and, asc, eq, inArray, isNotNull, isNull, not, sql } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import {
  actions,
  findings,
  history,
  isKept,
  jobs,
  plans,
  plots,
  rows,
  samples,
  tasks,
  trees,
} from '../store/schema';
import { holdHistory } from './history';
import { daysLeft, KEPT_DAYS } from './keptDays';
import { deletePhoto, everShown } from './removedPhotos';
import { later, notLater } from './tasks';

/** Inside the transaction that writes the tree: the mark begins or ends its days. */
export async function markDeleted(
  tx: Store,
  id: string,
  before: { deleted?: true | undefined } | null,
  now: { deleted?: true | undefined },
): Promise<void> {
  if (now.deleted && !before?.deleted) await later(tx, 'tree', [id]);
  if (!now.deleted && before?.deleted) await notLater(tx, 'tree', [id]);
}

/** Deletes a tree for good, with its history and the photos that only it shows, if it is still marked. */
export async function deleteTree(tx: Store, folder: string, id: string): Promise<void> {
  // Nobody takes it back between the look and the deletion
  await holdHistory(tx);
  const [marked] = await tx
    .select({ id: trees.id })
    .from(trees)
    .where(and(eq(trees.id, id), not(isKept(trees))));
  if (!marked) return;
  const photoIds = await photosOf(tx, id);
  const findingIds = (await tx.select({ id: findings.id }).from(findings).where(eq(findings.treeId, id))).map(
    (finding) => finding.id,
  );
  const sent = await tx.delete(samples).where(inArray(samples.findingId, findingIds)).returning();
  await notLater(
    tx,
    'sample',
    sent.map((sample) => sample.id),
  );
  for (const table of [jobs, actions, findings, plans, history])
    await tx.delete(table).where(eq(table.treeId, id));
  await tx.delete(trees).where(eq(trees.id, id));
  for (const photoId of photoIds) await deletePhoto(tx, folder, photoId);
  await notLater(tx, 'photo', photoIds);
}

/** Every photo that the history of a tree names. */
async function photosOf(tx: Store, treeId: string): Promise<string[]> {
  const inFindings = await everShown(tx, eq(history.treeId, treeId));
  const inActions = await tx
    .select({ id: sql<string>`${actions.value} ->> 'photoId'` })
    .from(actions)
    .where(and(eq(actions.treeId, treeId), isNotNull(sql`${actions.value} ->> 'photoId'`)));
  return [...new Set([...inFindings, ...inActions].map(({ id }) => id))];
}

/** Trees that were deleted and can be taken back, by their codes. */
export async function getDeletedTrees(db: Store): Promise<DeletedTrees> {
  const marked = await db
    .select({ treeId: trees.id, code: trees.code, plot: plots.name, row: rows.name, askedAt: tasks.askedAt })
    .from(tasks)
    .innerJoin(trees, eq(trees.id, tasks.subject))
    .innerJoin(rows, eq(rows.id, trees.rowId))
    .innerJoin(plots, eq(plots.id, rows.plotId))
    .where(eq(tasks.kind, 'tree'))
    .orderBy(asc(trees.code), asc(trees.id));
  return {
    trees: marked.map(({ askedAt, ...tree }) => ({ ...tree, daysLeft: daysLeft(askedAt) })),
    keptDays: KEPT_DAYS,
  };
}

/** Marks the tasks of trees that came deleted with an archive: their days begin anew here. */
export async function markDeletedTrees(tx: Store): Promise<void> {
  const marked = await tx
    .select({ id: trees.id })
    .from(trees)
    .leftJoin(tasks, and(eq(tasks.kind, 'tree'), eq(tasks.subject, trees.id)))
    .where(and(not(isKept(trees)), isNull(tasks.subject)));
  await later(
    tx,
    'tree',
    marked.map(({ id }) => id),
  );
}
