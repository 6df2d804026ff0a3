// Which trees have a window now, by what is cut on them and by the group that their wood belongs to.
import type { TimingNow } from '@mortisect/contracts';
import type { Stop } from '@mortisect/core/run';
import { today } from '@mortisect/core/testing';
import { hourOf } from '@mortisect/core/weather';
import { english, sayIn } from '@mortisect/words/all';
import { openNow, proposedOf } from './openWindows';
import { windowWords } from './stopWindows';

const NOW = '2026-11-30T10:20:00Z';
const hour = hourOf(NOW);
type Window = { fromHour: number; toHour: number; verdict: 'go' | 'possible'; dryH: number | null };
/** Hours from this one on; it is 10:20 at the site. */
const window = (fromH: number, toH: number, verdict: Window['verdict'] = 'go'): Window => ({
  ...{ fromHour: hour + fromH, toHour: hour + toH, verdict },
  dryH: null,
});
const told = (deadWindows: Window[], groups: Record<string, Window[]>): TimingNow =>
  ({
    now: NOW,
    timing: { deadWindows, groups: Object.entries(groups).map(([key, windows]) => ({ key, windows })) },
    treesOf: { apple: ['a', 'b'], cherry: ['c'] },
  }) as unknown as TimingNow;
const stop = (id: string, disorders: string[][]): Stop =>
  ({ tree: { id, code: id }, items: disorders.map((each) => ({ disorders: each })) }) as unknown as Stop;
const LIVE = [['FB_CANK_A']];
const stops = [stop('a', LIVE), stop('b', [['DEAD'], ['FB_CANK_A']]), stop('c', LIVE), stop('d', [['DEAD']])];
const open = (timing: TimingNow | undefined) => [...openNow(stops, timing)];
const words = (which: number, timing: TimingNow | undefined) =>
  windowWords(english, stops[which] as Stop, timing, today);

test.each<[string, Window[], Record<string, Window[]>, string[]]>([
  ['a window of its group', [], { apple: [window(0, 1)], cherry: [] }, ['a', 'b']],
  ['the next hour is not now', [window(1, 4)], { apple: [window(1, 4)], cherry: [window(-3, 0)] }, []],
  ['dead wood alone goes by its own', [window(-1, 1)], { apple: [], cherry: [] }, ['d']],
  ['of a group without weather nothing is known', [], { apple: [] }, ['c']],
])('%s', (_, dead, groups, ids) => expect(open(told(dead, groups))).toEqual(ids));

test.each<[string, Window[], string[]]>([
  ['those that may be cut now are proposed', [window(0, 1)], ['a', 'b']],
  ['where none may, all are', [window(1, 4)], ['a', 'b', 'c', 'd']],
])('%s', (_, apple, ids) =>
  expect(proposedOf(stops, told([], { apple, cherry: [] })).map(({ tree }) => tree.id)).toEqual(ids),
);

test('where no weather is known every tree may be cut, and it is said so', () => {
  const none = { ...told([], {}), timing: null };
  expect([open(undefined), open(none)]).toEqual([
    ['a', 'b', 'c', 'd'],
    ['a', 'b', 'c', 'd'],
  ]);
  expect([words(0, undefined), words(0, none)]).toEqual(['no weather to go by', 'no weather to go by']);
});

test.each<[string, Window[], string]>([
  ['open', [window(-1, 3)], 'good until Mon 13:00'],
  ['possible', [window(-1, 3, 'possible')], 'possible until Mon 13:00'],
  ['a better one ahead', [window(2, 3, 'possible'), window(25, 30)], 'wait until Tue 11:00'],
  ['none but a possible one', [window(2, 3, 'possible')], 'wait until Mon 12:00'],
  ['none', [], 'wait: no window in ten days'],
])('%s', (_, windows, said) => expect(words(0, told([], { apple: windows }))).toBe(said));

// It said “good hasta …”
test('in Spanish no word of it is English', () => {
  const apple = [window(-1, 3)];
  expect(windowWords(sayIn('es-ES'), stops[0] as Stop, told([], { apple }), today)).toMatch(/^bien hasta /);
});
