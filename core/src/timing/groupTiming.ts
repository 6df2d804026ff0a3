// One group of trees: each half-day’s verdict with its index, and the windows.
import {
  type Crop,
  cropOf,
  leavesDownDay,
  type StageDay,
  type Stages,
  type ThermalDay,
} from '../stage/index';
import { dayAfter, hourOf } from '../weather/index';
import { coldFactor, FROST_DAYS, factorsOf, frostAndHeat } from './factors';
import { windowsOfHours } from './hours';
import { chanceOf } from './lambda';
import type { TimingInput, TreeGroup } from './model';
import { type PathogenCode, pathogens, pathogensIn } from './pathogens';
import { isInSchool, type TimingSchool } from './schoolNames';
import { infectionOf, scoreOf } from './score';
import type { TimingSettings } from './settings';
import type { Block, Cell, Factors, GroupTiming, Reason, TimingWindow, Verdict } from './shapes';
import { cellOfHour, type Shared } from './shared';
import { stagedOf } from './staged';
import { LEAST_WINDOW_H } from './windows';
import { LEAST_KNOWN, quantile } from './wounds';

export function groupTiming(group: TreeGroup, input: TimingInput, shared: Shared): GroupTiming {
  const school = input.settings.school[group.lane] ?? 'any dry day';
  const crop = cropOf(group.species);
  const today = shared.clock.day(hourOf(input.now));
  const { stages, byDay, bloom, freezes } = stagedOf(group, input, shared);
  const cells = shared.halves.map((half, i) =>
    cellOf(i, half, group, school, crop, stages, byDay, input, shared),
  );
  const now = byDay.get(today);
  return {
    key: group.key,
    species: group.species,
    lane: group.lane,
    school,
    stage: now === undefined ? null : (stages.course[now] ?? null),
    bloom,
    hardinessC: now === undefined ? null : (stages.hardinessC[now] ?? null),
    lowestC: lowestOf(stages.days, today),
    cells,
    windows: windowsFor(cells, shared, hourOf(input.now)),
    freezes,
  };
}

function cellOf(
  i: number,
  half: Shared['halves'][number],
  group: TreeGroup,
  school: TimingSchool,
  crop: Crop | undefined,
  stages: Stages,
  byDay: ReadonlyMap<string, number>,
  { settings, place }: TimingInput,
  shared: Shared,
): Cell {
  const at = byDay.get(half.day) ?? stages.course.length - 1;
  const stage = stages.course[at] as StageDay;
  const reach = frostAndHeat(stages, at);
  const factors: Factors = crop
    ? factorsOf(
        stage,
        reach.aboveC,
        reach.hottestC,
        group.cut,
        { latitude: place.latitude, stopDay: settings.stopDay },
        crop,
      )
    : {
        cold: coldFactor(reach.aboveC),
        heat: 0,
        slip: 0,
        late: 0,
        buds: 0,
        growth: 0.3,
      };
  const used = pathogensIn(group.loads);
  const load = (code: PathogenCode) => group.loads[code] ?? 0;
  const chances: Cell['chances'] = {};
  for (const { code } of used) {
    const scenarios = shared.wounds.central[code][i] as number[];
    chances[code] =
      scenarios.reduce((sum, lambda) => sum + chanceOf(load(code) * lambda), 0) / scenarios.length;
  }
  const infection = infectionOf(
    used.map(({ code, consequence }) => ({ chance: chances[code] ?? 0, consequence })),
  );
  // What is left of 100 when the infection is known: the same for every draw
  const well = 1 - scoreOf(0, factors, settings.weights) / 100;
  const drawn = drawnInfections(group.loads, i, shared).map((chance) => 100 * (1 - (1 - chance) * well));
  const middle = scoreOf(infection, factors, settings.weights);
  const inSchool =
    !crop ||
    isInSchool(school, stage, crop, {
      latitude: place.latitude,
      stopDay: settings.stopDay,
      leavesDownDay: leavesDownDay(place.latitude),
    });
  const score: Cell['score'] = [
    Math.min(middle, quantile(drawn, 0.1)),
    middle,
    Math.max(middle, quantile(drawn, 0.9)),
  ];
  const enoughKnown = used.every(({ code }) => (shared.wounds.known[code][i] as number) >= LEAST_KNOWN);
  const blight = (group.loads.FB ?? 0) > 0 && stage.phase === 'bloom';
  return {
    day: half.day,
    half: half.half,
    cutHour: half.cutHour,
    ...verdictOf(half, shared, { middle, factors, inSchool, blight, known: enoughKnown }, settings),
    score,
    infection,
    chances,
    factors,
    stage: stage.stage,
    phase: stage.phase,
    inSchool,
  };
}

/** Weighed infection of every draw of a half-day; groups with the same about them share it. */
function drawnInfections(loads: TreeGroup['loads'], i: number, shared: Shared): Float64Array {
  const key = `${i} ${JSON.stringify(loads)}`;
  const cached = shared.drawnInfections.get(key);
  if (cached) return cached;
  const draws = shared.wounds.drawn.CYT[i]?.length ?? 0;
  const none = new Float64Array(draws).fill(1);
  for (const { code, consequence } of pathogens) {
    const load = loads[code] ?? 0;
    if (load === 0) continue;
    const lambdas = shared.wounds.drawn[code][i] as number[];
    for (let k = 0; k < draws; k++) {
      none[k] = (none[k] as number) * (1 - consequence * chanceOf(load * (lambdas[k] as number)));
    }
  }
  const chances = none.map((chance) => 1 - chance);
  shared.drawnInfections.set(key, chances);
  return chances;
}

function verdictOf(
  half: Shared['halves'][number],
  shared: Shared,
  {
    middle,
    factors,
    inSchool,
    blight,
    known,
  }: { middle: number; factors: Factors; inSchool: boolean; blight: boolean; known: boolean },
  settings: TimingSettings,
): { verdict: Verdict; why: Reason | null } {
  const free = (blocked: Block[][]) => freeHours(blocked, half, shared.fromHour);
  if (blight) return { verdict: 'wait', why: 'bloom of a blight host' };
  if (factors.cold >= 1) return { verdict: 'wait', why: 'severe frost' };
  if (free(shared.least) < LEAST_WINDOW_H)
    return { verdict: 'wait', why: mainBlock(shared.least, half, shared.fromHour) };
  if (middle > settings.waitAbove) return { verdict: 'wait', why: 'risk' };
  // What a wound lives through unseen may be wet: that is never good
  if (!known) return { verdict: 'possible', why: 'not known' };
  if (!inSchool) return { verdict: 'possible', why: 'outside the school' };
  if (middle >= settings.goodBelow) return { verdict: 'possible', why: 'risk' };
  if (free(shared.living) < LEAST_WINDOW_H) return { verdict: 'possible', why: 'short dry spell' };
  return { verdict: 'go', why: null };
}

export function freeHours(blocked: Block[][], half: { from: number; to: number }, fromHour: number): number {
  let free = 0;
  for (let hour = half.from; hour < half.to; hour++) if (blocked[hour - fromHour]?.length === 0) free += 1;
  return free;
}

/** What blocks most of the light hours of a half-day; dark where none is light. */
export function mainBlock(blocked: Block[][], half: { from: number; to: number }, fromHour: number): Block {
  const counts = new Map<Block, number>();
  for (let hour = half.from; hour < half.to; hour++) {
    const why = blocked[hour - fromHour] ?? [];
    if (why.includes('dark')) continue;
    for (const reason of why) counts.set(reason, (counts.get(reason) ?? 0) + 1);
  }
  const most = [...counts].sort((a, b) => b[1] - a[1])[0];
  return most?.[0] ?? 'dark';
}

function windowsFor(cells: Cell[], shared: Shared, nowHour: number): TimingWindow[] {
  const { halves, living, least, part, fromHour } = shared;
  const cellAt = cellOfHour(halves, cells);
  const endHour = halves.at(-1)?.to ?? nowHour;
  return windowsOfHours({ fromHour, living, least, rainMm: part.rainMm, nowHour, endHour, cellAt }).flatMap(
    (window) => {
      const first = cellAt(window.fromHour);
      return first ? [{ ...window, score: first.score }] : [];
    },
  );
}

function lowestOf(days: readonly ThermalDay[], today: string): number {
  const until = dayAfter(today, FROST_DAYS);
  return days
    .filter((day) => day.day >= today && day.day <= until)
    .reduce((low, day) => Math.min(low, day.minC), 99);
}
