// A device whose clock is ahead tells of what cannot have happened yet.
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
