// The rule of the run: unknown blade first cleaned, sound wood before infected, hand-over never planned round (common practice).
import type { Action } from '@mortisect/contracts';
import { siteToday, treeView } from '../../data/orchardView';
import { detail, did, finding, site, today } from '../../testing/orchard';
import { plansOf } from '../../testing/plans';
import { BLADE, runOf } from './run';

const cleaned = (at: string) => did({ kind: 'bladeCleaned', at, blade: BLADE, agentId: 'alcohol-70' });
const canker = finding('1', 'S', 'FB_CANK_A');
const dead = finding('2', 'R', 'DEAD');
const run = (latest: Action[], tree = detail([canker, dead]), on = today) => {
  const view = treeView(tree, on);
  return runOf([view], plansOf([view], on), latest, on);
};

test('sound wood comes before infected, and a blade of unknown history is cleaned first', () => {
  const { left, step } = run([]);
  expect(left.map((item) => item.cut.limbId)).toEqual(['R', 'S']);
  expect(step).toMatchObject({ do: 'clean', why: 'unknown history' });
});

test.each([
  ['cleaned this morning', [cleaned('2026-11-24T08:00:00Z')], 'cut'],
  ['cleaned yesterday', [cleaned('2026-11-23T16:00:00Z')], 'clean'],
  ['cleaned, but that was taken back', [{ ...cleaned('2026-11-24T08:00:00Z'), undone: true }], 'clean'],
])('a blade %s', (_, latest, expected) => {
  expect(run(latest).step.do).toBe(expected);
});

test('a cut that was not made is out of today’s run with its reason, and back tomorrow', () => {
  const latest = [
    did({
      kind: 'cutNotMade',
      at: '2026-11-24T08:00:00Z',
      treeId: 'a',
      findingIds: ['2'],
      reason: 'Weather',
    }),
  ];
  expect(run(latest).left.map((item) => item.cut.limbId)).toEqual(['S']);
  expect(run(latest).leftOut).toMatchObject([{ why: 'Not made today: Weather' }]);
  const tomorrow = siteToday(site, null, '2026-11-25');
  expect(run(latest, detail([canker, dead]), tomorrow).left).toHaveLength(2);
});

test('a tree over 6 m is handed over, not run', () => {
  const { left, leftOut, step } = run([], detail([canker, dead], { heightCm: 640 }));
  expect(left).toEqual([]);
  expect(leftOut.map((item) => item.why.startsWith('For a licensed arborist.'))).toEqual([true, true]);
  expect(step.do).toBe('done');
});

test('a cut answers the findings of the cuts that it swallows', () => {
  // 71 cm out on S and at its very base: the second takes the first
  const low = { ...finding('3', 'S', 'FB_CANK_D'), fromCm: 20, toCm: 30 };
  const { left } = run([], detail([canker, low]));
  expect(left).toHaveLength(1);
  expect(left[0]?.findingIds.toSorted()).toEqual(['1', '3']);
});
