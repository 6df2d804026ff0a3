// Chill, warmth and kill against published rules and independently computed values of the brief’s check table.

import fc from 'fast-check';
import { climateAt, emptySeries, hourOf, localClock, simulatedWeather } from '../weather/index';
import { dynamicPortions, isChillHour, utahUnits } from './chill';
import { killC } from './crops';
import { hardinessCourse } from './hardiness';
import {
  type Crop,
  cropOf,
  crops,
  evergreenWoodC,
  firstFlower,
  freezeEvents,
  fullBlooms,
  hourlyDegreeDays,
  isToBeJudged,
  leavesDownDay,
  stageCourse,
  stagesOver,
  stagesToSee,
  type ThermalDay,
  thermalDays,
  usualBloomOn,
} from './index';
import { killedShare } from './kill';
import type { StageDay } from './shapes';
import { growingDegreeHours, sineDegreeDays } from './warmth';

const wave = (mean: number, half: number) => (h: number) =>
  mean + half * Math.cos((2 * Math.PI * (h - 15)) / 24);
const hours = (count: number, of: (h: number) => number) => Array.from({ length: count }, (_, h) => of(h));
const sum = (values: number[]) => values.reduce((total, value) => total + value, 0);
/** 24 hours of a mild spring day, the explicit series of the science brief §7.10. */
const DAY = [
  9.0, 8.5, 8.0, 7.6, 7.2, 7.0, 7.8, 9.6, 12.0, 14.5, 16.8, 18.9, 20.6, 21.9, 22.8, 23.1, 22.7, 21.5, 19.4,
  16.9, 14.8, 13.2, 12.1, 11.2,
];

describe('chill', () => {
  // Richardson, Seeley & Walker 1974: the table itself
  test.each([
    [1.4, 0],
    [1.5, 0.5],
    [2.5, 1],
    [9.2, 0.5],
    [12.5, 0],
    [16, -0.5],
    [18.1, -1],
  ])('an hour at %p °C is %p Utah units', (t, units) => expect(utahUnits(t)).toBe(units));

  test('a month of 8 ± 6 °C', () => {
    const month = hours(720, wave(8, 6));
    expect(sum(month.map(utahUnits))).toBe(435);
    expect(month.filter(isChillHour)).toHaveLength(330);
    const count = dynamicPortions();
    expect(sum(month.map(count))).toBeCloseTo(21.0323, 2);
  });

  test('the dynamic model fixes portions at hours 29 and 57 of 6 °C, 34.2 in 1000 h, none at 14 °C', () => {
    const count = dynamicPortions();
    const at6 = hours(1000, () => 6).map(count);
    expect(at6.flatMap((portion, h) => (portion > 0.5 ? [h + 1] : [])).slice(0, 2)).toEqual([29, 57]);
    expect(sum(at6)).toBeCloseTo(34.2042, 2);
    expect(sum(hours(2000, () => 14).map(dynamicPortions()))).toBeLessThan(1e-9);
  });
});

describe('warmth', () => {
  // Baskerville & Emin 1969, computed apart
  test.each([
    [2, 18, 10, 2.54648],
    [12, 24, 10, 8],
    [-4, 9, 10, 0],
  ])('degree-days of %p to %p °C above %p are %p', (min, max, base, expected) =>
    expect(sineDegreeDays(min, max, base)).toBeCloseTo(expected, 4),
  );
  test('a sine is the integral of its hours', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 25, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (mean, half) => {
          const fine = hours(
            2400,
            (i) => hourlyDegreeDays(mean + half * Math.cos((2 * Math.PI * (i + 0.5)) / 2400), 10) / 100,
          );
          expect(sum(fine)).toBeCloseTo(sineDegreeDays(mean - half, mean + half, 10), 3);
        },
      ),
    );
  });
  // Anderson, Richardson & Kesner 1986
  test.each([
    [10, 3.95336],
    [25, 21],
    [36, 0],
    [30, 7.24792],
    [3, 0],
  ])('an hour at %p °C is %p degree hours', (t, expected) =>
    expect(growingDegreeHours(t)).toBeCloseTo(expected, 3),
  );
  test('the explicit day', () => {
    expect(sum(DAY) / 24).toBeCloseTo(14.4625, 3);
    expect(sum(DAY.map(utahUnits))).toBe(0);
    expect(sum(DAY.map(growingDegreeHours))).toBeCloseTo(247.062, 1);
    expect(sineDegreeDays(7, 23.1, 12.8)).toBeCloseTo(3.78815, 3);
    expect(sum(DAY.map((t) => Math.max(0, t - 18.3)))).toBeCloseTo(24.5, 1);
  });
});

describe('frost in bud and bloom', () => {
  // Table of WSU EB0913 and sister bulletins, °F: a spot check of every crop, independent of the order of the file
  test.each([
    ['apple', 'silver tip', 15, 2],
    ['apple', 'full pink', 28, 25],
    ['pear', 'buds exposed', 20, 6],
    ['peach', 'calyx red', 23, 9],
    ['apricot', 'in shuck', 27, 24],
    ['sweet-cherry', 'open cluster', 27, 21],
    ['european-plum', 'tip green', 20, 7],
    ['sour-cherry', 'tight cluster', 26, 24],
  ])('%s in %s: %p and %p °F', (crop, name, tenth, nine) =>
    expect(cropOf(crop)?.stages.find((stage) => stage.name === name)?.killF).toEqual([tenth, nine]),
  );

  const killed = (crop: string, name: string, t: number) => {
    const [tenth, nine] = killC(cropOf(crop)?.stages.find((stage) => stage.name === name) as never) as [
      number,
      number,
    ];
    return killedShare(t, tenth, nine);
  };
  test.each([
    ['peach', 'full bloom', -3.5, 0.432162],
    ['apple', 'half-inch green', -6, 0.240451],
    ['sweet-cherry', 'full bloom', -3, 0.465957],
  ])('%s in %s at %p °C: %p killed', (crop, name, t, share) =>
    expect(Math.abs(killed(crop, name, t) - share)).toBeLessThan(0.002),
  );
  test('the published temperatures kill a tenth and nine tenths, and later stages stand no more cold', () => {
    for (const crop of crops) {
      let before: [number, number] | null = null;
      for (const stage of crop.stages) {
        const kill = killC(stage);
        if (!kill) continue;
        expect(killedShare(kill[0], ...kill)).toBeCloseTo(0.1, 5);
        expect(killedShare(kill[1], ...kill)).toBeCloseTo(0.9, 5);
        if (before) expect(kill[0]).toBeGreaterThanOrEqual(before[0]);
        before = kill;
      }
    }
  });
});

describe('the course of a crop', () => {
  const station = (latitude: number) => ({ latitude, longitude: -3, climate: climateAt(latitude), seed: 5 });
  const days = (latitude: number, from: string, years: number) =>
    thermalDays(simulatedWeather(station(latitude), hourOf(from), 24 * 365 * years), localClock('UTC'));
  const north = days(52, '2020-10-01T00:00:00Z', 3);
  const bloomsOf = (course: ReturnType<typeof stageCourse>) =>
    course.filter((day, i) => day.share >= 1 && (course[i - 1]?.share ?? 0) < 1).map((day) => day.day);

  test('days of full bloom alone are those of the whole course, in both hemispheres, and later for a late cultivar', () => {
    const south = days(-41, '2020-04-01T00:00:00Z', 3);
    for (const crop of crops) {
      for (const [own, latitude] of [
        [north, 52],
        [south, -41],
      ] as const) {
        expect(fullBlooms(crop, own, { latitude })).toEqual(bloomsOf(stageCourse(crop, own, { latitude })));
      }
    }
    const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
    const [usual, late] = [0, 7].map(
      (offsetDays) => fullBlooms(apple, north, { latitude: 52, offsetDays })[0] as string,
    );
    expect((Date.parse(late as string) - Date.parse(usual as string)) / 864e5).toBe(7);
  });

  test('phases follow each other in order, and wood stands most in midwinter and least in growth', () => {
    const order = ['hardening', 'rest', 'awake', 'buds', 'bloom', 'petal fall', 'growth'];
    for (const code of ['apple', 'peach', 'sweet-cherry', 'quince']) {
      const crop = cropOf(code) as NonNullable<ReturnType<typeof cropOf>>;
      const season = north.slice(0, 340);
      const course = stageCourse(crop, season, { latitude: 52 });
      const places = course.map((day) => order.indexOf(day.phase));
      expect(places.filter((place, i) => i > 0 && place < (places[i - 1] as number))).toEqual([]);
      const stands = hardinessCourse(crop, season, course);
      const winter = Math.min(...stands.slice(60, 130));
      expect(winter).toBeLessThan((stands[255] as number) - 8);
    }
  });

  test('a stage that was seen wins on its day, and what follows goes on from it', () => {
    const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
    const reckoned = stageCourse(apple, north, { latitude: 52 });
    const at = reckoned.findIndex((day) => day.share > 0.4);
    const day = (reckoned[at] as { day: string }).day;
    const seen = stageCourse(apple, north, { latitude: 52, seen: [{ day, share: 0.68 }] });
    expect(seen[at]).toMatchObject({ basis: 'seen', stage: 'first pink' });
    expect(seen[at - 1]).toEqual(reckoned[at - 1]);
    expect((seen[at + 10]?.share ?? 0) >= 0.68).toBe(true);
    expect((bloomsOf(seen)[0] as string) < (bloomsOf(reckoned)[0] as string)).toBe(true);
  });

  test('a season that is hardly on record goes by the calendar, and says so', () => {
    const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
    const thin = north.slice(190, 220);
    const course = stageCourse(apple, thin, { latitude: 52 });
    expect(course.every((day) => day.basis === 'calendar')).toBe(true);
    expect(fullBlooms(apple, north.slice(190, 300), { latitude: 52 })).toEqual([]);
  });
});

test('awake wood loses hardness on warm days and gains some of it back in cold, never past midwinter', () => {
  const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
  const day = (meanC: number) => ({ meanC }) as Parameters<typeof hardinessCourse>[1][number];
  const awake = { phase: 'awake', share: 0 } as Parameters<typeof hardinessCourse>[2][number];
  const rest = { phase: 'rest', share: 0 } as Parameters<typeof hardinessCourse>[2][number];
  const midwinter = (apple.woodC[0] + apple.woodC[1]) / 2;
  // A long rest, ten warm days, ten cold ones
  const means = [...Array(90).fill(0), ...Array(10).fill(12), ...Array(10).fill(0)] as number[];
  const course = means.map((_, i) => (i < 90 ? rest : awake));
  const hardiness = hardinessCourse(apple, means.map(day), course);
  expect(hardiness[89]).toBeCloseTo(midwinter, 6);
  expect(hardiness[99]).toBeCloseTo(midwinter + 15, 6);
  expect(hardiness[109]).toBeCloseTo(midwinter + 10, 6);
  const long = hardinessCourse(apple, [...means, ...Array(60).fill(0)].map(day), [
    ...course,
    ...Array(60).fill(awake),
  ]);
  expect(long.at(-1)).toBeCloseTo(midwinter, 6);
});

test.each([
  ['2026-05-12', false],
  ['2026-05-13', true],
  ['2026-05-20', true],
  ['2026-07-19', true],
  ['2026-07-20', false],
])('wood that can be judged from 20 May is to be looked at on %s: %p', (day, is) => {
  expect(isToBeJudged({ lookFrom: '2026-05-20' }, day)).toBe(is);
});

describe('a frost is on record by the most that it may have killed', () => {
  const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
  const stage = apple.stages.find((stage) => killC(stage)) as (typeof apple.stages)[number];
  const [tenth, nineTenths] = killC(stage) as [number, number];
  const night = (minC: number) => {
    const day = { day: '2026-04-20', ofYear: 110, minC, maxC: 12, meanC: 6 } as ThermalDay;
    const course = [{ day: '2026-04-20', phase: 'buds', stage: stage.name, share: stage.share } as StageDay];
    return freezeEvents(apple, [day], course, [-30], 52, '2026-05-05').filter(({ kind }) => kind === 'buds');
  };

  test('a night whose likely kill is under a tenth counts where its most is a tenth or more', () => {
    // Shifted 1.5 °C colder a night at the tenth’s temperature + 1.5 °C kills a tenth at the most
    const [event] = night(tenth + 1.45);
    expect(event?.killed?.[2]).toBeGreaterThan(0.1);
    expect(event?.killed?.[1]).toBeLessThan(0.1);
    expect(night(tenth + 1.55)).toEqual([]);
  });

  test('least, likely and most stand in that order, and a night colder than the nine tenths kills more than that', () => {
    const [event] = night(nineTenths - 0.1);
    const [least, likely, most] = event?.killed ?? [1, 0, 0];
    expect(least).toBeLessThan(likely);
    expect(likely).toBeLessThan(most);
    expect(likely).toBeGreaterThan(0.9);
  });
});

test.each([
  // The pace that a season has shown is held between 0.6 and 1.6: one early bud must not bring the bloom weeks too near
  ['far ahead', 3],
  ['far behind', 0.1],
])('a stage seen %s sets the pace, within its bounds', (_said, times) => {
  const apple = cropOf('apple') as NonNullable<ReturnType<typeof cropOf>>;
  const days = thermalDays(
    simulatedWeather(
      { latitude: 52, longitude: 0, climate: climateAt(52), spells: [], seed: 3 },
      hourOf('2025-10-01T00:00:00Z'),
      300 * 24,
    ),
    localClock('UTC'),
  );
  const reckoned = stageCourse(apple, days, { latitude: 52 });
  const at = reckoned.findIndex(({ share }) => share > 0.3);
  const then = reckoned[at] as StageDay;
  const share = Math.min(1.4, then.share * times);
  const seen = stageCourse(apple, days, { latitude: 52, seen: [{ day: then.day, share }] });
  const grown = (course: readonly StageDay[]) => (course[at + 10]?.share ?? 0) - (course[at]?.share ?? 0);
  const pace = grown(seen) / grown(reckoned);
  expect(pace).toBeGreaterThan(0.6 - 0.02);
  expect(pace).toBeLessThan(1.6 + 0.02);
  expect(Math.abs(pace - (times > 1 ? 1.6 : 0.6))).toBeLessThan(0.05);
});

// What the courses are today over two simulated years of a hard climate: another figure means other stages, other hardiness or other frosts
test.each([
  ['apple', 52, [117, 331, 43, 38, 13, 8, 180], -13_889, ['2021-06-07', '2022-06-09']],
  ['peach', 52, [117, 285, 88, 28, 10, 5, 197], -10_764, ['2021-06-01', '2022-06-03']],
  ['quince', 52, [117, 345, 43, 38, 13, 8, 166], -11_222, ['2021-06-14', '2022-06-16']],
  ['apple', -41, [139, 304, 37, 39, 18, 8, 185], -12_987, ['2020-12-02', '2021-12-05']],
  ['peach', -41, [139, 253, 86, 27, 12, 9, 204], -10_144, ['2020-11-25', '2021-11-26']],
  ['quince', -41, [139, 318, 37, 39, 18, 8, 171], -10_687, ['2020-12-09', '2021-12-12']],
] as const)(
  '%s at %i°: days in each phase, what its wood stands summed over them, full blooms',
  (code, latitude, phaseDays, stands, blooms) => {
    const crop = cropOf(code) as Crop;
    const place = {
      latitude,
      longitude: -3,
      climate: { ...climateAt(latitude), meanC: 6, swingC: 17 },
      seed: 5,
    };
    const from = latitude > 0 ? '2020-10-01T00:00:00Z' : '2020-04-01T00:00:00Z';
    const days = thermalDays(simulatedWeather(place, hourOf(from), 24 * 730), localClock('UTC'));
    const options = { latitude, offsetDays: 3 };
    const { course, hardinessC } = stagesOver(crop, days, options);
    const inPhase = (phase: string) => course.filter((day) => day.phase === phase).length;
    expect(['hardening', 'rest', 'awake', 'buds', 'bloom', 'petal fall', 'growth'].map(inPhase)).toEqual(
      phaseDays,
    );
    expect(Math.round(sum(hardinessC))).toBe(stands);
    expect(fullBlooms(crop, days, options)).toEqual(blooms);
  },
);

test('what a caretaker can say was seen: buds at rest, every stage but the one after bloom, then petals and fruit', () => {
  expect(stagesToSee(cropOf('quince') as Crop).map(({ name, share }) => [name, share])).toEqual([
    ['buds not moving', 0],
    ['scales separating', 0.22],
    ['buds exposed', 0.36],
    ['tight cluster', 0.55],
    ['first white', 0.68],
    ['full white', 0.8],
    ['first bloom', 0.92],
    ['full bloom', 1],
    ['petal fall', 1.25],
    ['fruit set', 1.45],
  ]);
  expect(firstFlower(cropOf('apple') as Crop)).toBe(0.92);
  expect(firstFlower({ ...(cropOf('apple') as Crop), stages: [] })).toBe(0.93);
});

// 5 May at 50° for apple, two and a half days a degree, a quince a week later; leaves down 15 November. Common practice, no source
test.each([
  ['apple', '2026-06-01', 50, '2027-05-05'],
  ['apple', '2026-05-25', 50, '2026-05-05'],
  ['apple', '2026-05-26', 50, '2027-05-05'],
  ['quince', '2026-01-01', 54, '2026-05-22'],
  ['apple', '2026-09-01', -40, '2026-10-09'],
])('the usual bloom of %s seen from %s at %i° is %s', (code, day, latitude, bloom) => {
  expect(usualBloomOn(cropOf(code) as Crop, day, { latitude }, 20)).toBe(bloom);
});
test('leaves are down earlier the farther from the equator, within 25 days', () => {
  expect([20, 30, 50, 75, 80, -50].map(leavesDownDay)).toEqual([344, 339, 319, 294, 294, 319]);
});

test('every crop has limits in order and below zero, and blooms within six weeks of the one that it follows', () => {
  for (const { code, woodC, budsC, portions, utah, warmth, follows } of crops) {
    for (const [least, most] of [woodC, budsC]) {
      expect([code, least <= most]).toEqual([code, true]);
      expect([code, most < -5 && least > -45]).toEqual([code, true]);
    }
    for (const [least, most] of [portions, utah, warmth])
      expect([code, least > 0 && least <= most]).toEqual([code, true]);
    if (follows) expect([code, follows.crop, Math.abs(follows.days) <= 42]).toEqual([code, 'apple', true]);
  }
  expect([evergreenWoodC('apple'), cropOf('nothing')]).toEqual([null, undefined]);
});

describe('days with hours that nobody knows', () => {
  const from = hourOf('2026-01-10T00:00:00Z');
  const dayOf = (before: number, hours: (number | null)[], after: number) => {
    const series = emptySeries(from, 72);
    series.temperatureC = [...Array(24).fill(before), ...hours, ...Array(24).fill(after)];
    return thermalDays(series, localClock('UTC')).find(({ day }) => day === '2026-01-11');
  };
  const [none, cold] = [Array<null>(12).fill(null), Array<number>(12).fill(5)];

  test('a missing hour takes the nearest known one of its own day', () => {
    for (const hours of [
      [...none, ...cold],
      [...cold, ...none],
    ])
      expect(dayOf(20, hours, 20)).toMatchObject({ chillHours: 24, known: 0.5, minC: 5, maxC: 5 });
    // Halfway between two the earlier counts
    const hours = [...Array<number>(11).fill(5), null, ...Array<number>(12).fill(20)];
    expect(dayOf(20, hours, 20)?.chillHours).toBe(12);
  });

  test('a day of which less than half is known is left out', () => {
    expect(dayOf(5, [null, ...none, ...cold.slice(1)], 5)).toBeUndefined();
    expect(dayOf(5, [...none, ...none], 5)).toBeUndefined();
  });
});

describe('wood that froze', () => {
  const apple = cropOf('apple') as Crop;
  const days = Array.from({ length: 200 }, (_, i) => {
    const day = new Date(Date.UTC(2026, 0, 1 + i)).toISOString().slice(0, 10);
    return { day, ofYear: i + 1, minC: 0, maxC: 8, meanC: 4 } as ThermalDay;
  });
  /** At rest until day 100, then buds, in leaf from day 130. */
  const course = days.map(({ day }, i) => {
    const share = i < 100 ? 0 : (i - 99) / 50;
    return { day, phase: share === 0 ? 'rest' : 'buds', stage: 'at rest', share } as StageDay;
  });
  const frozen = (nights: Record<number, number>, latitude = 52) =>
    freezeEvents(
      apple,
      days.map((day, i) => ({ ...day, minC: nights[i] ?? day.minC })),
      course,
      days.map(() => -30),
      latitude,
      '2026-05-20',
    ).filter(({ kind }) => kind === 'wood');

  test('of nights within five days the worst speaks for all, in their order', () => {
    expect(frozen({ 10: -31, 13: -33, 18: -32, 40: -31 }).map(({ day, belowC }) => [day, belowC])).toEqual([
      ['2026-01-14', 3],
      ['2026-02-10', 1],
    ]);
    expect(frozen({ 10: -31, 16: -31 })).toHaveLength(2);
    expect([frozen({ 10: -30 }).length, frozen({ 10: -25 }).length]).toEqual([1, 0]);
  });

  test('mild injury shows when buds swell, severe one weeks after leaf, and the tree is decided on after high summer', () => {
    const [mild] = frozen({ 10: -31 });
    const [severe] = frozen({ 10: -45 });
    const on = (share: number) => course.find((day) => day.share >= share)?.day;
    expect(mild).toMatchObject({ injury: 'mild', lookFrom: on(0.22), limbsFrom: on(0.22), treeFrom: null });
    expect(severe).toMatchObject({ injury: 'severe', treeFrom: '2026-08-01' });
    expect((severe?.lookFrom ?? '') > (mild?.lookFrom ?? '')).toBe(true);
    expect((severe?.limbsFrom ?? '') > (severe?.lookFrom ?? '')).toBe(true);
  });
});
