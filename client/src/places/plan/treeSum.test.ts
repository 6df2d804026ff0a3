// What a plan comes to in a mark and a few words.
import type { Solved } from '@mortisect/core/plan';
import { treeView } from '@mortisect/core/present';
import { plansOf } from '@mortisect/core/testing';
import { english } from '@mortisect/words/all';
import { detail, finding, today } from '../../testing/orchard';
import { plannedIn } from './PlansFromAbove';
import { headWords, isDanger, sumOf, warnsOf } from './treeSum';

const [canker, dead] = [finding('1', 'S', 'FB_CANK_A'), finding('2', 'R', 'DEAD')];

function come(findings: Parameters<typeof detail>[0], change: (solved: Solved) => Solved = (same) => same) {
  const view = treeView(detail(findings), today);
  return { view, solved: change(plansOf([view], today).get('a') as Solved) };
}
const without = ({ plan, ...solved }: Solved): Solved => ({ ...solved, plan: { ...plan, steps: [] } });
const later = ({ plan, orders, ...solved }: Solved): Solved => ({
  ...solved,
  plan: { ...plan, steps: plan.steps.map((step) => ({ ...step, season: 2 })) },
  orders: { '2 dormant': orders['1 dormant'] as NonNullable<(typeof orders)[string]> },
});
const handed = ({ plan, ...solved }: Solved): Solved => ({
  ...solved,
  plan: { ...plan, handOver: ['height T'] },
});

test.each<[string, ReturnType<typeof come>, string, boolean]>([
  ['active disease', come([canker]), 'must', false],
  ['dead wood', come([dead]), 'cut', false],
  ['cuts of a later winter', come([dead], later), 'later', false],
  ['nothing', come([], without), 'nothing', false],
  ['nothing of one’s own', come([dead], (solved) => without(handed(solved))), 'nothing', true],
])('%s', (_, { view, solved }, has, warns) => {
  expect([plannedIn(solved), warnsOf(view, solved)]).toEqual([has, warns]);
});

test('a limb that is too tall is an arborist’s and no danger; a finding that is handed over is one', () => {
  const tall = come([dead], handed);
  expect([isDanger(tall.view, tall.solved), warnsOf(tall.view, tall.solved)]).toEqual([false, true]);
  const broken = come([dead], ({ plan, ...solved }) => ({ ...solved, plan: { ...plan, handOver: ['2'] } }));
  expect(isDanger(broken.view, broken.solved)).toBe(true);
});

test('before it is searched it says nothing; then its steps, and what comes later', () => {
  expect([sumOf(undefined), plannedIn(undefined)]).toEqual([null, 'nothing']);
  const { view, solved } = come([canker, dead]);
  expect(headWords(english, view, solved, sumOf(solved))).toMatch(/^2 steps/);
  const next = come([dead], later);
  expect(headWords(english, next.view, next.solved, sumOf(next.solved))).toBe('1 later');
});
