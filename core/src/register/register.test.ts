// Walking order, names of species, days of jobs.

import fc from 'fast-check';
import {
  Cultivar,
  cultivarNamed,
  formMeant,
  groundAt,
  groundPlaces,
  grownFirst,
  isTrainedFlat,
  isUsualSize,
  jobDueOn,
  jobKinds,
  serpentine,
  speciesMeant,
  speciesTable,
  treeAge,
  treeForms,
  writtenYear,
} from './index';
import { speciesNamed } from './species';

const tree = (rowId: string, place: number) => ({ rowId, place, code: `${rowId}-${place}` });

test('up one row, down the next, anew in every plot', () => {
  const rows = [
    { id: 'a1', plotId: 'a' },
    { id: 'a2', plotId: 'a' },
    { id: 'b1', plotId: 'b' },
  ];
  const trees = [tree('b1', 2), tree('a2', 1), tree('a1', 2), tree('b1', 1), tree('a2', 2), tree('a1', 1)];
  expect(serpentine(rows, trees).map((stop) => stop.code)).toEqual([
    'a1-1',
    'a1-2',
    'a2-2',
    'a2-1',
    'b1-1',
    'b1-2',
  ]);
});

test('a row without a tree is not walked, a second plot starts upward, two at one place go by their tags', () => {
  const rows = ['1', '2', '3'].map((n) => ({ id: `a${n}`, plotId: 'a' }));
  const trees = [
    tree('a3', 1),
    { rowId: 'a1', place: 1, code: 'T 10' },
    { rowId: 'a1', place: 1, code: 'T 9' },
    tree('a3', 2),
    tree('b1', 2),
    tree('b1', 1),
  ];
  expect(serpentine([...rows, { id: 'b1', plotId: 'b' }], trees).map((stop) => stop.code)).toEqual([
    ...['T 9', 'T 10', 'a3-2', 'a3-1'],
    ...['b1-1', 'b1-2'],
  ]);
  // One row in the first plot, so that the walk would come down the next
  const [first] = rows;
  if (!first) throw new Error('There is a row.');
  const two = serpentine([first, { id: 'b1', plotId: 'b' }], [...trees.slice(1, 3), ...trees.slice(4)]);
  expect(two.map((stop) => stop.code)).toEqual(['T 9', 'T 10', 'b1-1', 'b1-2']);
});

test('trees stand along their rows by place, rows 5 m apart, plots 40 m (common practice, no source)', () => {
  const rows = [
    { id: 'a1', plotId: 'a', spacingCm: 300 },
    { id: 'a2', plotId: 'a', spacingCm: 450 },
    { id: 'b1', plotId: 'b', spacingCm: 300 },
  ];
  const trees = [...rows.map(({ id }) => id), 'lost'].map((rowId) => ({ id: rowId, rowId, place: 2 }));
  expect([...groundPlaces(rows, trees)]).toEqual([
    ['a1', { x: 6, y: 0 }],
    ['a2', { x: 9, y: 5 }],
    ['b1', { x: 6, y: 45 }],
    ['lost', { x: 8, y: 85 }],
  ]);
  expect(groundAt(rows)({ rowId: 'a2', place: 3 })).toEqual({ x: 13.5, y: 5 });
});

test('every tree is walked exactly once, and neighbours in a row follow one another', () => {
  const places = fc.uniqueArray(
    fc.tuple(fc.constantFrom('r1', 'r2', 'r3', 'lost'), fc.integer({ min: 1, max: 40 })),
    {
      selector: ([row, place]) => `${row}-${place}`,
    },
  );
  fc.assert(
    fc.property(places, (list) => {
      const trees = list.map(([row, place]) => tree(row, place));
      const rows = ['r1', 'r2', 'r3'].map((id) => ({ id, plotId: 'p' }));
      const walked = serpentine(rows, trees);
      expect(walked.map((stop) => stop.code).sort()).toEqual(trees.map((tree) => tree.code).sort());
      const changes = walked.filter((stop, i) => i > 0 && stop.rowId !== walked[i - 1]?.rowId).length;
      expect(changes).toBeLessThan(Math.max(1, new Set(trees.map((tree) => tree.rowId)).size));
    }),
  );
});

test.each([
  ['EUROPEAN plum', 'european-plum'],
  ['european-plum', 'european-plum'],
  [' Pear ', 'pear'],
  ['Pêche', undefined],
])('“%s” is the species %s', (text, code) => expect(speciesNamed(text)?.code).toBe(code));

test('shapes by species are the trade’s (common practice, no source): open centre for peach, leader for pear', () => {
  const form = (code: string) => speciesTable.find((species) => species.code === code)?.usualForm;
  expect(['peach', 'apricot', 'sour-cherry', 'japanese-plum'].map(form)).toEqual(
    Array(4).fill('open centre'),
  );
  expect(['apple', 'pear', 'sweet-cherry', 'european-plum'].map(form)).toEqual(
    Array(4).fill('central leader'),
  );
});

test('the caretaker’s own word on a cultivar wins over the table', () => {
  const own = [
    { species: 'apple', name: 'Cortland', habit: 'spur', susceptibility: 'low', note: '' },
  ] as const;
  expect(cultivarNamed('apple', 'cortland', own)?.habit).toBe('spur');
  expect(cultivarNamed('apple', ' cortland ', [])?.habit).toBe('tip');
  expect(cultivarNamed('pear', 'Cortland', own)).toBeUndefined();
});

test.each([
  ['species', '', false],
  ['species', 'a', true],
  ['species', 'a'.repeat(40), true],
  ['species', 'a'.repeat(41), false],
  ['name', ' ', false],
  ['name', 'a', true],
  ['name', ` ${'a'.repeat(80)} `, true],
  ['name', 'a'.repeat(81), false],
  ['note', ` ${'a'.repeat(300)} `, true],
  ['note', 'a'.repeat(301), false],
  ['bloomOffsetDays', -41, false],
  ['bloomOffsetDays', -40, true],
  ['bloomOffsetDays', 40, true],
  ['bloomOffsetDays', 41, false],
  ['bloomOffsetDays', 1.5, false],
  ['susceptibility', 'some', false],
])('a cultivar with %s %j: %s', (key, value, takes) => {
  const own = { species: 'apple', name: 'Own', habit: 'spur', susceptibility: 'low', note: '' };
  expect(Cultivar.safeParse({ ...own, [key]: value }).success).toBe(takes);
});

test('espalier, fan and cordon are trained flat', () => {
  expect(treeForms.filter(isTrainedFlat)).toEqual(['espalier', 'fan', 'cordon']);
});

test('guards go on before the snow of either hemisphere, and a job is never due in the past', () => {
  expect(jobDueOn('guard', '2026-11-24', 54)).toBe('2026-11-30');
  expect(jobDueOn('guard', '2026-12-01', 54)).toBe('2027-11-30');
  expect(jobDueOn('guard', '2026-02-10', -34)).toBe('2026-05-31');
  expect(jobDueOn('guard', '2026-11-30', 54)).toBe('2026-11-30');
  expect(jobDueOn('guard', '2026-02-10', 0)).toBe('2026-11-30');
  expect(jobDueOn('something else', '2026-02-10', 54)).toBe('2026-12-31');
  for (const { code } of jobKinds) expect(jobDueOn(code, '2026-07-15', 0) >= '2026-07-15').toBe(true);
});

test.each([
  ['Plum', ['european-plum', 'japanese-plum']],
  ['cherries', ['sweet-cherry', 'sour-cherry']],
  ['peach trees', ['peach']],
  ['Quinces', ['quince']],
  ['Prunus avium', ['sweet-cherry']],
  ['damsons', ['european-plum']],
  ['Gooseberry', []],
])('“%s” can mean %j (common practice, no source)', (text, codes) =>
  expect(speciesMeant(text).map(({ code }) => code)).toEqual(codes),
);

test('every species and form is meant by its own code', () => {
  for (const { code } of speciesTable) {
    expect(speciesMeant(code).map((species) => species.code)).toEqual([code]);
    expect(speciesMeant(`${code.replace('-', ' ')}s`).map((species) => species.code)).toEqual([code]);
  }
  expect(formMeant('Open-Center')).toBe('open centre');
  expect(formMeant('palmette')).toBeUndefined();
});

test.each([
  ['1499', false],
  ['1500', true],
  ['2026', true],
  ['2027', false],
])('planted %s, in 2026: %s', (text, fits) => expect('year' in writtenYear(text, 2026)).toBe(fits));

test.each([
  ['1990', { year: 1990, exact: true }],
  [' 1990 ', { year: 1990, exact: true }],
  ['c. 1990', { year: 1990, exact: false }],
  ['12/03/1990', { year: 1990, exact: false }],
  ['1990 or 1990', { year: 1990, exact: false }],
  ['1990–1995', { fault: { code: 'severalYears', given: { text: '1990–1995' } } }],
  ['19905', { fault: { code: 'noYear', given: { text: '19905' } } }],
  ['', { fault: { code: 'noYear', given: { text: '' } } }],
])('“%s” is the planting %j', (text, is) => expect(writtenYear(text)).toEqual(is));

test.each([
  ['heightCm', 60, 1500],
  ['spreadCm', 40, 1500],
  ['girthCm', 2, 400],
  ['graftUnionCm', 0, 120],
  ['reachCm', 120, 800],
] as const)('%s is asked about below %d and over %d cm (common practice, no source)', (size, least, most) => {
  expect([least - 0.1, least, most, most + 0.1].map((cm) => isUsualSize(size, cm))).toEqual([
    false,
    true,
    true,
    false,
  ]);
});

test.each([
  [2020, 6],
  [2026, 0],
  [2027, 0],
  [null, null],
])('a tree planted in %s is %s years old in 2026', (planted, age) => {
  expect(treeAge(planted, 2026)).toBe(age);
});

test('what is grown here stands first in its own order, and every species once', () => {
  const codes = grownFirst(['pear', 'fig', 'no such species']).map(({ code }) => code);
  expect(codes.slice(0, 3)).toEqual(['pear', 'fig', 'apple']);
  expect(codes.toSorted()).toEqual(speciesTable.map(({ code }) => code).toSorted());
  expect(grownFirst([])).toEqual(speciesTable);
});
