// The plans of trees as files: open JSON, CSV, and the cut sheet that is printed.

import { type Units, unitsOf } from '@mortisect/core/measure';
import { withinOf } from '@mortisect/core/plan';
import { grownLimbs, pinsOf, planInputOf, standingLimbs } from '@mortisect/core/present';
import type { TreeDetail } from '@mortisect/core/records';
import { limbNames } from '@mortisect/core/tree';
import { type Locale, type PlainKey, type Say, unitsOfLocale } from '@mortisect/words';
import { limbIn, told } from '@mortisect/words/trade';
import { dayAt } from '../files/day';
import type { SheetPaper, TreeSheet, WeekSheet } from '../files/sheet/sheet';
import { csvOf } from '../files/writeTrees';
import type { Pool } from '../pool/pool';
import type { Db } from '../store/openDb';
import { keptPlansOf } from './keptPlans';
import { getPlotTrees, getTree, placesOf } from './orchard';
import { getSiteRecord } from './site';

export interface RawFile {
  fileName: string;
  content: string | Uint8Array<ArrayBuffer>;
}

export async function planJson(db: Db, pool: Pool, treeId: string, now: string): Promise<RawFile> {
  const { detail, input, kept, day } = await treeToPlan(db, treeId, now);
  const plan = await pool.treePlan({ input, kept });
  return {
    fileName: `${fileWord(detail.tree.code)}-plan.json`,
    content: JSON.stringify(
      { kind: 'mortisect-plan', version: 1, tree: { id: treeId, code: detail.tree.code }, day, input, plan },
      null,
      2,
    ),
  };
}

/** Columns of a plan, with what each holds. */
const CSV_COLUMNS: readonly PlainKey[] = [
  'files.planColumnTree',
  'files.planColumnSeason',
  'files.planColumnPass',
  'files.planColumnLimb',
  'files.planColumnWhat',
  'files.planColumnKerf',
  'files.planColumnDiameter',
  'files.planColumnCrown',
  'files.planColumnExempt',
  'files.planColumnMass',
  'files.planColumnPieces',
  'files.planColumnTool',
  'files.planColumnMinutes',
  'files.planColumnChance',
  'files.planColumnLeast',
  'files.planColumnMost',
];

export async function planCsv(
  say: Say,
  db: Db,
  pool: Pool,
  { treeId, now }: { treeId: string; now: string },
): Promise<RawFile> {
  const { detail, input, kept, names } = await treeToPlan(db, treeId, now);
  const { steps, candidates } = await pool.treePlan({ input, kept });
  const columns = CSV_COLUMNS.map((column) => say(column));
  const rows = steps.map((step): Record<string, string> => {
    const candidate = candidates.find((each) => each.id === step.candidateId);
    const worst = Math.max(0, ...step.solves.map((solved) => solved.chance));
    const { cut, kerfMm, minutes = 0 } = candidate ?? {};
    const figures: (string | number | null | undefined)[] = [
      detail.tree.code,
      step.season,
      told(say, step.pass),
      candidate && limbIn(say, names.get(candidate.limbId) ?? candidate.limbId),
      told(say, cut?.kind ?? candidate?.what),
      cut && round(cut.upToCm ?? cut.atCm, 1),
      kerfMm && round(kerfMm, 0),
      step.crown,
      step.exempt,
      round(candidate?.massKg ?? 0, 1),
      candidate?.pieces,
      told(say, candidate?.tool),
      round(minutes, 1),
      round(worst, 3),
      ...(withinOf(minutes, step.grain.minutes)?.map((end) => round(end, 1)) ?? []),
    ];
    return Object.fromEntries(columns.map((column, i) => [column, String(figures[i] ?? '')]));
  });
  return { fileName: `${fileWord(detail.tree.code)}-plan.csv`, content: csvOf(rows, columns) };
}

export interface Printed {
  paper: SheetPaper;
  /** Language of the sheet. */
  locale: Locale;
  units?: Units | undefined;
  now: string;
  /** Aborted when nobody waits for it any more. */
  signal?: AbortSignal;
}

export async function cutSheet(
  db: Db,
  pool: Pool,
  { treeId, ...printed }: Printed & { treeId: string },
): Promise<RawFile> {
  const detail = await getTree(db, treeId);
  const content = await drawn(db, pool, [detail], printed);
  return { fileName: `${fileWord(detail.tree.code)}-cut-sheet.pdf`, content };
}

/** One sheet for each tree of the plot that has something open. */
export async function plotCutSheet(
  db: Db,
  pool: Pool,
  { plotId, ...printed }: Printed & { plotId: string },
): Promise<RawFile> {
  const { trees } = await getPlotTrees(db, plotId);
  const open = trees.filter(
    ({ findings, actions }) =>
      findings.some((finding) => finding.state === 'open') || pinsOf(actions).length > 0,
  );
  const content = await drawn(db, pool, open, printed);
  return { fileName: `${fileWord(plotId)}-cut-sheet.pdf`, content };
}

/** @param week what a crew does in a week, before the sheets of its trees */
export async function drawn(
  db: Db,
  pool: Pool,
  details: TreeDetail[],
  printed: Printed,
  week: WeekSheet | null = null,
) {
  const { paper, locale, signal } = printed;
  return pool.cutSheet({ sheets: await sheets(db, details, printed), paper, locale, week }, signal);
}

async function sheets(db: Db, details: TreeDetail[], { units, locale, now }: Printed): Promise<TreeSheet[]> {
  const ids = details.map((detail) => detail.tree.id);
  const [{ site, paces }, places, kept] = await Promise.all([
    getSiteRecord(db),
    placesOf(db),
    keptPlansOf(db, ids),
  ]);
  const day = dayAt(now, site.timeZone);
  const shown = units ?? unitsOf(site.units, unitsOfLocale(locale));
  return details.map((detail) => ({
    code: detail.tree.code,
    species: detail.tree.species,
    cultivar: detail.tree.cultivar,
    form: detail.tree.form,
    place: [
      places.plots.find((plot) => plot.id === detail.tree.plotId)?.name,
      places.rows.find((row) => row.id === detail.tree.rowId)?.name,
    ]
      .filter((word) => word !== undefined)
      .join(' · '),
    site: site.name,
    day,
    units: shown,
    twelveBearingDeg: site.twelveBearingDeg,
    face: { slope: site.schools.slope, dressing: site.schools.dressing },
    names: [...limbNames(grownLimbs(detail), site.twelveBearingDeg, shown)],
    input: planInputOf(detail, site, day, paces),
    kept: kept.get(detail.tree.id) ?? null,
  }));
}

async function treeToPlan(db: Db, treeId: string, now: string) {
  const [detail, { site, paces }, kept] = await Promise.all([
    getTree(db, treeId),
    getSiteRecord(db),
    keptPlansOf(db, [treeId]),
  ]);
  const day = dayAt(now, site.timeZone);
  return {
    detail,
    day,
    input: planInputOf(detail, site, day, paces),
    kept: kept.get(treeId) ?? null,
    names: limbNames(standingLimbs(detail), site.twelveBearingDeg, unitsOf(site.units, 'metric')),
  };
}

export function fileWord(text: string): string {
  return (
    text
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'tree'
  );
}

function round(value: number, digits: number): number {
  return Math.round(value * 10 ** digits) / 10 ** digits;
}
