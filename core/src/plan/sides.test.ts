// Balance and gaps in a plan. Weights and limits are the brief’s, common practice, no source.
import type { Limb } from '../tree/index';
import { fault, given, limb, planTree, vase } from './testing/given';

/** A vase whose side to the north reaches twice as far as the others. */
function lopsided(): Limb[] {
  return vase().flatMap((each) => {
    if (each.id === 'A')
      return [
        { ...each, lengthCm: 420, baseMm: 130 },
        limb('A4', 'A', 210, 160, 70, { bearingDeg: 20, kind: 'branch', inclinationDeg: 15 }),
        limb('A5', 'A', 320, 140, 55, { bearingDeg: 340, kind: 'branch', inclinationDeg: 15 }),
      ];
    return [each];
  });
}
const plan = (limbs: Limb[], more: object = {}, findings: object[] = []) =>
  planTree(given(findings, { tree: { limbs, heightCm: 400, plantedYear: 1990 }, plan: more }));
const weights = (own: object) => ({
  settings: { ...given([]).settings, weights: { ...given([]).settings.weights, ...own } },
});

test('the longest limb of the heavy side is brought back to a branch, and the crown hangs less to it', () => {
  const { prepared, plan: found } = plan(lopsided(), weights({ balancePoint: 1 }));
  const steps = found.steps.filter(({ serves }) => serves.includes('balance'));
  expect(steps.map(({ candidateId }) => candidateId)).toEqual([expect.stringMatching(/^A reduction /)]);
  const { now, after } = found.sides ?? { now: null, after: [] };
  expect(Math.abs((((now?.heavyDeg ?? 90) + 180) % 360) - 180)).toBeLessThan(20);
  expect(after.at(-1)?.offCentre).toBeLessThan((now?.offCentre ?? 0) * 0.8);
  // Told from the leaves that are left, and the same as the cut alone does where nothing else is cut
  const k = prepared.chosenFrom.findIndex(({ id }) => id === steps[0]?.candidateId);
  if (found.steps.length === 1)
    expect(prepared.sides.effects[k]?.points).toBeCloseTo(
      ((now?.offCentre ?? 0) - (after.at(-1)?.offCentre ?? 0)) * 100,
      6,
    );
});

test('an even crown asks for no balance, and what takes it off its stem is charged by the point', () => {
  const { prepared } = plan(vase(), {}, [fault('low', 'A', 'too low')]);
  expect(prepared.asked.some(({ what }) => what === 'balance')).toBe(false);
  const k = prepared.chosenFrom.findIndex(({ id }) => id === 'A collar 0');
  const effect = prepared.sides.effects[k];
  expect(effect?.points).toBeLessThan(-10);
  // It opens a gap as well: three sectors round north are bare without it
  expect(effect?.opens).toEqual([{ middleDeg: 0, widthDeg: 135 }]);
  const frame = prepared.keep.find(({ limbId }) => limbId === 'A')?.worth ?? 0;
  expect(prepared.problem.candidates[k]?.own.keepWorth).toBeCloseTo(
    frame + 8 + 0.3 * -(effect?.points ?? 0),
    6,
  );
});

test('together the cuts gain no more than the crown lacks', () => {
  const { prepared } = plan(
    lopsided(),
    {},
    ['A1', 'A2', 'A3', 'A4', 'A5', 'A'].map((id) => fault(id, id, 'inward')),
  );
  const worth = prepared.asked
    .filter(({ what }) => what === 'balance')
    .reduce((sum, { value }) => sum + value, 0);
  expect(worth).toBeGreaterThan(0);
  expect(worth).toBeLessThanOrEqual(0.3 * 100 * (prepared.sides.now?.offCentre ?? 0) + 1e-9);
});

/** Three scaffolds over half of the circle; the one beside the bare half is young. */
function oneSided(more: Partial<Limb> = {}): Limb[] {
  return [
    limb('T', null, 0, 120, 120, { tipMm: 90 }),
    limb('A', 'T', 70, 200, 70, { bearingDeg: 0 }),
    limb('B', 'T', 80, 200, 68, { bearingDeg: 70 }),
    limb('C', 'T', 90, 160, 40, { bearingDeg: 165, ageYears: 5, ...more }),
  ];
}

test('a limb beside a bare side is tied over into it, where it still bends, and is not asked for twice', () => {
  const goes = (limbs: Limb[], more: object = {}) =>
    plan(limbs, more)
      .plan.steps.filter(({ serves }) => serves.includes('gap'))
      .map(({ candidateId }) => candidateId);
  expect(goes(oneSided())).toEqual(['C tie over']);
  expect(goes(oneSided({ baseMm: 46 }))).toEqual([]);
  expect(goes(oneSided({ ageYears: 7 }))).toEqual([]);
  expect(goes(oneSided({ lengthCm: 59 }))).toEqual([]);
  expect(goes(oneSided(), { tied: ['C'] })).toEqual([]);
});

test('a limb too stiff to tie is headed to a bud that points into the bare side, at half the worth', () => {
  const stiff = (more: Partial<Limb> = {}, tree: object = {}) =>
    planTree(
      given([], {
        tree: {
          ...{ limbs: oneSided({ ageYears: 7, baseMm: 14, budsComplete: false, ...more }), heightCm: 400 },
          ...{ plantedYear: 1990, ...tree },
        },
      }),
    );
  const { prepared, plan: found } = stiff();
  const step = found.steps.find(({ serves }) => serves.includes('gap'));
  // An apple’s is shortened by a quarter: 160 cm to 120
  expect(step?.candidateId).toBe('C collar 120');
  const p = prepared.asked.findIndex(({ what }) => what === 'gap');
  const k = prepared.chosenFrom.findIndex(({ id }) => id === step?.candidateId);
  expect(prepared.problem.candidates[k]?.solves).toEqual([{ problem: p, remains: 0.5 }]);
  const { what } = (prepared.chosenFrom[k] as (typeof prepared.chosenFrom)[number]).candidate;
  const middleDeg = found.sides?.now.gaps[0]?.middleDeg;
  expect(what).toMatchObject({ is: 'cut', cut: { towardDeg: middleDeg, upToCm: 120 } });
  const asks = (...given: Parameters<typeof stiff>) =>
    stiff(...given).prepared.asked.some(({ what: asked }) => asked === 'gap');
  // Where the buds are mapped none is known to point there; a tip bearer loses its fruit; thick old wood is headed nowhere
  expect([
    asks({ budsComplete: true }),
    asks({}, { habit: 'tip' }),
    asks({ baseMm: 46, tipMm: 40, ageYears: 30 }),
  ]).toEqual([false, false, false]);
  expect([asks({ lengthCm: 59 }), asks({ lengthCm: 60 })]).toEqual([false, true]);
});

test('a shoot that is too long and stands beside a bare side is headed once, to a bud that points there', () => {
  const shoot: Partial<Limb> = { kind: 'shoot', ageYears: 1, baseMm: 14, budsComplete: false };
  const { prepared } = plan(oneSided(shoot));
  const own = prepared.all.filter(({ id }) => id === 'C collar 120');
  expect(own).toHaveLength(1);
  expect(own[0]?.candidate.answers.map(({ findingId }) => findingId)).toEqual(
    expect.arrayContaining(['shoots C', expect.stringMatching(/^gap /)]),
  );
  expect(own[0]?.candidate.what).toMatchObject({
    cut: { towardDeg: prepared.sides.now?.gaps[0]?.middleDeg },
  });
});

test('where it still bends it is tied rather', () => {
  const { prepared, plan: found } = plan(oneSided({ baseMm: 14, budsComplete: false }));
  expect(prepared.chosenFrom.map(({ id }) => id)).toEqual(
    expect.arrayContaining(['C tie over', 'C collar 120']),
  );
  expect(
    found.steps.filter(({ serves }) => serves.includes('gap')).map(({ candidateId }) => candidateId),
  ).toEqual(['C tie over']);
});

test('an upright beside a bare side ends at a branch of a quarter that points into it; whole it fills nothing', () => {
  const upright = (heirMm: number) => [
    ...oneSided({ ageYears: 12 }),
    limb('U', 'C', 110, 160, 40, { bearingDeg: 165, inclinationDeg: 80 }),
    limb('V', 'U', 60, 80, heirMm, { bearingDeg: 250, inclinationDeg: 10 }),
  ];
  const found = plan(upright(14), weights({ gap: 60 }), [fault('U', 'U', 'upright sprout')]);
  const p = found.prepared.asked.findIndex(({ what }) => what === 'gap');
  const solves = (id: string) =>
    found.prepared.problem.candidates
      .find((candidate) => candidate.id.startsWith(id))
      ?.solves.find(({ problem }) => problem === p)?.remains;
  expect(solves('U reduction')).toBe(0);
  expect(solves('U collar 0')).toBe(1);
  expect(found.plan.steps.find(({ serves }) => serves.includes('gap'))?.candidateId).toMatch(/^U reduction/);
  // 40 mm at the base, 28.75 at the joint: a quarter is 7.2 mm
  const asks = (mm: number) => plan(upright(mm)).prepared.asked.some(({ what }) => what === 'gap');
  expect([asks(7), asks(7.3)]).toEqual([false, true]);
});

test('a young tree, and one that is trained flat, ask for neither', () => {
  const young = planTree(
    given([], { tree: { limbs: lopsided(), plantedYear: given([]).year - 6, heightCm: 400 } }),
  );
  expect(young.prepared.asked.some(({ what }) => what === 'balance' || what === 'gap')).toBe(false);
  const flat = planTree(
    given([], { tree: { limbs: lopsided(), form: 'espalier', plantedYear: 1990, heightCm: 400 } }),
  );
  expect(flat.plan.sides).toBeNull();
});

test('leaf of dead wood pulls to no side', () => {
  const dead = planTree(
    given([{ ...fault('dead', 'A', 'inward'), disorder: 'DEAD', fault: undefined, fromCm: 0, toCm: 420 }], {
      tree: { limbs: lopsided(), heightCm: 400, plantedYear: 1990 },
    }),
  );
  expect(Math.abs((dead.plan.sides?.now.heavyDeg ?? 0) - 180)).toBeLessThan(60);
});

test('a cut says that it brings the crown back from half a point of a hundred on, or where it does nothing else', () => {
  const found = ['A1', 'A2', 'A3', 'A4', 'A5', 'B1', 'B2', 'C1', 'D1'].map((id) => fault(id, id, 'inward'));
  const { prepared, plan: solved } = plan(lopsided(), {}, found);
  let [said, hushed] = [0, 0];
  for (const { candidateId, serves, solves } of solved.steps) {
    const k = prepared.chosenFrom.findIndex(({ id }) => id === candidateId);
    const points = prepared.sides.effects[k]?.points ?? 0;
    if (solves.length === 0 || points <= 0) continue;
    expect([candidateId, serves.includes('balance')]).toEqual([candidateId, points >= 0.5]);
    if (points >= 0.5) said++;
    else hushed++;
  }
  expect([said > 0, hushed > 0]).toEqual([true, true]);
});
