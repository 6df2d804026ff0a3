// Reads a file of trees, row by row, without touching the register. Runs on a worker.

import { gunzipSync } from 'node:zlib';
import {
  type ColumnMapping,
  type ImportChoices,
  type ImportReport,
  type StartingField,
  startingFields,
  treeColumns,
} from '@mortisect/contracts';
import { ARCHIVE_KIND, ARCHIVE_VERSION } from '@mortisect/contracts/archive';
import { isBareNumber, type LengthUnit } from '@mortisect/core/measure';
import { actionOf, fold, standingLimbs } from '@mortisect/core/present';
import { Action, TreeBody } from '@mortisect/core/records';
import { refusalOf, refusing } from '@mortisect/core/refusal';
import { speciesTable, type TreeSize, treeSizes } from '@mortisect/core/register';
import { joinBundles, type Limb, LimbMap } from '@mortisect/core/tree';
import { FALLBACK, type Locale, type Unsaid, unsaid } from '@mortisect/words';
import { sayIn } from '@mortisect/words/all';
import { issueUnsaid, refusalUnsaid } from '@mortisect/words/trade';
import Papa from 'papaparse';
import { z } from 'zod';
import { GeoJSONFeatureCollectionSchema } from 'zod-geojson';
import { isPacked } from './archiveFile';
import {
  type Cells,
  cellsOf,
  HEADINGS,
  inEveryLanguage,
  meaningOf,
  READING,
  type Reading,
  type Reason,
  speciesWritten,
  treeFromCells,
} from './columns';
import { decoded } from './text';

export const MOST_ROWS = 20_000;

export interface TreeFile {
  bytes: Uint8Array;
  format: 'csv' | 'geojson' | 'archive';
  mapping: ColumnMapping | null;
  choices?: ImportChoices | null;
  /** In which what is noted of a tree is written; English unless said. */
  locale?: Locale;
}

type Chosen = { choices: ImportChoices | null; locale: Locale };

export interface ReadRow {
  line: number;
  code: string;
  reasons: Reason[];
  tree: TreeBody | null;
  limbs: Limb[] | null;
  cells: Cells;
  /** Its place is the next free one of its row: the file does not say it. */
  numbered: boolean;
  started: StartingField[];
  ask: string | null;
}

type Told = Pick<ImportReport, 'starts' | 'asks' | 'units'>;
export type TreeFileRead =
  | ({ columns: string[]; mapping: ColumnMapping; sample: Cells[]; rows: ReadRow[] } & Told)
  | { fault: Unsaid };

/** What is wrong with the file as a whole is told as `fault`; what is wrong with a row stands with the row. */
export function readTrees({
  bytes,
  format,
  mapping,
  choices = null,
  locale = FALLBACK,
}: TreeFile): TreeFileRead {
  const chosen = { choices, locale };
  const text = decoded(format === 'archive' ? asText(bytes) : bytes);
  if (text === null) {
    return { fault: unsaid('problem.noUtf8') };
  }
  if (text.includes('\u0000')) return { fault: unsaid('problem.noTextFile') };
  if (text.trim() === '') return { fault: unsaid('problem.emptyFile') };
  if (format === 'csv') return fromCsv(text, mapping, chosen);
  const json = (format === 'archive' && treesInLines(text)) || parsed(text);
  if (json === undefined) return { fault: unsaid('problem.fileNoJson') };
  return format === 'geojson' ? fromGeojson(json, chosen) : fromArchive(json, locale);
}

const MOST_BYTES = 256 * 1024 ** 2;

/** A safe copy is a packed archive; one that cannot be unpacked stays as it is, and is no text. */
function asText(bytes: Uint8Array): Uint8Array {
  if (!isPacked(bytes)) return bytes;
  try {
    return gunzipSync(bytes, { maxOutputLength: MOST_BYTES });
  } catch {
    return bytes;
  }
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const SAMPLES = 5;

function fromCsv(text: string, given: ColumnMapping | null, chosen: Chosen): TreeFileRead {
  const read = Papa.parse<Cells>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    // Cells stay text; an apostrophe before a formula is how it was made harmless on the way out
    transform: restored,
  });
  const broken = read.errors.find((error) => error.type === 'Quotes');
  if (broken) {
    return { fault: unsaid('problem.openQuote', { row: (broken.row ?? 0) + 2 }) };
  }
  const columns = (read.meta.fields ?? []).filter((column) => column.trim() !== '');
  const mapping = given ?? guessed(columns);
  if (
    columns.length === 0 ||
    read.data.length === 0 ||
    (columns.length === 1 && Object.keys(mapping).length === 0)
  )
    return { fault: unsaid('problem.noHeadings') };
  if (read.data.length > MOST_ROWS) {
    return { fault: unsaid('problem.tooManyRows', { rows: read.data.length, most: MOST_ROWS }) };
  }
  const short = new Map(
    read.errors.flatMap((error) =>
      error.type === 'FieldMismatch' && error.row !== undefined ? [[error.row, error]] : [],
    ),
  );
  const mapped = read.data.map((cells) =>
    Object.fromEntries(Object.entries(mapping).map(([field, column]) => [field, cells[column] ?? ''])),
  );
  const { reading, units } = readingOf(mapped, mapping, chosen);
  const rows = read.data.map((cells, i) => {
    const mismatch = short.get(i);
    const row = checked(i + 2, mapped[i] as Cells, cells, reading);
    if (mismatch?.code !== 'TooManyFields') return row;
    return {
      ...row,
      tree: null,
      reasons: [{ field: '', why: unsaid('problem.moreCells') }, ...row.reasons],
    };
  });
  return {
    columns,
    mapping,
    sample: read.data.slice(0, SAMPLES),
    rows: numbered(withoutTwins(rows)),
    ...toldOf(rows, reading, units),
  };
}

/** Unit that a heading names, as in “Height (m)”, “spread_ft” or “heightCm”. */
function unitInHeading(heading: string): LengthUnit | null {
  const named =
    /(?:^|[\s_([/-])(mm|cm|m|ft|in|feet|foot|inch(?:es)?|met(?:re|er)s?)\.?[)\]]?$/i.exec(
      heading.trim(),
    )?.[1] ?? /(?<=[a-z])(Mm|Cm|M|Ft|In)$/.exec(heading.trim())?.[1];
  const unit = named?.toLowerCase();
  if (!unit) return null;
  if (unit === 'mm' || unit === 'cm') return unit;
  if (unit.startsWith('m')) return 'm';
  return unit.startsWith('f') ? 'ft' : 'in';
}

/** Heights and spreads that stand as bare numbers below these are metres, then feet; no orchard is measured otherwise. Common practice, no source. */
const METRES_BELOW = 8;
const FEET_BELOW = 40;
const TALL = new Set<TreeSize>(['heightCm', 'targetHeightCm', 'spreadCm', 'reachCm']);

function unitBySize(field: TreeSize, bare: readonly number[]): LengthUnit {
  const middle = [...bare].sort((a, b) => a - b)[Math.floor(bare.length / 2)] ?? 0;
  if (!TALL.has(field)) return 'cm';
  return middle < METRES_BELOW ? 'm' : middle < FEET_BELOW ? 'ft' : 'cm';
}

/** By what rules the cells of this file are read: what somebody chose, what its headings say, else what its numbers tell. */
function readingOf(
  rows: readonly Cells[],
  mapping: ColumnMapping,
  { choices, locale }: Chosen,
): { reading: Reading; units: ImportReport['units'] } {
  const units = treeSizes.flatMap((field): ImportReport['units'] => {
    const cells = rows.map((row) => row[field] ?? '').filter(isBareNumber);
    if (cells.length === 0) return [];
    const chosen = choices?.units[field];
    const heading = unitInHeading(mapping[field] ?? '');
    const bare = cells.map((cell) =>
      Number(
        cell
          .trim()
          .replace(/^[^\d]+/, '')
          .replace(',', '.'),
      ),
    );
    return [
      {
        field,
        unit: chosen ?? heading ?? unitBySize(field, bare),
        by: chosen ? 'choice' : heading ? 'heading' : 'size',
        rows: cells.length,
      },
    ];
  });
  const kinds = Object.entries(choices?.kinds ?? {}).map(([word, code]) => [word.toLowerCase(), code]);
  return {
    reading: {
      locale,
      starts: { ...READING.starts, ...choices?.starts },
      kinds: Object.fromEntries(kinds),
      units: Object.fromEntries(units.map(({ field, unit }) => [field, unit])),
    },
    units,
  };
}

/** What the file left open: what was written in its place, and words that somebody must explain. */
function toldOf(rows: readonly ReadRow[], { starts }: Reading, units: ImportReport['units']): Told {
  const asked = new Map<string, { word: string; rows: number }>();
  for (const { ask } of rows) {
    if (ask === null) continue;
    const { word, rows: before } = asked.get(meaningOf(ask)) ?? { word: ask, rows: 0 };
    asked.set(meaningOf(ask), { word, rows: before + 1 });
  }
  return {
    starts: startingFields.flatMap((field) => {
      const count = rows.filter(({ started }) => started.includes(field)).length;
      return count > 0 ? [{ field, value: starts[field], rows: count }] : [];
    }),
    asks: [...asked.values()].map(({ word, rows: count }) => {
      const meant = speciesWritten(word);
      return {
        word,
        rows: count,
        options: (meant.length > 0 ? meant : speciesTable).map(({ code }) => code),
      };
    }),
    units,
  };
}

/** Trees without a place follow the last one of their row. */
function numbered(rows: readonly ReadRow[]): ReadRow[] {
  const keyOf = ({ plot, row }: TreeBody) => `${plot}\n${row}`;
  const last = new Map<string, number>();
  for (const { tree, numbered: isOpen } of rows)
    if (tree && !isOpen) last.set(keyOf(tree), Math.max(last.get(keyOf(tree)) ?? 0, tree.place));
  return rows.map((row) => {
    if (!row.tree || !row.numbered) return row;
    const place = (last.get(keyOf(row.tree)) ?? 0) + 1;
    last.set(keyOf(row.tree), place);
    return { ...row, tree: { ...row.tree, place } };
  });
}

/** @see exportCsv, which puts the apostrophe there */
function restored(cell: string): string {
  return /^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell;
}

/** Columns that are called as the fields are, whatever their case, spaces and units. */
function guessed(columns: string[]): ColumnMapping {
  const plain = (name: string) =>
    name
      .replace(/[([].*$/, '')
      .toLowerCase()
      .replace(/[^a-záéíóúüñ]/g, '');
  const columnOf = new Map(columns.map((column) => [plain(column), column]));
  const mapping: ColumnMapping = Object.fromEntries(
    treeColumns.flatMap((field) => {
      const bare = field.replace(/Cm$/, '');
      const sized =
        bare === field ? [] : ['m', 'ft', 'in', 'feet', 'metres', 'meters'].map((unit) => `${bare} ${unit}`);
      const names = [field, ...inEveryLanguage(HEADINGS[field]), ...(SYNONYMS[field] ?? []), bare, ...sized];
      const column = names.map((name) => columnOf.get(plain(name))).find((found) => found !== undefined);
      return column === undefined ? [] : [[field, column] as const];
    }),
  );
  const { place, ...others } = mapping;
  // A list that only numbers its trees goes by the number
  return place !== undefined && !mapping.code && !mapping.nickname ? { ...others, code: place } : mapping;
}

const SYNONYMS: Partial<Record<keyof TreeBody, string[]>> = {
  code: [
    'tag',
    'tree',
    'id',
    'label',
    'tree code',
    'tree no',
    'tree number',
    'tree id',
    'tag no',
    'tag number',
    'nr',
  ],
  nickname: ['name', 'tree name'],
  plot: ['block', 'orchard', 'field', 'section', 'area'],
  row: ['line', 'row no', 'row number'],
  place: ['position', 'number', 'no', 'pos', 'tree in row'],
  species: ['kind', 'fruit', 'crop', 'type', 'fruit type'],
  form: ['shape', 'training', 'trained as', 'system'],
  cultivar: ['variety', 'var', 'sort'],
  rootstock: ['stock'],
  plantedYear: [
    'planted',
    'year',
    'year planted',
    'planting year',
    'date planted',
    'planted on',
    'planting date',
    'age from',
  ],
  latitude: ['lat', 'y'],
  longitude: ['lon', 'lng', 'long', 'x'],
  heightCm: ['height cm'],
  spreadCm: ['width', 'spread cm', 'crown', 'diameter of crown'],
  girthCm: ['girth cm', 'circumference', 'trunk girth', 'stem girth'],
  note: ['notes', 'remarks', 'comment'],
};

function checked(line: number, cells: Cells, raw: Cells, reading: Reading): ReadRow {
  const read = treeFromCells(cells, reading);
  const code = (read.tree?.code ?? cells.code ?? '').trim() || (cells.nickname ?? '').trim();
  return { line, code, limbs: null, cells: raw, ...read };
}

/** Of two rows with the same code the later is refused. */
function withoutTwins(rows: ReadRow[]): ReadRow[] {
  const seen = new Map<string, number>();
  return rows.map((row) => {
    const key = row.code.toLowerCase();
    const first = key === '' ? undefined : seen.get(key);
    if (first === undefined) {
      seen.set(key, row.line);
      return row;
    }
    const twin = { field: 'code', why: unsaid('problem.sameCode', { row: first }) };
    return { ...row, tree: null, reasons: [...row.reasons, twin] };
  });
}

function fromGeojson(json: unknown, chosen: Chosen): TreeFileRead {
  const collection = GeoJSONFeatureCollectionSchema.safeParse(json);
  if (!collection.success) {
    const issue = collection.error.issues[0];
    return {
      fault: unsaid('problem.noGeojson', {
        field: issue?.path.join('.') || unsaid('problem.file'),
        why: issue?.message ?? '',
      }),
    };
  }
  const features = collection.data.features;
  if (features.length > MOST_ROWS) {
    return { fault: unsaid('problem.tooManyFeatures', { features: features.length, most: MOST_ROWS }) };
  }
  const all = features.map((feature) => {
    const properties = (feature.properties ?? {}) as Record<string, unknown>;
    const cells: Cells = Object.fromEntries(
      Object.entries(properties).map(([key, value]) => [key, textOf(value)]),
    );
    const point = feature.geometry?.type === 'Point' ? feature.geometry.coordinates : null;
    if (point) Object.assign(cells, { longitude: String(point[0]), latitude: String(point[1]) });
    return { cells, placed: point !== null || feature.geometry === null };
  });
  const columns = columnsOf(all.map(({ cells }) => cells));
  const { reading, units } = readingOf(
    all.map(({ cells }) => cells),
    sameNames(columns),
    chosen,
  );
  const rows = all.map(({ cells, placed }, i) => {
    const row = checked(i + 1, cells, cells, reading);
    if (placed) return row;
    const reason = { field: 'geometry', why: unsaid('problem.pointOnly') };
    return { ...row, tree: null, reasons: [...row.reasons, reason] };
  });
  return whole(numbered(withoutTwins(rows)), toldOf(rows, reading, units));
}

function textOf(value: unknown): string {
  if (value === null || value === undefined) return '';
  if (Array.isArray(value)) return value.map(textOf).join('; ');
  if (typeof value === 'object') {
    const { code, how } = value as { code?: unknown; how?: unknown };
    return code === undefined ? JSON.stringify(value) : `${String(code)} ${String(how ?? 'meets')}`;
  }
  return String(value);
}

const Archive = z.object({
  kind: z.literal(ARCHIVE_KIND, refusing('noArchiveFile')),
  version: z.literal(1, refusing('laterArchive')),
  trees: z
    .array(
      z.object({
        tree: z.record(z.string(), z.unknown()),
        limbs: z.unknown(),
        limbsRevision: z.number().int().min(1).optional(),
        surveyedAt: z.iso.datetime({ offset: true }).optional(),
        actions: z.array(z.unknown()).max(100_000).default([]),
      }),
    )
    .max(MOST_ROWS),
});

/** An archive that is a history, folded to its trees in the form of the first version; null where the file is none. */
function treesInLines(text: string): object | null {
  const [first = ''] = text.split('\n', 1);
  const head = parsed(first) as { is?: unknown; version?: unknown } | undefined;
  if (head?.is !== 'archive') return null;
  if (head.version !== ARCHIVE_VERSION) return { kind: ARCHIVE_KIND, version: head.version };
  const lines = text.split('\n').flatMap((line) => (parsed(line) as { is?: unknown } | undefined) ?? []);
  const { trees, actions } = fold(lines.filter(({ is }) => is === 'history'));
  const done = new Map<string | null, Action[]>();
  for (const [id, line] of actions)
    done.set(line.treeId, [...(done.get(line.treeId) ?? []), actionOf(id, line)]);
  return {
    kind: ARCHIVE_KIND,
    version: 1,
    trees: [...trees].map(([id, { tree, limbs }]) => ({
      tree: tree.value.tree,
      limbs: limbs.value.limbs,
      limbsRevision: limbs.revision,
      surveyedAt: limbs.at,
      actions: done.get(id) ?? [],
    })),
  };
}

/** Trees and their limb maps as they stand, without the wood that was cut since; findings and the log stay in the file. */
function fromArchive(json: unknown, locale: Locale): TreeFileRead {
  const archive = Archive.safeParse(json);
  if (!archive.success) {
    const issue = archive.error.issues[0];
    return { fault: issueUnsaid(issue, unsaid('problem.file')) };
  }
  const rows = archive.data.trees.map(({ tree, limbs, limbsRevision, surveyedAt, actions }, i) => {
    const body = TreeBody.safeParse(tree);
    const map = LimbMap.safeParse(limbs);
    const reasons = [
      ...(body.error?.issues ?? []).map((issue) => ({
        field: issue.path.join('.'),
        why: refusalUnsaid(refusalOf(issue)),
      })),
      ...(map.error?.issues ?? []).map((issue) => ({
        field: `limbs.${issue.path.join('.')}`,
        why: refusalUnsaid(refusalOf(issue)),
      })),
    ];
    const cells = body.success
      ? cellsOf(sayIn(locale), body.data)
      : Object.fromEntries(Object.entries(tree).map(([k, v]) => [k, textOf(v)]));
    const good = body.success && map.success;
    return {
      line: i + 1,
      code: cells.code ?? '',
      reasons,
      tree: good ? body.data : null,
      limbs: good ? withoutCutWood({ limbs: map.data, limbsRevision, surveyedAt }, actions) : null,
      cells,
      numbered: false,
      started: [],
      ask: null,
    };
  });
  return whole(withoutTwins(rows), { starts: [], asks: [], units: [] });
}

interface MapInFile {
  limbs: Limb[];
  limbsRevision: number | undefined;
  surveyedAt: string | undefined;
}

/** A map without the day it was drawn is taken as it is: nothing says what was cut since. */
function withoutCutWood(map: MapInFile, given: readonly unknown[]): Limb[] {
  const { limbs, surveyedAt, limbsRevision = Number.POSITIVE_INFINITY } = map;
  if (surveyedAt === undefined) return limbs;
  const actions = given.flatMap((record) => Action.safeParse(record).data ?? []);
  return joinBundles(standingLimbs({ limbs, limbsRevision, surveyedAt, actions }));
}

const columnsOf = (cells: readonly Cells[]) => [...new Set(cells.flatMap((row) => Object.keys(row)))];
const sameNames = (columns: readonly string[]) =>
  Object.fromEntries(columns.map((column) => [column, column]));

function whole(rows: ReadRow[], told: Told): TreeFileRead {
  const columns = columnsOf(rows.map((row) => row.cells));
  return {
    columns,
    mapping: sameNames(columns),
    ...told,
    sample: rows.slice(0, SAMPLES).map((row) => row.cells),
    rows,
  };
}
