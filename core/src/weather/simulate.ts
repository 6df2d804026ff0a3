// The simulated station: hourly weather and forecasts that no instrument measured, always the same for the same seed.
import { upperTail } from '../residual/index';
import { type Climate, climateAt, summerness } from './climate';
import { emptySeries, type Series } from './hour';
import { humidityPct } from './humidity';
import { dayNumber } from './localTime';
import { memoryDays, mixed, normalOf, smoothed, uniformsOf } from './noise';
import type { Spell } from './spell';

export interface SimulatedPlace {
  latitude: number;
  longitude: number;
  climate: Climate;
  /** Whole number: another seed is another run of years. */
  seed: number;
  /** Spells laid over it, so that a demo has the frost or the wet bloom that its story tells of. */
  spells?: readonly Spell[] | undefined;
}

/** The place that a station is simulated for: by the climate that was set, else by what is usual of its latitude. */
export function placeToSimulate(
  { latitude, longitude }: { latitude: number; longitude: number },
  {
    climate,
    coast,
    seed,
    spells,
  }: { climate: Climate | null; coast: boolean; seed: number; spells: readonly Spell[] },
): SimulatedPlace {
  return { latitude, longitude, climate: climate ?? climateAt(latitude, coast), seed, spells };
}

/** How much a day’s warmth, and its rain, resemble the day before. Temperate fronts last some days; no source. */
const WARMTH_MEMORY = 0.74;
const RAIN_MEMORY = 0.42;
const WIND_MEMORY = 0.5;
/** How much of the truth a forecast holds on its first day, and what is left of that with each day of lead. No source. */
const FORECAST_FIRST = 0.985;
const FORECAST_KEEPS = 0.93;
const HOURS = 24;
const WARMEST_AT = 15;
const WARMTH_RAIN = -0.25;

/** What makes one day of weather: three numbers that fronts move, and some of its own. */
interface DaySeed {
  warmth: number;
  rain: number;
  wind: number;
  amount: number;
  start: number;
  dryness: number;
}

/**
 * Hourly weather as the simulated station reports it. Mean warmth goes through the year with fronts laid over it; rain
 * comes in events; dew point follows the coolest hour of the day, so that humidity follows temperature.
 *
 * @param fromHour first hour, since 1970
 * @param hours how many
 */
export function simulatedWeather(place: SimulatedPlace, fromHour: number, hours: number): Series {
  const [first, days] = daysRound(place, fromHour, hours);
  return hoursOfDays(place, first, truth(place.seed, first, days), fromHour, hours);
}

/**
 * What the simulated forecast of one day says: the truth, less and less of it the further ahead.
 *
 * @param issuedHour hour at which it is given, since 1970; it begins there
 * @param hours how many it looks ahead
 */
export function simulatedForecast(place: SimulatedPlace, issuedHour: number, hours: number): Series {
  const [first, days] = daysRound(place, issuedHour, hours);
  const today = dayOf(place, issuedHour);
  const trueDays = truth(place.seed, first, days);
  const guessed = truth(mixed(place.seed, today), first, days);
  const forecastDays = trueDays.map((day, i) => {
    const lead = first + i - today;
    return blend(
      day,
      guessed[i] as DaySeed,
      lead <= 0 ? FORECAST_FIRST : FORECAST_FIRST * FORECAST_KEEPS ** lead,
    );
  });
  return hoursOfDays(place, first, forecastDays, issuedHour, hours);
}

/** Days of the sun at the place, counted since 1970. */
function dayOf({ longitude }: SimulatedPlace, hour: number): number {
  return Math.floor((hour + longitude / 15) / HOURS);
}

/** The days that hours lie on, with one more at each end, since a day runs into the next. */
function daysRound(place: SimulatedPlace, fromHour: number, hours: number): [first: number, days: number] {
  const first = dayOf(place, fromHour) - 1;
  return [first, dayOf(place, fromHour + hours) + 2 - first];
}

function truth(seed: number, first: number, days: number): DaySeed[] {
  const memory = memoryDays(WARMTH_MEMORY);
  const drawn = Array.from({ length: days + memory }, (_, i) => uniformsOf(seed, first - memory + i, 9));
  const of = (a: number, b: number) => drawn.map((u) => normalOf(u[a] as number, u[b] as number));
  const warmth = smoothed(of(0, 1), WARMTH_MEMORY);
  const late = (phi: number, white: number[]) => smoothed(white.slice(memory - memoryDays(phi)), phi);
  const rain = late(RAIN_MEMORY, of(2, 3));
  const wind = late(WIND_MEMORY, of(4, 5));
  return warmth.map((value, i) => {
    const today = drawn[i + memory] as number[];
    return {
      warmth: value,
      rain: rain[i] as number,
      wind: wind[i] as number,
      amount: today[6] as number,
      start: today[7] as number,
      dryness: today[8] as number,
    };
  });
}

/** Part truth, part guess, as variable as either. */
function blend(known: DaySeed, guess: DaySeed, share: number): DaySeed {
  const rest = Math.sqrt(1 - share * share);
  const mix = (of: 'warmth' | 'rain' | 'wind') => share * known[of] + rest * guess[of];
  const towards = (of: 'amount' | 'start' | 'dryness') => share * known[of] + (1 - share) * guess[of];
  return {
    warmth: mix('warmth'),
    rain: mix('rain'),
    wind: mix('wind'),
    amount: towards('amount'),
    start: towards('start'),
    dryness: towards('dryness'),
  };
}

/** A day as it runs: mean, half range, dew point, rain by the hour, wind. */
interface Day {
  meanC: number;
  halfRangeC: number;
  dewC: number;
  rain: number[];
  windMs: number;
}

function dayFrom(place: SimulatedPlace, number: number, seed: DaySeed): Day {
  const { latitude, climate, spells = [] } = place;
  const spell = spells.find((spell) => number >= dayNumber(spell.from) && number <= dayNumber(spell.to));
  const summer = summerness(number, latitude, climate.lagDays);
  const wetShare =
    climate.wetDaysWinter + ((climate.wetDaysSummer - climate.wetDaysWinter) * (summer + 1)) / 2;
  const wet =
    spell && spell.rain !== 'as it comes' ? spell.rain === 'every day' : upperTail(seed.rain) < wetShare;
  // In winter rain comes with mild air, in summer with cool
  const meanC =
    climate.meanC +
    (spell?.addC ?? 0) +
    climate.swingC * summer +
    (climate.frontsC * (seed.warmth + WARMTH_RAIN * summer * seed.rain)) /
      Math.hypot(1, WARMTH_RAIN * summer);
  const halfRangeC = (climate.dayRangeC / 2) * (wet ? 0.55 : 1) * (0.85 + 0.3 * seed.dryness);
  const dewC = meanC - halfRangeC + (wet ? 0.6 : -0.4 - 2.2 * seed.dryness);
  const windMs = climate.windMs * Math.exp(0.38 * seed.wind + (wet ? 0.18 : 0) - 0.1 * summer - 0.09);
  return { meanC, halfRangeC, dewC, rain: rainOf(climate, seed, wet), windMs };
}

function rainOf(climate: Climate, seed: DaySeed, wet: boolean): number[] {
  const rain = Array<number>(HOURS).fill(0);
  if (!wet) return rain;
  const total = Math.max(0.4, -Math.log(1 - 0.999 * seed.amount) * climate.rainMm);
  const lasts = Math.max(2, Math.min(18, Math.round(2 + total * 0.7)));
  const start = Math.floor(seed.start * (HOURS - 1));
  for (let k = 0; k < lasts; k++) {
    const hour = start + k;
    if (hour >= HOURS) break;
    const swell = Math.sin((Math.PI * (k + 0.5)) / lasts);
    rain[hour] = (rain[hour] as number) + swell;
  }
  const sum = rain.reduce((all, mm) => all + mm, 0);
  return rain.map((mm) => Math.round((mm / sum) * total * 10) / 10);
}

function hoursOfDays(
  place: SimulatedPlace,
  first: number,
  seeds: DaySeed[],
  fromHour: number,
  hours: number,
): Series {
  const days = seeds.map((seed, i) => dayFrom(place, first + i, seed));
  const series = emptySeries(fromHour, hours);
  for (let i = 0; i < hours; i++) {
    // Sun time at the middle of the hour
    const sun = fromHour + i + place.longitude / 15;
    const at = sun / HOURS - first;
    const day = Math.max(0, Math.min(days.length - 1, Math.floor(at)));
    const ofDay = ((sun % HOURS) + HOURS) % HOURS;
    const near = (of: (weatherDay: Day) => number) => between(days, at - 0.5, of);
    const temperature =
      near((weatherDay) => weatherDay.meanC) +
      near((weatherDay) => weatherDay.halfRangeC) * Math.cos((2 * Math.PI * (ofDay - WARMEST_AT)) / HOURS);
    const rain = (days[day] as Day).rain[Math.floor(ofDay)] as number;
    const dry = humidityPct(
      temperature,
      Math.min(
        temperature,
        near((weatherDay) => weatherDay.dewC),
      ),
    );
    series.temperatureC[i] = tenth(temperature);
    series.humidityPct[i] = Math.round(rain > 0 ? Math.max(dry, 94) : dry);
    series.rainMm[i] = rain;
    series.windMs[i] = tenth(
      near((weatherDay) => weatherDay.windMs) * (1 + 0.25 * Math.cos((2 * Math.PI * (ofDay - 14)) / HOURS)),
    );
  }
  return series;
}

/** A value that runs smoothly from the middle of one day to the middle of the next. */
function between(days: Day[], at: number, of: (day: Day) => number): number {
  const i = Math.max(0, Math.min(days.length - 2, Math.floor(at)));
  const share = Math.max(0, Math.min(1, at - i));
  return of(days[i] as Day) * (1 - share) + of(days[i + 1] as Day) * share;
}

const tenth = (value: number) => Math.round(value * 10) / 10;
