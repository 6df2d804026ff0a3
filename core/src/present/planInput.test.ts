// Records put together for the planner: what was pinned, lifted, decided or set by hand, and what of it still stands.

import { PlanInput } from '../plan/index';
import type { ActionBody } from '../records/index';
import { clearanceByHand, planInputOf } from './index';
import { seasonsOf } from './planInput';
import { AT, detail, givenSite, id } from './testing/given';

const site = givenSite();
const pinned = (pin: object) => ({ kind: 'planPinned', at: AT, treeId: 'a', pin }) as ActionBody;
const set = (clearanceCm: number | null): ActionBody => ({
  kind: 'clearanceSet',
  at: AT,
  treeId: 'a',
  findingId: id(0),
  clearanceCm,
});
const input = (...given: Parameters<typeof detail>) => planInputOf(detail(...given), site, '2026-11-24');

test('what records say is a sound input', () => {
  expect(PlanInput.safeParse(input([])).error).toBeUndefined();
  expect(input([])).toMatchObject({ season: 'dormant', year: 2026, seasons: 3, pins: [], lifted: [] });
});

test('pins hold in their order; one on a limb that is gone is let go', () => {
  const cut = {
    limbId: 'R',
    limbName: 'R',
    atCm: 0,
    kind: 'collar',
    diameterMm: 50,
    clearanceCm: 0,
    shortfallCm: 0,
    sentence: '',
  } as const;
  const gone: ActionBody = {
    kind: 'cutMade',
    at: AT,
    treeId: 'a',
    blade: 'Blade 1',
    findingIds: [id(0)],
    cut,
  };
  const pins = [pinned({ kind: 'stays', limbId: 'S' }), pinned({ kind: 'stays', limbId: 'R' })];
  expect(input(pins).pins).toHaveLength(2);
  expect(input([...pins, gone]).pins).toEqual([{ kind: 'stays', limbId: 'S' }]);
});

test('a clearance set by hand holds until it is given back to the school', () => {
  expect(input([set(12)]).findings[0]?.clearanceCm).toBe(12);
  expect(input([set(12), set(null)]).findings[0]).not.toHaveProperty('clearanceCm');
  expect(clearanceByHand(detail([set(12), set(20)]).actions, id(0))).toBe(20);
});

test('musts lifted, decisions and seasons are the latest word', () => {
  const lifted: ActionBody = {
    kind: 'mustLifted',
    at: AT,
    treeId: 'a',
    findingId: id(0),
    why: 'watched',
    note: '',
  };
  const decided = (choice: 'watch' | 'excise'): ActionBody => ({
    kind: 'decided',
    at: AT,
    treeId: 'a',
    findingIds: [id(0)],
    choice,
    note: '',
  });
  const over = (seasons: number): ActionBody => ({ kind: 'seasonsPlanned', at: AT, treeId: 'a', seasons });
  const said = input([lifted, decided('watch'), decided('excise'), over(2), over(5)]);
  expect(said).toMatchObject({ lifted: [id(0)], decided: { [id(0)]: 'excise' }, seasons: 5 });
  expect(seasonsOf([])).toBe(3);
});

test('girdling is the share of the stem there: 10 cm of 37.7', () => {
  const [finding] = input([], [{ limbId: 'T', fromCm: 0, toCm: 9, widthsCm: [10] }]).findings;
  expect(finding?.girdledShare).toBeCloseTo(10 / (Math.PI * 12), 5);
});

test('a frozen tree is stressed, a tree to renovate is renovated, a tough cultivar walls strikes off', () => {
  expect(input([], [{ disorder: 'FRZ_WOOD' }]).tree.stressed).toBe(true);
  expect(input([], [{}], { status: 'renovate' }).tree.renovated).toBe(true);
  expect(input([], [{}], { cultivar: 'Northern Spy' }).tree.resistant).toBe(true);
  expect(input([], [{}], { cultivar: 'Northern Spy', susceptible: true }).tree.resistant).toBe(false);
});

test('of two limbs the last word on their bloom counts, and one that was taken back does not', () => {
  const bloom = (limbId: string, than: string) =>
    ({ kind: 'bloomCompared', at: AT, treeId: 'a', limbId, than }) as ActionBody;
  expect(input([bloom('S', 'R')]).moreBloom).toEqual([{ limbId: 'S', than: 'R' }]);
  expect(input([bloom('S', 'R'), bloom('R', 'S')]).moreBloom).toEqual([{ limbId: 'R', than: 'S' }]);
  const taken = detail([bloom('S', 'R')]);
  const actions = taken.actions.map((action) => ({ ...action, undone: true }));
  expect(planInputOf({ ...taken, actions }, site, '2026-11-24').moreBloom).toEqual([]);
});
