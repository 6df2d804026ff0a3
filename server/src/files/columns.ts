// How a tree is written in the cells of a table, and read from them.

import { type StartingField, type TreeColumn, treeColumns } from '@mortisect/contracts';
import { type LengthUnit, typedLengthCm } from '@mortisect/core/measure';
import { TreeBody } from '@mortisect/core/records';
import { refusalOf } from '@mortisect/core/refusal';
import {
  formMeant,
  speciesMeant,
  speciesName,
  speciesOf,
  speciesTable,
  type TreeSize,
  treeForms,
  treeSizes,
  writtenYear,
} from '@mortisect/core/register';
import {
  FALLBACK,
  type Locale,
  locales,
  type PlainKey,
  type Say,
  type Unsaid,
  unsaid,
} from '@mortisect/words';
import { sayIn } from '@mortisect/words/all';
import { refusalUnsaid, told } from '@mortisect/words/trade';

export type Cells = Record<string, string>;

/** How the columns of a tree file are headed. */
export const HEADINGS: Record<TreeColumn, PlainKey> = {
  code: 'files.columnCode',
  nickname: 'files.columnNickname',
  plot: 'files.columnPlot',
  row: 'files.columnRow',
  place: 'files.columnPlace',
  species: 'files.columnSpecies',
  cultivar: 'files.columnCultivar',
  rootstock: 'files.columnRootstock',
  graftUnionCm: 'files.columnGraftUnionCm',
  plantedYear: 'files.columnPlantedYear',
  form: 'files.columnForm',
  purposes: 'files.columnPurposes',
  pickedBy: 'files.columnPickedBy',
  reachCm: 'files.columnReachCm',
  habit: 'files.columnHabit',
  tasted: 'files.columnTasted',
  heightCm: 'files.columnHeightCm',
  targetHeightCm: 'files.columnTargetHeightCm',
  spreadCm: 'files.columnSpreadCm',
  girthCm: 'files.columnGirthCm',
  vigour: 'files.columnVigour',
  susceptible: 'files.columnSusceptible',
  hazards: 'files.columnHazards',
  leanDeg: 'files.columnLeanDeg',
  slopeDeg: 'files.columnSlopeDeg',
  neighbours: 'files.columnNeighbours',
  fixtures: 'files.columnFixtures',
  drainage: 'files.columnDrainage',
  frostPocket: 'files.columnFrostPocket',
  status: 'files.columnStatus',
  note: 'files.columnNote',
  latitude: 'files.columnLatitude',
  longitude: 'files.columnLongitude',
};

/** Lists in one cell. */
const BETWEEN = '; ';
const HOW = / (meets|shades)$/;

/** A cell for each field, as text; nothing for what is not known. Species and form are called as the reader calls them. */
export function cellsOf(say: Say, tree: TreeBody): Cells {
  return Object.fromEntries(treeColumns.map((field) => [field, cellOf(say, field, tree)]));
}

function cellOf(say: Say, field: keyof TreeBody, tree: TreeBody): string {
  if (field === 'species') return told(say, speciesName(tree.species));
  if (field === 'form') return told(say, tree.form);
  if (field === 'neighbours') return tree.neighbours.map(({ code, how }) => `${code} ${how}`).join(BETWEEN);
  const value = tree[field];
  if (value === null) return '';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return Array.isArray(value) ? value.join(BETWEEN) : String(value);
}

const LISTS = new Set<keyof TreeBody>(['purposes', 'hazards', 'fixtures']);
const NUMBERS = new Set<keyof TreeBody>(['place', 'latitude', 'longitude']);
const SIZES = new Set<string>(treeSizes);
const YES_NO = new Set<keyof TreeBody>(['tasted', 'susceptible', 'frostPocket']);
const ENUMS = new Set<keyof TreeBody>(['habit', 'vigour', 'drainage', 'status']);

export interface Reason {
  field: string;
  why: Unsaid;
}

/** By what rules the cells of one file are read. */
export interface Reading {
  /** Written where a row says nothing. */
  starts: Record<StartingField, string>;
  /** Species by the word that stands for it, in lower case. */
  kinds: Record<string, string>;
  /** In which what is noted of a tree is written. */
  locale: Locale;
  /** Unit of bare numbers; centimetres where none is named. */
  units: Partial<Record<TreeSize, LengthUnit>>;
}

export const READING: Reading = {
  locale: FALLBACK,
  starts: {
    plot: 'Orchard',
    row: 'Row 1',
    species: 'apple',
    form: '',
    heightCm: '350 cm',
    spreadCm: '350 cm',
  },
  kinds: {},
  units: {},
};

interface TreeRead {
  tree: TreeBody | null;
  /** Every reason why the row is refused; empty where it is good. */
  reasons: Reason[];
  /** Fields that the row left out and that were written as the file starts them. */
  started: StartingField[];
  /** Its place in the row is not said: the next free one is given. */
  numbered: boolean;
  /** A word for its species that somebody must explain. */
  ask: string | null;
}

/**
 * A tree from its cells. Only a code, or a name in its place, must be there. Empty cells stay as a tree starts; decimal commas and units in a cell
 * are understood; yes, no, true, false, 1 and 0 as well.
 */
export function treeFromCells(given: Cells, reading: Reading = READING): TreeRead {
  const reasons: Reason[] = [];
  const raw: Record<string, unknown> = {};
  const notes: string[] = [];
  const { cells, started } = withStarts(given, reading);
  for (const field of treeColumns) {
    const cell = (cells[field] ?? '').trim();
    if (cell === '') continue;
    const read = readCell(field, cell, reading);
    if ('why' in read) reasons.push({ field, why: read.why });
    else raw[field] = read.value;
    if ('note' in read && read.note) notes.push(read.note);
  }
  raw.code ??= typeof raw.nickname === 'string' ? raw.nickname.slice(0, 40).trim() : undefined;
  const numbered = raw.place === undefined && !reasons.some(({ field }) => field === 'place');
  if (numbered) raw.place = 1;
  raw.form ??= speciesOf(String(raw.species))?.usualForm;
  if (notes.length > 0) raw.note = [raw.note, ...notes].filter(Boolean).join(' ');
  const bad = new Set(reasons.map((reason) => reason.field));
  const parsed = TreeBody.safeParse(raw);
  if (!parsed.success) {
    for (const issue of parsed.error.issues) {
      const field = String(issue.path[0] ?? '');
      if (bad.has(field) || (field === 'form' && bad.has('species'))) continue;
      bad.add(field);
      reasons.push({
        field,
        why: raw[field] === undefined ? missing(field) : refusalUnsaid(refusalOf(issue)),
      });
    }
  }
  const word = (cells.species ?? '').trim();
  return {
    tree: parsed.success && reasons.length === 0 ? parsed.data : null,
    reasons,
    started,
    numbered,
    ask: bad.has('species') && word !== '' ? word.toLowerCase() : null,
  };
}

/** What the row leaves out, as the file starts it. The form goes by the species where nothing is said. */
function withStarts(cells: Cells, { starts }: Reading): { cells: Cells; started: StartingField[] } {
  const started = (Object.keys(starts) as StartingField[]).filter(
    (field) => (cells[field] ?? '').trim() === '',
  );
  return {
    cells: { ...cells, ...Object.fromEntries(started.map((field) => [field, starts[field]])) },
    started,
  };
}

const missing = (field: string) => unsaid(field === 'code' ? 'problem.codeMissing' : 'fault.missing');

type CellRead = { value: unknown; note?: string } | { why: Unsaid };

function readCell(field: keyof TreeBody, cell: string, reading: Reading): CellRead {
  if (field === 'species') return readSpecies(cell, reading);
  if (field === 'form') {
    const form = formMeant(asCode(cell));
    return form ? { value: form } : { why: unsaid('fault.oneOf', { values: treeForms.join(', ') }) };
  }
  if (field === 'neighbours') return { value: parts(cell).map(neighbour) };
  if (field === 'plantedYear') {
    const read = writtenYear(cell);
    if ('fault' in read) return { why: refusalUnsaid(read.fault) };
    // What was written beside the year is not lost
    return read.exact
      ? { value: read.year }
      : { value: read.year, note: sayIn(reading.locale)('problem.plantedAs', { text: cell }) };
  }
  if (LISTS.has(field)) return { value: parts(cell).map((part) => part.toLowerCase()) };
  if (SIZES.has(field)) {
    const length = typedLengthCm(cell, reading.units[field as TreeSize] ?? 'cm');
    return 'cm' in length
      ? { value: Math.round(length.cm * 10) / 10 }
      : { why: unsaid('problem.noSize', { text: cell }) };
  }
  if (NUMBERS.has(field)) {
    const number = Number(cell.replace(',', '.'));
    return Number.isFinite(number) ? { value: number } : { why: unsaid('problem.noNumber', { text: cell }) };
  }
  if (YES_NO.has(field)) {
    const word = cell.toLowerCase();
    if (['yes', 'true', '1', 'y', 'x', 'sí', 'si'].includes(word)) return { value: true };
    if (['no', 'false', '0', 'n'].includes(word)) return { value: false };
    return { why: unsaid('problem.neitherYesNorNo', { text: cell }) };
  }
  return { value: ENUMS.has(field) ? cell.toLowerCase() : cell };
}

/** Two words that can mean the same species mean the same; a word that is not known means itself. */
export function meaningOf(word: string): string {
  return (
    speciesWritten(word)
      .map(({ code }) => code)
      .join(' ') || word.trim().toLowerCase()
  );
}

/** What a message says in each language, for what people may have written in any of them. */
export const inEveryLanguage = (key: PlainKey): string[] => locales.map((locale) => sayIn(locale)(key));

let named: ReadonlyMap<string, string> | null = null;

/** Codes of species and forms by what they are called in each language, in lower case. Made when a file is read: a server starts without. */
function codesByName(): ReadonlyMap<string, string> {
  named ??= new Map(
    locales.flatMap((locale) =>
      [
        ...speciesTable.map(({ code, name }) => [code, name] as const),
        ...treeForms.map((form) => [form, form] as const),
      ].map(([code, name]): [string, string] => [told(sayIn(locale), name).toLowerCase(), code]),
    ),
  );
  return named;
}

const asCode = (word: string) => codesByName().get(word.trim().toLowerCase()) ?? word;

/** Species that somebody can have meant, in whatever language they wrote it. */
export const speciesWritten = (word: string) => speciesMeant(asCode(word));

function readSpecies(cell: string, { kinds }: Reading): CellRead {
  const kindOfCell = kinds[cell.toLowerCase()];
  if (kindOfCell) return { value: kindOfCell };
  const meant = speciesWritten(cell);
  const [first, ...others] = meant;
  if (!first) return { why: unsaid('problem.unknownSpecies', { text: cell }) };
  if (others.length === 0) return { value: first.code };
  // “Plum” and “plums” are one question
  const answer = Object.entries(kinds).find(([word]) => meaningOf(word) === meaningOf(cell))?.[1];
  if (answer) return { value: answer };
  return { why: unsaid('problem.severalSpecies', { text: cell }) };
}

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
