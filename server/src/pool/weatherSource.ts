// The weather of a site as the core reads it: measured, forecast, and past years. Simulated weather is made here, on the worker.
import { seasonsFrom } from '@mortisect/core/stage';
import {
  between,
  hourOf,
  lengthOf,
  over,
  type Series,
  type SimulatedPlace,
  simulatedForecast,
  simulatedWeather,
} from '@mortisect/core/weather';

export type WeatherSource =
  | { kind: 'simulated'; place: SimulatedPlace }
  | {
      kind: 'recorded';
      observed: Series;
      forecast: Series | null;
      /** Stands in for past years where fewer than three are on record. */
      standIn: SimulatedPlace;
    };

interface WeatherKnown {
  known: Series;
  years: Series;
  yearsSimulated: boolean;
}

export const FORECAST_HOURS = 14 * 24;
export const PAST_YEARS = 10;
export const YEAR_HOURS = 365.2425 * 24;
/** Fewer whole years on record say too little of what is usual. */
const LEAST_YEARS = 3;
const LEAST_TOLD = 0.8;
/** Read at most, years. */
export const MOST_YEARS = 11;

/** @param now ISO moment; what is measured ends there */
export function weatherOf(source: WeatherSource, now: string): WeatherKnown {
  const nowHour = hourOf(now);
  if (source.kind === 'simulated') {
    const from = seasonsFrom(now, source.place.latitude);
    const measured = simulatedWeather(source.place, from, nowHour - from);
    const upToForecast = over(measured, simulatedForecast(source.place, nowHour, FORECAST_HOURS));
    return { known: upToForecast, years: pastYears(source.place, nowHour), yearsSimulated: true };
  }
  const { observed, forecast, standIn } = source;
  // What was measured outweighs what was forecast
  const known = forecast ? over(observed, forecast) : observed;
  const from = seasonsFrom(now, standIn.latitude);
  const recent = between(known, from, Math.max(known.fromHour + lengthOf(known), nowHour));
  const toNow = between(observed, observed.fromHour, nowHour);
  const whole = yearsOnRecord({
    hours: lengthOf(toNow),
    temperatures: countOf(toNow.temperatureC),
    rains: countOf(toNow.rainMm),
  });
  if (whole > 0) {
    const years = between(observed, nowHour - Math.floor(whole * YEAR_HOURS), nowHour);
    return { known: recent, years, yearsSimulated: false };
  }
  return { known: recent, years: pastYears(standIn, nowHour), yearsSimulated: true };
}

const countOf = (column: readonly (number | null)[]) => column.filter((value) => value !== null).length;

/**
 * Whole past years on record that say what is usual; 0 where they are fewer than three, or where temperature or rain is missing in more than a
 * fifth of the hours: an hour without a value is not a dry one.
 *
 * @param hours from the first on record up to now
 * @param temperatures hours among them with a temperature
 * @param rains hours among them of which the rain is known
 */
export function yearsOnRecord({
  hours,
  temperatures,
  rains,
}: {
  hours: number;
  temperatures: number;
  rains: number;
}): number {
  const whole = Math.floor(hours / YEAR_HOURS);
  return whole >= LEAST_YEARS && Math.min(temperatures, rains) >= LEAST_TOLD * hours ? whole : 0;
}

const kept = new Map<string, Series>();

/** Ten years up to midnight; a worker makes them once a day. */
function pastYears(place: SimulatedPlace, nowHour: number): Series {
  const end = Math.floor(nowHour / 24) * 24;
  const key = `${end} ${JSON.stringify(place)}`;
  const cached = kept.get(key);
  if (cached) return cached;
  const hours = Math.floor((PAST_YEARS * YEAR_HOURS) / 24) * 24;
  const series = simulatedWeather(place, end - hours, hours);
  kept.clear();
  kept.set(key, series);
  return series;
}

/** Simulated hours up to now, and the forecast from now on. */
export function simulated({
  place,
  fromHour,
  nowHour,
}: {
  place: SimulatedPlace;
  fromHour: number;
  nowHour: number;
}): { observed: Series; forecast: Series } {
  return {
    observed: simulatedWeather(place, fromHour, nowHour - fromHour),
    forecast: simulatedForecast(place, nowHour, FORECAST_HOURS),
  };
}
