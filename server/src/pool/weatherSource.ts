// The weather of a site as the core reads it: measured, forecast, and past years. Simulated weather is made here, on the worker.
import {
  between,
  hourOf,
  lengthOf,
  northernDayOfYear,
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

export interface WeatherKnown {
  known: Series;
  years: Series;
  yearsSimulated: boolean;
}

export const FORECAST_HOURS = 14 * 24;
export const PAST_YEARS = 10;
const YEAR_HOURS = 365.2425 * 24;
/** Fewer whole years on record say too little of what is usual. */
export const LEAST_YEARS = 3;

/** First hour that stages and frosts of this season and the last are counted from: 1 October in the north. */
export function recordFrom(now: string, latitude: number): number {
  const year = new Date(now).getUTCFullYear();
  const ofYear = Math.floor((Date.parse(now) - Date.UTC(year, 0, 1)) / 864e5) + 1;
  const begun = northernDayOfYear(ofYear, latitude) >= 274;
  const start =
    latitude < 0 ? Date.UTC(year - (ofYear >= 91 ? 0 : 1), 3, 1) : Date.UTC(year - (begun ? 0 : 1), 9, 1);
  return Math.floor(start / 36e5) - Math.round(YEAR_HOURS);
}

/** @param now ISO moment; what is measured ends there */
export function weatherOf(source: WeatherSource, now: string): WeatherKnown {
  const nowHour = hourOf(now);
  if (source.kind === 'simulated') {
    const from = recordFrom(now, source.place.latitude);
    const measured = simulatedWeather(source.place, from, nowHour - from);
    const known = over(measured, simulatedForecast(source.place, nowHour, FORECAST_HOURS));
    return { known, years: pastYears(source.place, nowHour), yearsSimulated: true };
  }
  const { observed, forecast, standIn } = source;
  // What was measured outweighs what was forecast
  const known = forecast ? over(observed, forecast) : observed;
  const from = recordFrom(now, standIn.latitude);
  const recent = between(known, from, Math.max(known.fromHour + lengthOf(known), nowHour));
  const whole = Math.floor((nowHour - observed.fromHour) / YEAR_HOURS);
  if (whole >= LEAST_YEARS) {
    const years = between(observed, nowHour - Math.floor(whole * YEAR_HOURS), nowHour);
    return { known: recent, years, yearsSimulated: false };
  }
  return { known: recent, years: pastYears(standIn, nowHour), yearsSimulated: true };
}

const kept = new Map<string, Series>();

/** Ten years up to midnight; a worker makes them once a day. */
function pastYears(place: SimulatedPlace, nowHour: number): Series {
  const end = Math.floor(nowHour / 24) * 24;
  const key = `${end} ${JSON.stringify(place)}`;
  const known = kept.get(key);
  if (known) return known;
  const hours = Math.floor((PAST_YEARS * YEAR_HOURS) / 24) * 24;
  const made = simulatedWeather(place, end - hours, hours);
  kept.clear();
  kept.set(key, made);
  return made;
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
