// What waits in the outbox, as lines of the history to come.
import type { Waiting } from '@mortisect/core/present';
import type { HistoryValue } from '@mortisect/core/records';
import { isFailed, type OutboxItem, type OutboxRoute } from './outbox';

type LineOf = {
  [R in OutboxRoute]: (input: OutboxItem<R>['input']) => Omit<Waiting, 'value'> & { value: object };
};

/** Inputs may leave out what has a default; the app fills everything in. */
const LINES: Omit<LineOf, 'putPhoto'> = {
  putFinding: ({ params, body }) => ({
    recordId: params.findingId,
    baseRevision: body.baseRevision,
    value: { kind: 'finding', finding: body.finding },
  }),
  putAction: ({ params, body }) => ({
    recordId: params.actionId,
    baseRevision: null,
    value: { kind: 'action', action: body },
  }),
  putLimbs: ({ params, body }) => ({
    recordId: params.treeId,
    baseRevision: body.baseRevision,
    at: body.surveyedAt,
    value: { kind: 'limbs', limbs: body.limbs },
  }),
  putTree: ({ params, body }) => ({
    recordId: params.treeId,
    baseRevision: body.baseRevision,
    value: { kind: 'tree', tree: body.tree },
  }),
  putJob: ({ params, body }) => ({
    recordId: params.jobId,
    baseRevision: body.baseRevision,
    value: { kind: 'job', job: body.job },
  }),
};

const read = new WeakMap<readonly OutboxItem[], Waiting[]>();

/** Photos are no records; refused writes are left out: the server will not have them. The same list for the same items. */
export function waitingOf(items: readonly OutboxItem[]): Waiting[] {
  const before = read.get(items);
  if (before) return before;
  const waiting = items.flatMap((item): Waiting[] => {
    const { route, state, input } = item;
    if (route === 'putPhoto' || (state === 'refused' && !isFailed(item))) return [];
    const line = LINES[route](input as never);
    return [{ ...line, value: line.value as HistoryValue }];
  });
  read.set(items, waiting);
  return waiting;
}
