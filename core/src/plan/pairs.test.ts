// Of two limbs in each other's way the better one is worth keeping. The weight is common practice, no source.
import { preparePlan } from './prepare';
import { fault, given, limb, planTree } from './testing/given';

const twins = (plan: object = {}, more: object = {}) =>
  given([fault('cross', 'a', 'crossing', ['a', 'b'], 60)], {
    tree: {
      limbs: [
        limb('T', null, 0, 90, 120, { tipMm: 100 }),
        ...['N', 'E', 'S', 'W'].map((id, i) => limb(id, 'T', 70 + 4 * i, 220, 60, { bearingDeg: 90 * i })),
        limb('a', 'E', 80, 110, 24, { bearingDeg: 90, ageYears: 5, ...more }),
        limb('b', 'E', 100, 110, 24, { bearingDeg: 90, ageYears: 5 }),
      ],
    },
    plan: { seasons: 1, ...plan },
  });
const goneOf = (input: ReturnType<typeof twins>) =>
  planTree(input, 60).plan.steps.flatMap(({ candidateId, solves }) =>
    solves.length > 0 ? [candidateId.split(' ')[0]] : [],
  );
const keptOf = (input: ReturnType<typeof twins>) =>
  preparePlan(input).keep.filter(({ because }) => because.includes('better'));

test('the other one goes; a word on its bloom turns it round', () => {
  for (const [better, worse] of [
    ['a', 'b'],
    ['b', 'a'],
  ] as const) {
    const input = twins({ moreBloom: [{ limbId: better, than: worse }] });
    expect(keptOf(input)).toMatchObject([{ limbId: better, worth: 2, because: ['better'] }]);
    expect(goneOf(input)).toEqual([worse]);
  }
});

test('where nothing tells them apart neither is worth more; the younger one is', () => {
  expect(keptOf(twins())).toEqual([]);
  expect(keptOf(twins({}, { ageYears: 6 }))).toMatchObject([{ limbId: 'b' }]);
});

test('of two over one another the one that the school keeps', () => {
  const stacked = (stackedPair: string) => {
    const input = twins({ settings: { stackedPair } }, { inclinationDeg: 45, jointCm: 100 });
    const [finding] = input.findings;
    if (finding?.fault) finding.fault.kind = 'over another';
    return keptOf(input).map(({ limbId }) => limbId);
  };
  // a rises by 10° more than b
  expect([stacked('lower'), stacked('upper')]).toEqual([['a'], ['b']]);
});
