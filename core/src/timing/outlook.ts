// The weather a wound will live through: what was measured, what is forecast, and after that what past years were like.
import { lengthOf, type Series } from '../weather/index';
import { HORIZON_DAYS, type Weathering, weathering, wetnessWeights } from './lambda';

export interface Outlook {
  fromHour: number;
  /** Hour after the last that is measured or forecast. */
  knownToHour: number;
  /** One run of weather for each past year that goes on where the forecast ends. At least one. */
  scenarios: Scenario[];
}

export interface Scenario {
  temperatureC: Float64Array;
  wetness: Float64Array;
  weather: Weathering;
  /** 1 where the hour’s temperature and rain are measured, forecast or those of a past year; 0 where nobody knows them. */
  known: Uint8Array;
  /** Whether any hour of it is unknown. */
  gaps: boolean;
}

const DAY = 24;
const YEAR_DAYS = 365.2425;
/** A cool day, until the first temperature is known, °C. */
const USUAL_C = 8;

/** There is neither a measured hour nor a past year to go by. */
export class NoWeather extends Error {
  constructor(readonly fromHour: number) {
    super('No weather is known for these hours, and no past year to stand in for them.');
    this.name = 'NoWeather';
  }
}

/**
 * @param known measured and forecast
 * @param years hourly weather of past years up to about now; empty where there is none: the last known hours then stand in
 * @param fromHour first hour that is looked at
 * @param cutToHour last hour that a wound may be made in
 * @throws {NoWeather} when no hour at all has a temperature
 */
export function outlookOf(known: Series, years: Series | null, fromHour: number, cutToHour: number): Outlook {
  const hours = cutToHour - fromHour + HORIZON_DAYS * DAY;
  const knownToHour = lastKnown(known) + 1;
  const count = years ? wholeYears(years) : 1;
  if (!years && knownToHour <= known.fromHour) throw new NoWeather(fromHour);
  const scenarios = Array.from({ length: count }, (_, k) => scenarioOf(known, years, k + 1, fromHour, hours));
  return { fromHour, knownToHour, scenarios };
}

function scenarioOf(
  known: Series,
  years: Series | null,
  back: number,
  fromHour: number,
  hours: number,
): Scenario {
  const temperatureC = new Float64Array(hours);
  const rainMm: (number | null)[] = Array(hours).fill(null);
  const isKnown = new Uint8Array(hours);
  const most = years ? wholeYears(years) : 0;
  const valueAt = (column: 'temperatureC' | 'rainMm', hour: number): number | null =>
    known[column][hour - known.fromHour] ?? (years && ofPastYear(years, column, hour, back, most));
  let last = USUAL_C;
  for (let i = 0; i < hours; i++) {
    const t = valueAt('temperatureC', fromHour + i);
    rainMm[i] = valueAt('rainMm', fromHour + i);
    isKnown[i] = t !== null && rainMm[i] !== null ? 1 : 0;
    // Where nobody knows it the same hour of the day before goes on
    last = t ?? (i >= DAY ? (temperatureC[i - DAY] as number) : last);
    temperatureC[i] = last;
  }
  const series = {
    fromHour,
    temperatureC: [...temperatureC],
    humidityPct: rainMm.map(() => null),
    rainMm,
    windMs: rainMm.map(() => null),
    wetMinutes: rainMm.map(() => null),
  };
  const wetness = wetnessWeights(series);
  return {
    temperatureC,
    wetness,
    weather: weathering(temperatureC, wetness),
    known: isKnown,
    gaps: isKnown.includes(0),
  };
}

/** Years on record, at least one. */
function wholeYears(years: Series): number {
  return Math.max(1, Math.floor(lengthOf(years) / (YEAR_DAYS * DAY)));
}

/** What an hour was like some years back; where that year has a gap, a year further back, as far as the record goes. */
function ofPastYear(
  years: Series,
  column: 'temperatureC' | 'rainMm',
  hour: number,
  back: number,
  most: number,
): number | null {
  for (let further = 0; further < most; further++) {
    const value = years[column][placeIn(years, hour - Math.round((back + further) * YEAR_DAYS) * DAY)];
    if (value !== null && value !== undefined) return value;
  }
  return null;
}

/** Place of an hour in the past years; one that lies outside them is looked up a year before or after. */
function placeIn(years: Series, hour: number): number {
  const year = Math.round(YEAR_DAYS) * DAY;
  let at = hour - years.fromHour;
  while (at >= lengthOf(years)) at -= year;
  while (at < 0) at += year;
  return at;
}

function lastKnown(series: Series): number {
  return series.fromHour + series.temperatureC.findLastIndex((value) => value !== null);
}
