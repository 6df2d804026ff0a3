// The schools side by side on the weather of past years: what would a cut have risked on each day, and how many days were dry?
import {
  type Crop,
  leavesDownDay,
  type StageDay,
  type Stages,
  stagesOver,
  type ThermalDay,
  thermalDays,
} from '../stage/index';
import { dayOfYear, groundByRecord, type Series, WET_RAIN_MM } from '../weather/index';
import { blightWeather, bloomDays, hasFlowers } from './bloom';
import { type CutKind, factorsOf, frostAndHeat } from './factors';
import {
  chanceOf,
  exposureOf,
  inoculumOn,
  inoculumWeights,
  lambdaOf,
  weathering,
  wetnessWeights,
} from './lambda';
import { type Pathogen, type PathogenCode, pathogensIn } from './pathogens';
import { isInSchool, type TimingSchool, timingSchools } from './schoolNames';
import { infectionOf, scoreOf } from './score';
import type { TimingSettings } from './settings';
import type { SchoolSeason, Season, SeasonMonth, SeasonWeek } from './shapes';
import { blockedHours, LEAST_WINDOW_H, type Place } from './windows';
import { bandOf } from './wounds';

export interface SeasonInput {
  /** Ten past years, or as many as there are; hourly. */
  years: Series;
  crop: Crop;
  /** Weight of each pathogen for this tree: host times what is nearby. */
  loads: Partial<Record<PathogenCode, number>>;
  settings: TimingSettings;
  cut: CutKind;
  offsetDays?: number;
}

const CUT_AT = 10;
const DAY = 24;
const WEEK = 7;

interface DayRisk {
  ofYear: number;
  day: string;
  score: number;
  dry: boolean;
  wet: boolean;
  meanC: number;
  schools: TimingSchool[];
}

/** A year as its weeks, its schools and its months, from past years. */
export const seasonOf = (input: SeasonInput, place: Place): Season => seasonsOf(input, place)(input);

/**
 * The same for many kinds of trees: what the weather says by itself is worked out once, and of each pathogen when the first host asks for it.
 *
 * @param place of the weather
 */
export function seasonsOf(
  given: Pick<SeasonInput, 'years' | 'settings'>,
  place: Place,
): (of: Omit<SeasonInput, 'years' | 'settings'>) => Season {
  const past = pastOf(given, place);
  return (of) => {
    const { latitude } = place;
    const stages = stagesOver(of.crop, past.thermal, { latitude, offsetDays: of.offsetDays ?? 0 });
    const days = dayRisks({ ...given, ...of }, place, past, stages);
    const years = Math.max(1, Math.round(days.length / 365));
    return {
      weeks: weeksOf(days),
      schools: timingSchools.map((school) => schoolOf(school, days, years)),
      bloom: bloomOf(of, past, stages),
      months: monthsOf(of, past, place.latitude),
      years,
    };
  };
}

/** What past weather says whatever grows there. */
interface Past {
  thermal: ThermalDay[];
  /** Days of which a season tells: the last wounds of the record have no weather left to heal in. */
  days: { day: ThermalDay; dry: boolean; wet: boolean }[];
  /** Expected infections of a wound by a full load of a pathogen, by day of `days`. */
  lambda(pathogen: Pathogen): Float64Array;
  blight(): ReturnType<typeof blightWeather>;
  /** Usual mean of a day of the year, °C. */
  usualC(ofYear: number): number;
  /** Share of hours with rain, by month. */
  rainShare: number[];
  /** The same as `lambda` for the middle of a month in regular rain. */
  monthLambda(pathogen: Pathogen, month: number): number;
}

function pastOf({ years, settings }: Pick<SeasonInput, 'years' | 'settings'>, place: Place): Past {
  const { latitude, clock } = place;
  const thermal = thermalDays(years, clock);
  const hours = years.temperatureC.length;
  const temperature = Float64Array.from({ length: hours }, (_, i) => years.temperatureC[i] ?? 8);
  const weather = weathering(temperature, wetnessWeights(years));
  const blocked = blockedHours(years, settings, place, groundByRecord(years));
  const starts = thermal.slice(0, Math.max(0, thermal.length - 60)).map((day) => ({
    day,
    start: clock.startOf(day.day) - years.fromHour,
  }));
  const lambda = remembered((pathogen: Pathogen) => {
    const exposure = exposureOf(
      pathogen,
      weather,
      inoculumWeights(pathogen, years.fromHour, hours, latitude),
    );
    return Float64Array.from(starts, ({ start }) => lambdaOf(exposure, Math.max(0, start + CUT_AT)));
  });
  const usualC = usualMeans(thermal);
  const regular = remembered((month: number) => regularWeather(month, usualC));
  const monthly = remembered((pathogen: Pathogen) =>
    remembered((month: number) => {
      const { weather, full } = regular(month);
      return lambdaOf(exposureOf(pathogen, weather, full), 0);
    }),
  );
  const blight = remembered((_: null) => blightWeather(years, clock));
  return {
    thermal,
    days: starts.map(({ day, start }) => {
      let [free, rain] = [0, 0];
      for (let h = Math.max(0, start); h < start + DAY && h < hours; h++) {
        if (blocked[h]?.length === 0) free += 1;
        rain += years.rainMm[h] ?? 0;
      }
      return { day, dry: free >= LEAST_WINDOW_H, wet: rain >= WET_RAIN_MM };
    }),
    lambda,
    blight: () => blight(null),
    usualC,
    rainShare: rainByMonth(years),
    monthLambda: (pathogen, month) => monthly(pathogen)(month),
  };
}

/** Worked out when it is asked for the first time. */
function remembered<K, V>(make: (key: K) => V): (key: K) => V {
  const known = new Map<K, V>();
  return (key) => {
    if (!known.has(key)) known.set(key, make(key));
    return known.get(key) as V;
  };
}

function dayRisks(
  { crop, loads, settings, cut }: SeasonInput,
  { latitude }: Place,
  past: Past,
  stages: Stages,
): DayRisk[] {
  const used = pathogensIn(loads).map((pathogen) => ({
    load: loads[pathogen.code] ?? 0,
    lambda: past.lambda(pathogen),
    consequence: pathogen.consequence,
  }));
  const leavesDown = leavesDownDay(latitude);
  return past.days.map(({ day, dry, wet }, i) => {
    const chances = used.map(({ load, lambda, consequence }) => ({
      chance: chanceOf(load * (lambda[i] as number)),
      consequence,
    }));
    const stage = stages.course[i] as StageDay;
    const { aboveC, hottestC } = frostAndHeat(stages, i);
    const factors = factorsOf(stage, aboveC, hottestC, cut, { latitude, stopDay: settings.stopDay }, crop);
    return {
      ofYear: Math.min(365, day.ofYear),
      day: day.day,
      score: scoreOf(infectionOf(chances), factors, settings.weights),
      ...{ dry, wet },
      meanC: day.meanC,
      schools: timingSchools.filter((school) =>
        isInSchool(school, stage, crop, { latitude, stopDay: settings.stopDay, leavesDownDay: leavesDown }),
      ),
    };
  });
}

/** The first flower as it usually comes, and in how many of the years in which it did fire blight could enter flowers. */
function bloomOf(
  { crop, loads }: Pick<SeasonInput, 'crop' | 'loads'>,
  { thermal, blight }: Past,
  { course }: Stages,
): Season['bloom'] {
  const isOpen = (i: number) => hasFlowers(course[i], crop);
  const firsts = thermal.filter((_, i) => i > 0 && isOpen(i) && !isOpen(i - 1)).map(({ ofYear }) => ofYear);
  const first = firsts.toSorted((a, b) => a - b)[Math.floor(firsts.length / 2)] ?? null;
  if (first === null || (loads.FB ?? 0) === 0) return { first, blightShare: 0 };
  const byDay = new Map(thermal.map(({ day }, i) => [day, course[i] as StageDay]));
  const infected = bloomDays(blight(), byDay, crop).filter(({ risk }) => risk === 'infection');
  const inYears = new Set(infected.map(({ day }) => day.slice(0, 4)));
  return { first: Math.min(365, first), blightShare: Math.min(1, inYears.size / firsts.length) };
}

function weeksOf(days: DayRisk[]): SeasonWeek[] {
  const weeks = Array.from({ length: 52 }, () => [] as DayRisk[]);
  for (const day of days) weeks[Math.min(51, Math.floor((day.ofYear - 1) / WEEK))]?.push(day);
  return weeks.flatMap((days, week) => {
    if (days.length === 0) return [];
    const scores = days.map((day) => day.score);
    const share = (of: (day: DayRisk) => boolean) => days.filter(of).length / days.length;
    return [
      {
        from: week * WEEK + 1,
        score: bandOf(scores) as [number, number, number],
        dryShare: share((day) => day.dry),
        wetShare: share((day) => day.wet),
        meanC: days.reduce((sum, day) => sum + day.meanC, 0) / days.length,
      },
    ];
  });
}

function schoolOf(school: TimingSchool, days: DayRisk[], years: number): SchoolSeason {
  const ofSchool = days.filter((day) => day.schools.includes(school));
  const dry = ofSchool.filter((day) => day.dry);
  const scores = dry.map((day) => day.score);
  return {
    school,
    score: scores.length > 0 ? bandOf(scores) : null,
    days: ofSchool.length / years,
    dryDays: dry.length / years,
    ...usualSpan(ofSchool, years),
  };
}

/** Days of the year that lie in its season in at least half of the years; over the turn of the year `from` is after `to`. */
function usualSpan(days: DayRisk[], years: number): { from: number | null; to: number | null } {
  const counts = Array<number>(366).fill(0);
  for (const day of days) counts[day.ofYear] = (counts[day.ofYear] as number) + 1;
  const usual = (ofYear: number) => (counts[((ofYear - 1 + 365) % 365) + 1] as number) >= years / 2;
  const all = Array.from({ length: 365 }, (_, i) => i + 1);
  if (all.every(usual)) return { from: 1, to: 365 };
  const from = all.find((day) => usual(day) && !usual(day - 1)) ?? null;
  const to = all.find((day) => usual(day) && !usual(day + 1)) ?? null;
  return { from, to };
}

/** Regular rain: twelve hours every seventh day, beginning on the third. */
const REGULAR_DAYS = 90;

/** What a day of the year usually has, °C; 8 where none is on record. */
function usualMeans(thermal: ThermalDay[]): (ofYear: number) => number {
  const meanOfDay = Array.from({ length: 366 }, () => [0, 0] as [number, number]);
  for (const day of thermal) {
    const cell = meanOfDay[Math.min(365, day.ofYear)] as [number, number];
    cell[0] += day.meanC;
    cell[1] += 1;
  }
  return (ofYear) => {
    const [sum, count] = meanOfDay[((ofYear - 1) % 365) + 1] as [number, number];
    return count > 0 ? sum / count : 8;
  };
}

const middleOf = (month: number) => `2001-${String(month + 1).padStart(2, '0')}-15`;

/** @param month 0 is January */
function regularWeather(month: number, usualC: (ofYear: number) => number) {
  const wet = Array.from({ length: REGULAR_DAYS * DAY }, (_, h) =>
    Math.floor(h / DAY) % WEEK === 3 && h % DAY < 12 ? 1 : 0,
  );
  const temperature = wet.map(
    (_, h) =>
      usualC(dayOfYear(middleOf(month)) + Math.floor(h / DAY)) +
      3 * Math.cos((2 * Math.PI * ((h % DAY) - 15)) / DAY),
  );
  return { weather: weathering(temperature, wet), full: wet.map(() => 1) };
}

function rainByMonth(years: Series): number[] {
  const rainHours = Array.from({ length: 12 }, () => [0, 0] as [number, number]);
  for (let i = 0; i < years.rainMm.length; i++) {
    const month = new Date((years.fromHour + i) * 3_600_000).getUTCMonth();
    const cell = rainHours[month] as [number, number];
    cell[0] += (years.rainMm[i] ?? 0) >= WET_RAIN_MM ? 1 : 0;
    cell[1] += 1;
  }
  return rainHours.map(([wet, hours]) => (hours > 0 ? wet / hours : 0));
}

function monthsOf({ loads }: Pick<SeasonInput, 'loads'>, past: Past, latitude: number): SeasonMonth[] {
  const used = pathogensIn(loads);
  const weights = used.map((pathogen) => loads[pathogen.code] ?? 0);
  const load = weights.reduce((sum, weight) => sum + weight, 0);
  return Array.from({ length: 12 }, (_, month) => ({
    month: month + 1,
    temperatureTerm: used.reduce(
      (sum, pathogen, p) => sum + (weights[p] as number) * past.monthLambda(pathogen, month),
      0,
    ),
    rainShare: past.rainShare[month] as number,
    inoculum:
      load > 0
        ? used.reduce(
            (sum, pathogen, p) =>
              sum + (weights[p] as number) * inoculumOn(pathogen, middleOf(month), latitude),
            0,
          ) / load
        : 0,
  }));
}
