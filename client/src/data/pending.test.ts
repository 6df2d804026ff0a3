// The outbox as lines of the history to come: each route as the record it writes.
import type { OutboxItem } from './outbox';
import { waitingOf } from './pending';

const item = (route: OutboxItem['route'], input: unknown, state: OutboxItem['state'] = 'waiting') =>
  ({ id: 'x', route, recordId: 'r', input, state, problem: null }) as OutboxItem;
const finding = item('putFinding', {
  params: { findingId: 'f' },
  body: { baseRevision: 3, finding: { toCm: 1 } },
});

test.each<[OutboxItem, object]>([
  [finding, { recordId: 'f', baseRevision: 3, value: { kind: 'finding', finding: { toCm: 1 } } }],
  [
    item('putAction', { params: { actionId: 'a' }, body: { kind: 'runPaused' } }),
    { recordId: 'a', baseRevision: null, value: { kind: 'action', action: { kind: 'runPaused' } } },
  ],
  [
    item('putLimbs', { params: { treeId: 't' }, body: { baseRevision: 1, surveyedAt: 'then', limbs: [] } }),
    { recordId: 't', baseRevision: 1, at: 'then', value: { kind: 'limbs', limbs: [] } },
  ],
  [
    item('putTree', { params: { treeId: 't' }, body: { baseRevision: null, tree: { code: 'A' } } }),
    { recordId: 't', baseRevision: null, value: { kind: 'tree', tree: { code: 'A' } } },
  ],
  [
    item('putJob', { params: { jobId: 'j' }, body: { baseRevision: 2, job: { note: '' } } }, 'conflict'),
    { recordId: 'j', baseRevision: 2, value: { kind: 'job', job: { note: '' } } },
  ],
])('%#', (given, line) => expect(waitingOf([given])).toEqual([line]));

test('photos are no records, and what was refused will not stand; the same list comes back for the same items', () => {
  const items = [
    item('putPhoto', { params: { photoId: 'p' } }),
    { ...finding, state: 'refused' as const },
    finding,
  ];
  expect(waitingOf(items)).toHaveLength(1);
  expect(waitingOf(items)).toBe(waitingOf(items));
});
