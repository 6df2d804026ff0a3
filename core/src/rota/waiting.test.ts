// What waiting costs, reckoned by hand: canker that creeps, blight left into bloom, damaged wood under crop, shoots no summer cut takes. Trees and weather are made up.
import { startingSeason } from '../campaign/index';
import type { Season } from '../timing/index';
import { growthWeeks, hostsNear, sumOf, waitingCosts, yearsWaiting } from './waiting';

const settings = startingSeason();
/** Still until the end of March (day 91), half of full growth for thirteen weeks, then full for thirteen, then still. */
const weeks = Array.from({ length: 52 }, (_, w) => ({
  from: 7 * w + 1,
  meanC: w < 13 ? 5 : w < 26 ? 12.5 : w < 39 ? 25 : -3,
})) as unknown as Season['weeks'];
const season = { weeks, bloom: { first: 115, blightShare: 0.4 } };
const facts = { blightPoint: 0.2, cankerPoint: 0.5, cankers: 2, atRisk: 15, shoots: 12 };
const waits = { facts, season, hosts: 7, since: '2027-01-01' };
const at = (day: string) => waitingCosts(waits, day, settings);

test('weeks of growth count by their warmth: none at 5 °C, half at 12.5, no more than whole above 20', () => {
  expect(growthWeeks(weeks, '2027-01-01', '2027-04-02')).toBe(0);
  expect(growthWeeks(weeks, '2027-01-01', '2027-04-16')).toBeCloseTo(1, 9);
  expect(growthWeeks(weeks, '2027-01-01', '2027-07-02')).toBeCloseTo(6.5, 9);
  expect(growthWeeks(weeks, '2027-01-01', '2027-12-31')).toBeCloseTo(19.5, 9);
  // Over the turn of the year
  expect(growthWeeks(weeks, '2026-12-01', '2027-04-16')).toBeCloseTo(1, 9);
});

test('a canker that creeps takes crown at the price of the planner: 3 cm of blight and 0.3 of others in a week of growth', () => {
  expect(at('2027-04-02').creeps).toBe(0);
  expect(at('2027-04-16').creeps).toBeCloseTo(0.2 * 3 + 0.5 * 0.3, 9);
  expect(at('2027-01-01')).toEqual({ creeps: 0, 'blight in bloom': 0, 'breaks under crop': 0, shoots: 0 });
});

test('an active blight canker costs from the first flower on: 5 points for each host nearby, by the years in which flowers could be infected', () => {
  // Day 115 is the 25th of April
  expect(at('2027-04-25')['blight in bloom']).toBe(0);
  expect(at('2027-04-26')['blight in bloom']).toBeCloseTo(5 * 7 * 2 * 0.4, 9);
});

test('damaged wood may break once fruit is heavy, 75 days after the first flower: a tenth of what the plan gives for it', () => {
  expect(at('2027-07-09')['breaks under crop']).toBe(0);
  expect(at('2027-07-10')['breaks under crop']).toBeCloseTo(1.5, 9);
});

test('a year on all of it is lost, of a summer visit a twentieth of a point a shoot too', () => {
  const year = yearsWaiting(waits, settings);
  expect(year).toEqual({ ...at('2028-01-01'), shoots: 12 * 0.05 });
  expect(sumOf(year)).toBeCloseTo(19.5 * (0.6 + 0.15) + 28 + 1.5 + 0.6, 9);
});

test.each([
  ['nothing waits', { ...waits, facts: null }],
  ['nothing is told of its kind of wood', { ...waits, season: null }],
  [
    'it never bloomed',
    {
      ...waits,
      facts: { ...facts, blightPoint: 0, cankerPoint: 0 },
      season: { weeks, bloom: { first: null, blightShare: 1 } },
    },
  ],
])('nothing is lost where %s', (_, none) => {
  expect(sumOf(waitingCosts(none, '2027-12-01', settings))).toBe(0);
});

test('hosts are counted within their plot, as far as the site says, at the very distance too', () => {
  const trees = [0, 30, 60, 61].map((x, i) => ({ id: `t${i}`, x, y: 0 }));
  const plots = [{ trees: [...trees, { id: 'sound', x: 1, y: 0 }] }, { trees: [{ id: 'far', x: 1, y: 1 }] }];
  expect(hostsNear(plots, (id) => id !== 'sound', 30)).toEqual({ t0: 2, t1: 3, t2: 3, t3: 2, far: 1 });
  expect(
    hostsNear(
      [
        {
          trees: [
            { id: 'a', x: 0, y: 0 },
            { id: 'b', x: 20, y: 25 },
          ],
        },
      ],
      () => true,
      30,
    ),
  ).toEqual({ a: 1, b: 1 });
});
