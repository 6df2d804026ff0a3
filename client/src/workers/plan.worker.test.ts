// When the worker tells the page: never again before the page has drawn, and never after the last word.
import './importMeta';
import type { KeptPlan, PlanInput, Solved } from '@mortisect/core/plan';
import type { PlanWork } from './plan.worker';

const mockExposed: { work?: PlanWork } = {};
jest.mock('comlink', () => ({
  expose: (work: PlanWork) => {
    mockExposed.work = work;
  },
}));
/** A search that gets further with every step of ten milliseconds, and is proved when the test says so. */
const mockSearch = { ms: 0, proved: false };
jest.mock('@mortisect/core/plan', () => ({
  planning: () => ({
    prepared: {},
    step: () => {
      mockSearch.ms += 10;
      return { proof: { done: mockSearch.proved } };
    },
  }),
  toldOf: (prepared: unknown) => prepared,
  inVisits: (_: unknown, plan: unknown) => ({ plan, orders: {} }),
  solvedFrom: ({ stamp, plan }: KeptPlan) => (stamp === 'holds' ? { prepared: {}, plan, orders: {} } : null),
}));
require('./plan.worker');
jest.spyOn(performance, 'now').mockImplementation(() => mockSearch.ms);

/** Starts a search of at most a second and a half; `draws` is how the page takes what it is told. Returns when it was told, in milliseconds. */
function solve(draws: () => Promise<void>) {
  Object.assign(mockSearch, { ms: 0, proved: false });
  const told: number[] = [];
  const work = mockExposed.work as PlanWork;
  const tell = () => {
    told.push(mockSearch.ms);
    return draws();
  };
  return { told, answer: work.solve(1, {} as PlanInput, tell, 1500) };
}
const pause = (ms: number) => new Promise<void>((resolve) => setTimeout(resolve, ms));

test('while the page draws it is told nothing more, it is searched on, and the proof waits for the page', async () => {
  let drawn = () => {};
  const { told, answer } = solve(
    () =>
      new Promise((resolve) => {
        drawn = resolve;
      }),
  );
  let last: Solved | null = null;
  void answer.then((solved) => {
    last = solved;
  });
  // Well past the time after which it would tell again
  while (mockSearch.ms < 600) await pause(1);
  mockSearch.proved = true;
  await pause(100);
  expect(told).toEqual([40 + 10]);
  expect(last).toBeNull();
  drawn();
  await answer;
  expect(last).toMatchObject({ plan: { proof: { done: true } } });
  expect(told).toHaveLength(1);
});

test.each([
  ['draws at once', 0, 4 * 40],
  ['takes a tenth of a second to draw', 100, 100 + 3 * 100],
])('a page that %s (%i ms) is told again after %i ms', async (_, drawsMs, apartMs) => {
  const { told, answer } = solve(async () => {
    mockSearch.ms += drawsMs;
  });
  await answer;
  expect(told.length).toBeGreaterThanOrEqual(3);
  for (const [i, at] of told.slice(1).entries()) {
    // It looks up from the search every 40 ms
    expect(at - (told[i] ?? 0)).toBeGreaterThanOrEqual(apartMs);
    expect(at - (told[i] ?? 0)).toBeLessThan(apartMs + 50);
  }
});

test('of kept plans it is said which hold, each in its place; other questions come in between', async () => {
  const kept = (stamp: string) =>
    ({ stamp, plan: { proof: { done: true } }, orders: {} }) as unknown as KeptPlan;
  const work = mockExposed.work as PlanWork;
  const list = ['holds', 'is past', 'holds'].map((stamp) => ({ kept: kept(stamp), input: {} as PlanInput }));
  let asked = false;
  const hold = work.stillHold(list);
  setTimeout(() => {
    asked = true;
  });
  expect(await hold).toEqual([true, false, true]);
  expect(asked).toBe(true);
  expect(work.takeUp(list[0]?.kept as KeptPlan, {} as PlanInput)?.plan).toBe(list[0]?.kept.plan);
  expect(work.takeUp(list[1]?.kept as KeptPlan, {} as PlanInput)).toBeNull();
});
