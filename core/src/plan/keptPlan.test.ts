// A plan that was kept is taken up only where everything that it rests on is as it was.
import { inVisits, KeptPlan, keptPlanOf, type PlanInput, planStamp, solvedFrom, toldOf } from './index';
import { worthOf } from './problem';
import { fault, finding, given, planTree, vase } from './testing/given';

const input = given([finding('dead', 'A3', 20, 'DEAD'), fault('rub', 'B2', 'rubbing', ['B2', 'C1'], 40)], {
  tree: { limbs: vase() },
});
const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value));

/** The same with the keys of every object the other way round. */
function reordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(reordered);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .toReversed()
      .map(([key, part]) => [key, reordered(part)]),
  );
}

/** The same again and again, each time with another of its values changed. */
function* withOneChange(value: unknown): Generator<unknown> {
  if (value === null || typeof value !== 'object') yield value === 'other' ? 'others' : 'other';
  else
    for (const key of Object.keys(value))
      for (const part of withOneChange(value[key as never]))
        yield Array.isArray(value) ? value.with(Number(key), part) : { ...value, [key]: part };
}

test('the stamp is the same for the same input, whichever way it came, and another for any other', () => {
  const stamp = planStamp(input);
  expect(planStamp(reordered({ ...copy(input), more: undefined }) as PlanInput)).toBe(stamp);
  const others = [...withOneChange(copy(input))].map((other) => planStamp(other as PlanInput));
  expect(others.length).toBeGreaterThan(250);
  expect(new Set([stamp, ...others]).size).toBe(1 + others.length);
});

test('it says what a search says, and nothing for what has changed', () => {
  const { prepared, plan } = planTree(input);
  const solved = { prepared, ...inVisits(prepared, plan) };
  expect(plan.steps.length).toBeGreaterThan(0);
  const kept: KeptPlan = copy(keptPlanOf(solved));
  expect(copy(solvedFrom(kept, copy(input)))).toEqual(copy({ ...solved, prepared: toldOf(prepared) }));
  // The leaves of a crown are thousands, and nobody asks for them any more
  expect(JSON.stringify(toldOf(prepared)).length).toBeLessThan(JSON.stringify(prepared).length / 2);
  expect(solvedFrom(kept, { ...input, year: input.year + 1 })).toBeNull();
  // By a planner that weighs something else, by one that said nothing of it, or without an order
  expect(solvedFrom({ ...kept, problem: `${kept.problem}x` }, input)).toBeNull();
  expect(solvedFrom(KeptPlan.parse({ ...kept, problem: undefined }), input)).toBeNull();
  expect(solvedFrom({ ...kept, orders: {} }, input)).toBeNull();
});

test('another limit, value or cut is another problem; the last digits of a value are not', () => {
  const { prepared, plan } = planTree(input);
  const { problem } = prepared;
  const stampOf = (changed: typeof problem) =>
    keptPlanOf({ prepared: { ...prepared, problem: changed }, ...inVisits(prepared, plan) }).problem;
  const stamp = stampOf(problem);
  const [first, ...others] = problem.problems as [(typeof problem.problems)[number]];
  const valued = (factor: number) => ({
    ...problem,
    problems: [{ ...first, value: first.value * Math.PI * factor }, ...others],
  });
  expect(stampOf({ ...problem, limits: problem.limits.map((limit) => limit + 1) })).not.toBe(stamp);
  expect(stampOf({ ...problem, candidates: problem.candidates.slice(0, -1) })).not.toBe(stamp);
  expect(stampOf(valued(1.0001))).not.toBe(stampOf(valued(1)));
  expect(stampOf(valued(1 + 1e-12))).toBe(stampOf(valued(1)));
});

test('the plan of a young tree is kept by what was asked, not by what its training added', () => {
  const young = given([], {
    tree: {
      limbs: [{ ...(vase()[0] as ReturnType<typeof vase>[number]), lengthCm: 120, baseMm: 22, tipMm: 8 }],
      plantedYear: 2026,
    },
  });
  const { prepared, plan } = planTree(young);
  expect(plan.steps).toHaveLength(1);
  const kept = keptPlanOf({ prepared, ...inVisits(prepared, plan) });
  expect(kept.stamp).toBe(planStamp(young));
  expect(solvedFrom(kept, young)?.plan.steps).toEqual(plan.steps);
});

test('what the visit at hand is worth: the plan with it less the plan without, its minutes not counted; and the faces of its cuts', () => {
  const { prepared, plan } = planTree(input);
  const { worth, now } = keptPlanOf({ prepared, ...inVisits(prepared, plan) });
  const due = plan.steps.filter(({ season, pass }) => season === 1 && pass === now);
  const [slot] = prepared.problem.slots.flatMap(({ season, pass }, i) =>
    season === 1 && pass === now ? [i] : [],
  );
  const chosen = prepared.problem.candidates.map(({ id }) =>
    due.some(({ candidateId }) => candidateId === id) ? (slot as number) : -1,
  );
  // All that it does stands in this visit: without it nothing is done, which is worth nothing
  expect(due).toHaveLength(plan.steps.length);
  const minutes = prepared.problem.candidates.reduce(
    (sum, each, k) => sum + (chosen[k] === slot ? each.minutes : 0),
    0,
  );
  expect(worth?.points).toBeCloseTo(worthOf(prepared.problem, chosen) + 0.15 * minutes, 9);
  const faces = prepared.all.filter(({ id }) => due.some(({ candidateId }) => candidateId === id));
  const cm2 = faces.reduce((sum, { handling }) => sum + Math.PI * ((handling?.kerfMm ?? 0) / 20) ** 2, 0);
  expect(worth?.woundCm2).toBeCloseTo(cm2, 9);
  expect(cm2).toBeGreaterThan(0.1);
});

test.each([
  ['the summer after a winter', 'dormant', 1, 'summer', true],
  ['a winter later, before summer', 'dormant', 2, 'dormant', false],
  ['a summer later', 'summer', 2, 'summer', false],
  ['the winter after a summer', 'summer', 2, 'dormant', true],
  ['the winter two years on', 'summer', 3, 'dormant', false],
] as const)('visits after the one at hand: %s', (_, season, at, pass, next) => {
  const two = [finding('dead', 'A', 60, 'NEO'), fault('in', 'B1', 'inward')];
  const { prepared, plan: found } = planTree({ ...given(two), season });
  const steps = found.steps.map((step) => {
    const isLater = step.candidateId === 'B1 collar 0';
    return { ...step, season: isLater ? at : 1, pass: isLater ? pass : season };
  });
  const plan = { ...found, steps };
  const solved = { prepared, ...inVisits(prepared, plan) };
  const { ahead, now } = keptPlanOf(solved);
  expect(now).toBe(season);
  expect(ahead).toMatchObject([{ season: at, pass, next }]);
  const ids = new Set(['B1 collar 0']);
  const { problem } = prepared;
  const chosen = (isIn: (id: string) => boolean) =>
    problem.candidates.map(({ id }) => {
      const step = plan.steps.find(({ candidateId }) => candidateId === id && isIn(id));
      return problem.slots.findIndex(({ season, pass }) => season === step?.season && pass === step.pass);
    });
  const minutes = problem.candidates.reduce((sum, each) => sum + (ids.has(each.id) ? each.minutes : 0), 0);
  const less =
    worthOf(
      problem,
      chosen(() => true),
    ) -
    worthOf(
      problem,
      chosen((id) => !ids.has(id)),
    );
  // Minutes are not counted: 0.15 points each, a year on 0.85 of that
  expect(ahead[0]?.points).toBeCloseTo(less + 0.15 * minutes * 0.85 ** (at - 1), 9);
  const [kerf] = prepared.all.flatMap(({ id, handling }) => (handling && ids.has(id) ? handling.kerfMm : []));
  expect(ahead[0]?.woundCm2).toBeCloseTo(Math.PI * ((kerf ?? 0) / 20) ** 2, 9);
  const order = solved.orders[`${at} ${pass}`];
  expect(ahead[0]).toMatchObject({ minutes: Math.round(order?.tally.minutes ?? -1), powerSaw: false });
  expect(ahead[0]?.ladder).toBe((order?.tally.ladderMoves ?? 0) > 0);
});

// What runs on and what is at rest: common practice, no source
test.each([
  ['active fire blight runs on, and is counted for bloom', 'FB_CANK_A', {}, ['blightPoint', 'cankers']],
  ['blight at rest waits', 'FB_CANK_D', {}, null],
  ['blight at rest that oozes does not', 'FB_CANK_D', { active: true }, ['blightPoint', 'cankers']],
  ['a canker runs on', 'NEO', {}, ['cankerPoint']],
  ['dead wood waits', 'DEAD', {}, null],
  ['damaged wood may break', 'DMG', {}, ['atRisk']],
  ['where it may come down it is no matter of waiting', 'DMG', { danger: true }, null],
] as const)('what a visit loses by waiting: %s', (_, disorder, more, loses) => {
  const { prepared, plan } = planTree(
    given([{ ...finding('it', disorder === 'FB_CANK_D' ? 'A' : 'B1', 20, disorder), ...more }]),
  );
  const kept = keptPlanOf({ prepared, ...inVisits(prepared, plan) });
  const step = plan.steps.find(({ solves }) => solves.some(({ findingId }) => findingId === 'it'));
  expect(step).toBeDefined();
  const worth = step?.pass === kept.now ? kept.worth : kept.ahead[0];
  const facts = Object.entries(worth?.waits ?? {}).filter(([, value]) => value > 0);
  expect(facts.map(([key]) => key)).toEqual(loses ?? []);
  if (loses === null) return expect(worth?.waits).toBeNull();
  const { kerf } = prepared.all.find(({ id }) => id === step?.candidateId) ?? {};
  const limb = prepared.input.tree.limbs.find(({ id }) => id === kerf?.limbId);
  const aCm = ((step?.crown ?? 0) + (step?.exempt ?? 0)) / ((limb?.lengthCm ?? 0) - (kerf?.atCm ?? 0));
  const creeps = (worth?.waits?.blightPoint ?? 0) + (worth?.waits?.cankerPoint ?? 0);
  if (loses[0] !== 'atRisk') expect(creeps).toBeCloseTo(aCm * prepared.problem.costs.crown, 9);
  else expect(worth?.waits?.atRisk).toBe(prepared.problem.problems.find(({ id }) => id === 'it')?.value);
});

test.each([
  ['pole saw', true],
  ['pole shear', true],
  ['hand saw', false],
] as const)('a visit made with a %s asks for a pole: %s', (kind, pole) => {
  const asked = given([finding('it', 'B3', 20, 'NEO')]);
  // So steep that a hand does not reach it from the ground
  const limbs = asked.tree.limbs.map((limb) => (limb.id === 'B' ? { ...limb, inclinationDeg: 80 } : limb));
  const kit = [{ id: 'only', name: 'Only one', kind, takesMm: 300, lengthCm: 240 }];
  const steep = { ...asked, tree: { ...asked.tree, limbs }, settings: { ...asked.settings, kit } };
  const { prepared, plan } = planTree(steep);
  const { worth } = keptPlanOf({ prepared, ...inVisits(prepared, plan) });
  expect(worth).toMatchObject({ pole, powerSaw: false });
});
