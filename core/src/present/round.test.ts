// The round as it is read from what was done, in whatever order it arrives.
import fc from 'fast-check';
import { type Action, type ActionBody, TreeSummary } from '../records/index';
import { openRound, queueOf } from './index';

let made = 0;
const act = (minute: number, action: Record<string, unknown>, more: Partial<Action> = {}): Action => ({
  id: `0193f000-0000-7000-8000-${String(++made).padStart(12, '0')}`,
  action: { at: `2026-11-24T09:${String(minute).padStart(2, '0')}:00Z`, ...action } as ActionBody,
  undone: false,
  by: 'Wall crew',
  receivedAt: '2026-11-24T12:00:00Z',
  ...more,
});
const start = (minute: number, more = {}) =>
  act(minute, { kind: 'roundStarted', order: 'serpentine', plotIds: [], ...more });
const seen = (minute: number, treeId: string, part = 'all round', verdict = 'sound') =>
  act(minute, { kind: 'treeSeen', treeId, verdict, seen: part });

const tree = (id: string, more: Partial<TreeSummary> = {}): TreeSummary =>
  TreeSummary.parse({
    id,
    plotId: 'p',
    rowId: 'r',
    code: id,
    plot: 'P',
    row: 'R',
    place: 1,
    species: 'apple',
    form: 'open centre',
    heightCm: 300,
    spreadCm: 300,
    revision: 1,
    by: 'x',
    receivedAt: '2026-11-24T12:00:00Z',
    openFindings: 0,
    lastSeenAt: null,
    ...more,
  });
const trees = ['a', 'b', 'c', 'd'].map((id) => tree(id));
const open = (...actions: Action[]) => openRound(actions) as NonNullable<ReturnType<typeof openRound>>;

test('it goes on where it stopped; what was not seen all round stays in the queue', () => {
  const queue = queueOf(open(start(0), seen(1, 'a'), seen(2, 'b', 'one side')), trees);
  expect(queue).toMatchObject({ done: 1, partly: 1, skipped: 0, next: { id: 'c' } });
  const later = queueOf(
    open(start(0), seen(1, 'a'), seen(2, 'b', 'one side'), seen(3, 'c'), seen(4, 'd')),
    trees,
  );
  expect(later.next?.id).toBe('b');
});

test('a skipped tree comes last, a removed one never, another plot is left out', () => {
  const skipped = act(1, { kind: 'treeSkipped', treeId: 'a', reason: 'Bees.' });
  const round = open(start(0), skipped, seen(2, 'b'), seen(3, 'c'), seen(4, 'd'));
  expect(queueOf(round, trees)).toMatchObject({ skipped: 1, next: { id: 'a' } });
  const others = [...trees, tree('e', { status: 'removed' }), tree('f', { plotId: 'q' })];
  expect(queueOf(open(start(0, { plotIds: ['p'] })), others).trees.map((tree) => tree.id)).toEqual([
    'a',
    'b',
    'c',
    'd',
  ]);
});

test('an undo takes the mark back, whether the server knows of it yet or not', () => {
  const mark = seen(1, 'a');
  expect(open(start(0), { ...mark, undone: true }).entries.size).toBe(0);
  expect(open(start(0), mark, act(2, { kind: 'undone', actionId: mark.id })).entries.size).toBe(0);
});

test('a second start joins the open round; a closed one is over', () => {
  const first = start(0);
  expect(open(first, start(5), seen(6, 'a'))).toMatchObject({ id: first.id });
  expect(openRound([first, act(7, { kind: 'roundClosed' })])).toBeNull();
  expect(open(first, act(1, { kind: 'roundPaused' })).paused).toBe(true);
});

test('by tag, numbers count as numbers', () => {
  const tagged = ['T10', 'T2', 'T1'].map((id) => tree(id));
  expect(queueOf(open(start(0, { order: 'tag' })), tagged).trees.map((tree) => tree.code)).toEqual([
    'T1',
    'T2',
    'T10',
  ]);
});

test('two phones’ marks give the same round in whatever order they arrive', () => {
  const actions = [
    start(0),
    seen(1, 'a'),
    seen(2, 'b', 'from the ground'),
    seen(3, 'b'),
    seen(4, 'c', 'all round', 'found'),
  ];
  const expected = open(...actions);
  fc.assert(
    fc.property(fc.shuffledSubarray(actions, { minLength: actions.length }), (shuffled) => {
      expect(openRound(shuffled)).toEqual(expected);
    }),
  );
});
