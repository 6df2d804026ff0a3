// The season plan against every plan there is, against a general solver, and against plans thrown with dice. The value of nothing here is
// from a book: the seasons are made up; what is proved is that no other plan of them is better.
import highsLoader from 'highs';
import {
  CampaignInput,
  type CampaignSolved,
  type Highs,
  type Solver,
  solveCampaign,
  solverOf,
} from './index';
import { modelOf } from './model';
import { anyPlan, breachesOf, bruteForce, season } from './testing/seasons';

let solver: Solver;
beforeAll(async () => {
  solver = solverOf((await highsLoader()) as unknown as Highs);
});
const gainOf = ({ plan }: CampaignSolved) => plan.points - plan.allLeft;
const seeds = (from: number, count: number) => Array.from({ length: count }, (_, i) => from + i);

test('equal to trying every plan: 20 orchards of up to 8 visits and 6 slots', () => {
  for (const seed of seeds(1, 20)) {
    const input = season(seed, {
      visits: 5 + (seed % 3),
      slots: 3 + (seed % 2),
      pools: 1 + (seed % 2),
      musts: seed % 3,
    });
    const best = bruteForce(input);
    const solved = solveCampaign(input, solver);
    expect(breachesOf(input, solved.plan)).toEqual([]);
    expect([solved.plan.lateness, gainOf(solved)].map((figure) => figure.toFixed(6))).toEqual(
      [best.lateness, best.gain].map((figure) => figure.toFixed(6)),
    );
    expect(solved.plan.gap).toBe(0);
  }
});

test('no plan thrown with dice is as little late and better, and the bound holds: 5 seasons of up to 40 visits, one of 120', () => {
  for (const seed of seeds(100, 6)) {
    const isLarge = seed >= 105;
    const input = season(seed, {
      ...(isLarge ? { visits: 120, slots: 8, pools: 2 } : { visits: 14 + (seed % 9) * 3, slots: 6 }),
      musts: seed % 4,
    });
    const solved = solveCampaign(input, solver);
    expect(breachesOf(input, solved.plan)).toEqual([]);
    const model = modelOf(input);
    for (const throwing of seeds(1, isLarge ? 20 : 100)) {
      const other = anyPlan(model, throwing);
      expect(solved.plan.lateness).toBeLessThanOrEqual(other.lateness() + 1e-9);
      if (other.lateness() > solved.plan.lateness + 1e-9) continue;
      expect(gainOf(solved)).toBeGreaterThanOrEqual(other.gain() - 1e-9);
      expect(other.gain()).toBeLessThanOrEqual(solved.plan.bound - solved.plan.allLeft + 1e-6);
    }
    const { points, bound, allLeft, gap } = solved.plan;
    expect(gap).toBeCloseTo(bound > allLeft ? (bound - points) / (bound - allLeft) : 0, 9);
  }
});

test('more hours, people or ladders never lower a proved total, and to take a visit out never lowers that of the others', () => {
  for (const seed of seeds(300, 10)) {
    const input = season(seed, { visits: 7, slots: 4, musts: 0 });
    const before = gainOf(solveCampaign(input, solver));
    const changed = (change: (pool: CampaignInput['pools'][number]) => object): CampaignInput => ({
      ...input,
      pools: input.pools.map((pool) => ({ ...pool, ...change(pool) })),
    });
    for (const more of [
      changed(({ minutes }) => ({ minutes: minutes.map((each) => each + 15) })),
      changed(({ people }) => ({ people: people + 1 })),
      changed(({ ladders }) => ({ ladders: ladders + 1 })),
    ])
      expect(gainOf(solveCampaign(more, solver))).toBeGreaterThanOrEqual(before - 1e-6);
    const [, ...others] = input.visits;
    const solved = solveCampaign(input, solver);
    const first = solved.plan.done.find(({ visitId }) => visitId === input.visits[0]?.id);
    const t = input.slots.findIndex(({ id }) => id === first?.slotId);
    const own = first ? (input.visits[0]?.worth[t] ?? 0) - (input.visits[0]?.skip ?? 0) : 0;
    expect(gainOf(solveCampaign({ ...input, visits: others }, solver))).toBeGreaterThanOrEqual(
      before - own - 1e-6,
    );
  }
});

/** One person, two half-days of 100 minutes of which 85 are planned, visits of 30 minutes in one plot. */
const small = (more: object = {}, visits: object[] = [{}, {}, {}, {}, {}]) =>
  CampaignInput.parse({
    slots: ['2027-01-04', '2027-01-05'].map((day, i) => ({ id: `t${i}`, from: day, to: day })),
    pools: [{ id: 'crew', people: 1, ladders: 0, skills: [], minutes: [100, 100] }],
    visits: visits.map((each, i) => ({
      ...{ id: `v${i}`, plotId: 'plot', minutes: 30, ladder: false, needs: [], must: null, pin: null },
      ...{ worth: [10 + i, 8 + i], skip: 2 },
      ...each,
    })),
    ...more,
  });
const placesIn = (input: CampaignInput) => {
  const { plan } = solveCampaign(input, solver);
  return Object.fromEntries(plan.done.map(({ visitId, slotId }) => [visitId, slotId]));
};

test('85 of 100 minutes are planned, and ten of them go into beginning in a plot: two visits of 30 fit, of 37.5 too, of 38 one', () => {
  expect(
    solveCampaign(small(), solver).plan.slots.map(({ needed, workable, plots }) => [needed, workable, plots]),
  ).toEqual([
    [70, 85, 1],
    [70, 85, 1],
  ]);
  const fits = (minutes: number) =>
    Object.keys(
      placesIn(
        small(
          {},
          [{}, {}, {}].map(() => ({ minutes })),
        ),
      ),
    ).length;
  expect([37.5, 38].map(fits)).toEqual([3, 2]);
  // The cheapest is left, and told with what it costs
  expect(solveCampaign(small(), solver).plan.left).toEqual([
    { visitId: 'v0', because: 'others are worth more', costs: 8, must: false, pinned: false },
  ]);
});

test('a must goes before whatever is worth more; the heavier one where there is room for one; a pin is kept', () => {
  const must = { must: { by: '2027-01-04', weight: 1 }, worth: [1, 1] };
  const places = placesIn(small({}, [{ worth: [90, 5] }, { worth: [80, 5] }, { worth: [70, 5] }, must]));
  expect(places.v3).toBe('t0');
  const heavy = { ...must, must: { by: '2027-01-04', weight: 3 }, minutes: 60 };
  expect(placesIn(small({}, [{ ...must, minutes: 60 }, heavy]))).toEqual({ v0: 't1', v1: 't0' });
  const pinned = { pin: { slotId: 't1', poolId: null }, worth: [50, 1] };
  expect(placesIn(small({}, [{}, {}, {}, pinned])).v3).toBe('t1');
});

test('what nothing can be done about says why, and all else is planned', () => {
  const because = (visit: object, more: object = {}) => {
    const { plan } = solveCampaign(small(more, [visit, {}]), solver);
    expect(plan.done.map(({ visitId }) => visitId)).toContain(more === nobody ? undefined : 'v1');
    return plan.left[0]?.because;
  };
  const nobody = { pools: [] };
  const off = { pools: [{ id: 'crew', people: 1, ladders: 0, skills: [], minutes: [100, 0] }] };
  expect(because({ needs: ['arborist'] })).toBe('nobody has the skill');
  expect(because({ ladder: true })).toBe('nobody has a ladder');
  expect(because({ worth: [null, null] })).toBe('no day of its own');
  expect(because({ pin: { slotId: 't1', poolId: null } }, off)).toBe('nobody works then');
  expect(because({ minutes: 76 })).toBe('longer than a slot');
  expect(because({ minutes: 75 })).toBe(undefined);
  expect(because({ worth: [2, 1] })).toBe('better left');
});

test('the same season brings the same plan', () => {
  const input = season(9, { visits: 60, slots: 6, musts: 3, pins: 2 });
  expect(solveCampaign(input, solver).plan).toEqual(solveCampaign(input, solver).plan);
});

test.each([
  [
    'a figure too few for the slots',
    { pools: [{ id: 'crew', people: 1, ladders: 0, skills: [], minutes: [100] }] },
    'oneForEachSlot',
  ],
  [
    'hours below nothing',
    { pools: [{ id: 'crew', people: 1, ladders: 0, skills: [], minutes: [100, -1] }] },
    undefined,
  ],
  ['a visit twice', { visits: [0, 0].map(() => small().visits[0]) }, 'idTwice'],
  [
    'a pin to a day that is not listed',
    { visits: [{ ...small().visits[0], pin: { slotId: 'x', poolId: null } }] },
    'notListed',
  ],
])('%s is refused', (_, more, code) => {
  const { error } = CampaignInput.safeParse({ ...small(), ...more });
  expect(error?.issues).toHaveLength(1);
  if (code) expect(JSON.stringify(error?.issues)).toContain(code);
});

test('a large season: no plan thrown with dice is better, the bound holds, and whoever has begun in a plot goes on there', () => {
  const input = season(77, { visits: 300, slots: 12, pools: 3, plots: 4, minutes: 200, musts: 2, pins: 2 });
  const asked: string[] = [];
  const solved = solveCampaign(input, (lp, limits) => {
    asked.push(lp);
    return solver(lp, limits);
  });
  expect(breachesOf(input, solved.plan)).toEqual([]);
  const model = modelOf(input);
  const bound = solved.plan.bound - solved.plan.allLeft;
  // Of those that somebody fixed on a day on which they can be done
  const pinned = input.visits.flatMap(({ id, pin }, v) => (pin && model.options[v]?.length ? id : []));
  expect(pinned.length).toBeGreaterThan(0);
  expect(solved.plan.done.map(({ visitId }) => visitId)).toEqual(expect.arrayContaining(pinned));
  for (const throwing of seeds(1, 20)) {
    const other = anyPlan(model, throwing);
    expect(solved.plan.lateness).toBeLessThanOrEqual(other.lateness() + 1e-9);
    expect(gainOf(solved)).toBeGreaterThan(other.gain());
  }
  expect(bound).toBeGreaterThanOrEqual(gainOf(solved));
  // Beyond some thousands of choices nobody waits for a relaxed program of the whole
  const large = season(78, { visits: 420, slots: 40, pools: 4, plots: 30, minutes: 120, musts: 1 });
  asked.length = 0;
  const { plan } = solveCampaign(large, (lp, limits) => {
    asked.push(lp);
    return solver(lp, limits);
  });
  expect(Math.max(...asked.map((lp) => lp.length))).toBeLessThan(100_000);
  expect(breachesOf(large, plan)).toEqual([]);
  const plots = plan.slots.filter(({ plots }) => plots > 0).map(({ plots }) => plots);
  expect(plots.reduce((sum, each) => sum + each, 0) / plots.length).toBeLessThan(6);
});
