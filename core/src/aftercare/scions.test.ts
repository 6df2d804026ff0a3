// Graft wood comes from clean trees alone. Common practice, no source: two years clean, looked at within one.

import { scionGuard } from './index';
import { ScionReason, type TreeRecord } from './scions';

const TODAY = '2026-11-24';
const clean: TreeRecord = { findings: [], lastSeenOn: '2026-06-01', cameBackOn: [] };
const found = (disorder: string, day: string, open: boolean) => ({
  ...clean,
  findings: [{ disorder, day, open }],
});

test.each<[string, TreeRecord, boolean]>([
  ['a clean tree', clean, true],
  ['an old disease that is closed', found('NEO', '2024-11-01', false), true],
  ['a disease closed within two years', found('NEO', '2024-12-01', false), false],
  // However long ago it was found: it still stands
  ['an old disease that is open', found('NEO', '2019-05-01', true), false],
  ['suspect wood', found('SUSPECT', '2026-05-01', true), false],
  ['dead wood of unknown cause, open', found('DEAD', '2026-05-01', true), false],
  ['dead wood, taken out', found('DEAD', '2026-05-01', false), true],
  ['breakage', found('BRK', '2026-05-01', true), true],
  ['misplaced wood', found('MISPLACED', '2026-05-01', true), true],
  ['looked at a year ago', { ...clean, lastSeenOn: '2025-11-24' }, true],
  ['looked at a year and a day ago', { ...clean, lastSeenOn: '2025-11-23' }, false],
  ['never looked at', { ...clean, lastSeenOn: null }, false],
  ['disease came back lately', { ...clean, cameBackOn: ['2025-06-01'] }, false],
  ['disease came back long ago', { ...clean, cameBackOn: ['2024-06-01'] }, true],
])('%s', (_, tree, may) => {
  const said = scionGuard(tree, TODAY);
  expect(said.may).toBe(may);
  expect(said.because).toHaveLength(1);
  for (const reason of said.because) expect(ScionReason.parse(reason)).toEqual(reason);
});

test.each([
  ['2024-11-25', false],
  ['2024-11-24', true],
])('disease closed on %s, two years of 365 days before: %s', (day, may) => {
  expect(scionGuard(found('NEO', day, false), TODAY).may).toBe(may);
});

test('every reason is said, each disorder once', () => {
  const findings = ['NEO', 'NEO', 'SIL', 'DEAD'].map((disorder) => ({
    disorder,
    day: '2026-05-01',
    open: true,
  }));
  expect(scionGuard({ findings, lastSeenOn: null, cameBackOn: ['2026-06-01'] }, TODAY).because).toEqual([
    { code: 'on record', values: { disorder: 'NEO', years: 2 } },
    { code: 'on record', values: { disorder: 'SIL', years: 2 } },
    ...['dead of unknown cause', 'came back', 'not looked at'].map((code) => ({ code, values: {} })),
  ]);
  expect(scionGuard(clean, TODAY).because).toEqual([{ code: 'clean', values: { years: 2 } }]);
});
