// What went wrong below, told by its cause however it was wrapped.
import { isAway, isDamaged, isFull, isReadOnly, isUnwritten, whereItCan } from './faults';

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

test.each<[string, Error, string[]]>([
  ['a copy that is only read', failed('x', undefined, failed('cannot execute', '25006')), ['read only']],
  ['a file of the system', failed('EROFS: open', 'EROFS'), ['read only']],
  [
    'a page that could not go out',
    failed('could not write block 3: Read-only file system', '42501'),
    ['unwritten'],
  ],
  ['a log that could not', failed('could not fsync file: I/O error', '58030'), ['unwritten']],
  ['a page that could not be read', failed('could not read block 3: I/O error', '58030'), []],
  ['a right that is missing', failed('permission denied for table', '42501'), []],
  ['a page', failed('x', 'XX001'), ['damaged']],
  ['an index', failed('x', 'XX002'), ['damaged']],
  ['a fault inside', failed('x', 'XX000'), []],
])('%s', (_said, error, told) => {
  const found = { 'read only': isReadOnly, unwritten: isUnwritten, damaged: isDamaged };
  expect(Object.entries(found).flatMap(([name, is]) => (is(error) ? [name] : []))).toEqual(told);
});

test('what is noted by the way may go unwritten for that, and for nothing else', async () => {
  await expect(whereItCan(Promise.reject(failed('x', '25006')))).resolves.toBeUndefined();
  await expect(whereItCan(Promise.reject(failed('x', '23505')))).rejects.toThrow('x');
});
