// What waits on the device, laid over what the server said: the same as the server will answer once it has it.
import { FindingBody } from '@mortisect/core/records';
import { detail, did, finding } from '../testing/orchard';
import type { OutboxItem } from './outbox';
import { openWorkWith, treesWith, withActions, withPending } from './pending';

const here = { person: 'Boat crew', now: '2026-11-24T10:00:00Z' };
let made = 0;
const item = (
  route: OutboxItem['route'],
  recordId: string,
  input: unknown,
  state: OutboxItem['state'] = 'waiting',
) =>
  ({
    id: `0193f000-0000-7000-8000-${String(++made).padStart(12, '0')}`,
    route,
    recordId,
    input,
    state,
    problem: null,
  }) as OutboxItem;
const {
  id: _id,
  state: _state,
  revision: _revision,
  by: _by,
  receivedAt: _at,
  ...rest
} = finding('f', 'S', 'NEO');
const body = FindingBody.parse(rest);
const found = (id: string, more: Partial<FindingBody> = {}, state: OutboxItem['state'] = 'waiting') =>
  item(
    'putFinding',
    id,
    { params: { findingId: id }, body: { baseRevision: null, finding: { ...body, ...more } } },
    state,
  );
const act = (id: string, action: object) =>
  item('putAction', id, { params: { actionId: id }, body: { at: here.now, ...action } });
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
const states = (items: OutboxItem[], known = [finding('f', 'S', 'NEO')]) =>
  withPending(detail(known), items, here).findings.map(({ id, state }) => [id, state]);

test('a finding made here stands among the others, under this person’s name; a refused one does not', () => {
  const after = withPending(detail([]), [found('g'), found('h', {}, 'refused')], here);
  expect(after.findings).toMatchObject([{ id: 'g', state: 'open', by: 'Boat crew', revision: 1 }]);
});

test('an edit made here counts on the revision after the one that stands, so that a second edit follows it', () => {
  const edit = item('putFinding', 'f', {
    params: { findingId: 'f' },
    body: { baseRevision: 1, finding: { ...body, toCm: 130 } },
  });
  expect(withPending(detail([finding('f', 'S', 'NEO')]), [edit], here).findings).toMatchObject([
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
  expect(withPending(before, [found('x', { treeId: 'b' })], here)).toBe(before);
});

test('laid over twice it counts once: the moment between the server’s answer and the empty outbox shows nothing twice', () => {
  const items = [found('g'), cut('c', ['f'])];
  const once = withPending(detail([finding('f', 'S', 'NEO')]), items, here);
  const twice = withPending(once, items, here);
  expect(twice.findings.map(({ id }) => id)).toEqual(['f', 'g']);
  // On the revision that the server gave it, not one more: the next edit is made on it
  expect(twice.findings.map(({ revision }) => revision)).toEqual(
    once.findings.map(({ revision }) => revision),
  );
  expect(twice.actions).toHaveLength(1);
});

test('a new limb map is what stands, on the revision after', () => {
  const map = item('putLimbs', 'limbs:a', {
    params: { treeId: 'a' },
    body: { baseRevision: 1, surveyedAt: here.now, limbs: detail([]).limbs.slice(0, 2) },
  });
  expect(withPending(detail([]), [map], here)).toMatchObject({
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
    action: (cut('c', ['f']).input as { body: never }).body,
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
