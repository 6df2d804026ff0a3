// The plan of every tree that asks for work, searched ahead after each change and kept until something that it rests on changes.
import { randomUUID } from 'node:crypto';
import { paceByKind, type WorkPace } from '@mortisect/core/handling';
import { type KeptPlan, planStamp } from '@mortisect/core/plan';
import { planInputOf } from '@mortisect/core/present';
import type { Site, TreeDetail } from '@mortisect/core/records';
import { and, asc, eq, gt, inArray, ne, notInArray, sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { dayAt } from '../files/day';
import type { Pool } from '../pool/pool';
import type { Db, Store } from '../store/openDb';
import { plans } from '../store/schema';
import { plansRevisionOf, revisionOf, sinceOf } from './changes';
import { details, treesAskingForWork, treesChangedSince } from './orchard';
import { getSiteRecord } from './site';

export interface KeptPlans {
  revision: string;
  whole: boolean;
  plans: (KeptPlan & { treeId: string })[];
}

/**
 * @param since the revision of the plans that was read last; what is of another orchard, or ahead of this one, is read whole
 * @param treeId only the plan of this tree
 */
export async function getKeptPlans(db: Store, since?: string, treeId?: string): Promise<KeptPlans> {
  const reached = await plansRevisionOf(db);
  const from = sinceOf(since, reached);
  const kept = await db
    .select()
    .from(plans)
    .where(
      and(from === null ? undefined : gt(plans.seq, from), treeId ? eq(plans.treeId, treeId) : undefined),
    )
    .orderBy(asc(plans.seq));
  return {
    revision: reached.revision,
    whole: from === null && treeId === undefined,
    plans: kept.map(({ treeId, value }) => ({ treeId, ...value })),
  };
}

/** The plans that are kept of these trees, by tree. */
export async function keptPlansOf(db: Store, treeIds: string[]): Promise<Map<string, KeptPlan>> {
  if (treeIds.length === 0) return new Map();
  const kept = await db.select().from(plans).where(inArray(plans.treeId, treeIds));
  return new Map(kept.map(({ treeId, value }) => [treeId, value]));
}

export interface PlanKeeper {
  /** Something was written, or a day may have begun. */
  wake(): void;
  /** Once everything is kept that there is to keep. */
  rested(): Promise<void>;
  close(): Promise<void>;
}

interface KeeperParts {
  db: Db;
  pool: Pool;
  now: () => string;
  log: Logger;
  onKept: () => void;
}

/** Trees read at once. */
const AT_ONCE = 20;
const LOOKS_AGAIN_MS = 10 * 60_000;

/** Plans what has no plan that still holds, one tree at a time, so that whoever asks for something else waits for one tree at most. */
export function makePlanKeeper({ db, pool, now, log, onKept }: KeeperParts): PlanKeeper {
  // Code that is read from sources may be another at every start
  const code = pool.code ?? randomUUID();
  const closing = new AbortController();
  let planned: { basis: string; seq: number } | null = null;
  let woken = false;
  let working: Promise<void> | null = null;
  const again = setInterval(() => keeper.wake(), LOOKS_AGAIN_MS).unref();

  /** Every tree whose plan may rest on something else than it did. */
  async function pass(): Promise<void> {
    const { site, revision, paces } = await getSiteRecord(db);
    const { orchardId, seq } = await revisionOf(db);
    const day = dayAt(now(), site.timeZone);
    const basis = `${orchardId} ${revision} ${day} ${JSON.stringify(paceByKind(paces))}`;
    const sameBasis = planned?.basis === basis && planned.seq <= seq ? planned : null;
    const changed = sameBasis && (await treesChangedSince(db, sameBasis.seq));
    if (!sameBasis) await db.delete(plans).where(ne(plans.code, code));
    const open = await treesAskingForWork(db, Number(day.slice(0, 4)), changed ?? undefined);
    await db
      .delete(plans)
      .where(and(changed ? inArray(plans.treeId, changed) : undefined, notInArray(plans.treeId, open)));
    for (let from = 0; from < open.length; from += AT_ONCE)
      for (const detail of await details(db, open.slice(from, from + AT_ONCE))) {
        if (closing.signal.aborted) return;
        await keepPlan(detail, site, day, paces);
      }
    planned = { basis, seq };
  }

  async function keepPlan(
    detail: TreeDetail,
    site: Site,
    day: string,
    paces: readonly WorkPace[],
  ): Promise<void> {
    const treeId = detail.tree.id;
    try {
      const input = planInputOf(detail, site, day, paces);
      const [kept] = await db.select({ stamp: plans.stamp }).from(plans).where(eq(plans.treeId, treeId));
      if (kept?.stamp === planStamp(input)) return;
      const value = await pool.planToKeep(input, closing.signal);
      const row = { treeId, code, stamp: value.stamp, value };
      const seq = sql`nextval(pg_get_serial_sequence('plans', 'seq'))`;
      await db
        .insert(plans)
        .values(row)
        .onConflictDoUpdate({ target: plans.treeId, set: { ...row, seq } });
      onKept();
    } catch (error) {
      // One tree that cannot be planned keeps no other from its plan; whoever asks for it is told why
      if (!closing.signal.aborted) log.warn({ err: error, treeId }, 'a tree could not be planned ahead');
    }
  }

  async function work(): Promise<void> {
    while (woken && !closing.signal.aborted) {
      woken = false;
      try {
        await pass();
      } catch (error) {
        if (!closing.signal.aborted) log.warn({ err: error }, 'plans could not be kept');
      }
    }
    working = null;
  }

  const keeper: PlanKeeper = {
    wake() {
      woken = true;
      if (!closing.signal.aborted) working ??= work();
    },
    rested: async () => {
      while (working) await working;
    },
    async close() {
      clearInterval(again);
      closing.abort();
      await working;
    },
  };
  return keeper;
}
