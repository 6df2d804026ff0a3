// Trees as they are read: summaries in walking order, one tree with all that is known of it.
import type { Action, Finding, Plot, Row, TreeDetail, TreeSummary } from '@mortisect/contracts';
import { asc, count, desc, eq, inArray } from 'drizzle-orm';
import type { z } from 'zod';
import { notThere } from '../refusal';
import type { Store } from '../store/openDb';
import { actions, findings, plots, rows, trees } from '../store/schema';
import { moment } from './moment';

type Detail = z.infer<typeof TreeDetail>;
type TreeRow = typeof trees.$inferSelect & { plotId: string };

export async function getTrees(db: Store): Promise<{
  plots: z.infer<typeof Plot>[];
  rows: z.infer<typeof Row>[];
  trees: z.infer<typeof TreeSummary>[];
}> {
  const [plotRows, rowRows, treeRows, open] = await Promise.all([
    db.select().from(plots).orderBy(asc(plots.position)),
    db.select().from(rows).orderBy(asc(rows.position)),
    db
      .select({ tree: trees, plotId: rows.plotId })
      .from(trees)
      .innerJoin(rows, eq(rows.id, trees.rowId))
      .orderBy(asc(trees.walkingOrder)),
    db
      .select({ treeId: findings.treeId, open: count() })
      .from(findings)
      .where(eq(findings.state, 'open'))
      .groupBy(findings.treeId),
  ]);
  const openOf = new Map(open.map((one) => [one.treeId, one.open]));
  return {
    plots: plotRows.map(({ id, name, note }) => ({ id, name, note })),
    rows: rowRows.map(({ id, plotId, name, spacingCm }) => ({ id, plotId, name, spacingCm })),
    trees: treeRows.map(({ tree, plotId }) => summary({ ...tree, plotId }, openOf.get(tree.id) ?? 0)),
  };
}

export async function getTree(db: Store, treeId: string): Promise<Detail> {
  const [detail] = await details(db, [treeId]);
  if (!detail) throw notThere(`Tree ${treeId}`);
  return detail;
}

const LATEST = 50;

export async function getOpenWork(
  db: Store,
): Promise<{ trees: Detail[]; latestActions: z.infer<typeof Action>[] }> {
  const open = await db
    .selectDistinct({ treeId: findings.treeId })
    .from(findings)
    .where(eq(findings.state, 'open'));
  const latest = await db.select().from(actions).orderBy(desc(actions.at)).limit(LATEST);
  return {
    trees: await details(
      db,
      open.map((one) => one.treeId),
    ),
    latestActions: latest.map(asAction),
  };
}

async function details(db: Store, ids: string[]): Promise<Detail[]> {
  if (ids.length === 0) return [];
  const [treeRows, findingRows, actionRows] = await Promise.all([
    db
      .select({ tree: trees, plotId: rows.plotId })
      .from(trees)
      .innerJoin(rows, eq(rows.id, trees.rowId))
      .where(inArray(trees.id, ids))
      .orderBy(asc(trees.walkingOrder)),
    db
      .select()
      .from(findings)
      .where(inArray(findings.treeId, ids))
      .orderBy(asc(findings.receivedAt), asc(findings.id)),
    db.select().from(actions).where(inArray(actions.treeId, ids)).orderBy(asc(actions.at), asc(actions.id)),
  ]);
  const findingsOf = grouped(findingRows, (row) => row.treeId);
  const actionsOf = grouped(actionRows, (row) => row.treeId ?? '');
  return treeRows.map(({ tree, plotId }) => {
    const own = (findingsOf.get(tree.id) ?? []).map(asFinding);
    return {
      tree: summary({ ...tree, plotId }, own.filter((finding) => finding.state === 'open').length),
      limbs: tree.limbs,
      findings: own,
      actions: (actionsOf.get(tree.id) ?? []).map(asAction),
    };
  });
}

function grouped<T>(list: T[], key: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) groups.set(key(one), [...(groups.get(key(one)) ?? []), one]);
  return groups;
}

function summary(
  { limbs: _limbs, walkingOrder: _order, ...tree }: TreeRow,
  openFindings: number,
): z.infer<typeof TreeSummary> {
  return { ...tree, openFindings };
}

export function asFinding(row: typeof findings.$inferSelect): z.infer<typeof Finding> {
  return {
    ...row.value,
    id: row.id,
    state: row.state,
    revision: row.revision,
    by: row.by,
    receivedAt: moment(row.receivedAt),
  };
}

export function asAction(row: typeof actions.$inferSelect): z.infer<typeof Action> {
  return {
    id: row.id,
    action: row.value,
    undone: row.undone,
    by: row.by,
    receivedAt: moment(row.receivedAt),
  };
}
