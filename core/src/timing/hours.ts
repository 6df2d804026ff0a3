// What holds in one hour, and in which runs of hours may be cut? Hours, half-days, windows and what is said of today come from here.
import { WET_RAIN_MM } from '../weather/index';
import type { Block, Cell, DryWindow, Reason, Verdict } from './shapes';
import { LEAST_WINDOW_H } from './windows';

type Judged = Pick<Cell, 'verdict' | 'why'>;

interface HourVerdict {
  verdict: Verdict;
  /** Why it is not better; empty where it is good. */
  why: readonly Reason[];
}

/**
 * The verdict of an hour: never better than that of its half-day, and none better than the wood and the sky of that hour allow.
 *
 * @param cell of its half-day; undefined where none is answered for
 * @param living why the hour will not do by the rule of the site
 * @param least why it will not do even by the least that a wound asks for
 * @example hourVerdict({ verdict: 'go', why: null }, ['rain coming'], []).verdict //=> 'possible'
 */
export function hourVerdict(
  cell: Judged | undefined,
  living: readonly Block[],
  least: readonly Block[],
): HourVerdict {
  if (least.length > 0) return { verdict: 'wait', why: least };
  if (!cell) return { verdict: 'wait', why: ['no weather'] };
  if (cell.verdict === 'wait') return { verdict: 'wait', why: [cell.why ?? 'no weather'] };
  if (cell.verdict === 'go' && living.length === 0) return { verdict: 'go', why: [] };
  return { verdict: 'possible', why: living.length > 0 ? living : cell.why ? [cell.why] : [] };
}

interface HoursGiven {
  /** First hour of the columns, since 1970. */
  fromHour: number;
  living: readonly (readonly Block[])[];
  least: readonly (readonly Block[])[];
  rainMm: readonly (number | null)[];
  /** From when on, and to when. */
  nowHour: number;
  endHour: number;
  cellAt(hour: number): Judged | undefined;
}

interface HoursWindow extends DryWindow {
  verdict: Exclude<Verdict, 'wait'>;
  /** Hours without rain from its beginning, as far as is known. */
  dryH: number;
}

/** Runs of good hours, and of hours that will do and lie in none of those; dry nights do not part them. */
export function windowsOfHours(given: HoursGiven): HoursWindow[] {
  const good = runsOf(given, 'go');
  const inside = (window: HoursWindow) =>
    good.some((other) => other.fromHour <= window.fromHour && window.toHour <= other.toHour);
  return [...good, ...runsOf(given, 'possible').filter((window) => !inside(window))].sort(
    (a, b) => a.fromHour - b.fromHour || a.verdict.localeCompare(b.verdict),
  );
}

function runsOf(given: HoursGiven, verdict: HoursWindow['verdict']): HoursWindow[] {
  const { fromHour, living, least, nowHour, endHour, cellAt } = given;
  const blocks = verdict === 'go' ? living : least;
  const windows: HoursWindow[] = [];
  let light: number[] = [];
  const close = () => {
    const [first, last] = [light[0], light.at(-1)];
    if (first !== undefined && last !== undefined && light.length >= LEAST_WINDOW_H)
      windows.push({
        fromHour: first,
        toHour: last + 1,
        lightHours: light.length,
        verdict,
        dryH: nextRain(given, first) - first,
      });
    light = [];
  };
  for (let hour = nowHour; hour < endHour; hour++) {
    const i = hour - fromHour;
    const block = blocks[i];
    const night = block !== undefined && block.length > 0 && block.every((why) => why === 'dark');
    if (night) continue;
    const blockVerdict = block && hourVerdict(cellAt(hour), living[i] ?? [], least[i] ?? []).verdict;
    if (blockVerdict === 'go' || (verdict === 'possible' && blockVerdict === 'possible')) light.push(hour);
    else close();
  }
  close();
  return windows;
}

/** The next hour of rain, or the first that nobody knows. */
function nextRain({ rainMm, fromHour }: HoursGiven, from: number): number {
  let i = from - fromHour;
  for (; i < rainMm.length; i++) {
    const rain = rainMm[i];
    if (rain === null || rain === undefined || rain >= WET_RAIN_MM) break;
  }
  return fromHour + i;
}
