// Trees and their limb maps as they are written: sent twice they count once, edited on a revision.

import { isDeepStrictEqual } from 'node:util';
import { happenedAt } from '@mortisect/core/present';
import {
  type HistoryValue,
  type TreeBody,
  type TreeDetail,
  type TreeSummary,
  treeBodyOf,
} from '@mortisect/core/records';
import { treeAge } from '@mortisect/core/register';
import { targetFault } from '@mortisect/core/shaping';
import { bareStem, type Limb, withLabels } from '@mortisect/core/tree';
import { unsaid } from '@mortisect/words';
import { refusalUnsaid } from '@mortisect/words/trade';
import { and, eq, ne, sql } from 'drizzle-orm';
import { v7 as newId } from 'uuid';
import { doesNotFit, moved, notThere } from '../refusal';
import { insertMany } from '../store/insertMany';
import { type Db, type Store, writing } from '../store/openDb';
import { findings, isKept, plots, rows, site, type TreeValue, trees } from '../store/schema';
import { markDeleted } from './deletedTrees';
import type { Device } from './devices';
import { append, BEGINNING, type Written } from './history';
import { details, getTree } from './orchard';
import { wasCalled } from './rows';

interface TreeWrite {
  id: string;
  baseRevision: number | null;
  tree: TreeBody;
  device: Device;
  now: string;
}

export function putTree(db: Db, write: TreeWrite): Promise<TreeSummary> {
  return writing(db, (tx) => writeTree(tx, write));
}

/** One tree inside a transaction that does more. A new tree starts from a bare stem, so that findings have wood to lie on. */
export async function writeTree(
  tx: Store,
  { id, baseRevision, tree, device, now }: TreeWrite,
): Promise<TreeSummary> {
  const [row] = await tx.select().from(trees).where(eq(trees.id, id)).for('update');
  const before = row ? await summaryOf(tx, id) : null;
  if (before && isDeepStrictEqual(treeBodyOf(before), tree)) return before;
  if ((row?.revision ?? null) !== baseRevision) {
    if (!before) throw notThere(unsaid('problem.aTree', { id }));
    throw moved(tree, { ...treeBodyOf(before), revision: before.revision, by: before.by });
  }
  if (!tree.deleted) await checkCode(tx, id, tree.code);
  // A height of long ago does not keep anybody from changing something else
  const tooLow =
    row && before?.targetHeightCm !== tree.targetHeightCm
      ? targetFault(row.limbs, tree.targetHeightCm)
      : null;
  if (tooLow) throw doesNotFit('tree.targetHeightCm', refusalUnsaid(tooLow));
  const { plot, row: rowName, place, code, ...value } = tree;
  const rowId = await rowFor(tx, plot, rowName, { by: device.name, now, standsIn: row?.rowId });
  const written = {
    rowId,
    place,
    code,
    value: value satisfies TreeValue,
    revision: (row?.revision ?? 0) + 1,
    by: device.name,
    receivedAt: now,
  };
  if (row) await tx.update(trees).set(written).where(eq(trees.id, id));
  else
    await beginTree(tx, {
      id,
      ...written,
      limbs: bareStemOf(tree, now),
      limbsRevision: 1,
      surveyedAt: now,
    });
  await append(tx, {
    at: now,
    receivedAt: now,
    recordId: id,
    revision: written.revision,
    treeId: id,
    deviceId: device.id,
    by: device.name,
    value: { kind: 'tree', tree },
  });
  await markDeleted(tx, id, before, tree);
  return summaryOf(tx, id);
}

/** Trees that are made ready together, before others are answered. */
const AT_ONCE = 100;

/** A tree from a file. */
export interface NewTree {
  tree: TreeBody;
  /** Null: it begins with a bare stem. */
  limbs: Limb[] | null;
}

/**
 * Trees that are all new, as one after the other would be written, in few statements. No two have one code, and none stands in the register already.
 */
export async function writeNewTrees(
  tx: Store,
  list: readonly NewTree[],
  { device, now }: { device: Device; now: string },
): Promise<void> {
  const known = await knownRows(tx);
  for (let from = 0; from < list.length; from += AT_ONCE)
    await writePart(tx, list.slice(from, from + AT_ONCE), known, { device, now });
}

async function writePart(
  tx: Store,
  list: readonly NewTree[],
  known: Awaited<ReturnType<typeof knownRows>>,
  { device, now }: { device: Device; now: string },
): Promise<void> {
  const stamp = { by: device.name, receivedAt: now, at: now };
  const lines: Written[] = [];
  const made = { plots: [] as (typeof plots.$inferInsert)[], rows: [] as (typeof rows.$inferInsert)[] };
  const begun = (recordId: string, value: HistoryValue, treeId: string | null = null) =>
    lines.push({ recordId, revision: 1, treeId, deviceId: BEGINNING, value, ...stamp });
  const values = list.map(({ tree, limbs }) => {
    const { plot, row, place, code, ...value } = tree;
    const plotKey = plot.toLowerCase();
    let plotId = known.plots.get(plotKey);
    if (plotId === undefined) {
      plotId = newId();
      known.plots.set(plotKey, plotId);
      const added = { name: plot, note: '', position: known.nextPlot++ };
      made.plots.push({ id: plotId, ...added });
      begun(plotId, { kind: 'plot', plot: added });
    }
    const rowKey = `${plotId} ${row.toLowerCase()}`;
    let rowId = known.rows.get(rowKey);
    if (rowId === undefined) {
      rowId = newId();
      known.rows.set(rowKey, rowId);
      const next = { plotId, name: row, spacingCm: SPACING_CM, position: known.nextRow++ };
      made.rows.push({ id: rowId, ...next });
      begun(rowId, { kind: 'row', row: next });
    }
    const id = newId();
    const map = limbs ?? bareStemOf(tree, now);
    begun(id, { kind: 'limbs', limbs: map }, id);
    lines.push({
      recordId: id,
      revision: 1,
      treeId: id,
      deviceId: device.id,
      value: { kind: 'tree', tree },
      ...stamp,
    });
    return {
      ...{ id, rowId, place, code, value, revision: 1, by: device.name, receivedAt: now },
      ...{ limbs: map, limbsRevision: 1, surveyedAt: now },
    };
  });
  await insertMany(tx, plots, made.plots);
  await insertMany(tx, rows, made.rows);
  await insertMany(tx, trees, values);
  await append(tx, ...lines);
}

/** Plots and rows by their names, as they are told apart: without regard to capitals. */
async function knownRows(tx: Store) {
  const [allPlots, allRows] = [await tx.select().from(plots), await tx.select().from(rows)];
  const after = (list: { position: number }[]) =>
    list.reduce((most, { position }) => Math.max(most, position), -1) + 1;
  return {
    plots: new Map(allPlots.map(({ id, name }) => [name.toLowerCase(), id])),
    rows: new Map(allRows.map(({ id, plotId, name }) => [`${plotId} ${name.toLowerCase()}`, id])),
    nextPlot: after(allPlots),
    nextRow: after(allRows),
  };
}

const bareStemOf = (tree: TreeBody, now: string): Limb[] => [
  bareStem({ ...tree, ageYears: treeAge(tree.plantedYear, Number(now.slice(0, 4))) }),
];

async function beginTree(tx: Store, tree: typeof trees.$inferInsert): Promise<void> {
  await tx.insert(trees).values(tree);
  const { id, limbs, by, receivedAt, surveyedAt } = tree;
  await begin(tx, id, { kind: 'limbs', limbs }, { treeId: id, by, receivedAt, at: surveyedAt });
}

/** A line for what is made in passing. */
async function begin(
  tx: Store,
  recordId: string,
  value: HistoryValue,
  more: Pick<Written, 'treeId' | 'by' | 'receivedAt' | 'at'>,
): Promise<void> {
  await append(tx, { recordId, revision: 1, deviceId: BEGINNING, value, ...more });
}

async function summaryOf(tx: Store, id: string): Promise<TreeSummary> {
  const [detail] = await details(tx, [id]);
  if (!detail) throw notThere(unsaid('problem.aTree', { id }));
  return detail.tree;
}

async function checkCode(tx: Store, id: string, code: string): Promise<void> {
  const [other] = await tx
    .select({ id: trees.id })
    .from(trees)
    .where(and(sql`lower(${trees.code}) = ${code.toLowerCase()}`, ne(trees.id, id), isKept(trees)));
  if (other) throw doesNotFit('tree.code', unsaid('problem.codeTaken', { code }));
}

const SPACING_CM = 400;

/**
 * The row of this name in the plot of this name; both are made when they are not there yet.
 *
 * @param more.standsIn the row that the tree stands in: it is meant by a name that it had before, too
 */
async function rowFor(
  tx: Store,
  plotName: string,
  rowName: string,
  { by, now, standsIn }: { by: string; now: string; standsIn?: string | undefined },
): Promise<string> {
  const stamp = { treeId: null, by, receivedAt: now, at: now };
  const [plot] = await tx.select().from(plots).where(sql`lower(${plots.name}) = ${plotName.toLowerCase()}`);
  const plotId = plot?.id ?? newId();
  if (!plot) {
    const added = { name: plotName, note: '', position: await nextPosition(tx, plots) };
    await tx.insert(plots).values({ id: plotId, ...added });
    await begin(tx, plotId, { kind: 'plot', plot: added }, stamp);
  }
  const [row] = await tx
    .select()
    .from(rows)
    .where(and(eq(rows.plotId, plotId), sql`lower(${rows.name}) = ${rowName.toLowerCase()}`));
  if (row) return row.id;
  if (standsIn && (await wasCalled(tx, standsIn, { plotId, name: rowName }))) return standsIn;
  const rowId = newId();
  const next = { plotId, name: rowName, spacingCm: SPACING_CM, position: await nextPosition(tx, rows) };
  await tx.insert(rows).values({ id: rowId, ...next });
  await begin(tx, rowId, { kind: 'row', row: next }, stamp);
  return rowId;
}

async function nextPosition(tx: Store, table: typeof plots | typeof rows): Promise<number> {
  const [last] = await tx.select({ position: sql<number>`coalesce(max(${table.position}), -1)` }).from(table);
  return Number(last?.position ?? -1) + 1;
}

interface LimbsWrite {
  treeId: string;
  baseRevision: number | null;
  surveyedAt: string;
  limbs: Limb[];
  device: Device;
  now: string;
}

/** A limb with an open finding on it stays on the map: the finding would hang in the air. */
export function putLimbs(db: Db, write: LimbsWrite): Promise<TreeDetail> {
  const { treeId, baseRevision, device, now } = write;
  const surveyedAt = happenedAt(write.surveyedAt, now);
  return writing(db, async (tx) => {
    const [row] = await tx.select().from(trees).where(eq(trees.id, treeId)).for('update');
    if (!row) throw notThere(unsaid('problem.aTree', { id: treeId }));
    const [at] = await tx.select({ value: site.value }).from(site);
    const limbs = withLabels(write.limbs, at?.value.twelveBearingDeg ?? 0, row.limbs);
    if (isDeepStrictEqual(row.limbs, limbs)) return getTree(tx, treeId);
    if (row.limbsRevision !== baseRevision) {
      throw moved({ limbs: limbs.length }, { limbs: row.limbs.length, revision: row.limbsRevision });
    }
    await checkFindings(tx, treeId, limbs);
    const revision = row.limbsRevision + 1;
    await tx.update(trees).set({ limbs, limbsRevision: revision, surveyedAt }).where(eq(trees.id, treeId));
    await append(tx, {
      at: surveyedAt,
      receivedAt: now,
      recordId: treeId,
      revision,
      treeId,
      deviceId: device.id,
      by: device.name,
      value: { kind: 'limbs', limbs },
    });
    return getTree(tx, treeId);
  });
}

async function checkFindings(tx: Store, treeId: string, limbs: Limb[]): Promise<void> {
  const open = await tx
    .select()
    .from(findings)
    .where(and(eq(findings.treeId, treeId), eq(findings.state, 'open')));
  const lengthOf = new Map(limbs.map((limb) => [limb.id, limb.lengthCm]));
  for (const { value } of open) {
    const lengthCm = lengthOf.get(value.limbId);
    if (lengthCm === undefined) {
      throw doesNotFit('limbs', unsaid('problem.findingOnLimb', { limb: value.limbName }));
    }
    if (value.toCm > lengthCm + 0.5) {
      throw doesNotFit('limbs', unsaid('problem.findingReaches', { limb: value.limbName, toCm: value.toCm }));
    }
  }
}
