// What weather is usual at a place? Only the simulated station goes by this.
import { z } from 'zod';
import { setting } from '../settings/index';

/** What the simulated station is set to. */
export const Climate = z
  .strictObject({
    meanC: setting(z.number().min(-10).max(30).describe('mean of the year, °C'), {
      label: 'meanOfTheYear',
      unit: '°C',
    }),
    swingC: setting(
      z.number().min(0).max(25).describe('half the difference of the warmest and the coldest month, °C'),
      { label: 'summerOverMean', unit: '°C' },
    ),
    dayRangeC: setting(z.number().min(1).max(22).describe('highest less lowest of a dry day, °C'), {
      label: 'highestLessLowestOfADry',
      unit: '°C',
    }),
    frontsC: setting(
      z.number().min(0.5).max(7).describe('standard deviation of daily means from the usual, °C'),
      { label: 'aDayIsOffItsMean', unit: '°C' },
    ),
    wetDaysWinter: setting(
      z.number().min(0.02).max(0.9).describe('share of days with rain in the coldest month'),
      { label: 'wetDaysInWinter', unit: '%', percent: true },
    ),
    wetDaysSummer: setting(
      z.number().min(0.02).max(0.9).describe('share of days with rain in the warmest month'),
      { label: 'wetDaysInSummer', unit: '%', percent: true },
    ),
    rainMm: setting(z.number().min(1).max(30).describe('mean rain of a day that has some, mm'), {
      label: 'rainOfAWetDay',
      unit: 'mm',
    }),
    windMs: setting(z.number().min(0.5).max(12).describe('mean wind, m/s'), {
      label: 'meanWind',
      unit: 'm/s',
    }),
    lagDays: setting(z.number().min(10).max(60).describe('days from the shortest day to the coldest'), {
      label: 'coldestAfterTheShortestDayBy',
      unit: 'days',
    }),
  })
  .meta({ id: 'Climate' });
export type Climate = z.infer<typeof Climate>;

/**
 * A plausible climate for a latitude, to begin from: a caretaker who knows the place sets it better. Invented for the
 * simulated station; no source.
 *
 * @param coast near the sea: small swings and more wind
 */
export function climateAt(latitudeDeg: number, coast = true): Climate {
  const away = Math.min(70, Math.abs(latitudeDeg));
  const dryWinter = away < 25;
  const drySummer = away >= 25 && away < 42;
  return {
    meanC: round(27.5 - 0.325 * away),
    swingC: round(away * (coast ? 0.105 : 0.2)),
    dayRangeC: coast ? 6.5 : 10.5,
    frontsC: round(1 + away * (coast ? 0.032 : 0.05)),
    wetDaysWinter: dryWinter ? 0.2 : 0.5,
    wetDaysSummer: drySummer ? 0.15 : dryWinter ? 0.5 : 0.38,
    rainMm: round(dryWinter ? 11 : 5.5),
    windMs: coast ? 4.2 : 2.8,
    lagDays: coast ? 33 : 27,
  };
}

const round = (value: number) => Math.round(value * 10) / 10;

const YEAR_DAYS = 365.2425;
/** Of the northern shortest day. */
const SHORTEST_DAY = -10;
const HALF = 0.5;

/** How far into summer a day is: −1 on the coldest, 1 on the warmest. @param dayNumber days since 1970 */
export function summerness(dayNumber: number, latitudeDeg: number, lagDays: number): number {
  const phase = (dayNumber - SHORTEST_DAY - lagDays) / YEAR_DAYS + (latitudeDeg < 0 ? HALF : 0);
  return -Math.cos(2 * Math.PI * phase);
}
