// A device whose clock is ahead tells of what cannot have happened yet.
import type { HistoryLine } from '../records/index';
import { actionOf } from './fold';
import { happenedAt } from './happened';

const RECEIVED = '2026-11-24T10:00:00.000Z';

test.each([
  ['2026-11-24T09:00:00.000Z', '2026-11-24T09:00:00.000Z'],
  ['2020-01-01T00:00:00.000Z', '2020-01-01T00:00:00.000Z'],
  [RECEIVED, RECEIVED],
  ['2026-11-24T10:00:00.001Z', RECEIVED],
  ['2026-11-24T11:59:59.000+02:00', '2026-11-24T11:59:59.000+02:00'],
  ['2026-11-24T12:00:01.000+02:00', RECEIVED],
  ['2026-12-01T10:00:00.000Z', RECEIVED],
])('a device says %s at ten: it happened at %s', (said, at) => {
  expect(happenedAt(said, RECEIVED)).toBe(at);
});

test('an action of the history is read at the moment it happened; one that is not ahead is the very same', () => {
  const line = (at: string) =>
    ({
      receivedAt: RECEIVED,
      by: 'Wall crew',
      value: { kind: 'action', action: { kind: 'roundPaused', at } },
    }) as HistoryLine & Parameters<typeof actionOf>[1];
  expect(actionOf('x', line('2026-12-01T10:00:00.000Z')).action).toEqual({
    kind: 'roundPaused',
    at: RECEIVED,
  });
  const early = line('2026-11-24T09:00:00.000Z');
  expect(actionOf('x', early).action).toBe(early.value.action);
});
