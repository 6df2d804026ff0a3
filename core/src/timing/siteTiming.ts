// May I cut this kind of tree today, and if not, when? For every group of trees of a site at once.
import { cropOf } from '../stage/index';
import { between, dayAfter, daysOf, lengthOf } from '../weather/index';
import { blightWeather, bloomDays, strikesOf } from './bloom';
import { freeHours, groupTiming, mainBlock } from './groupTiming';
import { windowsOfHours } from './hours';
import type { TimingInput } from './model';
import type { Block, SiteTiming } from './shapes';
import { BEFORE_H, cellOfHour, RUN_UP_H, type Shared, sharedOf } from './shared';
import { stagedOf, stageKey } from './staged';
import { LEAST_WINDOW_H } from './windows';

/**
 * Verdicts, windows and risk for ten days, for every group of trees.
 *
 * @throws {NoWeather} when neither an hour nor a past year is known
 */
export function siteTiming(input: TimingInput): SiteTiming {
  const shared = sharedOf(input);
  const { part, ground, living, least, dead, halves, fromHour, nowHour, endHour, clock } = shared;
  const deadCells = halves.map((half) => deadCell(half, dead, fromHour));
  const show = <T>(list: T[]) => list.slice(RUN_UP_H - BEFORE_H, endHour - fromHour);
  return {
    now: input.now,
    fromHour: nowHour - BEFORE_H,
    temperatureC: show(part.temperatureC),
    humidityPct: show(part.humidityPct),
    rainMm: show(part.rainMm),
    windMs: show(part.windMs),
    living: show(living),
    least: show(least),
    dead: show(dead),
    ground: show(ground),
    days: daysOf(between(input.known, clock.startOf(clock.day(nowHour)), endHour), clock),
    groups: input.groups.map((group) => groupTiming(group, input, shared)),
    deadCells,
    deadWindows: deadWindows(deadCells, shared),
    blight: blightOf(input, shared),
    knownToHour: shared.outlook.knownToHour,
  };
}

function deadWindows(
  cells: SiteTiming['deadCells'],
  { halves, dead, part, fromHour, nowHour, endHour }: Shared,
): SiteTiming['deadWindows'] {
  const cellAt = cellOfHour(halves, cells);
  return windowsOfHours({
    fromHour,
    living: dead,
    least: dead,
    rainMm: part.rainMm,
    nowHour,
    endHour,
    cellAt,
  }).flatMap(({ verdict, dryH: _dryH, ...window }) => (verdict === 'go' ? [window] : []));
}

function deadCell(
  half: Shared['halves'][number],
  dead: Block[][],
  fromHour: number,
): SiteTiming['deadCells'][number] {
  const free = freeHours(dead, half, fromHour);
  const at = { day: half.day, half: half.half };
  if (free >= LEAST_WINDOW_H) return { ...at, verdict: 'go', why: null };
  if (free > 0) return { ...at, verdict: 'possible', why: 'short dry spell' };
  return { ...at, verdict: 'wait', why: mainBlock(dead, half, fromHour) };
}

/** Days of the past that this season’s bloom, and what may still come of it, lie in. */
const SEASON_DAYS = 200;

/** Once for each blight host that differs in stage. */
function blightOf(input: TimingInput, shared: Shared): SiteTiming['blight'] {
  const { clock } = shared;
  const { groups, known } = input;
  const from = clock.startOf(dayAfter(clock.day(shared.nowHour), -SEASON_DAYS));
  const weather = blightWeather(
    between(known, Math.max(from, known.fromHour), known.fromHour + lengthOf(known)),
    clock,
  );
  const warnings = new Map<string, SiteTiming['blight'][number]>();
  for (const group of groups) {
    const crop = cropOf(group.species);
    const same = stageKey(group);
    if (!crop || (group.loads.FB ?? 0) === 0 || warnings.has(same)) continue;
    const { stages } = stagedOf(group, input, shared);
    const byDay = new Map(stages.course.map((day) => [day.day, day]));
    const days = bloomDays(weather, byDay, crop);
    warnings.set(same, {
      key: group.key,
      species: group.species,
      days: days.filter((day) => day.flowersOpen),
      strikes: strikesOf(weather, days, (day) => byDay.get(day)?.phase === 'growth'),
    });
  }
  return [...warnings.values()];
}
