// The pace of a renovation: even shares of what is to come off, hard and then light, a little each year; and what each leads to. The brief’s figures; common practice, no source.
import { outlookOf } from './outlook';
import { evenLimits } from './pace';
import { planning } from './planTree';
import { preparePlan } from './prepare';
import { crownBySeason } from './problem';
import { PlanSearch } from './search';
import { fault, given, limb } from './testing/given';
import { planInstance } from './testing/instances';

/** A tree to renovate: nine misplaced limbs of equal thickness on a stem. */
const nine = [
  limb('T', null, 0, 120, 200, { tipMm: 160 }),
  ...Array.from({ length: 12 }, (_, i) =>
    limb(`L${i}`, 'T', 60 + 4 * i, 150, 40, { bearingDeg: 30 * i, kind: 'branch', inclinationDeg: 40 }),
  ),
];
const input = (more: object = {}, tree: object = {}) =>
  given(
    nine.slice(1, 10).map(({ id }) => fault(`f ${id}`, id, 'crossing')),
    {
      tree: {
        limbs: nine,
        form: 'open centre',
        renovated: true,
        plantedYear: null,
        vigour: 'strong',
        ...tree,
      },
      plan: { seasons: 3, ...more },
    },
  );
const solved = (given: ReturnType<typeof input>) => {
  const { prepared, step } = planning(given);
  return { prepared, plan: step(100_000) };
};

test('three paces of one tree: three plans, each with its own limits', () => {
  const perSeason = (pace: string) =>
    solved(input({ pace })).plan.seasons.map(({ crown, limit }) => ({ crown, limit }));
  // Nine limbs of twelve, 83 thousandths each, are to come off: 750 in three seasons is 250 each, with a tenth of room
  const even = perSeason('evenly');
  expect(even.map(({ crown }) => crown)).toEqual([249, 249, 249].map((crown) => expect.closeTo(crown, -1)));
  expect(even.map(({ limit }) => limit)).toEqual([275, 330, 330].map((limit) => expect.closeTo(limit, -0.5)));
  // What the first season’s share grows back has room, up to the limit of a renovation
  const { plan } = solved(input({ pace: 'evenly', settings: { regrowth: { dormant: 10, summer: 10 } } }));
  expect(plan.seasons.map(({ limit }) => limit)).toEqual(
    [275, 302, 302].map((limit) => expect.closeTo(limit, -0.5)),
  );
  expect(perSeason('hard first').map(({ limit }) => limit)).toEqual([400, 100, 100]);
  expect(perSeason('a little').map(({ limit }) => limit)).toEqual([200, 200, 200]);
  const outlooks = ['evenly', 'hard first', 'a little'].map((pace) => outlookOf(solved(input({ pace }))));
  expect(outlooks.map(({ left }) => left)).toEqual([0, 4, 4]);
  expect(outlooks.map(({ fullCropIn }) => fullCropIn)).toEqual([
    [3, 4],
    [2, 3],
    [0, 0],
  ]);
  expect(outlooks.map(({ doneIn }) => doneIn)).toEqual([3, 3, 3]);
  // A limb taken at its collar answers with none or one shoot: the nine, five and five that go
  expect(outlooks.map(({ shoots }) => shoots)).toEqual([
    [0, 9],
    [0, 5],
    [0, 5],
  ]);
});

test('the tree’s own limit is heard before every other voice, and its pace before that of the site', () => {
  for (const tree of [{}, { stressed: true }, { vigour: 'weak' }, { species: 'peach' }])
    expect(preparePlan(input({ limit: 120 }, tree)).limits).toMatchObject({
      limits: [120, 120, 120],
      because: { code: 'set for this tree' },
    });
  expect(preparePlan(input({ limit: 120 })).problem.limits).toEqual([120, 120, 120]);
  const site = { settings: { spread: 'a little' } };
  expect(preparePlan(input(site)).limits.because.code).toBe('renovated a little');
  expect(preparePlan(input({ ...site, pace: 'hard first' })).limits.because.code).toBe(
    'renovated hard first',
  );
  // Hard is for strong apples and pears
  expect(preparePlan(input({ pace: 'hard first' }, { vigour: 'moderate' })).limits).toMatchObject({
    limits: [330, 330, 330],
    because: { code: 'not strong enough to be hard' },
  });
});

test('even shares: over any instance no more than the limit, room for the largest cut, and all of it within the seasons', () => {
  for (let seed = 1; seed <= 12; seed++) {
    const problem = planInstance(seed, { candidates: 30, seasons: 3, limit: 330 });
    const even = evenLimits(problem);
    const free = { ...problem, limits: [9999, 9999, 9999] };
    const whole = crownBySeason(free, new PlanSearch(free).step(100_000).plan ?? []).reduce(
      (a, b) => a + b,
      0,
    );
    even.forEach((limit) => {
      expect(limit).toBeLessThanOrEqual(330);
      expect(limit).toBeGreaterThanOrEqual(Math.min(330, whole / 3));
    });
    expect(new Set(even).size).toBe(1);
  }
});

test('what must go at once is no reason to call a plan impossible: the limits then stay as they are', () => {
  const problem = planInstance(3, { candidates: 12, seasons: 2, limit: 300 });
  const [first] = problem.candidates.flatMap(({ own, isCut }, k) => (isCut && own.crown > 0 ? [k] : []));
  const pinned = {
    ...problem,
    required: problem.candidates.flatMap(({ isCut, parent }, k) => (isCut && parent === null ? [k] : [])),
    candidates: problem.candidates.map((each) => ({
      ...each,
      slots: each.slots.includes(0) || each.parent === null ? [0] : each.slots,
    })),
  };
  expect(first).toBeDefined();
  const { limits } = pinned;
  const even = evenLimits({ ...pinned, limits });
  const plan = new PlanSearch({ ...pinned, limits: even }).step(100_000);
  const before = new PlanSearch(pinned).step(100_000);
  expect(plan.plan === null).toBe(before.plan === null);
});

test('what came off already is part of the first season’s share', () => {
  const problem = planInstance(2, { candidates: 30, seasons: 3, limit: 330 });
  const [share] = evenLimits(problem);
  const [first, second] = evenLimits(problem, 60);
  // 1.1 of a third of 60 more in each season, and in the first the 60 are done
  expect(Math.abs((second as number) - Math.min(330, (share as number) + 22))).toBeLessThanOrEqual(1);
  expect(Math.abs((first as number) - ((second as number) - 60))).toBeLessThanOrEqual(1);
});

test('what little there is comes off at once: no share is under a tenth of the crown', () => {
  const { plan, prepared } = solved({ ...input(), findings: input().findings.slice(0, 1) });
  expect(prepared.problem.limits).toEqual([100, 125, 125]);
  expect(plan.steps.map(({ season }) => season)).toEqual([1]);
  expect(plan.seasons[0]?.crown).toBeLessThan(100);
});

test('one season has no even share', () => {
  expect(preparePlan(input({ seasons: 1 })).problem.limits).toEqual([330]);
});

// A limb taken at its collar answers with none or one shoot: half a shoot each, 0.15 minutes, half as much again after a season over 300
test.each<[string, number]>([
  ['a little', 2 * 0.5 * 0.15],
  ['hard first', 4 * 0.5 * 0.15 * 1.5],
])('%s: minutes for the shoots that the first season calls up', (pace, minutes) => {
  const { plan } = solved(input({ pace, settings: { regrowth: { dormant: 0, summer: 0 } } }));
  expect(plan.seasons[0]?.shootMinutes).toBeCloseTo(minutes, 9);
  const summer = solved(input({ pace, season: 'summer', seasons: 1 }, { species: 'sweet-cherry' })).plan;
  expect(summer.steps.length).toBeGreaterThan(0);
  expect(summer.seasons[0]?.shootMinutes).toBe(0);
});
