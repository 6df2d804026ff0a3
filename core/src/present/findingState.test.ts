// A finding is open until something answers it that nobody took back: one rule for server, phone and whoever looks back.
import fc from 'fast-check';
import { type Action, type ActionBody, Finding } from '../records/index';
import { answeredFindings, findingsOpenAt, isAnswer, withStates } from './index';

const idOf = (n: number) => `0193f000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const FOUND = [idOf(1), idOf(2), idOf(3)] as const;
const found = (id: string, more: Partial<Finding> = {}): Finding =>
  Finding.parse({
    id,
    state: 'open',
    treeId: 'a',
    limbId: 'S',
    limbName: 'S',
    fromCm: 10,
    toCm: 20,
    disorder: 'DEAD',
    edge: 'definite',
    growthRapid: false,
    note: '',
    seenAt: '2026-11-01T10:00:00Z',
    withdrawn: false,
    revision: 1,
    by: 'Wall crew',
    receivedAt: '2026-11-01T10:00:00Z',
    ...more,
  });
const done = (id: string, action: object, undone = false): Action => ({
  id,
  action: { at: '2026-11-10T10:00:00Z', treeId: 'a', ...action } as ActionBody,
  undone,
  by: 'Wall crew',
  receivedAt: '2026-11-24T12:00:00Z',
});
const cut = (id: string, findingIds: string[], more = {}) =>
  done(id, { kind: 'cutMade', findingIds, ...more });
const step = (id: string, findingIds: string[]) => done(id, { kind: 'stepDone', findingIds });
const undo = (id: string, actionId: string) => done(id, { kind: 'undone', actionId });
const [A, B] = FOUND;

test.each<[string, Action[], string[]]>([
  ['nothing done', [], ['open', 'open', 'open']],
  ['a cut', [cut(idOf(11), [A])], ['closed', 'open', 'open']],
  ['a step without a saw', [step(idOf(11), [A, B])], ['closed', 'closed', 'open']],
  [
    'a cut that could not be made',
    [done(idOf(11), { kind: 'cutNotMade', findingIds: [A] })],
    ['open', 'open', 'open'],
  ],
  ['a decision', [done(idOf(11), { kind: 'decided', findingIds: [A] })], ['open', 'open', 'open']],
  [
    'a cut that the server knows is taken back',
    [{ ...cut(idOf(11), [A]), undone: true }],
    ['open', 'open', 'open'],
  ],
  ['a cut whose undo waits here', [cut(idOf(11), [A]), undo(idOf(12), idOf(11))], ['open', 'open', 'open']],
  [
    'two that answer it, one of them taken back',
    [cut(idOf(11), [A]), step(idOf(12), [A]), undo(idOf(13), idOf(11))],
    ['closed', 'open', 'open'],
  ],
  [
    'an undo of nothing that is here',
    [cut(idOf(11), [A]), undo(idOf(12), idOf(99))],
    ['closed', 'open', 'open'],
  ],
])('%s', (_said, actions, states) => {
  expect(
    withStates(
      FOUND.map((id) => found(id)),
      actions,
    ).map(({ state }) => state),
  ).toEqual(states);
});

test('what was taken back as a mistake is neither open nor closed, and what has not changed stays the same object', () => {
  const [mistake, open] = [found(A, { withdrawn: true }), found(B)];
  const states = withStates([mistake, open], [cut(idOf(11), [A])]);
  expect(states.map(({ state }) => state)).toEqual(['withdrawn', 'open']);
  expect(states[1]).toBe(open);
});

test('only a cut and a step answer findings', () => {
  const kinds = ['cutMade', 'stepDone', 'cutNotMade', 'decided', 'treeSeen', 'undone'] as const;
  expect(kinds.filter((kind) => isAnswer({ kind } as ActionBody))).toEqual(['cutMade', 'stepDone']);
});

test('the order in which they arrive, and that some arrive twice, changes nothing', () => {
  const drawn = fc.record({
    kind: fc.constantFrom('cut', 'step', 'undo'),
    of: fc.subarray([...FOUND], { minLength: 1 }),
    back: fc.integer({ min: 0, max: 19 }),
  });
  fc.assert(
    fc.property(fc.array(drawn, { maxLength: 20 }), fc.infiniteStream(fc.nat()), (list, order) => {
      const actions = list.map(({ kind, of, back }, i) =>
        kind === 'undo'
          ? undo(idOf(20 + i), idOf(20 + back))
          : (kind === 'cut' ? cut : step)(idOf(20 + i), of),
      );
      const takenBack = new Set(list.flatMap(({ kind, back }) => (kind === 'undo' ? [back] : [])));
      const expected = FOUND.filter((id) =>
        list.some(({ kind, of }, i) => kind !== 'undo' && of.includes(id) && !takenBack.has(i)),
      );
      const keyed = [...actions, ...actions.slice(0, 3)].map((action) => ({
        action,
        key: order.next().value ?? 0,
      }));
      const shuffled = keyed.sort((a, b) => a.key - b.key).map(({ action }) => action);
      expect([...answeredFindings(shuffled)].sort()).toEqual(expected);
    }),
  );
});

test.each([
  ['before it was seen', '2026-11-01T09:59:59Z', []],
  ['as it is seen', '2026-11-01T10:00:00Z', [A]],
  ['just before the cut', '2026-11-10T09:59:59Z', [A]],
  ['with the cut', '2026-11-10T10:00:00Z', []],
  // 11:30 two hours east of Greenwich is half past nine there; letter by letter it would be after the cut
  ['told in another zone', '2026-11-10T11:30:00+02:00', [A]],
])('open at a moment: %s', (_said, at, ids) => {
  const tree = {
    findings: [found(A, { state: 'closed' }), found(B, { withdrawn: true })],
    actions: [cut(idOf(11), [A])],
  };
  expect(findingsOpenAt(tree, at).map(({ id }) => id)).toEqual(ids);
});
