// The present is folded from the history: in any order, with lines twice, of trees that are gone and of kinds that nobody knows.
import fc from 'fast-check';
import { defaultSchools } from '../records/index';
import { fold, type Present } from './index';

const AT = '2026-11-20T10:00:00.000Z';
const idOf = (n: number) => `0193f000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const ORCHARD = '0193f000-0000-4000-8000-000000000000';
let seq = 0;
const line = (recordId: string, value: object, more: object = {}) => ({
  orchardId: ORCHARD,
  seq: ++seq,
  at: AT,
  receivedAt: AT,
  recordId,
  revision: 1,
  treeId: 'a',
  deviceId: 'd',
  by: 'Wall crew',
  value,
  ...more,
});
const stem = {
  id: 'T',
  parentId: null,
  jointCm: 0,
  lengthCm: 200,
  baseMm: 60,
  tipMm: 10,
  ageYears: 5,
  kind: 'trunk',
  bearingDeg: 0,
  inclinationDeg: 90,
};
const site = {
  name: 'A',
  latitude: 0,
  longitude: 0,
  timeZone: 'UTC',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
};
const tree = {
  code: 'A 1',
  plot: 'PLOT',
  row: 'Row',
  place: 1,
  species: 'apple',
  form: 'fan',
  heightCm: 300,
  spreadCm: 300,
};
const finding = {
  treeId: 'a',
  limbId: 'T',
  limbName: 'stem',
  fromCm: 10,
  toCm: 20,
  disorder: 'DEAD',
  edge: 'definite',
  growthRapid: false,
  note: '',
  seenAt: AT,
  withdrawn: false,
};
const step = { kind: 'stepDone', at: AT, treeId: 'a', what: 'tie down', limbId: 'T', limbName: 'stem' };
const [SEEN, ALSO, LOST, DONE, BACK, JOB] = [1, 2, 3, 4, 5, 6].map(idOf) as [
  string,
  string,
  string,
  string,
  string,
  string,
];

const place = [
  line('site', { kind: 'site', site }, { treeId: null }),
  line('p', { kind: 'plot', plot: { name: 'Plot', note: '', position: 0 } }, { treeId: null }),
  line(
    'r',
    { kind: 'row', row: { plotId: 'p', name: 'row', spacingCm: 400, position: 0 } },
    { treeId: null },
  ),
  line('a', { kind: 'tree', tree }),
  line('a', { kind: 'limbs', limbs: [stem] }),
];
const history = [
  ...place,
  line('a', { kind: 'limbs', limbs: [{ ...stem, lengthCm: 210 }] }, { revision: 2 }),
  line(SEEN, { kind: 'finding', finding }),
  line(SEEN, { kind: 'finding', finding: { ...finding, note: 'Edited.' } }, { revision: 2 }),
  line(ALSO, { kind: 'finding', finding }),
  line(DONE, { kind: 'action', action: { ...step, findingIds: [SEEN, ALSO] } }),
  line(BACK, { kind: 'action', action: { kind: 'undone', at: AT, actionId: DONE } }),
  line(idOf(7), { kind: 'action', action: { ...step, findingIds: [ALSO] } }),
  line(idOf(8), { kind: 'action', action: { kind: 'roundPaused', at: AT } }, { treeId: null }),
  line(JOB, {
    kind: 'job',
    job: { treeId: 'a', job: 'guard', dueOn: '2026-12-01', note: '', doneAt: null, withdrawn: false },
  }),
];
const seen = (lines: unknown[]) => {
  const { site, trees, findings, actions, jobs, plots, rows, aside } = fold(lines);
  return {
    site: site?.value.site.name,
    places: [...plots.keys(), ...rows.keys()],
    trees: [...trees].map(([id, tree]) => [
      id,
      tree.rowId,
      tree.limbs.revision,
      tree.limbs.value.limbs[0]?.lengthCm,
    ]),
    findings: [...findings].map(([id, entry]) => [id, entry.state, entry.value.finding.note]).sort(),
    undone: [...actions].filter(([, action]) => action.undone).map(([id]) => id),
    counts: [actions.size, jobs.size],
    aside,
  };
};
const PRESENT = {
  site: 'A',
  places: ['p', 'r'],
  trees: [['a', 'r', 2, 210]],
  findings: [
    [SEEN, 'open', 'Edited.'],
    [ALSO, 'closed', ''],
  ],
  undone: [DONE],
  counts: [4, 1],
  aside: [],
};

test('the latest revision of each record stands; rows are found by their names, in capitals or not', () => {
  expect(seen(history)).toEqual(PRESENT);
  expect(seen([])).toMatchObject({ site: undefined, trees: [], findings: [], aside: [] });
});

test('in whatever order lines come, and some of them twice, the same stands', () => {
  const order = fc.shuffledSubarray([...history, ...history.slice(2, 9)], { minLength: history.length + 7 });
  fc.assert(fc.property(order, (lines) => expect(seen(lines)).toEqual(PRESENT)));
});

test('of two lines with one revision of a record the earlier holds', () => {
  const late = line(ALSO, { kind: 'finding', finding: { ...finding, note: 'Late.' } });
  for (const lines of [
    [...history, late],
    [late, ...history],
  ])
    expect(seen(lines)).toEqual(PRESENT);
});

test('what is written is kept as it was written, without what a later version fills in', () => {
  const { value } = [...fold(history).findings.values()][0] ?? {};
  expect(Object.keys(value?.finding ?? {}).sort()).toEqual(Object.keys(finding).sort());
});

test.each<[string, object, string, object]>([
  [
    'of a kind that nobody knows',
    line(LOST, { kind: 'dreamt' }),
    'lineNotUnderstood',
    { kind: 'dreamt', field: 'value.kind' },
  ],
  [
    'of a finding without a limb',
    line(LOST, { kind: 'finding', finding: { ...finding, limbId: '' } }),
    'lineNotUnderstood',
    { kind: 'finding', field: 'value.finding.limbId' },
  ],
  [
    'of a finding on a tree that is gone',
    line(LOST, { kind: 'finding', finding }, { treeId: 'gone' }),
    'lineWithoutTree',
    { tree: 'gone' },
  ],
  [
    'of a tree without limbs',
    line('b', { kind: 'tree', tree: { ...tree, code: 'B' } }, { treeId: 'b' }),
    'treeWithoutMap',
    { tree: 'b' },
  ],
  [
    'without a revision',
    line(LOST, { kind: 'finding', finding }, { revision: 0 }),
    'lineNotUnderstood',
    { kind: 'finding', field: 'revision' },
  ],
])('a line %s is named and put aside; the rest stands', (_said, odd, code, given) => {
  const told = seen([odd, ...history]);
  expect(told).toEqual({
    ...PRESENT,
    aside: [{ seq: (odd as { seq: number }).seq, why: { code, given } }],
  });
});

test('a tree whose row the history does not have, and what is no line at all, are put aside', () => {
  const lost = line('c', { kind: 'tree', tree: { ...tree, row: 'Another' } }, { treeId: 'c' });
  const map = line('c', { kind: 'limbs', limbs: [stem] }, { treeId: 'c' });
  expect(seen([...history, lost, map]).aside).toEqual([
    { seq: lost.seq, why: { code: 'treeWithoutRow', given: { tree: 'c' } } },
  ]);
  expect(seen([null, 'x', ...history]).aside.map(({ seq: at }) => at)).toEqual([-1, -1]);
});

describe('a row that was called otherwise', () => {
  const renamed = (seq: number, name: string, id = 'r', revision = 2) => ({
    ...line(id, { kind: 'row', row: { plotId: 'p', name, spacingCm: 400, position: 0 } }),
    ...{ seq, revision },
  });
  const begun = (fold(history).trees.get('a') as NonNullable<ReturnType<Present['trees']['get']>>).tree;
  const { value } = begun;
  const rowOf = (lines: { seq?: number }[], named: string, seq: number) => {
    const tree = { ...begun, seq, revision: 9, value: { ...value, tree: { ...value.tree, row: named } } };
    return fold([...history, ...lines, tree]).trees.get('a')?.rowId;
  };
  const was = value.tree.row;

  test.each<[string, { seq?: number }[], string, number, string]>([
    ['keeps its trees', [renamed(500, 'New')], was, 400, 'r'],
    ['is found by its new name', [renamed(500, 'New')], 'NEW', 600, 'r'],
    ['is meant by whoever had not heard of it', [renamed(500, 'New')], was, 600, 'r'],
    [
      'gives its name to another that is made afterwards',
      [renamed(500, 'New'), renamed(510, was, 's', 1)],
      ...([was, 600, 's'] as const),
    ],
    [
      'is still meant by a line of before',
      [renamed(500, 'New'), renamed(510, was, 's', 1)],
      ...([was, 400, 'r'] as const),
    ],
    [
      'of two lines with one revision the earlier holds',
      [renamed(500, 'New'), renamed(520, 'Other')],
      ...(['New', 600, 'r'] as const),
    ],
  ])('%s', (_what, lines, named, seq, rowId) => {
    expect(rowOf(lines, named, seq)).toBe(rowId);
    expect(rowOf(lines.toReversed(), named, seq)).toBe(rowId);
  });
});
