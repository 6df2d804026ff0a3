// Training as work of a plan: what is chosen for a young tree by the default weights.
import type { Limb } from '../tree/index';
import type { PlanInput } from './input';
import { planning } from './planTree';
import { preparePlan } from './prepare';
import { given, limb } from './testing/given';
import { trainingOf } from './training';

const young = (limbs: Limb[], tree: object = {}, plan: object = {}): PlanInput =>
  given([], { tree: { limbs, form: 'central leader', plantedYear: 2022, heightCm: 200, ...tree }, plan });
const onStem = (id: string, jointCm: number, bearingDeg: number, more: Partial<Limb> = {}) =>
  limb(id, 'T', jointCm, 80, 16, { ageYears: 2, bearingDeg, inclinationDeg: 40, tipMm: 5, ...more });
/** Four limbs in a tier, one steep, one stout, one between the tiers, a rival at the tip. */
const four = [
  limb('T', null, 0, 180, 48, { tipMm: 16, ageYears: 4 }),
  onStem('a', 50, 0),
  onStem('b', 60, 90, { inclinationDeg: 70 }),
  onStem('c', 70, 180, { baseMm: 26, budsComplete: false }),
  onStem('d', 80, 270),
  onStem('e', 110, 40, { baseMm: 9 }),
  onStem('r', 165, 120, { inclinationDeg: 72, baseMm: 13, lengthCm: 50 }),
];
const stepsOf = (input: PlanInput) => planning(input).step(100_000).steps;

test('a four-year central leader: its leader is headed, its rival goes, its steep limb is spread, and none goes that is only thick', () => {
  const steps = stepsOf(young(four));
  expect(steps.every(({ serves }) => serves.includes('training'))).toBe(true);
  const ids = steps.map(({ candidateId }) => candidateId);
  // Of the 70 cm that it grew above its topmost limb, at 110 cm, two fifths go
  expect(ids).toContain('T heading 152');
  expect(ids).toContain('b tie down');
  // With what goes of the leader goes its rival, at 165 cm; one that joins lower goes by itself
  expect(ids.some((id) => id.startsWith('r '))).toBe(false);
  const lower = four.map((each) => (each.id === 'r' ? { ...each, jointCm: 150 } : each));
  expect(stepsOf(young(lower)).some(({ candidateId }) => candidateId.startsWith('r '))).toBe(true);
  expect(ids).not.toContain('c collar 0');
  expect(ids.filter((id) => id.startsWith('c '))).toEqual(['c tie down']);
  // Between the tiers a limb is tied down before it is taken out
  expect(ids).not.toContain('e collar 0');
  // The frame stays
  for (const id of ['a', 'b', 'c', 'd']) expect(ids).not.toContain(`${id} collar 0`);
});

test('a tip bearer is headed at its leader like any other; its limbs are not shortened', () => {
  const cuts = (habit: string) =>
    trainingOf(young(four, { habit }))
      .candidates.map(({ id }) => id)
      .filter((id) => id.startsWith('c ') || id.startsWith('T '));
  expect(cuts('tip')).toEqual(['T heading 152', 'c tie down']);
  expect(cuts('unknown')).toEqual(['T heading 152', 'c tie down']);
  expect(cuts('spur')[2]).toMatch(/^c (heading|collar)/);
});

test('only the limbs of the frame are worth keeping as its frame', () => {
  const { keep } = preparePlan(young([...four, onStem('x', 75, 200, { baseMm: 12 })]));
  const frame = keep.filter(({ because }) => because.includes('frame')).map(({ limbId }) => limbId);
  expect(frame.toSorted()).toEqual(['a', 'b', 'c', 'd']);
});

test.each([
  ['of six years is trained', 2020, true],
  ['of seven is not', 2019, false],
  ['of unknown age is not', null, false],
])('a central leader %s', (_, plantedYear, isTrained) => {
  expect(stepsOf(young(four, { plantedYear })).length > 0).toBe(isTrained);
});

test('limbs that were tied down stand well since', () => {
  const ids = stepsOf(young(four, {}, { tied: ['b', 'c', 'e'] })).map(({ candidateId }) => candidateId);
  expect(ids.filter((id) => /^[bce] /.test(id))).toEqual([]);
});
