// Common practice, no source: what was waved off speaks up again when it has grown by a quarter.
import { type Fault, faultKey, standingFaults } from './index';

const fault = (limbId: string, severity: number): Fault => ({
  kind: 'crossing',
  limbIds: [limbId, 'R'],
  atCm: 10,
  measured: 1,
  limit: 1,
  unit: '',
  severity,
});
const [S, Q] = [fault('S', 1.25), fault('Q', 2)];
const key = faultKey(S);

test.each<[string, Set<string>, Map<string, number>, number, number]>([
  ['all stand', new Set(), new Map(), 2, 0],
  ['one that is noted stands as its finding', new Set([key]), new Map(), 1, 0],
  [
    'one waved off stays quiet while it has grown by a quarter and no more',
    new Set(),
    new Map([[key, 1]]),
    1,
    1,
  ],
  ['it speaks up beyond', new Set(), new Map([[key, 0.999]]), 2, 0],
  ['noted and waved off it is noted', new Set([key]), new Map([[key, 1]]), 1, 0],
])('%s', (_said, noted, waved, open, quiet) => {
  const told = standingFaults([S, Q], noted, waved);
  expect([told.open.length, told.quiet]).toEqual([open, quiet]);
  expect(told.open).toContain(Q);
});
