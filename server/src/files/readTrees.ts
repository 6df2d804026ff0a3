// Reads a file of trees, row by row, without touching the register. Runs on a worker.
import { type ColumnMapping, TreeBody, treeColumns } from '@mortisect/contracts';
import { type Limb, LimbMap } from '@mortisect/core/tree';
import Papa from 'papaparse';
import { z } from 'zod';
import { GeoJSONFeatureCollectionSchema } from 'zod-geojson';
import { type Cells, cellsOf, type Reason, treeFromCells } from './columns';
import { decoded } from './text';

export const MOST_ROWS = 20_000;

export interface TreeFile {
  bytes: Uint8Array;
  format: 'csv' | 'geojson' | 'archive';
  mapping: ColumnMapping | null;
}

export interface ReadRow {
  line: number;
  code: string;
  reasons: Reason[];
  tree: TreeBody | null;
  limbs: Limb[] | null;
  cells: Cells;
}

export type TreeFileRead =
  | { columns: string[]; mapping: ColumnMapping; sample: Cells[]; rows: ReadRow[] }
  | { fault: string };

/** What is wrong with the file as a whole is told as `fault`; what is wrong with a row stands with the row. */
export function readTrees({ bytes, format, mapping }: TreeFile): TreeFileRead {
  const text = decoded(bytes);
  if (text === null) {
    return { fault: 'The file is not UTF-8 text. Save it as “CSV UTF-8” (or GeoJSON, JSON) and try again.' };
  }
  if (text.includes('\u0000')) return { fault: 'This is not a text file: it holds bytes that no text has.' };
  if (text.trim() === '') return { fault: 'The file is empty.' };
  if (format === 'csv') return fromCsv(text, mapping);
  const json = parsed(text);
  if (json === undefined) return { fault: 'The file is not JSON: it may be cut off.' };
  return format === 'geojson' ? fromGeojson(json) : fromArchive(json);
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

const SAMPLES = 5;

function fromCsv(text: string, given: ColumnMapping | null): TreeFileRead {
  const read = Papa.parse<Cells>(text, {
    header: true,
    skipEmptyLines: 'greedy',
    // Cells stay text; an apostrophe before a formula is how it was made harmless on the way out
    transform: restored,
  });
  const broken = read.errors.find((error) => error.type === 'Quotes');
  if (broken) {
    return { fault: `A quotation mark is never closed, at row ${(broken.row ?? 0) + 2}. Nothing was read.` };
  }
  const columns = (read.meta.fields ?? []).filter((column) => column.trim() !== '');
  if (columns.length < 2)
    return { fault: 'There is no heading row with columns. The first row must name them.' };
  if (read.data.length > MOST_ROWS) {
    return { fault: `${read.data.length} rows are more than the ${MOST_ROWS} that are read at once.` };
  }
  const mapping = given ?? guessed(columns);
  const short = new Map(
    read.errors.flatMap((error) =>
      error.type === 'FieldMismatch' && error.row !== undefined ? [[error.row, error]] : [],
    ),
  );
  const rows = read.data.map((cells, i) => {
    const mismatch = short.get(i);
    const mapped = Object.fromEntries(
      Object.entries(mapping).map(([field, column]) => [field, cells[column] ?? '']),
    );
    const row = checked(i + 2, mapped, cells);
    if (mismatch?.code !== 'TooManyFields') return row;
    return {
      ...row,
      tree: null,
      reasons: [{ field: '', message: 'The row has more cells than there are columns.' }, ...row.reasons],
    };
  });
  return { columns, mapping, sample: read.data.slice(0, SAMPLES), rows: withoutTwins(rows) };
}

/** @see exportCsv, which puts the apostrophe there */
function restored(cell: string): string {
  return /^'+[=+\-@\t\r]/.test(cell) ? cell.slice(1) : cell;
}

/** Columns that are called as the fields are, whatever their case, spaces and units. */
function guessed(columns: string[]): ColumnMapping {
  const plain = (name: string) => name.toLowerCase().replace(/[^a-z]/g, '');
  const known = new Map(columns.map((column) => [plain(column), column]));
  return Object.fromEntries(
    treeColumns.flatMap((field) => {
      const names = [field, ...(SYNONYMS[field] ?? []), field.replace(/Cm$/, '')];
      const column = names.map((name) => known.get(plain(name))).find((found) => found !== undefined);
      return column === undefined ? [] : [[field, column] as const];
    }),
  );
}

const SYNONYMS: Partial<Record<keyof TreeBody, string[]>> = {
  code: ['tag', 'tree', 'id', 'label', 'tree code'],
  nickname: ['name'],
  plot: ['block', 'orchard', 'field'],
  place: ['position', 'number', 'no'],
  species: ['kind', 'fruit', 'crop'],
  cultivar: ['variety'],
  rootstock: ['stock'],
  plantedYear: ['planted', 'year', 'year planted'],
  latitude: ['lat', 'y'],
  longitude: ['lon', 'lng', 'long', 'x'],
  heightCm: ['height cm'],
  spreadCm: ['width', 'spread cm'],
  girthCm: ['girth cm', 'circumference'],
  note: ['notes', 'remarks', 'comment'],
};

function checked(line: number, cells: Cells, raw: Cells, limbs: Limb[] | null = null): ReadRow {
  const read = treeFromCells(cells);
  const code = (cells.code ?? '').trim();
  return 'tree' in read
    ? { line, code, reasons: [], tree: read.tree, limbs, cells: raw }
    : { line, code, reasons: read.reasons, tree: null, limbs: null, cells: raw };
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
    const twin = { field: 'code', message: `The same code stands in row ${first}.` };
    return { ...row, tree: null, reasons: [...row.reasons, twin] };
  });
}

function fromGeojson(json: unknown): TreeFileRead {
  const collection = GeoJSONFeatureCollectionSchema.safeParse(json);
  if (!collection.success) {
    const issue = collection.error.issues[0];
    return {
      fault: `Not a GeoJSON feature collection (RFC 7946): ${issue?.path.join('.') || 'file'}: ${issue?.message}`,
    };
  }
  const features = collection.data.features;
  if (features.length > MOST_ROWS) {
    return { fault: `${features.length} features are more than the ${MOST_ROWS} that are read at once.` };
  }
  const rows = features.map((feature, i) => {
    const properties = (feature.properties ?? {}) as Record<string, unknown>;
    const cells: Cells = Object.fromEntries(
      Object.entries(properties).map(([key, value]) => [key, textOf(value)]),
    );
    const point = feature.geometry?.type === 'Point' ? feature.geometry.coordinates : null;
    if (point) Object.assign(cells, { longitude: String(point[0]), latitude: String(point[1]) });
    const row = checked(i + 1, cells, cells);
    if (point || feature.geometry === null) return row;
    return {
      ...row,
      tree: null,
      reasons: [...row.reasons, { field: 'geometry', message: 'A tree stands at a point.' }],
    };
  });
  return whole(withoutTwins(rows));
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

export const ARCHIVE_KIND = 'mortisect archive';
const Archive = z.object({
  kind: z.literal(ARCHIVE_KIND, 'This JSON file is no archive of an orchard.'),
  version: z.literal(1, 'The archive is of a later version than this server reads.'),
  trees: z.array(z.object({ tree: z.record(z.string(), z.unknown()), limbs: z.unknown() })).max(MOST_ROWS),
});

/** Trees and their limb maps; findings and what was done stay in the file. */
function fromArchive(json: unknown): TreeFileRead {
  const archive = Archive.safeParse(json);
  if (!archive.success) {
    const issue = archive.error.issues[0];
    return { fault: `${issue?.path.join('.') || 'file'}: ${issue?.message}` };
  }
  const rows = archive.data.trees.map(({ tree, limbs }, i) => {
    const body = TreeBody.safeParse(tree);
    const map = LimbMap.safeParse(limbs);
    const reasons = [
      ...(body.error?.issues ?? []).map((issue) => ({ field: issue.path.join('.'), message: issue.message })),
      ...(map.error?.issues ?? []).map((issue) => ({
        field: `limbs.${issue.path.join('.')}`,
        message: issue.message,
      })),
    ];
    const cells = body.success
      ? cellsOf(body.data)
      : Object.fromEntries(Object.entries(tree).map(([k, v]) => [k, textOf(v)]));
    const good = body.success && map.success;
    return {
      line: i + 1,
      code: cells.code ?? '',
      reasons,
      tree: good ? body.data : null,
      limbs: good ? map.data : null,
      cells,
    };
  });
  return whole(withoutTwins(rows));
}

function whole(rows: ReadRow[]): TreeFileRead {
  const columns = [...new Set(rows.flatMap((row) => Object.keys(row.cells)))];
  return {
    columns,
    mapping: Object.fromEntries(columns.map((column) => [column, column])),
    sample: rows.slice(0, SAMPLES).map((row) => row.cells),
    rows,
  };
}
