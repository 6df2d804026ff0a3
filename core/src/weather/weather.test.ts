// Humidity, daylight, the simulated station and the checks of an import, each against something outside.

import { Body, Observer, SearchRiseSet } from 'astronomy-engine';
import fc from 'fast-check';
import * as psychrolib from 'psychrolib';
import { dewPointC, saturationHpa } from './humidity';
import {
  checkReadings,
  climateAt,
  columns,
  daylight,
  daysOf,
  hourOf,
  humidityPct,
  isLight,
  isWet,
  lengthOf,
  localClock,
  northernDayOfYear,
  placeToSimulate,
  type Reading,
  type Series,
  seriesOf,
  simulatedForecast,
  simulatedWeather,
} from './index';

describe('humidity', () => {
  // Alduchov & Eskridge 1996: dew point of 20 °C at 60 %, and humidity of 15 °C with a dew point of 10 °C
  test.each([
    [dewPointC(20, 60), 11.9999, 0.05],
    [humidityPct(15, 10), 72.0348, 0.3],
    [10 - dewPointC(10, 90), 1.56515, 0.05],
  ])('%p is %p', (got, expected, tolerance) => expect(Math.abs(got - expected)).toBeLessThan(tolerance));

  test('agrees with psychrolib (ASHRAE) over orchard weather', () => {
    psychrolib.SetUnitSystem(psychrolib.SI);
    for (let t = 0; t <= 40; t += 2) {
      expect(Math.abs(saturationHpa(t) * 100 - psychrolib.GetSatVapPres(t))).toBeLessThan(
        0.006 * psychrolib.GetSatVapPres(t),
      );
      for (let rh = 20; rh <= 100; rh += 10) {
        // Below nought it reckons over ice, the Magnus form over water
        const dew = psychrolib.GetTDewPointFromRelHum(t, rh / 100);
        if (dew > 0) expect(Math.abs(dewPointC(t, rh) - dew)).toBeLessThan(0.16);
      }
    }
  });

  test('a day whose dew point is 9 °C has nine wet hours', () => {
    const wet = Array.from({ length: 24 }, (_, h) => {
      const temperatureC = 12 + 5 * Math.cos((2 * Math.PI * (h - 15)) / 24);
      return humidityPct(temperatureC, 9) >= 90;
    });
    expect(wet.filter(Boolean)).toHaveLength(9);
  });

  test('a sensor on the leaf outweighs the rule', () => {
    const dewy = { temperatureC: 8, humidityPct: 97, rainMm: 0 };
    expect(isWet({ ...dewy, wetMinutes: null })).toBe(true);
    expect(isWet({ ...dewy, wetMinutes: 5 })).toBe(false);
    expect(isWet({ temperatureC: 8, humidityPct: null, rainMm: null, wetMinutes: null })).toBeNull();
  });
});

describe('daylight', () => {
  test.each([
    ['2026-12-21', 54.2, -3.1],
    ['2026-06-21', 54.2, -3.1],
    ['2026-03-20', -41.3, 174.8],
    ['2026-12-21', -34, 19],
    ['2026-08-01', 38, -120],
  ])(
    '%s at %p, %p rises and sets as astronomy-engine says, within two minutes',
    (day, latitude, longitude) => {
      const light = daylight(day, latitude, longitude);
      const observer = new Observer(latitude, longitude, 0);
      const rise = SearchRiseSet(
        Body.Sun,
        observer,
        1,
        new Date((light.rise ?? 0) * 3600_000 - 3 * 3600_000),
        1,
      );
      const set = SearchRiseSet(Body.Sun, observer, -1, rise?.date ?? new Date(0), 1);
      expect(Math.abs((light.rise ?? 0) * 60 - (rise?.date.getTime() ?? 0) / 60_000)).toBeLessThan(2);
      expect(Math.abs((light.set ?? 0) * 60 - (set?.date.getTime() ?? 0) / 60_000)).toBeLessThan(2);
      // and on the day that was asked for
      expect(localClock('UTC').day(Math.floor((light.rise ?? 0) + longitude / 15))).toBe(day);
    },
  );

  test('beyond the circle the sun stays up in June and down in December', () => {
    expect(daylight('2026-06-21', 70, 25)).toEqual({ rise: null, set: null, always: true });
    expect(daylight('2026-12-21', 70, 25)).toEqual({ rise: null, set: null, always: false });
  });
});

describe('the local clock', () => {
  test('the day the clocks go back has 25 hours, the day they go forward 23', () => {
    const clock = localClock('Europe/London');
    const hours = (day: string, next: string) => clock.startOf(next) - clock.startOf(day);
    expect(hours('2026-10-25', '2026-10-26')).toBe(25);
    expect(hours('2026-03-29', '2026-03-30')).toBe(23);
    expect(hours('2026-07-01', '2026-07-02')).toBe(24);
  });

  test('agrees with Intl in any zone and hour', () => {
    const zones = ['UTC', 'America/New_York', 'Australia/Adelaide', 'Asia/Kathmandu', 'Pacific/Auckland'];
    fc.assert(
      fc.property(fc.constantFrom(...zones), fc.integer({ min: 350_000, max: 560_000 }), (zone, hour) => {
        const said = new Intl.DateTimeFormat('sv-SE', {
          timeZone: zone,
          dateStyle: 'short',
          timeStyle: 'short',
        }).format(hour * 3600_000);
        const clock = localClock(zone);
        expect(`${clock.day(hour)} ${String(clock.hourOfDay(hour)).padStart(2, '0')}`).toBe(
          said.slice(0, 13),
        );
      }),
    );
  });

  test('a southern day has the season of a northern one half a year away', () => {
    expect(Math.abs(northernDayOfYear(227, -34) - 45)).toBeLessThanOrEqual(1);
    expect(northernDayOfYear(45, 34)).toBe(45);
  });
});

describe('the simulated station', () => {
  const place = (latitude: number, seed = 7) => ({
    latitude,
    longitude: -3,
    climate: climateAt(latitude),
    seed,
  });
  const from = hourOf('2016-01-01T00:00:00Z');
  const TEN_YEARS = 3653 * 24;
  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const numbers = (column: (number | null)[]) => column.flatMap((value) => value ?? []);
  const monthly = (series: Series, month: number) =>
    daysOf(series, localClock('UTC')).filter((day) => Number(day.day.slice(5, 7)) === month);

  test.each([54, -41])(
    'at latitude %p ten years keep within the bands that are stated for it',
    (latitude) => {
      const series = simulatedWeather(place(latitude), from, TEN_YEARS);
      const climate = climateAt(latitude);
      const [winter, summer] = latitude > 0 ? [2, 8] : [8, 2];
      const means = (month: number) => mean(monthly(series, month).map((day) => day.meanC ?? 0));
      // Monthly means: coldest and warmest month within 1 °C of mean ∓ swing
      expect(Math.abs(means(winter) - (climate.meanC - climate.swingC))).toBeLessThan(1);
      expect(Math.abs(means(summer) - (climate.meanC + climate.swingC))).toBeLessThan(1);
      // Wet days: at least 0.2 mm, within nine in a hundred of the share set: two standard errors of ten such months
      const wet = (month: number) =>
        mean(monthly(series, month).map((day) => ((day.rainMm ?? 0) >= 0.2 ? 1 : 0)));
      expect(Math.abs(wet(winter) - climate.wetDaysWinter)).toBeLessThan(0.09);
      expect(Math.abs(wet(summer) - climate.wetDaysSummer)).toBeLessThan(0.09);
      // One day’s departure from the usual resembles the next: 0.6 to 0.85, as daily means of temperate places do (from memory)
      const july = monthly(series, 7).map((day) => day.meanC ?? 0);
      const usual = mean(july);
      const variance = mean(july.map((value) => (value - usual) ** 2));
      const lagged = mean(july.slice(1).map((value, i) => (value - usual) * ((july[i] as number) - usual)));
      expect(lagged / variance).toBeGreaterThan(0.6);
      expect(lagged / variance).toBeLessThan(0.85);
      // The afternoon is warmer than the night, and humidity is never impossible
      expect(Math.min(...numbers(series.humidityPct.slice(0, 9000)))).toBeGreaterThan(15);
      expect(Math.max(...numbers(series.humidityPct.slice(0, 9000)))).toBeLessThanOrEqual(100);
      for (let i = 0; i < 9000; i++) {
        if ((series.rainMm[i] ?? 0) > 0) expect(series.humidityPct[i]).toBeGreaterThanOrEqual(94);
      }
    },
  );

  test('forecast error grows with lead: under 1.2 °C on the first day, 2 to 5 °C on the tenth', () => {
    const here = place(54);
    const squares = Array.from({ length: 10 }, () => [] as number[]);
    for (let run = 0; run < 150; run++) {
      const issued = from + run * 24 * 9;
      const told = simulatedForecast(here, issued, 240);
      const came = simulatedWeather(here, issued, 240);
      for (let i = 0; i < 240; i++) {
        squares[Math.floor(i / 24)]?.push(((told.temperatureC[i] ?? 0) - (came.temperatureC[i] ?? 0)) ** 2);
      }
    }
    const rms = squares.map((square) => Math.sqrt(mean(square)));
    expect(rms[0]).toBeLessThan(1.2);
    expect(rms[9]).toBeGreaterThan(2);
    expect(rms[9]).toBeLessThan(5);
    expect(rms[9] as number).toBeGreaterThan(rms[4] as number);
    expect(rms[4] as number).toBeGreaterThan(rms[0] as number);
  });

  test('any stretch is the same weather, whenever it is asked for; another seed is other weather', () => {
    fc.assert(
      fc.property(fc.integer({ min: -2000, max: 8000 }), fc.integer({ min: 1, max: 300 }), (shift, hours) => {
        const whole = simulatedWeather(place(54), from + shift, 400);
        const part = simulatedWeather(place(54), from + shift + 50, hours);
        const same = Math.min(hours, 350);
        expect(part.temperatureC.slice(0, same)).toEqual(whole.temperatureC.slice(50, 50 + same));
        expect(part.rainMm.slice(0, same)).toEqual(whole.rainMm.slice(50, 50 + same));
        expect(simulatedWeather(place(54, 8), from + shift, 400).temperatureC).not.toEqual(
          whole.temperatureC,
        );
      }),
      { numRuns: 30 },
    );
  });
});

describe('readings of a station', () => {
  const at = (minutes: number) => Date.parse('2026-03-01T00:00:00Z') + minutes * 60_000;
  const reading = (minutes: number, values: Reading['values'], line = minutes): Reading => ({
    line,
    atMs: at(minutes),
    values,
  });

  test('quarters of an hour become hours: rain is added, the rest averaged', () => {
    const { hours, faults } = checkReadings(
      [0, 15, 30, 45].map((m, i) => reading(m, { temperatureC: 4 + i, rainMm: 0.2, wetMinutes: 15 })),
      [],
    );
    expect(hours).toMatchObject([{ temperatureC: 5.5, rainMm: 0.8, wetMinutes: 60, windMs: null }]);
    expect(faults).toEqual([]);
  });

  test('gaps, spikes, impossible and doubled values are named, and mended only when asked', () => {
    const rows = [
      reading(0, { temperatureC: 5, rainMm: 0 }),
      reading(60, { temperatureC: 25, rainMm: 0 }),
      reading(120, { temperatureC: 5.4, rainMm: -1 }),
      reading(300, { temperatureC: 8.4, rainMm: 0 }),
      reading(300, { temperatureC: 8.6 }, 999),
    ];
    const asRead = checkReadings(rows, []);
    expect(asRead.faults.map((fault) => [fault.kind, fault.column, fault.mended])).toEqual(
      expect.arrayContaining([
        ['spike', 'temperatureC', false],
        ['impossible', 'rainMm', false],
        ['gap', 'temperatureC', false],
        ['gap', 'rainMm', false],
        ['contradiction', null, true],
      ]),
    );
    expect(asRead.hours.map((hour) => hour.temperatureC)).toEqual([5, 25, 5.4, 8.6]);
    const mended = checkReadings(rows, ['drop spikes', 'fill short gaps', 'drop impossible values']);
    expect(mended.hours.map((hour) => hour.temperatureC)).toEqual([5, 5.2, 5.4, 6.47, 7.53, 8.6]);
    // Rain is never guessed
    expect(mended.hours[3]?.rainMm).toBeNull();
  });

  test('any readings survive the way through hours and a series and back', () => {
    const values = fc.record(
      { temperatureC: fc.integer({ min: -20, max: 40 }), rainMm: fc.integer({ min: 0, max: 30 }) },
      { requiredKeys: ['temperatureC'] },
    );
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 0, max: 200 }), { minLength: 1 }),
        fc.array(values, { minLength: 200, maxLength: 201 }),
        (slots, all) => {
          const rows = slots.map((slot, i) =>
            reading(slot * 60, all[i % all.length] as Reading['values'], i),
          );
          const { hours } = checkReadings(rows, []);
          expect(hours).toHaveLength(slots.length);
          const series = seriesOf(hours);
          expect(lengthOf(series)).toBe(Math.max(...slots) - Math.min(...slots) + 1);
          expect(series.temperatureC.filter((value) => value !== null)).toHaveLength(hours.length);
          for (const { at, ...values } of hours) {
            const i = hourOf(at) - series.fromHour;
            expect(Object.fromEntries(columns.map((name) => [name, series[name][i] ?? null]))).toEqual(
              values,
            );
          }
          expect(checkReadings([...rows, ...rows], []).hours).toEqual(hours);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('limits of what is mended', () => {
  const HOUR = 3_600_000;
  const base = Date.parse('2026-03-02T00:00:00Z');
  const read = (temperatures: (number | null)[]) =>
    temperatures.flatMap((temperatureC, i) =>
      temperatureC === null ? [] : [{ atMs: base + i * HOUR, line: i + 2, values: { temperatureC } }],
    );
  const kinds = (temperatures: (number | null)[]) =>
    checkReadings(read(temperatures), []).faults.map(({ kind }) => kind);

  test('a spike stands above both its neighbours; a front is none', () => {
    expect(kinds([5, 5.1, 30, 5.2, 5])).toEqual(['spike']);
    expect(kinds([5, 5.1, 30, 29, 28.5])).toEqual([]);
    expect(kinds([5, 5.1, -20, -19.5, -19])).toEqual([]);
  });

  test('three hours are filled in a straight line when asked, four are not', () => {
    const filled = (gap: number) => {
      const temperatures = [4, ...Array.from({ length: gap }, () => null), 8, 7.5];
      const { hours, faults } = checkReadings(read(temperatures), ['fill short gaps']);
      return [hours.length, faults[0]?.mended] as const;
    };
    expect(filled(3)).toEqual([6, true]);
    expect(filled(4)).toEqual([3, false]);
    const { hours } = checkReadings(read([4, null, null, null, 8]), ['fill short gaps']);
    expect(hours.map((hour) => hour.temperatureC)).toEqual([4, 5, 6, 7, 8]);
  });
});

test.each([
  ['Asia/Kolkata', '2026-03-01T18:00:00Z', '2026-03-01', 23],
  ['Asia/Kolkata', '2026-03-01T19:00:00Z', '2026-03-02', 0],
  ['America/St_Johns', '2026-01-10T03:00:00Z', '2026-01-09', 23],
  ['Asia/Kathmandu', '2026-01-10T18:00:00Z', '2026-01-10', 23],
])('a zone off by part of an hour: %s at %s is %s, hour %i', (zone, moment, day, hour) => {
  const clock = localClock(zone);
  const at = hourOf(moment);
  expect(clock.day(at)).toBe(day);
  expect(clock.hourOfDay(at)).toBe(hour);
  expect(clock.day(clock.startOf(day))).toBe(day);
  expect(clock.day(clock.startOf(day) - 1) < day).toBe(true);
});

test('an hour is light when all of it is, with half an hour of twilight on either side', () => {
  const sun = { rise: 100.2, set: 110.4, always: false };
  // From 99.7 to 110.9
  expect([99, 100, 109, 110].map((hour) => isLight(hour, sun))).toEqual([false, true, true, false]);
  expect([99.7, 109.9].map((hour) => isLight(hour, sun))).toEqual([true, true]);
  expect(isLight(1, { rise: null, set: null, always: true })).toBe(true);
  expect(isLight(1, { rise: null, set: null, always: false })).toBe(false);
});

test('a station is simulated by the climate that was set, else by the usual one of its own latitude and coast', () => {
  const at = { latitude: 41.5, longitude: 2 };
  const rest = { seed: 3, spells: [] };
  const own = { ...climateAt(60, false), meanC: 1 };
  expect(placeToSimulate(at, { ...rest, climate: own, coast: true })).toEqual({
    ...at,
    ...rest,
    climate: own,
  });
  for (const coast of [true, false])
    expect(placeToSimulate(at, { ...rest, climate: null, coast }).climate).toEqual(climateAt(41.5, coast));
});
