// What waits on the device, laid over what the server said: the same as the server will answer once it has it.

import type { TreeDetail } from '../records/index';
import { FindingBody } from '../records/index';
import { detail, did, finding } from '../testing/index';
import {
  openWorkWith,
  treesWaiting,
  treesWith,
  type Waiting,
  withActions,
  withLatest,
  withWaiting,
} from './index';

const here = { person: 'Boat crew', now: '2026-11-24T10:00:00Z' };
const {
  id: _id,
  state: _state,
  revision: _revision,
  by: _by,
  receivedAt: _at,
  ...rest
} = finding('f', 'S', 'NEO');
const body = FindingBody.parse(rest);
const found = (id: string, more: Partial<FindingBody> = {}, baseRevision: number | null = null): Waiting => ({
  recordId: id,
  baseRevision,
  value: { kind: 'finding', finding: { ...body, ...more } },
});
const act = (id: string, action: object): Waiting => ({
  recordId: id,
  baseRevision: null,
  value: { kind: 'action', action: { at: here.now, ...action } as never },
});
const cut = (id: string, findingIds: string[]) =>
  act(id, {
    kind: 'cutMade',
    treeId: 'a',
    blade: 'Blade 1',
    findingIds,
    cut: {
      limbId: 'S',
      limbName: 'S',
      atCm: 50,
      kind: 'collar',
      diameterMm: 20,
      clearanceCm: 15,
      shortfallCm: 0,
      sentence: '',
    },
  });
const states = (items: Waiting[], known = [finding('f', 'S', 'NEO')]) =>
  withWaiting(detail(known), items, here).findings.map(({ id, state }) => [id, state]);

test('a finding made here stands among the others, under this person’s name', () => {
  const after = withWaiting(detail([]), [found('g')], here);
  expect(after.findings).toMatchObject([{ id: 'g', state: 'open', by: 'Boat crew', revision: 1 }]);
});

test('an edit made here counts on the revision after the one that stands, so that a second edit follows it', () => {
  const edit = found('f', { toCm: 130 }, 1);
  expect(withWaiting(detail([finding('f', 'S', 'NEO')]), [edit], here).findings).toMatchObject([
    { revision: 2, toCm: 130 },
  ]);
});

test('a cut made here closes its finding, an undo of it opens it again, a finding taken back is withdrawn', () => {
  expect(states([cut('c', ['f'])])).toEqual([['f', 'closed']]);
  expect(states([cut('c', ['f']), act('u', { kind: 'undone', actionId: 'c' })])).toEqual([['f', 'open']]);
  expect(states([found('f', { withdrawn: true })])).toEqual([['f', 'withdrawn']]);
});

test('what belongs to another tree leaves this one as it is', () => {
  const before = detail([finding('f', 'S', 'NEO')]);
  expect(withWaiting(before, [found('x', { treeId: 'b' })], here)).toBe(before);
});

test('laid over twice it counts once: the moment between the server’s answer and the empty outbox shows nothing twice', () => {
  const items = [found('g'), cut('c', ['f'])];
  const once = withWaiting(detail([finding('f', 'S', 'NEO')]), items, here);
  const twice = withWaiting(once, items, here);
  expect(twice.findings.map(({ id }) => id)).toEqual(['f', 'g']);
  // On the revision that the server gave it, not one more: the next edit is made on it
  expect(twice.findings.map(({ revision }) => revision)).toEqual(
    once.findings.map(({ revision }) => revision),
  );
  expect(twice.actions).toHaveLength(1);
});

test('a new limb map is what stands, on the revision after', () => {
  const limbs = detail([]).limbs.slice(0, 2);
  const map: Waiting = { recordId: 'a', baseRevision: 1, at: here.now, value: { kind: 'limbs', limbs } };
  expect(withWaiting(detail([]), [map], here)).toMatchObject({
    limbsRevision: 2,
    surveyedAt: here.now,
    limbs: { length: 2 },
  });
});

test('the run sees a tree whose first finding waits here, and not one whose last was cut here', () => {
  const work = {
    trees: [detail([finding('f', 'S', 'NEO')])],
    latestActions: [
      did({ kind: 'bladeCleaned', at: '2026-11-24T09:00:00Z', blade: 'Blade 1', agentId: 'x' }),
    ],
  };
  const other = detail([], { id: 'b' });
  const seen = openWorkWith(work, [other], ['a', 'b'], [cut('c', ['f']), found('g', { treeId: 'b' })], here);
  expect(seen.trees.map(({ tree }) => tree.id)).toEqual(['b']);
  expect(seen.latestActions.map(({ action }) => action.kind)).toEqual(['cutMade', 'bladeCleaned']);
});

test('a tree whose cut is taken back here comes where it stands in the walk, not at the end', () => {
  const made = {
    ...did({ kind: 'cutMade' } as never),
    id: 'c',
    action: (cut('c', ['f']).value as unknown as { action: never }).action,
  };
  const after = detail([finding('f', 'S', 'NEO', { state: 'closed' })], { id: 'a' }, [made]);
  const work = {
    trees: [detail([finding('g', 'S', 'NEO', { treeId: 'b' })], { id: 'b' })],
    latestActions: [made],
  };
  const seen = openWorkWith(work, [after], ['a', 'b'], [act('u', { kind: 'undone', actionId: 'c' })], here);
  expect(seen.trees.map(({ tree }) => tree.id)).toEqual(['a', 'b']);
});

test('the register counts findings that wait; actions known to the server are not added again', () => {
  const trees = { plots: [], rows: [], trees: [detail([]).tree] };
  expect(treesWith(trees, [found('g')]).trees[0]?.openFindings).toBe(1);
  expect(treesWith(trees, [])).toBe(trees);
  const cleaned = did({ kind: 'bladeCleaned', at: here.now, blade: 'Blade 1', agentId: 'x' });
  expect(withActions([cleaned], [cleaned])).toHaveLength(1);
});

test('a tree tells how many of its findings are open and when it was last looked at, with what waits', () => {
  const seen = (id: string, at: string) =>
    act(id, { kind: 'treeSeen', at, treeId: 'a', seen: 'all round', verdict: 'sound' });
  const after = withWaiting(
    detail([finding('f', 'S', 'NEO')]),
    [found('g'), cut('c', ['f']), seen('s', '2026-11-24T09:00:00Z'), seen('t', '2026-11-24T08:00:00Z')],
    here,
  );
  expect(after.tree).toMatchObject({ openFindings: 1, lastSeenAt: '2026-11-24T09:00:00Z' });
  const undone = withWaiting(after, [act('u', { kind: 'undone', actionId: 's' })], here);
  expect(undone.tree.lastSeenAt).toBe('2026-11-24T08:00:00Z');
});

test('a tree and a job that were edited here stand on the revision after', () => {
  const { tree } = detail([]);
  const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...known } = tree;
  const renamed = { ...known, nickname: 'Old Anna' };
  const job = { treeId: 'a', job: 'guard', dueOn: '2026-12-01', note: '', doneAt: null, withdrawn: false };
  const after = withWaiting(
    detail([]),
    [
      { recordId: 'a', baseRevision: 1, value: { kind: 'tree', tree: renamed } },
      { recordId: 'j', baseRevision: null, value: { kind: 'job', job } },
      { recordId: 'j', baseRevision: 1, value: { kind: 'job', job: { ...job, doneAt: here.now } } },
    ],
    here,
  );
  expect(after.tree).toMatchObject({ nickname: 'Old Anna', revision: 2, by: 'Boat crew' });
  expect(after.jobs).toMatchObject([{ id: 'j', revision: 2, doneAt: here.now }]);
});

test.each<[string, Partial<TreeDetail['tree']>, boolean]>([
  ['one that is too tall stays in the list', { heightCm: 400, targetHeightCm: 300 }, true],
  ['a young one too', { plantedYear: 2024 }, true],
  ['one that is neither leaves it', {}, false],
])('whatever waits here, of trees on which nothing was found: %s', (_, more, stays) => {
  const shaped = detail([], { id: 's', ...more });
  const work = { trees: [shaped], latestActions: [] };
  const seen = openWorkWith(work, [], ['s', 'a'], [cut('c', ['f'])], here);
  expect(seen.trees.map(({ tree }) => tree.id)).toEqual(stays ? ['s'] : []);
});

test('which trees something waits of: an undo is of the tree that has what it takes back, here or with the server', () => {
  const undo = (actionId: string) => act(`undo ${actionId}`, { kind: 'undone', actionId });
  const onRecord = (id: string) => (id === 'd' ? 'b' : null);
  const of = (...items: Waiting[]) => treesWaiting(items, onRecord);
  expect(of(found('g'), cut('c', ['g']))).toEqual(['a']);
  expect(of(cut('c', ['f']), undo('c'))).toEqual(['a']);
  expect(of(undo('d'))).toEqual(['b']);
  expect(of(undo('nobody knows'), act('r', { kind: 'runPaused', at: here.now }))).toEqual([]);
  expect(of({ recordId: 'e', baseRevision: 1, value: { kind: 'limbs', limbs: [] } })).toEqual(['e']);
});

test('what was done last, with what waits: the latest first, nothing of a round', () => {
  const before = did({ kind: 'bladeCleaned', at: '2026-11-24T08:00:00Z', blade: 'Blade 1', agentId: 'x' });
  const later = act('p', { kind: 'runPaused', at: '2026-11-24T09:00:00Z' });
  const seen = act('s', {
    ...{ kind: 'treeSeen', at: here.now, treeId: 'a', seen: 'all round', verdict: 'sound' },
  });
  const latest = withLatest([before], [later, seen], here);
  expect(latest.map(({ id }) => id)).toEqual(['p', before.id]);
});
