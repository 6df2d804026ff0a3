// Work on sound wood comes into the run like any other: nobody has to find something first.

import { treeView } from '../present/index';
import type { Action, ActionBody, TreeDetail } from '../records/index';
import { detail, did, limb, listedPlansOf, listedTreesOf, today } from '../testing/index';
import type { Limb } from '../tree/index';
import { cutMade, placedAt } from './cutRecord';
import { runOf } from './run';
import { cutAtHand, workOf } from './work';

const AT = '2026-11-24T09:00:00Z';
const whip: Limb[] = [{ ...limb('T', null, 0, 0), lengthCm: 120, baseMm: 20, ageYears: 1 }];
const treeOf = (limbs: Limb[], actions: ActionBody[], plantedYear: number): TreeDetail => ({
  ...detail([], { plantedYear, heightCm: 120 }),
  limbs,
  actions: actions.map((action, i) => ({ ...did(action), id: `0193f000-0000-7000-8000-00000000010${i}` })),
});
const bare = treeOf(whip, [], 2026);
const runOn = (tree: TreeDetail) => {
  const view = treeView(tree, today);
  return runOf({ work: workOf(listedTreesOf([view], today)), actions: tree.actions, today });
};
const headed = () => runOn(bare);

test('a whip on which nothing was found is headed, and the cut says what it is for', () => {
  const { left } = headed();
  expect(
    left.map(({ goals, findingIds, disorders, wood, candidateId, id }) => ({
      goals,
      findingIds,
      disorders,
      wood,
      candidateId,
      id,
    })),
  ).toEqual([
    {
      goals: ['training'],
      findingIds: [],
      disorders: [],
      wood: 'sound',
      candidateId: 'T heading 55',
      id: 'a:T heading 55',
    },
  ]);
});

test('once it is made it is done, answers no finding, and leaves the blade as clean as it was', () => {
  const { item, blades } = headed();
  if (!item || !blades[0]) throw new Error('There is a cut and a blade for it.');
  const made = cutMade(treeView(bare, today), item, placedAt(cutAtHand(item)), blades[0], AT, today);
  expect(made).toMatchObject({
    findingIds: [],
    disorders: [],
    cut: { atCm: 55, clearanceCm: 0, shortfallCm: 0 },
  });
  expect(runOn(treeOf(whip, [made], 2026)).left).toEqual([]);
  // A plan from before it was made names wood that is gone
  const before = treeView(treeOf(whip, [], 2026), today);
  const after = treeView(treeOf(whip, [made], 2026), today);
  expect(workOf(listedTreesOf([after], today, listedPlansOf([before], today))).items).toEqual([]);
});

test.each<[string, Partial<Extract<ActionBody, { kind: 'cutNotMade' }>>, number]>([
  ['this cut', { candidateId: 'T heading 55' }, 0],
  ['another one', { candidateId: 'T heading 90' }, 1],
  ['the same on another tree', { candidateId: 'T heading 55', treeId: 'b' }, 1],
])('left out for today: %s', (_, which, left) => {
  const action: ActionBody = {
    kind: 'cutNotMade',
    at: AT,
    treeId: 'a',
    findingIds: [],
    reason: 'Weather',
    ...which,
  };
  const run = runOn(treeOf(whip, [action], 2026));
  expect(run.left).toHaveLength(left);
  expect(run.leftOut.map(({ because }) => because)).toEqual(
    left === 0 ? [{ code: 'not made', reason: 'Weather' }] : [],
  );
});

test.each<[string, Partial<Action>, string, number]>([
  ['once it is tied down the plan asks no more', {}, AT, 0],
  ['taken back, it asks again', { undone: true }, AT, 1],
  ['a map drawn since shows how it stands', {}, '2019-12-31T00:00:00Z', 1],
])('a steep limb of a young frame: %s', (_, more, at, ties) => {
  const young = [
    { ...limb('T', null, 0, 0), lengthCm: 120, baseMm: 30, ageYears: 3 },
    { ...limb('L', 'T', 60, 90), inclinationDeg: 70, baseMm: 15, lengthCm: 70, ageYears: 2 },
  ];
  const tree = treeOf(
    young,
    [{ kind: 'stepDone', at, treeId: 'a', findingIds: [], what: 'tie down', limbId: 'L', limbName: 'L' }],
    2023,
  );
  tree.actions = tree.actions.map((action) => ({ ...action, ...more }));
  const plan = listedPlansOf([treeView(tree, today)], today).get('a')?.plan;
  expect(plan?.steps.filter(({ serves }) => serves.includes('training'))).toHaveLength(ties);
});
