// Height as work of a plan: what each step down is worth, that a stem is brought down by thirds, and that trees which are too tall come down by the default weights.
import type { Limb } from '../tree/index';
import { arboristPart } from './arborist';
import type { PlanInput } from './input';
import { planning } from './planTree';
import { preparePlan } from './prepare';
import { given, limb } from './testing/given';
import type { HeightOfPlan, TreePlan } from './treePlan';

type Left = HeightOfPlan['limbs'][number]['left'];
const solve = (input: PlanInput): TreePlan => planning(input).step(200_000);
/** A pear of 5.4 m: a leader with a main limb every 44 cm, shorter the higher. */
const pear = [
  limb('T', null, 0, 540, 140, { tipMm: 16 }),
  ...Array.from({ length: 10 }, (_, i) =>
    limb(`S${i}`, 'T', 80 + 44 * i, Math.max(60, 190 - 12 * i), Math.max(22, 60 - 3.4 * i), {
      bearingDeg: (i * 137) % 360,
      inclinationDeg: 10,
    }),
  ),
];
/** An apple of four main limbs that went up to 8 m and were never lowered, a side branch every 80 cm. */
const apple = [
  limb('T', null, 0, 110, 260, { tipMm: 230 }),
  ...['A', 'B', 'C', 'D'].flatMap((id, i) => [
    limb(id, 'T', 80 + 8 * i, 720, 120, { bearingDeg: 90 * i, inclinationDeg: 72, tipMm: 12 }),
    ...Array.from({ length: 8 }, (_, n) =>
      limb(`${id}${n}`, id, 80 + 80 * n, Math.max(60, 190 - 18 * n), Math.max(14, 62 - 6.5 * n), {
        bearingDeg: 90 * i + (n % 2 ? 50 : -50),
        inclinationDeg: 5,
      }),
    ),
  ]),
];
const asked = (limbs: Limb[], targetHeightCm: number | null, more: { tree?: object; plan?: object } = {}) =>
  given([], {
    tree: { limbs, form: 'wild', plantedYear: null, targetHeightCm, ...more.tree },
    plan: { seasons: 4, ...more.plan },
  });
const everyYear = { booked: [1, 2, 3, 4] };

test.each<[string, Limb[], number, object]>([
  ['an apple of 8 m', apple, 400, { renovated: true }],
  ['a pear of 5.4 m', pear, 350, { species: 'pear', form: 'central leader' }],
])(
  '%s is lowered over two to four seasons by the default weights, nothing found, with a visit booked',
  (_, limbs, target, tree) => {
    const plan = solve(asked(limbs, target, { tree, plan: everyYear }));
    expect(plan.proof.done).toBe(true);
    expect(plan.steps.every(({ serves, solves }) => serves.includes('height') && solves.length === 0)).toBe(
      true,
    );
    expect(new Set(plan.steps.map(({ season }) => season)).size).toBeGreaterThanOrEqual(2);
    expect(plan.height?.afterCm.at(-1)).toBeLessThanOrEqual(target + 25);
    for (const { crown, limit } of plan.seasons) expect(crown).toBeLessThanOrEqual(limit);
  },
);

test('without a visit what is out of reach is the arborist’s, with the first step of the stem; what can be reached is done', () => {
  const input = asked(pear, 350, { tree: { species: 'pear', form: 'central leader' } });
  const prepared = preparePlan(input);
  const plan = solve(input);
  expect(plan.handOver).toContain('height T');
  const stem = arboristPart(prepared, plan).find(({ priced }) => priced.kerf?.limbId === 'T');
  expect(stem).toMatchObject({ goals: ['height'], findingIds: [] });
  // Two thirds of 540 cm stay in one season
  expect(stem?.priced.kerf?.atCm).toBeGreaterThanOrEqual(360);
  expect(stem?.priced.kerf?.atCm).toBeLessThan(404);
  const hard = { ...input, settings: { ...input.settings, spread: 'hard first' as const } };
  const atOnce = arboristPart(preparePlan(hard), solve(hard)).find(
    ({ priced }) => priced.kerf?.limbId === 'T',
  );
  expect(atOnce?.priced.kerf?.atCm).toBeLessThan(360);
});

test('a stem is never cut deeper than a third in a season, unless the pace is hard', () => {
  const input = asked(pear, 200, {
    tree: { species: 'pear', form: 'wild' },
    plan: { ...everyYear, seasons: 5 },
  });
  const prepared = preparePlan(input);
  const stem = solve(input)
    .steps.map(({ season, candidateId }) => ({
      season,
      kerf: prepared.all.find(({ id }) => id === candidateId)?.kerf,
    }))
    .filter(({ kerf }) => kerf?.limbId === 'T');
  expect(stem.length).toBeGreaterThan(1);
  let left = 540;
  for (const { kerf } of stem) {
    expect(kerf?.atCm).toBeGreaterThanOrEqual((left * 2) / 3);
    left = kerf?.atCm ?? 0;
  }
  expect(prepared.problem.after.length).toBeGreaterThan(0);
  const hard = { ...input, settings: { ...input.settings, spread: 'hard first' as const } };
  expect(preparePlan(hard).problem.after).toEqual([]);
  // What somebody pinned is made when they say
  const deep = prepared.chosenFrom.find(({ kerf }) => kerf?.limbId === 'T' && kerf.atCm < 360)?.id ?? '';
  const pinned = { ...input, pins: [{ kind: 'goes' as const, candidateId: deep, season: 1 }] };
  expect(preparePlan(pinned).problem.after.some(([k]) => prepared.problem.candidates[k]?.id === deep)).toBe(
    false,
  );
});

/** A leader of 5 m with one heir at 3.4 m; 10 for a stem, 1 m 50 too tall, and the crown above by its share. */
const leader = (...more: Limb[]) => [
  limb('T', null, 0, 500, 100, { tipMm: 0 }),
  limb('low', 'T', 60, 150, 60, { inclinationDeg: 0 }),
  limb('heir', 'T', 340, 100, 30, { inclinationDeg: 0 }),
  ...more,
];
const worthOf = (limbs: Limb[], more: Parameters<typeof asked>[2] = {}) => {
  const prepared = preparePlan(asked(limbs, 350, { ...more, plan: { booked: [1], ...more.plan } }));
  const of = prepared.asked.filter(({ what }) => what === 'height');
  const above = prepared.crown.pieces
    .filter(({ limbId, fromCm, toCm }) => limbId === 'T' && (fromCm + toCm) / 2 > 350)
    .reduce((sum, { crown }) => sum + crown, 0);
  return { worth: of.reduce((sum, { value }) => sum + value, 0), above, steps: of.length, prepared };
};

test('what a step down is worth: ten for a stem and a main limb, five for another, by the metre up to 1.6, and 0.06 for a thousandth above', () => {
  const { worth, above, steps } = worthOf(leader());
  expect(above).toBeGreaterThan(0);
  expect(worth).toBeCloseTo(10 * 1.5 + 0.06 * above, 6);
  expect(steps).toBe(1);
  const higher = leader().map((each) => (each.id === 'T' ? { ...each, lengthCm: 520 } : each));
  expect(worthOf(higher).worth).toBeCloseTo(10 * 1.6 + 0.06 * worthOf(higher).above, 6);
  const up = limb('up', 'T', 345, 100, 20, { inclinationDeg: 90, kind: 'lateral' });
  const { prepared } = worthOf(leader(up));
  const own = prepared.crown.pieces
    .filter(({ limbId }) => limbId === 'up')
    .reduce((sum, { crown }) => sum + crown, 0);
  const ofUp = prepared.asked.filter(({ id }) => id.startsWith('height up '));
  expect(ofUp.reduce((sum, { value }) => sum + value, 0)).toBeCloseTo(5 * 0.95 + 0.06 * own, 1);
  const dear = worthOf(leader(), { plan: { settings: { weights: { tooHigh: 20, heightCrown: 0 } } } });
  expect(dear.worth).toBeCloseTo(20 * 1.5, 6);
});

test('each step earns its own part: half the way down is worth half, and both seasons together the whole', () => {
  const two = leader(limb('mid', 'T', 420, 100, 20, { inclinationDeg: 0 }));
  const { prepared, worth, steps } = worthOf(two);
  expect(steps).toBe(2);
  const gain = (atCm: number) => {
    const k = prepared.chosenFrom.findIndex(
      ({ kerf }) => kerf?.limbId === 'T' && Math.abs(kerf.atCm - atCm) < 4,
    );
    return prepared.problem.candidates[k]?.solves
      .filter(({ problem }) => prepared.asked[problem]?.what === 'height')
      .reduce((sum, { problem }) => sum + (prepared.problem.problems[problem]?.value ?? 0), 0);
  };
  // The kerf beyond the branch at 420 cm lies at 421.6: of 150 cm too much 71.6 are left
  expect((gain(421.6) ?? 0) / worth).toBeCloseTo(1 - 71.6 / 150, 3);
  expect((gain(344) ?? 0) / worth).toBeCloseTo(1, 9);
});

test('a limb that is brought down keeps its worth, one that goes whole loses it, and what joins above the height has none', () => {
  const limbs = leader(
    limb('side', 'T', 320, 200, 40, { inclinationDeg: 60, bearingDeg: 90 }),
    limb('sideA', 'side', 60, 60, 20, { inclinationDeg: 0, bearingDeg: 90 }),
    limb('high', 'T', 400, 120, 30, { bearingDeg: 180, inclinationDeg: 0 }),
  );
  const { prepared } = worthOf(limbs);
  const kept = (id: string) =>
    prepared.problem.candidates.find((each) => each.id.startsWith(id))?.own.keepWorth;
  expect(prepared.keep.find(({ limbId }) => limbId === 'high')?.worth).toBeGreaterThan(0);
  expect(kept('side reduction')).toBe(0);
  expect(kept('side collar')).toBeGreaterThan(0);
  const ofStem = prepared.problem.candidates.filter(({ id }) => id.startsWith('T '));
  expect(ofStem.reduce((sum, { own }) => sum + own.keepWorth, 0)).toBeLessThanOrEqual(
    prepared.keep.filter(({ limbId }) => limbId === 'heir').reduce((sum, { worth }) => sum + worth, 0),
  );
});

test.each<[string, Limb[], object, Left]>([
  ['brought down', leader(), { booked: [1] }, 'reached'],
  ['the arborist’s', leader(), {}, 'hand over'],
  ['without an heir', leader().filter(({ id }) => id !== 'heir'), { booked: [1] }, 'no heir'],
  [
    'of no worth',
    leader(),
    { booked: [1], settings: { weights: { tooHigh: 0, heightCrown: 0 } } },
    'not worth it',
  ],
  [
    'over the limit',
    leader(),
    {
      booked: [1],
      seasons: 1,
      pins: [{ kind: 'stays', limbId: 'heir' }],
      settings: { costs: { crown: 0, fruit: 0, exemptCrown: 0, exemptFruit: 0, minute: 0 } },
    },
    'no room',
  ],
])('a stem %s says so', (name, limbs, plan, left) => {
  const input = asked(limbs, 350, { plan });
  const said = solve(
    name === 'over the limit'
      ? { ...input, tree: { ...input.tree, stressed: true, vigour: 'weak', plantedYear: 2023 } }
      : input,
  );
  expect(said.height?.limbs.find(({ limbId }) => limbId === 'T')?.left).toBe(left);
  expect(said.height?.nowCm).toBeCloseTo(500, 9);
});

test('where no height is set, or nothing stands above it, nothing is lowered', () => {
  expect(solve(asked(leader(), null))).toMatchObject({ steps: [], height: null });
  expect(solve(asked(leader(), 480))).toMatchObject({ steps: [], height: null });
});

test('a stem that goes at the stool waits for no step down of itself', () => {
  const limbs = [...pear, limb('U', null, 0, 320, 110, { tipMm: 20 })];
  const { problem, chosenFrom } = preparePlan(
    given([], { tree: { limbs, species: 'pear', heightCm: 540, targetHeightCm: 350 } }),
  );
  const at = (k: number) => chosenFrom[k]?.kerf?.atCm;
  const stool = chosenFrom.findIndex(({ kerf }) => kerf?.limbId === 'T' && kerf.atCm === 0);
  // Too heavy for one person, it is an arborist's: nothing of it is chosen from
  expect(stool).toBe(-1);
  const booked = preparePlan(
    given([], {
      tree: { limbs, species: 'pear', heightCm: 540, targetHeightCm: 350 },
      plan: { booked: [1] },
    }),
  );
  const k = booked.chosenFrom.findIndex(({ kerf }) => kerf?.limbId === 'T' && kerf.atCm === 0);
  expect(k).toBeGreaterThanOrEqual(0);
  expect(booked.problem.after.map(([first]) => first)).not.toContain(k);
  expect(problem.after.every(([first]) => (at(first) ?? 0) > 0)).toBe(true);
});
