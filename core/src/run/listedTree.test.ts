// A tree as lists take it: the same after its way over a wire; and as it stands while its plan is still one of before.
import { treeView } from '../present/index';
import { detail, did, finding, listedPlansOf, listedTreesOf, today } from '../testing/index';
import { cutAtHand, ListedTree, listedTreeOf, standIn, workOf } from './index';

const [canker, dead] = [finding('1', 'S', 'FB_CANK_A'), finding('2', 'R', 'DEAD')];
const both = treeView(detail([canker, dead]), today);
const [listed] = listedTreesOf([both], today) as [ListedTree];
const [plan] = [...listedPlansOf([both], today).values()];
if (!plan) throw new Error('Both are cut.');

test('it is plain data, and each cut at hand is the plan’s, with its reasons', () => {
  const after = ListedTree.parse(JSON.parse(JSON.stringify(listed)));
  expect(after).toEqual(listed);
  for (const cut of after.cuts) expect(cutAtHand(cut)).toEqual(plan.cuts[cut.candidateId]?.cut);
  // Thousands of them go over the wire: what says nothing is left out, and there again at the tree
  expect(after.cuts.map(({ cut }) => JSON.stringify(JSON.parse(cut).because)).join()).not.toMatch(
    /"(walk|choices|passedOver|alternatives)":\[\]|"(clearanceCm|edgeCm|reachedCm|shortfallCm)":0[,}]/,
  );
  expect(after.cuts.flatMap((cut) => cutAtHand(cut).because.map(({ choices }) => choices))).toContainEqual(
    [],
  );
  expect(() =>
    cutAtHand({
      cut: JSON.stringify({ ...plan.cuts[listed.cuts[0]?.candidateId ?? '']?.cut, because: [{}] }),
    }),
  ).toThrow();
});

test('what its plan comes to', () => {
  expect(listed.due).toMatchObject({
    ...{
      steps: 2,
      later: 0,
      must: true,
      handOver: 0,
      handsOver: false,
      goals: ['balance'],
      verdict: null,
      clash: false,
    },
    minutes: Math.round(plan.orders['1 dormant']?.tally.minutes ?? Number.NaN),
    crown: plan.plan.steps.reduce((sum, { crown, exempt }) => sum + crown + exempt, 0),
  });
  // Only wood that is ill is carried away by itself
  const ill = listed.cuts.find(({ findingIds }) => findingIds.includes('1'))?.candidateId ?? '';
  expect(listed.due?.infectedKg).toBe(plan.cuts[ill]?.massKg);
  const [sound] = listedTreesOf([treeView(detail([dead]), today)], today);
  expect(sound?.due).toMatchObject({ must: false, infectedKg: 0 });
});

test('not planned yet: what was found is said, nothing of cuts', () => {
  expect(listedTreeOf(both, null, today, false)).toMatchObject({
    ...{ cuts: [], due: null, current: false, toDecide: [], questions: [] },
    known: { 1: 'FB_CANK_A', 2: 'DEAD' },
    findings: [
      { id: '1', disorder: 'FB_CANK_A' },
      { id: '2', disorder: 'DEAD' },
    ],
  });
});

test.each<[string, Parameters<typeof detail>[0], number, string[]]>([
  ['nothing was done', [canker, dead], 180, ['R', 'S']],
  ['one of the findings is closed', [dead], 180, ['R']],
  ['the map was drawn anew, and the limb ends before the cut', [canker, dead], 10, ['R']],
])('until it is planned anew, what is left of before: %s', (_, findings, lengthCm, left) => {
  const tree = detail(findings);
  const limbs = tree.limbs.map((limb) => (limb.id === 'S' ? { ...limb, lengthCm } : limb));
  const now = standIn(listed, treeView({ ...tree, limbs }, today), today);
  expect(now.cuts.map(({ limbId }) => limbId).sort()).toEqual(left);
  expect([now.current, now.due]).toEqual([false, listed.due]);
  expect(now.findings.map(({ id }) => id)).toEqual(
    treeView({ ...tree, limbs }, today).findings.map(({ id }) => id),
  );
});

test('what somebody was asked, and what nobody has decided', () => {
  const asked = {
    ...did({
      kind: 'asked',
      at: '2026-11-23T10:00:00Z',
      treeId: 'a',
      findingId: '1',
      of: 'Net loft',
      question: 'Blight?',
    }),
    id: 'q',
  };
  const stem = finding('3', 'T', 'FB_CANK_A', { fromCm: 5, toCm: 12 });
  const view = treeView({ ...detail([canker, stem]), actions: [asked] }, today);
  const tree = listedTreeOf(view, null, today, false);
  expect(tree.questions).toEqual([
    { id: 'q', limbId: 'S', by: asked.by, of: 'Net loft', question: 'Blight?' },
  ]);
  expect(tree.toDecide).toEqual(['FB_CANK_A']);
  expect(workOf([tree, listed]).toDecide.map(({ id }) => id)).toEqual(['a']);
});
