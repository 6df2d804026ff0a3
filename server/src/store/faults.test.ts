// What went wrong below, told by its cause however it was wrapped.
import { isAway, isFull } from './faults';

const failed = (message: string, code?: string, cause?: Error) =>
  Object.assign(new Error(message, { cause }), code === undefined ? {} : { code });

// PostgreSQL documentation, appendix A (codes); errno(3) (names of the system)
test.each<[string, Error, { away: boolean; full: boolean }]>([
  ['a connection that failed', failed('x', '08006'), { away: true, full: false }],
  ['too many connections', failed('x', '53300'), { away: true, full: false }],
  ['the administrator ended it', failed('x', '57P01'), { away: true, full: false }],
  ['a statement that was cancelled', failed('x', '57014'), { away: false, full: false }],
  [
    'refused, under a wrapper',
    failed('Failed query', undefined, failed('x', 'ECONNREFUSED')),
    { away: true, full: false },
  ],
  ['said in words', failed('Connection terminated unexpectedly'), { away: true, full: false }],
  ['the disk is full', failed('Failed query', undefined, failed('x', '53100')), { away: false, full: true }],
  ['no room for a file', failed('write', 'ENOSPC'), { away: false, full: true }],
  ['a quota', failed('write', 'EDQUOT'), { away: false, full: true }],
  ['said in words', failed('could not extend file: No space left on device'), { away: false, full: true }],
  ['a value of its own kind', failed('x', '23505'), { away: false, full: false }],
])('%s', (_said, error, told) => {
  expect({ away: isAway(error), full: isFull(error) }).toEqual(told);
});

test('what is no error is neither', () => {
  expect([isAway('08006'), isFull({ code: 'ENOSPC' }), isFull(null)]).toEqual([false, false, false]);
});
