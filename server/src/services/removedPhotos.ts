// A photo that is removed from its finding is marked at first: it can be put back for thirty days, then it is deleted for good.

import { existsSync } from 'node:fs';
import type { RemovedPhotos } from '@mortisect/contracts';
import { eq, type SQL, sql } from 'drizzle-orm';
import type { Db, Store } from '../store/openDb';
import { actions, findings, history, tasks, trees } from '../store/schema';
import { holdHistory } from './history';
import { daysLeft, KEPT_DAYS } from './keptDays';
import { dropFile, fileOf, photosIn } from './photos';
import { later } from './tasks';

/** The ids go as one text: a folder holds more photos than a statement has room for values. */
const isAmong = (id: SQL, ids: readonly string[]): SQL =>
  sql`${id} in (select jsonb_array_elements_text(${JSON.stringify(ids)}::jsonb))`;

/** Which of these photos something on record shows, by the ids as they are written there. */
async function shownAmong(db: Store, ids: readonly string[]): Promise<Set<string>> {
  if (ids.length === 0) return new Set();
  const inFinding = sql<string>`jsonb_array_elements_text(${findings.value}->'photoIds')`;
  const inAction = sql<string>`${actions.value}->>'photoId'`;
  const shown = await db
    .select({ id: sql<string>`shown.id` })
    .from(
      sql`(select lower(${inFinding}) as id from ${findings} union select lower(${inAction}) from ${actions}) as shown`,
    )
    .where(isAmong(sql`shown.id`, ids));
  return new Set(shown.map(({ id }) => id));
}

/** Deletes a photo for good unless something shows it again. */
export async function deletePhoto(tx: Store, folder: string, id: string): Promise<void> {
  // Nobody puts it back between the look and the deletion
  await holdHistory(tx);
  if (!(await shownAmong(tx, [id])).has(id)) await dropFile(fileOf(folder, id));
}

const PHOTO_ID = sql<string>`photo.id`;

/** Photos that a finding has ever shown, with the finding, by its lines in the history. */
export function everShown(db: Store, where: SQL | undefined): Promise<{ id: string; findingId: string }[]> {
  return db
    .selectDistinct({ id: PHOTO_ID, findingId: history.recordId })
    .from(history)
    .innerJoin(
      sql`lateral jsonb_array_elements_text(${history.value} -> 'finding' -> 'photoIds') as photo(id)`,
      sql`true`,
    )
    .where(where);
}

/** Marks photos of the folder that nothing shows and that are not marked yet: they came with an archive, or their finding never came. */
export async function markUnshown(db: Db, folder: string): Promise<void> {
  const kept = photosIn(folder);
  const marked = await db.select({ id: tasks.subject }).from(tasks).where(eq(tasks.kind, 'photo'));
  const markedIds = new Set(marked.map(({ id }) => id));
  const unmarked = kept.filter((id) => !markedIds.has(id));
  const shown = await shownAmong(db, unmarked);
  const unshown = unmarked.filter((id) => !shown.has(id));
  if (unshown.length === 0) return;
  const before = await everShown(db, isAmong(PHOTO_ID, unshown));
  const findingOf = new Map(before.map(({ id, findingId }) => [id, findingId]));
  await db.transaction(async (tx) => {
    for (const id of unshown) {
      const findingId = findingOf.get(id);
      await later(tx, 'photo', [id], findingId ? { findingId } : {});
    }
  });
}

/** Photos that were removed from a finding and can be put back, the newest first. */
export async function getRemovedPhotos(db: Db, folder: string): Promise<RemovedPhotos> {
  const rows = await db
    .select({
      photoId: tasks.subject,
      askedAt: tasks.askedAt,
      findingId: findings.id,
      treeId: findings.treeId,
      treeCode: trees.code,
    })
    .from(tasks)
    .innerJoin(findings, sql`${findings.id}::text = ${tasks.value}->>'findingId'`)
    .innerJoin(trees, eq(trees.id, findings.treeId))
    .where(eq(tasks.kind, 'photo'))
    .orderBy(sql`${tasks.askedAt} desc`, tasks.subject);
  const shown = await shownAmong(
    db,
    rows.map(({ photoId }) => photoId),
  );
  const photos = rows
    .filter(({ photoId }) => !shown.has(photoId) && existsSync(fileOf(folder, photoId)))
    .map(({ askedAt, ...photo }) => ({ ...photo, daysLeft: daysLeft(askedAt) }));
  return { photos, keptDays: KEPT_DAYS };
}
