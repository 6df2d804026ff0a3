// Files of trees, checked with common parsers; what is wrong with a file or a row is told, and changes nothing.
import { TreeBody } from '@mortisect/contracts';
import fc from 'fast-check';
import Papa from 'papaparse';
import { GeoJSONFeatureCollectionSchema } from 'zod-geojson';
import { cellsOf, treeFromCells } from './columns';
import { readTrees, type TreeFileRead } from './readTrees';
import { treesAsCsv, treesAsGeojson } from './writeTrees';

const tree = TreeBody.parse({
  code: 'Wall 1',
  plot: 'Lee wall',
  row: 'Foot',
  place: 1,
  species: 'quince',
  form: 'fan',
  heightCm: 240,
  spreadCm: 400,
  hazards: ['slope', 'cavity'],
  neighbours: [{ code: 'Wall 2', how: 'shades' }],
  latitude: 54.2,
  longitude: -10.4,
});
const bytes = (text: string) => new TextEncoder().encode(text);
const csv = (text: string): TreeFileRead => readTrees({ bytes: bytes(text), format: 'csv', mapping: null });
const rowsOf = (read: TreeFileRead) => ('rows' in read ? read.rows : []);

const cellText = fc
  .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
  .filter((text) => text.trim() === text && text !== '');
const anyTree = fc
  .record({
    code: cellText,
    nickname: fc.option(cellText),
    plot: cellText,
    row: cellText,
    place: fc.integer({ min: 1, max: 999 }),
    note: fc.constantFrom(
      '',
      '=1+1',
      '+49',
      '-5 °C',
      '@home',
      "'=1",
      "'-5",
      "''+x",
      "'quoted'",
      'a;b',
      'said "so"',
      'two\nlines',
      '\tindented',
    ),
    latitude: fc.option(fc.integer({ min: -890, max: 890 }).map((tenths) => tenths / 10 + 0)),
    longitude: fc.option(fc.integer({ min: -1790, max: 1790 }).map((tenths) => tenths / 10 + 0)),
    susceptible: fc.boolean(),
    hazards: fc.subarray(['slope', 'lean', 'cavity'] as const),
  })
  .map((part) => TreeBody.parse({ ...tree, ...part }));

test('what goes out as CSV comes back the same, formulas among the cells', () => {
  fc.assert(
    fc.property(anyTree, (one) => {
      const text = treesAsCsv([one]);
      const [row] = rowsOf(csv(text));
      expect(row?.reasons).toEqual([]);
      expect(row?.tree).toEqual(one);
    }),
  );
});

test('no cell of an export begins a formula (common practice against CSV injection)', () => {
  const text = treesAsCsv([{ ...tree, note: '=HYPERLINK("x")', nickname: '@cmd', code: '-1+2' }]);
  const [row] = Papa.parse<Record<string, string>>(text, { header: true }).data;
  for (const cell of Object.values(row ?? {})) expect(/^[=+@\t\r]|^-(?!\d+(\.\d+)?$)/.test(cell)).toBe(false);
});

test('GeoJSON is what RFC 7946 says, by a common schema, and comes back the same', () => {
  const text = treesAsGeojson([tree, { ...tree, code: 'Wall 2', latitude: null }]);
  const parsed = GeoJSONFeatureCollectionSchema.parse(JSON.parse(text));
  expect(parsed.features).toHaveLength(1);
  expect(parsed.features[0]?.geometry).toEqual({ type: 'Point', coordinates: [-10.4, 54.2] });
  const read = readTrees({ bytes: bytes(text), format: 'geojson', mapping: null });
  expect(rowsOf(read)[0]?.tree).toEqual(tree);
});

const head = 'Tag;Block;Row;Position;Fruit;Form;Height cm;Spread cm;Lat'.replaceAll(';', ',');
const good = 'A1,Lee wall,1,1,Apple,open centre,300,"310,5",54.2';

test('columns are guessed by name, numbers may have a comma', () => {
  const read = csv(`${head}\n${good}`);
  expect(rowsOf(read)[0]?.tree).toMatchObject({
    code: 'A1',
    species: 'apple',
    spreadCm: 310.5,
    latitude: 54.2,
  });
});

test.each<[string, string, string, RegExp]>([
  ['no species', 'A2,Lee wall,1,2,Gooseberry,open centre,300,300,', 'species', /Gooseberry/],
  ['no number', 'A2,Lee wall,1,2,Apple,open centre,tall,300,', 'heightCm', /not a number/],
  ['no code', ',Lee wall,1,2,Apple,open centre,300,300,', 'code', /Missing/],
  ['no such form', 'A2,Lee wall,1,2,Apple,palmette,300,300,', 'form', /open centre/],
  ['beyond the pole', 'A2,Lee wall,1,2,Apple,open centre,300,300,123', 'latitude', /./],
  ['the same code again', 'a1,Lee wall,1,2,Apple,open centre,300,300,', 'code', /row 2/],
  ['too many cells', 'A2,Lee wall,1,2,Apple,open centre,300,300,5,6,7', '', /more cells/],
])('a row with %s is refused with its line and reason, the others stay good', (_, line, field, message) => {
  const [first, second] = rowsOf(csv(`${head}\n${good}\n${line}`));
  expect(first?.reasons).toEqual([]);
  expect(second).toMatchObject({ line: 3, tree: null });
  expect(second?.reasons.find((reason) => reason.field === field)?.message).toMatch(message);
});

test.each<[string, Uint8Array, 'csv' | 'geojson' | 'archive', RegExp]>([
  ['empty', bytes(''), 'csv', /empty/],
  ['in Latin-1', new Uint8Array([0x63, 0xf6, 0x64, 0x65, 0x2c, 0x62]), 'csv', /UTF-8/],
  ['a picture', new Uint8Array([0x00, 0x01, 0x00, 0x02]), 'csv', /not a text file/],
  ['without a heading', bytes('justone\nvalue'), 'csv', /heading/],
  ['with an open quotation mark', bytes(`${head}\n"A1,Lee wall`), 'csv', /quotation/],
  ['cut off', bytes('{"type":"FeatureColl'), 'geojson', /cut off/],
  ['GeoJSON of something else', bytes('{"type":"Point","coordinates":[1,2]}'), 'geojson', /RFC 7946/],
  ['JSON that is no archive', bytes('{"kind":"x"}'), 'archive', /no archive/],
])('a file that is %s gets a clear answer', (_, file, format, message) => {
  const read = readTrees({ bytes: file, format, mapping: null });
  expect('fault' in read && read.fault).toMatch(message);
});

test('UTF-16 with its mark is read, a mark before UTF-8 does not stick to the first column', () => {
  const text = `${head}\n${good}`;
  const utf16 = new Uint8Array(Buffer.from(`\ufeff${text}`, 'utf16le'));
  expect(rowsOf(readTrees({ bytes: utf16, format: 'csv', mapping: null }))[0]?.tree?.code).toBe('A1');
  expect(rowsOf(csv(`\ufeff${text}`))[0]?.tree?.code).toBe('A1');
});

test('what a tree says survives its cells', () => {
  expect(treeFromCells(cellsOf(tree))).toEqual({ tree });
});
