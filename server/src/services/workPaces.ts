// How long cuts really took, measured from the runs that are closed.
import type { Tool, WorkPace } from '@mortisect/core/handling';
import { runKinds, workPaces } from '@mortisect/core/present';
import { and, desc, eq, gte, inArray, sql } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions } from '../store/schema';
import { asAction } from './orchard';

/** Who works changes: what was measured longer ago tells little. Common practice, no source. */
const MEASURED_DAYS = 400;
/** Of one orchard; measured anew when a run was closed since, or the kit is another. */
let last: { key: string; paces: WorkPace[] } | null = null;

export async function getWorkPaces(db: Store, kit: readonly Tool[]): Promise<WorkPace[]> {
  const [closed] = await db
    .select({ id: actions.id, at: actions.at })
    .from(actions)
    .where(and(eq(actions.kind, 'runClosed'), eq(actions.undone, false)))
    .orderBy(desc(actions.at))
    .limit(1);
  if (!closed) return [];
  const key = `${closed.id} ${JSON.stringify(kit)}`;
  if (last?.key !== key) {
    const since = sql`${closed.at}::timestamptz - make_interval(days => ${MEASURED_DAYS})`;
    const rows = await db
      .select()
      .from(actions)
      .where(and(inArray(actions.kind, [...runKinds]), gte(actions.at, since)));
    last = { key, paces: workPaces(rows.map(asAction), kit) };
  }
  return last.paces;
}
