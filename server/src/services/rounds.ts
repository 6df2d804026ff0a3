// What was done in the round that is open.
import { type Action, roundKinds } from '@mortisect/contracts';
import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions } from '../store/schema';
import { asAction } from './orchard';

/** From the first start after the last close; empty when no round is open. The close itself stands beside, for who takes it back. */
export async function getRound(db: Store): Promise<{ actions: Action[]; closed: Action | null }> {
  const [closed] = await db
    .select()
    .from(actions)
    .where(and(eq(actions.kind, 'roundClosed'), eq(actions.undone, false)))
    .orderBy(desc(actions.at))
    .limit(1);
  const since = await db
    .select()
    .from(actions)
    .where(and(inArray(actions.kind, [...roundKinds]), closed ? gt(actions.at, closed.at) : undefined))
    .orderBy(asc(actions.at), asc(actions.id));
  return { actions: since.map(asAction), closed: closed ? asAction(closed) : null };
}
