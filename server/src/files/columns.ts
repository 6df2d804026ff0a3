// How a tree is written in the cells of a table, and read from them.
import { TreeBody, treeColumns } from '@mortisect/contracts';
import { speciesName, speciesNamed } from '@mortisect/core/register';
import type { z } from 'zod';

export type Cells = Record<string, string>;

/** Lists in one cell. */
const BETWEEN = '; ';
const HOW = / (meets|shades)$/;

/** A cell for each field, as text; nothing for what is not known. */
export function cellsOf(tree: TreeBody): Cells {
  return Object.fromEntries(treeColumns.map((field) => [field, cellOf(field, tree)]));
}

function cellOf(field: keyof TreeBody, tree: TreeBody): string {
  if (field === 'species') return speciesName(tree.species);
  if (field === 'neighbours') return tree.neighbours.map(({ code, how }) => `${code} ${how}`).join(BETWEEN);
  const value = tree[field];
  if (value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return Array.isArray(value) ? value.join(BETWEEN) : String(value);
}

const LISTS = new Set<keyof TreeBody>(['purposes', 'hazards', 'fixtures']);
const NUMBERS = new Set<keyof TreeBody>([
  'place',
  'graftUnionCm',
  'plantedYear',
  'reachCm',
  'heightCm',
  'targetHeightCm',
  'spreadCm',
  'girthCm',
  'latitude',
  'longitude',
]);
const YES_NO = new Set<keyof TreeBody>(['tasted', 'susceptible', 'frostPocket']);

export type Reason = { field: string; message: string };

/**
 * A tree from its cells. Empty cells stay as a tree starts; commas are read as decimal points; yes, no, true, false, 1 and 0 are understood.
 *
 * @returns the tree, or every reason why the row is refused
 */
export function treeFromCells(cells: Cells): { tree: TreeBody } | { reasons: Reason[] } {
  const reasons: Reason[] = [];
  const raw: Record<string, unknown> = {};
  for (const field of treeColumns) {
    const cell = (cells[field] ?? '').trim();
    if (cell === '') continue;
    const read = readCell(field, cell);
    if ('message' in read) reasons.push({ field, message: read.message });
    else raw[field] = read.value;
  }
  const bad = new Set(reasons.map((reason) => reason.field));
  const parsed = TreeBody.safeParse(raw);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      const field = String(issue.path[0] ?? '');
      if (bad.has(field)) continue;
      bad.add(field);
      reasons.push({ field, message: raw[field] === undefined ? 'Missing.' : said(issue) });
    }
  }
  return parsed.success && reasons.length === 0 ? { tree: parsed.data } : { reasons };
}

function said(issue: z.core.$ZodIssue): string {
  return issue.code === 'invalid_value' ? `Not one of: ${issue.values.join(', ')}.` : issue.message;
}

function readCell(field: keyof TreeBody, cell: string): { value: unknown } | { message: string } {
  if (field === 'species') {
    const species = speciesNamed(cell);
    return species ? { value: species.code } : { message: `“${cell}” is not a species that is known here.` };
  }
  if (field === 'neighbours') return { value: parts(cell).map(neighbour) };
  if (LISTS.has(field)) return { value: parts(cell).map((part) => part.toLowerCase()) };
  if (NUMBERS.has(field)) {
    const number = Number(cell.replace(',', '.'));
    return Number.isFinite(number) ? { value: number } : { message: `“${cell}” is not a number.` };
  }
  if (YES_NO.has(field)) {
    const word = cell.toLowerCase();
    if (['yes', 'true', '1', 'y'].includes(word)) return { value: true };
    if (['no', 'false', '0', 'n'].includes(word)) return { value: false };
    return { message: `“${cell}” is neither yes nor no.` };
  }
  return { value: ENUMS.has(field) ? cell.toLowerCase() : cell };
}

const ENUMS = new Set<keyof TreeBody>(['form', 'habit', 'vigour', 'drainage', 'status']);

function parts(cell: string): string[] {
  return cell
    .split(/[;|]/)
    .map((part) => part.trim())
    .filter((part) => part !== '');
}

function neighbour(part: string): { code: string; how: string } {
  const how = HOW.exec(part)?.[1] ?? 'meets';
  return { code: part.replace(HOW, ''), how };
}
