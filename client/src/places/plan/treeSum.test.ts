// What a plan comes to in a mark and a few words.
import type { ListedPlan } from '@mortisect/core/plan';
import { treeView } from '@mortisect/core/present';
import { type ListedTree, listedTreeOf } from '@mortisect/core/run';
import { listedPlansOf } from '@mortisect/core/testing';
import { english } from '@mortisect/words/all';
import { detail, finding, today } from '../../testing/orchard';
import { plannedIn } from './PlansFromAbove';
import { headWords, isDanger, warnsOf } from './treeSum';

const [canker, dead] = [finding('1', 'S', 'FB_CANK_A'), finding('2', 'R', 'DEAD')];

function come(
  findings: Parameters<typeof detail>[0],
  change: (listed: ListedPlan) => ListedPlan = (same) => same,
): ListedTree {
  const view = treeView(detail(findings), today);
  return listedTreeOf(view, change(listedPlansOf([view], today).get('a') as ListedPlan), today, true);
}
const without = ({ plan, ...listed }: ListedPlan): ListedPlan => ({
  ...listed,
  plan: { ...plan, steps: [] },
});
const later = ({ plan, orders, ...listed }: ListedPlan): ListedPlan => ({
  ...listed,
  plan: { ...plan, steps: plan.steps.map((step) => ({ ...step, season: 2 })) },
  orders: { '2 dormant': orders['1 dormant'] as NonNullable<(typeof orders)[string]> },
});
const handed = ({ plan, ...listed }: ListedPlan): ListedPlan => ({
  ...listed,
  plan: { ...plan, handOver: ['height T'] },
});

test.each<[string, ListedTree, string, boolean]>([
  ['active disease', come([canker]), 'must', false],
  ['dead wood', come([dead]), 'cut', false],
  ['cuts of a later winter', come([dead], later), 'later', false],
  ['nothing', come([], without), 'nothing', false],
  ['nothing of one’s own', come([dead], (listed) => without(handed(listed))), 'nothing', true],
])('%s', (_, listed, has, warns) => {
  expect([plannedIn(listed), warnsOf(listed)]).toEqual([has, warns]);
});

test('a limb that is too tall is an arborist’s and no danger; a finding that is handed over is one', () => {
  const tall = come([dead], handed);
  expect([isDanger(tall), warnsOf(tall)]).toEqual([false, true]);
  const broken = come([dead], ({ plan, ...listed }) => ({ ...listed, plan: { ...plan, handOver: ['2'] } }));
  expect(isDanger(broken)).toBe(true);
});

test('before it is searched it says nothing; then its steps, and what comes later', () => {
  const unplanned = { ...come([dead]), due: null };
  expect([headWords(english, unplanned), plannedIn(unplanned)]).toEqual(['', 'nothing']);
  expect(headWords(english, come([canker, dead]))).toMatch(/^2 steps/);
  expect(headWords(english, come([dead], later))).toBe('1 later');
});
