// What was done in the run that is open; and cuts with what was seen when they were looked at again.

import { DAY_MS } from '@mortisect/core/measure';
import { kitKinds, runKinds } from '@mortisect/core/present';
import type { Action } from '@mortisect/core/records';
import { and, asc, desc, eq, getTableColumns, gt, gte, inArray } from 'drizzle-orm';
import type { Store } from '../store/openDb';
import { actions, findings, isKept, trees } from '../store/schema';
import { asAction } from './orchard';

/** Blades count from this long before now at least: a local day at the other end of the world is in it. */
const BLADES_MS = 2 * DAY_MS;
const KIT_MS = 400 * DAY_MS;
const MOST_OF_KIT = 200;

/** From the close before the open run, or of two days; of mixes, sharpening and the last use of blades from a year. */
export async function getRun(db: Store, now: string): Promise<{ actions: Action[] }> {
  const before = (ms: number) => new Date(Date.parse(now) - ms).toISOString();
  const begun = await openSince(db);
  const since = begun && Date.parse(begun) < Date.parse(before(BLADES_MS)) ? begun : before(BLADES_MS);
  const latest = (kinds: readonly string[]) =>
    db
      .select()
      .from(actions)
      .where(and(inArray(actions.kind, [...kinds]), gte(actions.at, before(KIT_MS))))
      .orderBy(desc(actions.at))
      .limit(MOST_OF_KIT);
  const [own, kit, used] = await Promise.all([
    db
      .select()
      .from(actions)
      .where(and(inArray(actions.kind, [...runKinds]), gte(actions.at, since))),
    latest([...kitKinds, 'limbMarked']),
    latest(['cutMade', 'bladeCleaned']),
  ]);
  const all = new Map([...used, ...kit, ...own].map((row) => [row.id, row]));
  return { actions: [...all.values()].map(asAction) };
}

/** The last close, where a run was started since; the first start where none was ever closed: two phones may both have begun. Null when no run is open. */
async function openSince(db: Store): Promise<string | null> {
  const of = (kind: string) => and(eq(actions.kind, kind), eq(actions.undone, false));
  const [closed] = await db
    .select({ at: actions.at })
    .from(actions)
    .where(of('runClosed'))
    .orderBy(desc(actions.at))
    .limit(1);
  const [started] = await db
    .select({ at: actions.at })
    .from(actions)
    .where(and(of('runStarted'), closed ? gt(actions.at, closed.at) : undefined))
    .orderBy(asc(actions.at))
    .limit(1);
  // The close is told too: what a device sends late, of a time before, belongs to a run that is over
  return started ? (closed?.at ?? started.at) : null;
}

const AFTERCARE_MS = 800 * DAY_MS;
const MOST_CUTS = 5000;

/** @param now ISO moment */
export async function getAftercare(
  db: Store,
  now: string,
): Promise<{ actions: Action[]; disorders: Record<string, string> }> {
  const since = new Date(Date.parse(now) - AFTERCARE_MS).toISOString();
  const rows = await db
    .select(getTableColumns(actions))
    .from(actions)
    .innerJoin(trees, eq(trees.id, actions.treeId))
    .where(
      and(
        inArray(actions.kind, ['cutMade', 'recheckDone', 'woodRead', 'scionTaken']),
        eq(actions.undone, false),
        gte(actions.at, since),
        isKept(trees),
      ),
    )
    .orderBy(desc(actions.at))
    .limit(MOST_CUTS);
  const named = rows.flatMap(({ value }) =>
    value.kind === 'cutMade' && value.disorders === undefined ? value.findingIds : [],
  );
  const cutsKnown =
    named.length === 0
      ? []
      : await db
          .select({ id: findings.id, value: findings.value })
          .from(findings)
          .where(inArray(findings.id, named));
  return {
    actions: rows.map(asAction),
    disorders: Object.fromEntries(cutsKnown.map(({ id, value }) => [id, value.disorder])),
  };
}
