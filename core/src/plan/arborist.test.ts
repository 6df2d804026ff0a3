// Whose part is it? On a tall tree the plan keeps what a way leads to, and lists the rest with its measures. Limits: handling/cautions.test.ts.
import { arboristPart } from './index';
import { finding, given, limb, planTree } from './testing/given';

/** 7.6 m: two scaffolds within reach, two that nobody reaches from a ladder. */
const limbs = [
  limb('T', null, 0, 760, 180, { tipMm: 30 }),
  limb('A', 'T', 120, 220, 60, { bearingDeg: 0, inclinationDeg: 20 }),
  limb('B', 'T', 150, 220, 60, { bearingDeg: 180, inclinationDeg: 20 }),
  limb('C', 'T', 480, 200, 55, { bearingDeg: 90 }),
  limb('D', 'T', 500, 200, 70, { bearingDeg: 270 }),
];
const tall = (hazards: ('cavity' | 'lean')[] = []) =>
  planTree(
    given(
      ['A', 'B', 'C', 'D'].map((id) => finding(id, id, 20, 'DEAD')),
      { tree: { limbs, heightCm: 760, hazards } },
    ),
  );

test('a tree of 7.6 m has work of mine from the ground, and a list for the arborist', () => {
  const { plan, prepared } = tall();
  const solved = plan.steps.flatMap(({ solves }) => solves.map(({ findingId }) => findingId));
  expect(solved.toSorted()).toEqual(['A', 'B']);
  for (const { candidateId } of plan.steps)
    expect(prepared.all.find(({ id }) => id === candidateId)?.handling?.wielded?.station).toBe('ground');
  expect(plan.handOver).toEqual(['C', 'D']);
  const part = arboristPart(prepared, plan);
  expect(part.map(({ findingIds }) => findingIds)).toEqual([['C'], ['D']]);
  for (const { priced, because } of part) {
    expect(priced.handling.kerfHeightCm).toBeGreaterThan(350);
    expect(because).toContainEqual({
      kind: 'hand over',
      because: { code: 'cut too high', values: { overCm: 340 } },
    });
    expect(because.every(({ kind }) => kind === 'hand over')).toBe(true);
  }
  // Everything is either mine, left with a reason, or the arborist's: nothing is both
  expect(solved.filter((id) => plan.handOver.includes(id))).toEqual([]);
});

test('the lightest cut that answers it stands in the list, once for all that it answers', () => {
  const twice = given([finding('one', 'C', 20, 'DEAD'), finding('two', 'C', 20, 'DEAD')], {
    tree: { limbs, heightCm: 760 },
  });
  const { plan, prepared } = planTree(twice);
  const [cut, ...more] = arboristPart(prepared, plan);
  expect(more).toEqual([]);
  expect(cut?.findingIds.toSorted()).toEqual(['one', 'two']);
  const masses = prepared.all.flatMap(({ handling, candidate }) =>
    handling && candidate.answers.some(({ findingId }) => findingId === 'one') ? [handling.massKg] : [],
  );
  expect(cut?.priced.handling.massKg).toBe(Math.min(...masses));
});

test('a leaning tree is an arborist’s whole, a hollow one keeps its ground work', () => {
  expect(tall(['lean']).plan.handOver).toEqual(['A', 'B', 'C', 'D']);
  const hollow = tall(['cavity']);
  expect(hollow.plan.handOver).toEqual(['C', 'D']);
  expect(hollow.plan.steps.flatMap(({ solves }) => solves)).toHaveLength(2);
});
