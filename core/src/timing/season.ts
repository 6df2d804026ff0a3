// The schools side by side on the weather of past years: what would a cut have risked on each day, and how many days were dry?
import {
  type Crop,
  firstFlower,
  leavesDownDay,
  PETALS_DOWN,
  type StageDay,
  type Stages,
  stagesOver,
  type ThermalDay,
  thermalDays,
} from '../stage/index';
import { dayOfYear, groundByRecord, type Series, WET_RAIN_MM } from '../weather/index';
import { blightWeather, bloomDays } from './bloom';
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
import { type PathogenCode, pathogensIn } from './pathogens';
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
export function seasonOf(input: SeasonInput, place: Place): Season {
  const thermal = thermalDays(input.years, place.clock);
  const { latitude } = place;
  const stages = stagesOver(input.crop, thermal, { latitude, offsetDays: input.offsetDays ?? 0 });
  const days = dayRisks(input, place, thermal, stages);
  const years = Math.max(1, Math.round(days.length / 365));
  return {
    weeks: weeksOf(days),
    schools: timingSchools.map((school) => schoolOf(school, days, years)),
    bloom: bloomOf(input, place, thermal, stages),
    months: monthsOf(input, place, thermal),
    years,
  };
}

function dayRisks(
  { years, crop, loads, settings, cut }: SeasonInput,
  place: Place,
  thermal: ThermalDay[],
  stages: Stages,
): DayRisk[] {
  const { latitude, clock } = place;
  const hours = years.temperatureC.length;
  const temperature = Float64Array.from({ length: hours }, (_, i) => years.temperatureC[i] ?? 8);
  const weather = weathering(temperature, wetnessWeights(years));
  const used = pathogensIn(loads);
  const exposures = used.map((pathogen) =>
    exposureOf(pathogen, weather, inoculumWeights(pathogen, years.fromHour, hours, latitude)),
  );
  const blocked = blockedHours(years, settings, place, groundByRecord(years));
  const leavesDown = leavesDownDay(latitude);
  // The last wounds of the record have no weather left to heal in
  const last = thermal.length - 60;
  return thermal.slice(0, Math.max(0, last)).map((day, i) => {
    const start = clock.startOf(day.day) - years.fromHour;
    const at = Math.max(0, start + CUT_AT);
    const chances = used.map((pathogen, p) => ({
      chance: chanceOf((loads[pathogen.code] ?? 0) * lambdaOf(exposures[p] as never, at)),
      consequence: pathogen.consequence,
    }));
    const stage = stages.course[i] as StageDay;
    const { aboveC, hottestC } = frostAndHeat(stages, i);
    const factors = factorsOf(stage, aboveC, hottestC, cut, { latitude, stopDay: settings.stopDay }, crop);
    let free = 0;
    let rain = 0;
    for (let h = Math.max(0, start); h < start + DAY && h < hours; h++) {
      if (blocked[h]?.length === 0) free += 1;
      rain += years.rainMm[h] ?? 0;
    }
    return {
      ofYear: Math.min(365, day.ofYear),
      day: day.day,
      score: scoreOf(infectionOf(chances), factors, settings.weights),
      dry: free >= LEAST_WINDOW_H,
      wet: rain >= WET_RAIN_MM,
      meanC: day.meanC,
      schools: timingSchools.filter((school) =>
        isInSchool(school, stage, crop, { latitude, stopDay: settings.stopDay, leavesDownDay: leavesDown }),
      ),
    };
  });
}

/** The first flower as it usually comes, and in how many of the years in which it did fire blight could enter flowers. */
function bloomOf(
  { years, crop, loads }: SeasonInput,
  { clock }: Place,
  thermal: ThermalDay[],
  { course }: Stages,
): Season['bloom'] {
  const isOpen = (i: number) => {
    const share = course[i]?.share ?? 0;
    return share >= firstFlower(crop) && share < PETALS_DOWN;
  };
  const firsts = thermal.filter((_, i) => i > 0 && isOpen(i) && !isOpen(i - 1)).map(({ ofYear }) => ofYear);
  const first = firsts.toSorted((a, b) => a - b)[Math.floor(firsts.length / 2)] ?? null;
  if (first === null || (loads.FB ?? 0) === 0) return { first, blightShare: 0 };
  const byDay = new Map(thermal.map(({ day }, i) => [day, course[i] as StageDay]));
  const infected = bloomDays(blightWeather(years, clock), byDay, crop).filter(
    ({ risk }) => risk === 'infection',
  );
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

function monthsOf({ years, loads }: SeasonInput, { latitude }: Place, thermal: ThermalDay[]): SeasonMonth[] {
  const used = pathogensIn(loads);
  const meanOfDay = Array.from({ length: 366 }, () => [0, 0] as [number, number]);
  for (const day of thermal) {
    const cell = meanOfDay[Math.min(365, day.ofYear)] as [number, number];
    cell[0] += day.meanC;
    cell[1] += 1;
  }
  const usualC = (ofYear: number) => {
    const [sum, count] = meanOfDay[((ofYear - 1) % 365) + 1] as [number, number];
    return count > 0 ? sum / count : 8;
  };
  const wet = Array.from({ length: REGULAR_DAYS * DAY }, (_, h) =>
    Math.floor(h / DAY) % WEEK === 3 && h % DAY < 12 ? 1 : 0,
  );
  const full = wet.map(() => 1);
  const rainHours = Array.from({ length: 12 }, () => [0, 0] as [number, number]);
  for (let i = 0; i < years.rainMm.length; i++) {
    const month = new Date((years.fromHour + i) * 3_600_000).getUTCMonth();
    const cell = rainHours[month] as [number, number];
    cell[0] += (years.rainMm[i] ?? 0) >= WET_RAIN_MM ? 1 : 0;
    cell[1] += 1;
  }
  return Array.from({ length: 12 }, (_, month) => {
    const middle = `2001-${String(month + 1).padStart(2, '0')}-15`;
    const temperature = wet.map(
      (_, h) =>
        usualC(dayOfYear(middle) + Math.floor(h / DAY)) +
        3 * Math.cos((2 * Math.PI * ((h % DAY) - 15)) / DAY),
    );
    const weather = weathering(temperature, wet);
    const lambda = used.map(
      (pathogen) => (loads[pathogen.code] ?? 0) * lambdaOf(exposureOf(pathogen, weather, full), 0),
    );
    const [wetHours, hours] = rainHours[month] as [number, number];
    const weights = used.map((pathogen) => loads[pathogen.code] ?? 0);
    const load = weights.reduce((sum, weight) => sum + weight, 0);
    return {
      month: month + 1,
      temperatureTerm: lambda.reduce((sum, value) => sum + value, 0),
      rainShare: hours > 0 ? wetHours / hours : 0,
      inoculum:
        load > 0
          ? used.reduce(
              (sum, pathogen, p) => sum + (weights[p] as number) * inoculumOn(pathogen, middle, latitude),
              0,
            ) / load
          : 0,
    };
  });
}
