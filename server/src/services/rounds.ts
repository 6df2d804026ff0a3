// What was done in the round that is open, or in the last one: a close that is taken back needs what it closed.

import { roundKinds } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { and, asc, desc, eq, gte, inArray } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions } from '../store/schema';
import { asAction } from './orchard';

/**
 * From the last close on, that close with it: what a device sends late, of a time before, belongs to a round that is over. Where no round was
 * started since, the last one with its close.
 */
export async function getRound(db: Store): Promise<{ actions: Action[] }> {
  const [last, before] = await db
    .select({ at: actions.at })
    .from(actions)
    .where(and(eq(actions.kind, 'roundClosed'), eq(actions.undone, false)))
    .orderBy(desc(actions.at))
    .limit(2);
  const since = await doneFrom(db, last?.at);
  const isOpen = since.some(({ action, undone }) => action.kind === 'roundStarted' && !undone);
  return { actions: isOpen || !last ? since : await doneFrom(db, before?.at) };
}

async function doneFrom(db: Store, at: string | undefined): Promise<Action[]> {
  const rows = await db
    .select()
    .from(actions)
    .where(and(inArray(actions.kind, [...roundKinds]), at === undefined ? undefined : gte(actions.at, at)))
    .orderBy(asc(actions.at), asc(actions.id));
  return rows.map(asAction);
}
