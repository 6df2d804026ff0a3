// What stood before the history did, and what is made in passing: plots, rows, first limb maps, the first site. They are written into the
// history silently, so that everything that stands can be folded from it.
import type { HistoryValue } from '@mortisect/core/records';
import { sql } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { history, plots, rows, site, trees } from '../store/schema';
import { BEGINNING, type Written } from './history';
import { keep, kept } from './keepsakes';

const COMPLETE = 'history complete';
const AT_ONCE = 200;

/** Once for a database; after that whoever makes a record writes its line. */
export async function completeHistory(db: Store, now: string): Promise<void> {
  if (await kept<boolean>(db, COMPLETE)) return;
  await appendBeginnings(db, now);
  await historyIsComplete(db);
}

/** From here on every record has its line. */
export const historyIsComplete = (db: Store): Promise<void> => keep(db, COMPLETE, true);

/** Lines for plots, rows, the site, trees and limb maps whose present revision the history does not have. */
export async function appendBeginnings(db: Store, now: string): Promise<void> {
  const written = await db
    .select({
      recordId: history.recordId,
      revision: history.revision,
      kind: sql<string>`${history.value}->>'kind'`,
    })
    .from(history);
  const has = new Set(written.map(({ recordId, revision, kind }) => `${kind} ${recordId} ${revision}`));
  const lines: Written[] = [];
  const add = (recordId: string, value: HistoryValue, more: Partial<Written>) => {
    const revision = more.revision ?? 1;
    if (has.has(`${value.kind} ${recordId} ${revision}`)) return;
    const line = { at: now, receivedAt: now, revision, treeId: null, by: 'Mortisect', ...more };
    lines.push({ ...line, recordId, deviceId: BEGINNING, value });
  };
  const plotRows = await db.select().from(plots);
  const rowRows = await db.select().from(rows);
  for (const { id, orchardId: _orchardId, ...plot } of plotRows) add(id, { kind: 'plot', plot }, {});
  for (const { id, orchardId: _orchardId, ...row } of rowRows) add(id, { kind: 'row', row }, {});
  for (const { id, value, revision, by, receivedAt } of await db.select().from(site))
    add(id, { kind: 'site', site: value }, { revision, by, receivedAt, at: receivedAt });
  const plotNames = new Map(plotRows.map(({ id, name }) => [id, name]));
  const places = new Map(
    rowRows.map(({ id, plotId, name }) => [id, { plot: plotNames.get(plotId) ?? '', row: name }]),
  );
  for (const row of await db.select().from(trees)) {
    const { id, rowId, place, code, value, revision, by, receivedAt, limbs, limbsRevision, surveyedAt } = row;
    const named = places.get(rowId);
    if (!named) continue;
    const who = { treeId: id, by, receivedAt };
    add(
      id,
      { kind: 'tree', tree: { ...value, ...named, place, code } },
      { ...who, revision, at: receivedAt },
    );
    add(id, { kind: 'limbs', limbs }, { ...who, revision: limbsRevision, at: surveyedAt });
  }
  for (let from = 0; from < lines.length; from += AT_ONCE)
    await db.insert(history).values(lines.slice(from, from + AT_ONCE));
}
