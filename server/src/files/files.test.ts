// Files of trees, checked with common parsers; what is wrong with a file or a row is told, and changes nothing.
import { TreeBody } from '@mortisect/core/records';
import { speciesTable } from '@mortisect/core/register';
import { locales } from '@mortisect/words';
import { english, sayIn } from '@mortisect/words/all';
import { told } from '@mortisect/words/trade';
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

test('what goes out as CSV in any language comes back the same, formulas among the cells', () => {
  fc.assert(
    fc.property(anyTree, fc.constantFrom(...locales), (drawn, locale) => {
      const text = treesAsCsv(sayIn(locale), [drawn]);
      const [row] = rowsOf(csv(text));
      expect(row?.reasons).toEqual([]);
      expect(row?.tree).toEqual(drawn);
    }),
  );
});

test('species and form stand in a file as its reader calls them, and each name is understood again', () => {
  for (const locale of locales)
    for (const { code, name } of speciesTable) {
      const say = sayIn(locale);
      const text = treesAsCsv(say, [{ ...tree, species: code, form: 'open centre' }]);
      expect(text).toContain(told(say, name));
      expect(text).toContain(told(say, 'open centre'));
      expect(rowsOf(csv(text))[0]?.tree).toMatchObject({ species: code, form: 'open centre' });
    }
});

test('a list in Spanish is read as one in English: headings, species, form, yes and no', () => {
  const [row] = rowsOf(csv('Código,Especie,Forma,Altura cm,Fruta probada\r\nMuro 3,Manzano,vaso,320,Sí\r\n'));
  expect([row?.reasons, row?.tree]).toMatchObject([
    [],
    { code: 'Muro 3', species: 'apple', form: 'open centre', heightCm: 320, tasted: true },
  ]);
});

test('no cell of an export begins a formula (common practice against CSV injection)', () => {
  const text = treesAsCsv(english, [{ ...tree, note: '=HYPERLINK("x")', nickname: '@cmd', code: '-1+2' }]);
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

test.each<[string, string, string, object]>([
  [
    'no species',
    'A2,Lee wall,1,2,Gooseberry,open centre,300,300,',
    'species',
    { key: 'problem.unknownSpecies', given: { text: 'Gooseberry' } },
  ],
  ['no number', 'A2,Lee wall,1,2,Apple,open centre,tall,300,', 'heightCm', { key: 'problem.noSize' }],
  ['no code', ',Lee wall,1,2,Apple,open centre,300,300,', 'code', { key: 'problem.codeMissing' }],
  ['no such form', 'A2,Lee wall,1,2,Apple,palmette,300,300,', 'form', { key: 'fault.oneOf' }],
  [
    'beyond the pole',
    'A2,Lee wall,1,2,Apple,open centre,300,300,123',
    'latitude',
    { key: 'fault.atMost', given: { most: 90 } },
  ],
  [
    'the same code again',
    'a1,Lee wall,1,2,Apple,open centre,300,300,',
    'code',
    { key: 'problem.sameCode', given: { row: 2 } },
  ],
  ['too many cells', 'A2,Lee wall,1,2,Apple,open centre,300,300,5,6,7', '', { key: 'problem.moreCells' }],
])('a row with %s is refused with its line and reason, the others stay good', (_, line, field, why) => {
  const [first, second] = rowsOf(csv(`${head}\n${good}\n${line}`));
  expect(first?.reasons).toEqual([]);
  expect(second).toMatchObject({ line: 3, tree: null });
  expect(second?.reasons.find((reason) => reason.field === field)?.why).toMatchObject(why);
});

test.each<[string, Uint8Array, 'csv' | 'geojson' | 'archive', string]>([
  ['empty', bytes(''), 'csv', 'emptyFile'],
  ['in Latin-1', new Uint8Array([0x63, 0xf6, 0x64, 0x65, 0x2c, 0x62]), 'csv', 'noUtf8'],
  ['a picture', new Uint8Array([0x00, 0x01, 0x00, 0x02]), 'csv', 'noTextFile'],
  ['without a heading', bytes('justone\nvalue'), 'csv', 'noHeadings'],
  ['with an open quotation mark', bytes(`${head}\n"A1,Lee wall`), 'csv', 'openQuote'],
  ['cut off', bytes('{"type":"FeatureColl'), 'geojson', 'fileNoJson'],
  ['GeoJSON of something else', bytes('{"type":"Point","coordinates":[1,2]}'), 'geojson', 'noGeojson'],
  ['JSON that is no archive', bytes('{"kind":"x"}'), 'archive', 'fieldFault'],
])('a file that is %s gets a clear answer', (_, file, format, key) => {
  const read = readTrees({ bytes: file, format, mapping: null });
  expect('fault' in read && read.fault.key).toBe(`problem.${key}`);
});

describe('the limb map of a tree in an archive', () => {
  const limb = (id: string, parentId: string | null) => ({
    id,
    parentId,
    jointCm: parentId === null ? 0 : 60,
    lengthCm: 180,
    baseMm: 60,
    tipMm: 8,
    ageYears: 9,
    kind: parentId === null ? 'trunk' : 'scaffold',
    bearingDeg: 0,
    inclinationDeg: 60,
  });
  const cut = (at: string, atCm: number, undone = false) => ({
    id: '0193f000-0000-7000-8000-000000000001',
    undone,
    by: 'Wall crew',
    receivedAt: at,
    action: {
      kind: 'cutMade',
      at,
      treeId: 'a',
      blade: 'saw-1',
      findingIds: [],
      cut: {
        limbId: 'S',
        limbName: 'S',
        atCm,
        kind: 'heading',
        diameterMm: 30,
        clearanceCm: 0,
        shortfallCm: 0,
        sentence: '',
      },
    },
  });
  const DRAWN = '2026-01-01T00:00:00Z';
  const lengthOfS = (more: object) => {
    const whole = { tree, limbs: [limb('T', null), limb('S', 'T')], surveyedAt: DRAWN, ...more };
    const file = bytes(JSON.stringify({ kind: 'mortisect archive', version: 1, trees: [whole] }));
    const [row] = rowsOf(readTrees({ bytes: file, format: 'archive', mapping: null }));
    expect(row?.reasons).toEqual([]);
    return row?.limbs?.find(({ id }) => id === 'S')?.lengthCm;
  };

  test.each<[string, object, number | undefined]>([
    ['as it was drawn where nothing was done', {}, 180],
    ['shorter by what was cut since', { actions: [cut('2026-02-01T00:00:00Z', 40)] }, 40],
    ['without a limb that was cut at its collar', { actions: [cut('2026-02-01T00:00:00Z', 0)] }, undefined],
    ['with wood whose cut was taken back', { actions: [cut('2026-02-01T00:00:00Z', 40, true)] }, 180],
    ['as it was drawn where the cut is older', { actions: [cut('2025-12-01T00:00:00Z', 40)] }, 180],
    [
      'as it is where nobody says when it was drawn',
      { surveyedAt: undefined, actions: [cut(DRAWN, 40)] },
      180,
    ],
    [
      'the better part of an action that is none',
      { actions: [{ odd: 1 }, cut('2026-02-01T00:00:00Z', 40)] },
      40,
    ],
  ])('is taken %s', (_said, more, cm) => {
    expect(lengthOfS(more)).toBe(cm);
  });
});

test('UTF-16 with its mark is read, a mark before UTF-8 does not stick to the first column', () => {
  const text = `${head}\n${good}`;
  const utf16 = new Uint8Array(Buffer.from(`\ufeff${text}`, 'utf16le'));
  expect(rowsOf(readTrees({ bytes: utf16, format: 'csv', mapping: null }))[0]?.tree?.code).toBe('A1');
  expect(rowsOf(csv(`\ufeff${text}`))[0]?.tree?.code).toBe('A1');
});

test('what a tree says survives its cells', () => {
  expect(treeFromCells(cellsOf(english, tree))).toEqual({
    tree,
    reasons: [],
    started: [],
    numbered: false,
    ask: null,
  });
});

test.each([
  ['Number,Kind', { code: 'Number', species: 'Kind' }],
  ['No.,Kind', { code: 'No.', species: 'Kind' }],
  ['Number,Name,Kind', { place: 'Number', nickname: 'Name', species: 'Kind' }],
  ['Number,Tag,Kind', { place: 'Number', code: 'Tag', species: 'Kind' }],
])('columns %s: a number stands for the tree where nothing else does', (columns, mapping) => {
  const read = csv(`${columns}\n1,2,3\n`);
  expect('mapping' in read && read.mapping).toEqual(mapping);
});

describe('a list as people keep it', () => {
  const choices = { starts: {}, kinds: {}, units: {} };
  const read = (text: string, given: Partial<typeof choices> = {}) => {
    const file = readTrees({
      bytes: bytes(text),
      format: 'csv',
      mapping: null,
      choices: { ...choices, ...given },
    });
    if ('fault' in file) throw new Error(file.fault.key);
    return file;
  };

  test('a code alone is enough; what was written for the rest is told, and can be said otherwise', () => {
    const file = read('Tag\nA1\nA2\n');
    expect(file.rows.map(({ tree }) => tree)).toMatchObject([
      {
        code: 'A1',
        plot: 'Orchard',
        row: 'Row 1',
        place: 1,
        species: 'apple',
        form: 'central leader',
        heightCm: 350,
      },
      { code: 'A2', place: 2 },
    ]);
    expect(file.starts).toEqual([
      { field: 'plot', value: 'Orchard', rows: 2 },
      { field: 'row', value: 'Row 1', rows: 2 },
      { field: 'species', value: 'apple', rows: 2 },
      { field: 'form', value: '', rows: 2 },
      { field: 'heightCm', value: '350 cm', rows: 2 },
      { field: 'spreadCm', value: '350 cm', rows: 2 },
    ]);
    const said = read('Tag\nA1\n', { starts: { species: 'peach', heightCm: '9 ft' } });
    expect(said.rows[0]?.tree).toMatchObject({ species: 'peach', form: 'open centre', heightCm: 274.3 });
  });

  test('a name stands for a code; a row with neither is refused', () => {
    const file = read('Name,Variety\nOld Anna,Bosc\n,Comice\n');
    expect(file.rows[0]?.tree).toMatchObject({ code: 'Old Anna', nickname: 'Old Anna', cultivar: 'Bosc' });
    expect(file.rows[1]).toMatchObject({
      tree: null,
      reasons: [{ field: 'code', why: { key: 'problem.codeMissing', given: {} } }],
    });
  });

  test('places go on behind those that the file gives, row by row', () => {
    const file = read('Tag,Row,Pos\nA1,1,7\nA2,1,\nB1,2,\nA3,1,\n');
    expect(file.rows.map(({ tree }) => tree?.place)).toEqual([7, 8, 1, 9]);
  });

  test('“Plum” is asked about once, and one answer maps all of its rows', () => {
    const text = 'Tag;Fruit\nA1;Plum\nA2;plums\nA3;Plum\nA4;Apples\nA5;Apfel\n';
    const file = read(text);
    expect(file.asks).toEqual([
      { word: 'plum', rows: 3, options: ['european-plum', 'japanese-plum'] },
      { word: 'apfel', rows: 1, options: expect.arrayContaining(['apple', 'citrus']) },
    ]);
    expect(file.rows.map(({ tree }) => tree?.species)).toEqual([
      undefined,
      undefined,
      undefined,
      'apple',
      undefined,
    ]);
    const told = read(text, { kinds: { Plum: 'european-plum', apfel: 'apple' } });
    expect(told.asks).toEqual([]);
    expect(told.rows.map(({ tree }) => tree?.species)).toEqual([
      'european-plum',
      'european-plum',
      'european-plum',
      'apple',
      'apple',
    ]);
  });

  test('semicolons, a mark before the text, decimal commas and units in cells', () => {
    const file = read('\ufeffTag;Height (m);Spread;Girth\nA1;3,5;12ft;40\nA2;4;3,5 m;1.2 m\n');
    expect(file.rows.map(({ tree }) => [tree?.heightCm, tree?.spreadCm, tree?.girthCm])).toEqual([
      [350, 365.8, 40],
      [400, 350, 120],
    ]);
    expect(file.units).toEqual([
      { field: 'heightCm', unit: 'm', by: 'heading', rows: 2 },
      { field: 'girthCm', unit: 'cm', by: 'size', rows: 1 },
    ]);
  });

  test.each([
    ['Spread', ['3', '4', '7.9'], 'm', 'size'],
    ['Spread', ['8', '12', '9'], 'ft', 'size'],
    ['Spread', ['39.9', '39'], 'ft', 'size'],
    ['Spread', ['40', '310'], 'cm', 'size'],
    ['spread_ft', ['3'], 'ft', 'heading'],
    ['Spread in', ['120'], 'in', 'heading'],
    ['spreadCm', ['3'], 'cm', 'heading'],
    ['Width (m)', ['310'], 'm', 'heading'],
  ] as const)('bare numbers under “%s”, as %j, are in %s by the %s', (heading, cells, unit, by) => {
    const file = read(`Tag;${heading}\n${cells.map((cell, i) => `A${i};${cell}`).join('\n')}\n`);
    expect(file.units).toEqual([{ field: 'spreadCm', unit, by, rows: cells.length }]);
  });

  test('a unit that somebody chose outweighs heading and size', () => {
    const file = read('Tag,Spread (m)\nA1,12\n', { units: { spreadCm: 'ft' } });
    expect(file.units[0]).toMatchObject({ unit: 'ft', by: 'choice' });
    expect(file.rows[0]?.tree?.spreadCm).toBe(365.8);
  });

  test.each([
    ['1990', 1990, ''],
    ['c. 1990', 1990, 'Planted: c. 1990.'],
    ['12/03/1990', 1990, 'Planted: 12/03/1990.'],
    ['1990-03-12', 1990, 'Planted: 1990-03-12.'],
    ['spring 2004', 2004, 'Planted: spring 2004.'],
  ])('planted “%s” is %i, and what else was written stays in the note', (text, year, note) => {
    expect(read(`Tag,Planted\nA1,${text}\n`).rows[0]?.tree).toMatchObject({ plantedYear: year, note });
  });

  test.each(['1990 or 1995', 'last year', '90', '19900'])('planted “%s” is refused with words', (text) => {
    const [row] = read(`Tag,Planted\nA1,${text}\n`).rows;
    expect(row?.tree).toBeNull();
    expect(row?.reasons[0]).toMatchObject({ field: 'plantedYear', why: { given: { text } } });
  });

  test.each([
    ['Vase', 'open centre'],
    ['multi stem', 'multi-stem'],
    ['Spindle', 'central leader'],
    ['FAN', 'fan'],
  ])('shape “%s” is %s', (text, form) => {
    expect(read(`Tag,Shape\nA1,${text}\n`).rows[0]?.tree?.form).toBe(form);
  });

  test('a messy sheet of 200 trees comes in, all but its true errors', () => {
    const rows = Array.from({ length: 200 }, (_, i) => {
      const fruit = ['Apple', 'pear', 'PLUM', 'Sweet Cherry'][i % 4];
      const planted = ['1990', 'c. 1990', '12/03/1990', ''][i % 4];
      const high = i === 77 ? 'tall' : ['3,5', '4', '3.2 m', '11 ft'][i % 4];
      return `T${i === 150 ? 149 : i};Block ${i % 3};${fruit};${planted};${high}`;
    });
    const file = read(`Tree no;Block;Type;Date planted;Height\n${rows.join('\n')}\n`, {
      kinds: { plum: 'european-plum' },
    });
    const refused = file.rows.filter(({ tree }) => tree === null);
    expect(refused.map(({ line }) => line)).toEqual([79, 152]);
    expect(file.rows[3]?.tree?.heightCm).toBe(335.3);
  });
});
