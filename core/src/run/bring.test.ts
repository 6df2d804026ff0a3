// What to bring, by the cuts ahead: each tool with its cuts and the thickest of them, a ladder where one is stood on, time and supplies.
import { siteToday, treeView } from '../present/index';
import { detail, finding, listedTreesOf, site } from '../testing/index';
import { bringFor, type RunItem, runOf, transmissionCuts, workOf } from './index';

const on = siteToday(site, null, '2026-11-24');
const itemsOf = (...disorders: string[]): RunItem[] => {
  const findings = disorders.map((disorder, i) => finding(`${i}`, i === 0 ? 'S' : 'R', disorder));
  const views = [treeView(detail(findings), on)];
  return runOf({ work: workOf(listedTreesOf(views, on)), actions: [], today: on }).left;
};
const [first] = itemsOf('FB_CANK_A') as [RunItem];
const tool = (id: string) => on.site.plan.kit.find((item) => item.id === id) ?? on.site.plan.kit[0];
const cutWith = (id: string, kerfMm: number, more: Partial<RunItem> = {}): RunItem => {
  const [saw] = [tool(id)];
  if (!saw) throw new Error('The kit is empty.');
  const wielded = { toolId: saw.id, station: 'ground' as const };
  return { ...first, handling: { ...first.handling, kerfMm, wielded }, ...more };
};

test('each tool is brought that something is cut with, with the thickest it must take', () => {
  const { tools } = bringFor({ left: [cutWith('saw', 40), cutWith('saw', 62), cutWith('shear', 12)] }, on);
  expect(tools.map(({ tool: { id }, cuts, thickestMm }) => [id, cuts, thickestMm])).toEqual(
    on.site.plan.kit.flatMap(({ id }) =>
      id === 'saw' ? [['saw', 2, 62]] : id === 'shear' ? [['shear', 1, 12]] : [],
    ),
  );
  expect(bringFor({ left: [] }, on).tools).toEqual([]);
});

test('a ladder is brought as soon as one cut is made from it', () => {
  expect(bringFor({ left: [first, first] }, on).ladder).toBe(false);
  expect(bringFor({ left: [first, { ...first, ladder: true }] }, on).ladder).toBe(true);
});

test('time is that of the cuts, and supplies follow time, cuts and blades of a kind', () => {
  /** Each on a tree of its own, so that each asks for a clean blade. */
  const twelve = (minutes: number) =>
    Array.from(
      { length: 12 },
      (_, i): RunItem => ({ ...first, minutes, tree: { ...first.tree, id: `t${i}` } }),
    );
  const short = bringFor({ left: twelve(1) }, on);
  const long = bringFor({ left: twelve(20) }, on);
  expect([short.minutes, long.minutes]).toEqual([12, 240]);
  expect(short.cleanings).toBe(12);
  // The faster the cuts follow one another, the more blades it takes for none to wait
  expect(bringFor({ left: twelve(0.25) }, on).supplies.bladesForNoWait).toBeGreaterThan(
    long.supplies.bladesForNoWait,
  );
  // A jar is topped up with the hours, of a day at most
  const jar = (minutes: number) => bringFor({ left: twelve(minutes) }, on, undefined, 'dip').supplies.litres;
  expect(jar(20)).toBeGreaterThan(jar(1));
  expect(jar(200)).toBe(jar(120));
  const twins = siteToday(
    { ...site, plan: { ...site.plan, kit: site.plan.kit.map((item) => ({ ...item, count: 3 })) } },
    null,
    '2026-11-24',
  );
  expect(bringFor({ left: twelve(1) }, twins).supplies.waitMinutes).toBeLessThan(short.supplies.waitMinutes);
  // No cut a second, however short they are said to be
  const rushed = bringFor({ left: twelve(0) }, on).supplies;
  expect(rushed.bladesForNoWait).toBe(bringFor({ left: twelve(5 / 60) }, on).supplies.bladesForNoWait);
});

test('a cut is soft in green shoots only, where the wood is sound', () => {
  const healthy = { ...first, infectedKerf: false };
  const soft = (item: RunItem, season: boolean) => transmissionCuts([item], season)[0]?.soft;
  expect([soft(healthy, true), soft(healthy, false), soft({ ...healthy, infectedKerf: true }, true)]).toEqual(
    [true, false, false],
  );
  expect(transmissionCuts([first], false)).toMatchObject([
    { treeId: 'a', disorders: ['FB_CANK_A'], infected: first.infectedKerf },
  ]);
});
