// The small rules of the present, each on both sides: what is urgent, which trees share an answer about the day, what changed of the open work,
// which words still hold, how a blade is read.
import { cropOf } from '../stage/index';
import { detail, did, finding, site, today } from '../testing/index';
import { pathogenOf } from '../timing/index';
import {
  bladeLogs,
  cutsOnRecord,
  isUrgent,
  liftedMusts,
  lookedAgain,
  type OpenWorkChanges,
  queueOf,
  rechecksDue,
  standingActions,
  treeGroups,
  treesWith,
  treeView,
  withChanges,
} from './index';

const FB = pathogenOf('FB');

test.each([
  // Strikes move, broken wood falls; neither does once it has healed (common practice, no source)
  ['FB_SHOOT', 'active', true],
  ['FB_SHOOT', 'unknown', true],
  ['FB_SHOOT', 'healed', false],
  ['BRK', 'unknown', true],
  ['BRK', 'healed', false],
  ['DEAD', 'active', false],
  ['unheard of', 'active', false],
] as const)('%s, %s: urgent %p', (disorder, activity, urgent) => {
  expect(isUrgent({ disorder, activity })).toBe(urgent);
});

describe('trees that share an answer about the day', () => {
  const tree = (id: string, species: string, more: object = {}) => ({
    id,
    species,
    cultivar: null,
    status: 'keep' as const,
    ...more,
  });
  const groups = (
    trees: ReturnType<typeof tree>[],
    findings: { treeId: string; disorder: string }[] = [],
    at = site,
  ) => treeGroups({ site: at, trees, findings: findings as never, seen: [] }, '2026-11-24T10:00:00Z');
  const loadOf = (id: string, given: ReturnType<typeof groups>) =>
    given.groups.find(({ key }) => key === given.keyOf.get(id))?.loads.FB;

  test.each([
    ['apple', 'pome'],
    ['pear', 'pome'],
    ['peach', 'peach'],
    ['almond', 'peach'],
    ['european-plum', 'plum'],
    ['sweet-cherry', 'plum'],
    ['hazel', 'other'],
  ])('%s is cut by the rule of %s', (species, lane) => {
    expect(groups([tree('a', species)]).groups[0]?.lane).toBe(lane);
  });

  // A tree that was grubbed out has stood here, and its neighbours with it; one that was deleted never did
  test.each([
    ['stands', [tree('sick', 'apple')], 1],
    ['was removed', [tree('sick', 'apple', { status: 'removed' })], 1],
    ['was deleted', [], 0.3],
  ])('blight on a tree that %s counts for its neighbours', (_how, sick, load) => {
    const given = groups([tree('a', 'apple'), ...sick], [{ treeId: 'sick', disorder: 'FB_CANK_A' }]);
    expect(loadOf('a', given)).toBe(load);
  });

  test('a removed tree is in none; two alike are in one', () => {
    const given = groups([
      tree('a', 'apple'),
      tree('b', 'apple'),
      tree('c', 'apple', { status: 'removed' }),
      tree('d', 'peach'),
    ]);
    expect(given.groups).toHaveLength(2);
    expect([...given.keyOf.keys()]).toEqual(['a', 'b', 'd']);
    expect(given.keyOf.get('a')).toBe(given.keyOf.get('b'));
  });

  test('what is catching weighs on the tree that has it, less on its neighbours, least where nobody knows of it', () => {
    // From memory, confidence low: 2, 1 and 0.3 of what the host takes; none where the pathogen is absent
    const pair = [tree('a', 'apple'), tree('b', 'apple')];
    const share = FB.hosts.apple ?? 0;
    const found = groups(pair, [
      { treeId: 'a', disorder: 'FB_CANK_A' },
      { treeId: 'a', disorder: 'NEO' },
    ]);
    expect(loadOf('a', found)).toBe(2 * share);
    expect(loadOf('b', found)).toBe(share);
    expect(loadOf('a', groups(pair))).toBe(0.3 * share);
    expect(loadOf('a', groups(pair, [], { ...site, blightHosts: ['hawthorn'] as never }))).toBe(share);
    expect(
      loadOf('a', groups(pair, [], { ...site, absentHere: [...FB.disorders] as never })),
    ).toBeUndefined();
  });
});

describe('the open work after what changed of it', () => {
  const open = (id: string, note = '') => detail([finding(id, 'S', 'NEO', { note })], { id });
  const before = { trees: [open('a'), open('b'), open('c')], latestActions: [] };
  const changes = (more: Partial<OpenWorkChanges>): OpenWorkChanges => ({
    revision: 'o:2',
    whole: false,
    trees: [],
    gone: [],
    latestActions: [did({ kind: 'runPaused', at: '2026-11-24T10:00:00Z' })],
    ...more,
  });
  const after = (more: Partial<OpenWorkChanges>, walk = ['a', 'b', 'c', 'd']) =>
    withChanges(before, changes(more), walk);
  const ids = ({ trees }: { trees: { tree: { id: string } }[] }) => trees.map(({ tree }) => tree.id);

  test('what changed takes the place of what stood, what has nothing open goes, what is new comes where it stands', () => {
    const told = after({ trees: [open('d'), open('b', 'Again.')], gone: ['c'] });
    expect(ids(told)).toEqual(['a', 'b', 'd']);
    expect(told.trees[1]?.findings[0]?.note).toBe('Again.');
    expect(told.trees[0]).toBe(before.trees[0]);
    expect(told).toMatchObject({ revision: 'o:2', whole: true, gone: [], latestActions: { length: 1 } });
  });

  test('all of it takes the place of all; a tree that no walk knows comes last', () => {
    expect(ids(after({ whole: true, trees: [open('z')] }))).toEqual(['z']);
    expect(ids(after({ trees: [open('0')] }))).toEqual(['a', 'b', 'c', '0']);
    expect(ids(after({ trees: [open('d')] }, ['d', 'c', 'b', 'a']))).toEqual(['d', 'c', 'b', 'a']);
  });
});

test('a must stays lifted until its day is over, and not once that is taken back', () => {
  const lifted = (until: string | undefined, undone = false) =>
    did(
      {
        kind: 'mustLifted',
        at: '2026-11-20T10:00:00Z',
        treeId: 'a',
        findingId: 'f',
        why: 'watched',
        note: 'n',
        ...(until && { until }),
      } as never,
      undone,
    );
  const on = (day: string, ...actions: ReturnType<typeof lifted>[]) => [...liftedMusts(actions, day).keys()];
  expect(on('2026-11-24', lifted('2026-11-24'))).toEqual(['f']);
  expect(on('2026-11-25', lifted('2026-11-24'))).toEqual([]);
  expect(on('2999-01-01', lifted(undefined))).toEqual(['f']);
  expect(on('2026-11-24', lifted(undefined, true))).toEqual([]);
  const other = did({
    kind: 'clearanceSet',
    at: '2026-11-20T10:00:00Z',
    treeId: 'a',
    findingId: 'f',
    clearanceCm: 3,
  });
  expect(on('2026-11-24', other)).toEqual([]);
  expect(liftedMusts([lifted('2026-12-01')], '2026-11-24').get('f')).toMatchObject({
    why: 'watched',
    note: 'n',
    until: '2026-12-01',
  });
});

describe('a blade', () => {
  const of = (...actions: Parameters<typeof did>[0][]) =>
    bladeLogs(
      [{ id: 'saw-1' }],
      actions.map((action) => did(action)),
      '2026-11-24T00:00:00Z',
    ).get('saw-1');
  const at = '2026-11-24T09:00:00Z';
  const cleaned = { kind: 'bladeCleaned', at, blade: 'saw-1', agentId: 'alcohol-70' } as const;
  const sharpened = { kind: 'bladeSharpened', at, blade: 'saw-1' } as const;
  const wetted = {
    kind: 'bladeWetted',
    at,
    blade: 'saw-1',
    agentId: 'alcohol-70',
    method: 'wipe',
    seconds: 90,
  } as const;

  test('is wet so long as it was wetted for, and sharp since it was sharpened', () => {
    expect(of(wetted)?.state).toMatchObject({ is: 'wet', until: '2026-11-24T09:01:30.000Z' });
    expect(of(sharpened)).toMatchObject({ sharpenedAt: at, cutsSinceSharpened: 0, lastCleanedAt: null });
    expect(of(cleaned)).toMatchObject({ sharpenedAt: null, lastCleanedAt: at });
    expect(of({ ...cleaned, blade: 'saw-9' })).toMatchObject({ lastCleanedAt: null, log: [] });
  });
});

describe('cuts that are looked at again', () => {
  const cut = (more: object = {}) =>
    did({
      kind: 'cutMade',
      at: '2026-03-01T09:00:00Z',
      treeId: 'a',
      blade: 'saw-1',
      findingIds: [],
      disorders: ['FB_CANK_A'],
      cut: {
        limbId: 'S',
        limbName: 'S',
        atCm: 40,
        kind: 'collar',
        diameterMm: 60,
        clearanceCm: 30,
        shortfallCm: 4,
        sentence: '',
      },
      ...more,
    } as never);
  const on = (actions: ReturnType<typeof cut>[], day = '2026-11-24') => cutsOnRecord(actions, site, day);

  test('only cuts are; what was seen of them counts once, with the clearance that was really kept', () => {
    const paused = { ...did({ kind: 'runPaused', at: '2026-03-01T09:00:00Z' }), id: 'p' };
    const [record, ...others] = on([cut(), paused]);
    expect(others).toEqual([]);
    expect(lookedAgain(record ? [record] : [], 54)).toEqual([]);
    const first = record?.rechecks[0];
    if (!first) throw new Error('Nothing is looked at again.');
    const seen = {
      ...did({
        kind: 'recheckDone',
        at: '2026-05-20T09:00:00Z',
        treeId: 'a',
        cutId: cut().id,
        recheck: first.id.split(':')[1],
        outcome: ['came back'],
        note: '',
      } as never),
      id: 'r',
    };
    const looked = lookedAgain(on([cut(), seen]), 54);
    expect(looked).toMatchObject([
      { disorder: 'FB_CANK_A', clearanceCm: 26, season: 'dormant', cameBack: true },
    ]);
    // A cut that met nothing by name tells nothing of a clearance
    expect(lookedAgain(on([cut({ disorders: [] }), seen]), 54)).toEqual([]);
  });

  test('a cut that fell short, or was made with a blade that was not clean, is looked at as doubtful', () => {
    // Sound wood, small and cut clean, is not looked at again for disease
    const kindsOf = (more: object, shortfallCm: number) => {
      const { action } = cut();
      if (action.kind !== 'cutMade') throw new Error('No cut.');
      const made = { ...action.cut, shortfallCm };
      return on([cut({ disorders: ['MISPLACED'], cut: made, ...more })])[0]?.rechecks.map(({ kind }) => kind);
    };
    expect(kindsOf({}, 0)).not.toContain('next winter');
    expect(kindsOf({}, 0.5)).toContain('next winter');
    expect(kindsOf({ dirtyBlade: true }, 0)).toContain('next winter');
  });

  test('those that are due come oldest first', () => {
    const late = { ...cut({ at: '2026-04-01T09:00:00Z' }), id: 'late' };
    const due = rechecksDue(on([late, cut()], '2026-06-01'));
    expect(due.map(({ dueOn }) => dueOn)).toEqual(due.map(({ dueOn }) => dueOn).toSorted());
  });
});

test('what was taken back is not standing, nor is the undo itself', () => {
  const paused = { ...did({ kind: 'runPaused', at: '2026-11-24T09:00:00Z' }), id: 'one' };
  const two = { ...did({ kind: 'runResumed', at: '2026-11-24T08:00:00Z' }), id: 'two' };
  const undo = { ...did({ kind: 'undone', at: '2026-11-24T10:00:00Z', actionId: 'one' }), id: 'undo' };
  expect(standingActions([paused, two]).map(({ id }) => id)).toEqual(['two', 'one']);
  expect(standingActions([paused, two, undo]).map(({ id }) => id)).toEqual(['two']);
  expect(standingActions([{ ...paused, undone: true }, two]).map(({ id }) => id)).toEqual(['two']);
});

test('the register counts a new finding that waits, not an edit of one, nor one that is withdrawn', () => {
  const {
    id: _id,
    state: _state,
    revision: _revision,
    by: _by,
    receivedAt: _at,
    ...body
  } = finding('f', 'S', 'NEO');
  const register = { trees: [detail([]).tree] };
  const count = (baseRevision: number | null, withdrawn = false) =>
    treesWith(register, [
      { recordId: 'f', baseRevision, value: { kind: 'finding', finding: { ...body, withdrawn } } },
    ]).trees[0]?.openFindings;
  expect([count(null), count(1), count(null, true)]).toEqual([1, 0, 0]);
  const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...tree } = detail([]).tree;
  const renamed = treesWith(register, [
    { recordId: 'a', baseRevision: 1, value: { kind: 'tree', tree: { ...tree, nickname: 'Anna' } } },
  ]);
  expect(renamed.trees[0]).toMatchObject({ nickname: 'Anna', openFindings: 0 });
});

test('a tree that is being looked at shows its drafts and nothing that nobody drew', () => {
  expect(treeView(detail([]), today).considered).toEqual([]);
  expect(cropOf('apple')).toBeDefined();
});

test('a round walks from the tree that was visited last', () => {
  const trees = ['a', 'b', 'c'].map((id, i) => ({ ...detail([], { id, code: id, place: i + 1 }).tree }));
  const entry = (at: string) => ({
    state: 'sound' as const,
    seen: 'all round' as const,
    reason: '',
    at,
    by: 'x',
    actionId: 'x',
  });
  const round = (entries: [string, string][]) => ({
    order: 'serpentine' as const,
    plotIds: [],
    entries: new Map(entries.map(([id, at]) => [id, entry(at)])),
  });
  expect(queueOf(round([['b', '2026-11-24T09:00:00Z']]), trees).next?.id).toBe('c');
  expect(
    queueOf(
      round([
        ['b', '2026-11-24T09:00:00Z'],
        ['a', '2026-11-24T10:00:00Z'],
      ]),
      trees,
    ).next?.id,
  ).toBe('c');
  expect(queueOf(round([['c', '2026-11-24T10:00:00Z']]), trees).next?.id).toBe('a');
});
