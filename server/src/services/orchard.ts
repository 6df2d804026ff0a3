// Trees as they are read: summaries in walking order, one tree with all that is known of it.

import { asHappened, happenedAt, type OpenWorkChanges, roundKinds } from '@mortisect/core/present';
import {
  type Action,
  type Finding,
  FindingBody,
  type Job,
  type Plot,
  type Row,
  type TreeDetail,
  type TreeSummary,
} from '@mortisect/core/records';
import { serpentine } from '@mortisect/core/register';
import { asksForShape, TRAINED_UP_TO_YEARS } from '@mortisect/core/shaping';
import { unsaid } from '@mortisect/words';
import {
  and,
  asc,
  count,
  desc,
  eq,
  gt,
  gte,
  inArray,
  isNotNull,
  max,
  notInArray,
  or,
  sql,
} from 'drizzle-orm';
import { notThere } from '../refusal';
import type { Store } from '../store/openDb';
import { actions, findings, history, isKept, jobs, plots, rows, trees } from '../store/schema';
import { revisionOf, sinceOf } from './changes';
import { moment, readable } from './moment';

interface Orchard {
  plots: Plot[];
  rows: Row[];
  trees: TreeSummary[];
}

export async function getTrees(db: Store): Promise<Orchard> {
  const [places, treeRows, open, seen] = await Promise.all([
    placesOf(db),
    db.select(TREE_COLUMNS).from(trees).where(isKept(trees)),
    db
      .select({ treeId: findings.treeId, open: count() })
      .from(findings)
      .where(eq(findings.state, 'open'))
      .groupBy(findings.treeId),
    lastSeen(db),
  ]);
  const openOf = new Map(open.map((tree) => [tree.treeId, tree.open]));
  const summaries = treeRows.map((tree) =>
    summary(tree, places, { openFindings: openOf.get(tree.id) ?? 0, lastSeenAt: seen.get(tree.id) ?? null }),
  );
  return { plots: places.plots, rows: places.rows, trees: serpentine(places.rows, summaries) };
}

/** Without the limb map, which is most of a tree's weight. */
const TREE_COLUMNS = {
  id: trees.id,
  rowId: trees.rowId,
  place: trees.place,
  code: trees.code,
  value: trees.value,
  revision: trees.revision,
  by: trees.by,
  receivedAt: trees.receivedAt,
};
type TreeRow = Pick<typeof trees.$inferSelect, keyof typeof TREE_COLUMNS>;

interface Places {
  plots: Plot[];
  /** In order of their plots, then their own. */
  rows: Row[];
  plotOf: ReadonlyMap<string, Plot>;
  rowOf: ReadonlyMap<string, Row>;
}

export async function placesOf(db: Store): Promise<Places> {
  const [plotRows, rowRows] = await Promise.all([
    db.select().from(plots).orderBy(asc(plots.position), asc(plots.id)),
    db
      .select({ row: rows })
      .from(rows)
      .innerJoin(plots, eq(plots.id, rows.plotId))
      .orderBy(asc(plots.position), asc(plots.id), asc(rows.position), asc(rows.id)),
  ]);
  const plotList = plotRows.map(({ id, name, note }) => ({ id, name, note }));
  const rowList = rowRows.map(({ row }) => asRow(row));
  return { plots: plotList, rows: rowList, plotOf: byId(plotList), rowOf: byId(rowList) };
}

const byId = <T extends { id: string }>(list: T[]) => new Map(list.map((one) => [one.id, one]));

async function lastSeen(db: Store, ids?: string[]): Promise<Map<string, string>> {
  const seen = await db
    .select({ treeId: actions.treeId, at: max(actions.at) })
    .from(actions)
    .where(
      and(
        eq(actions.kind, 'treeSeen'),
        eq(actions.undone, false),
        ids ? inArray(actions.treeId, ids) : undefined,
      ),
    )
    .groupBy(actions.treeId);
  return new Map(seen.flatMap(({ treeId, at }) => (treeId && at ? [[treeId, moment(at)]] : [])));
}

function summary(
  { value, receivedAt, ...tree }: TreeRow,
  { plotOf, rowOf }: Places,
  state: Pick<TreeSummary, 'openFindings' | 'lastSeenAt'>,
): TreeSummary {
  const row = rowOf.get(tree.rowId);
  const plot = row && plotOf.get(row.plotId);
  return {
    ...value,
    ...tree,
    ...state,
    plotId: plot?.id ?? '',
    plot: plot?.name ?? '',
    row: row?.name ?? '',
    receivedAt: moment(receivedAt),
  };
}

export async function getTree(db: Store, treeId: string): Promise<TreeDetail> {
  const [detail] = await details(db, [treeId]);
  if (!detail) throw notThere(unsaid('problem.aTree', { id: treeId }));
  return detail;
}

export async function getPlotTrees(db: Store, plotId: string): Promise<{ trees: TreeDetail[] }> {
  const treesOfPlot = await db
    .select({ id: trees.id })
    .from(trees)
    .innerJoin(rows, eq(rows.id, trees.rowId))
    .where(and(eq(rows.plotId, plotId), isKept(trees)));
  return {
    trees: await details(
      db,
      treesOfPlot.map((tree) => tree.id),
    ),
  };
}

const LATEST = 50;

/**
 * @param year of today: a young tree asks for work by its age
 * @param since the revision that was read last; what is of another orchard, or ahead of this one, is read whole
 */
export async function getOpenWork(db: Store, year: number, since?: string): Promise<OpenWorkChanges> {
  const reached = await revisionOf(db);
  const from = sinceOf(since, reached);
  const changed = from === null ? undefined : await treesChangedSince(db, from);
  const open = await treesAskingForWork(db, year, changed);
  return {
    revision: reached.revision,
    whole: from === null,
    trees: await details(db, open),
    gone: (changed ?? []).filter((id) => !open.includes(id)),
    latestActions: await latestActions(db),
  };
}

/** What was done lately, the latest first, without what is of a round. */
export async function latestActions(db: Store): Promise<Action[]> {
  const latest = await db
    .select()
    .from(actions)
    .where(notInArray(actions.kind, [...roundKinds]))
    .orderBy(desc(actions.at))
    .limit(LATEST);
  return latest.map(asAction);
}

/** Ids of the trees of which the history says something after this line, or of the row that they stand in. */
export async function treesChangedSince(db: Store, seq: number): Promise<string[]> {
  const changed = await db
    .selectDistinct({ treeId: history.treeId })
    .from(history)
    .where(and(gt(history.seq, seq), isNotNull(history.treeId)));
  const inRows = await db
    .select({ treeId: trees.id })
    .from(trees)
    .innerJoin(history, and(eq(history.recordId, trees.rowId), gt(history.seq, seq)));
  return [...new Set([...changed, ...inRows].flatMap(({ treeId }) => treeId ?? []))];
}

/** A row as it is told. */
export function asRow({ id, plotId, name, spacingCm, revision }: typeof rows.$inferSelect): Row {
  return { id, plotId, name, spacingCm, revision };
}

/**
 * Ids of the trees on which a plan may hold work: something is found on them, or they are shaped.
 *
 * @param among ids of the trees that are looked at; all where missing
 */
export async function treesAskingForWork(db: Store, year: number, among?: string[]): Promise<string[]> {
  const targetHeightCm = sql`(${trees.value}->>'targetHeightCm')::float`;
  const plantedYear = sql`(${trees.value}->>'plantedYear')::int`;
  const shaped = await db
    .select({ id: trees.id, value: trees.value })
    .from(trees)
    .where(
      and(
        or(isNotNull(targetHeightCm), gte(plantedYear, year - TRAINED_UP_TO_YEARS)),
        isKept(trees),
        among && inArray(trees.id, among),
      ),
    );
  const ids = [
    ...(await treesWithOpenFindings(db, among)),
    ...(await treesWithNewShoots(db, among)),
    ...(await treesThatShowWork(db, among)),
    ...shaped.filter(({ value }) => asksForShape(value, year)).map(({ id }) => id),
  ];
  return [...new Set(ids)];
}

/** Their maps hold water sprouts or counted bundles. */
async function treesThatShowWork(db: Store, among?: string[]): Promise<string[]> {
  const shows = sql`jsonb_path_exists(${trees.limbs}, '$[*] ? (@.kind == "sprout" || exists(@.bundle))')`;
  const found = await db
    .select({ id: trees.id })
    .from(trees)
    .where(and(shows, isKept(trees), among && inArray(trees.id, among)));
  return found.map(({ id }) => id);
}

/** Shoots were counted at a cut on them, and not all of those stay. */
async function treesWithNewShoots(db: Store, among?: string[]): Promise<string[]> {
  const shoots = sql`(${actions.value}->>'shoots')::int`;
  const stay = sql`(${actions.value}->>'stay')::int`;
  const counted = await db
    .selectDistinct({ treeId: actions.treeId })
    .from(actions)
    .innerJoin(trees, eq(trees.id, actions.treeId))
    .where(
      and(
        eq(actions.kind, 'recheckDone'),
        gt(shoots, stay),
        eq(actions.undone, false),
        isKept(trees),
        among && inArray(actions.treeId, among),
      ),
    );
  return counted.flatMap(({ treeId }) => treeId ?? []);
}

async function treesWithOpenFindings(db: Store, among?: string[]): Promise<string[]> {
  const open = await db
    .selectDistinct({ treeId: findings.treeId })
    .from(findings)
    .innerJoin(trees, eq(trees.id, findings.treeId))
    .where(and(eq(findings.state, 'open'), isKept(trees), among && inArray(findings.treeId, among)));
  return open.map(({ treeId }) => treeId);
}

export async function details(db: Store, ids: string[]): Promise<TreeDetail[]> {
  if (ids.length === 0) return [];
  const [places, treeRows, findingRows, actionRows, jobRows, seen] = await Promise.all([
    placesOf(db),
    db.select().from(trees).where(inArray(trees.id, ids)),
    db
      .select()
      .from(findings)
      .where(inArray(findings.treeId, ids))
      .orderBy(asc(findings.receivedAt), asc(findings.id)),
    db.select().from(actions).where(inArray(actions.treeId, ids)).orderBy(asc(actions.at), asc(actions.id)),
    db.select().from(jobs).where(inArray(jobs.treeId, ids)).orderBy(asc(jobs.receivedAt), asc(jobs.id)),
    lastSeen(db, ids),
  ]);
  const findingsOf = grouped(findingRows, (row) => row.treeId);
  const actionsOf = grouped(actionRows, (row) => row.treeId ?? '');
  const jobsOf = grouped(jobRows, (row) => row.treeId);
  return serpentine(places.rows, treeRows).map((row) => {
    const { limbs, limbsRevision, surveyedAt, orchardId: _orchardId, ...tree } = row;
    const findingsOfTree = (findingsOf.get(tree.id) ?? []).map(asFinding);
    const openFindings = findingsOfTree.filter((finding) => finding.state === 'open').length;
    return {
      tree: summary(tree, places, { openFindings, lastSeenAt: seen.get(tree.id) ?? null }),
      limbs,
      limbsRevision,
      surveyedAt: moment(surveyedAt),
      findings: findingsOfTree,
      actions: (actionsOf.get(tree.id) ?? []).map(asAction),
      jobs: (jobsOf.get(tree.id) ?? []).map(asJob),
    };
  });
}

function grouped<T>(list: T[], key: (item: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const item of list) {
    const group = groups.get(key(item));
    if (group) group.push(item);
    else groups.set(key(item), [item]);
  }
  return groups;
}

export function asFinding(row: typeof findings.$inferSelect): Finding {
  // Findings of earlier versions say less; what they leave out is filled in
  const finding = FindingBody.parse(readable(row.value));
  const receivedAt = moment(row.receivedAt);
  return {
    ...finding,
    seenAt: happenedAt(finding.seenAt, receivedAt),
    id: row.id,
    state: row.state,
    revision: row.revision,
    by: row.by,
    receivedAt,
  };
}

export function asAction(row: typeof actions.$inferSelect): Action {
  return {
    id: row.id,
    action: asHappened(readable(row.value), moment(row.receivedAt)),
    undone: row.undone,
    by: row.by,
    receivedAt: moment(row.receivedAt),
  };
}

export function asJob(row: typeof jobs.$inferSelect): Job {
  return { ...row.value, id: row.id, revision: row.revision, by: row.by, receivedAt: moment(row.receivedAt) };
}
