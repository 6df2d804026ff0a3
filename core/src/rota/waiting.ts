// What waiting costs a visit: canker that creeps, fire blight left into bloom, damaged wood under crop, shoots that no summer cut takes.
import type { SeasonSettings } from '../campaign/index';
import type { VisitWorth } from '../plan/index';
import type { Season } from '../timing/index';
import { dayAfter, dayOfYear, daysBetween } from '../weather/index';

/** What makes a visit lose by waiting. */
export const waitings = ['creeps', 'blight in bloom', 'breaks under crop', 'shoots'] as const;
export type Waiting = (typeof waitings)[number];
/** Points lost, by why. */
export type WaitingCosts = Record<Waiting, number>;

interface Waits {
  facts: VisitWorth['waits'];
  /** Of its group of trees, in past years; null: nothing is told of them. */
  season: Pick<Season, 'weeks' | 'bloom'> | null;
  /** Hosts of fire blight near the tree, itself among them. */
  hosts: number;
  /** Nothing is lost before this day. */
  since: string;
}

/** Canker stands still at a mean of 5 °C and below, and runs at its full pace from 20 °C. Common practice, no source; confidence low. */
const STILL_C = 5;
const FULL_C = 20;
/** Fruit is heavy so long after the first flower. Common practice, no source. */
const HEAVY_CROP_DAYS = 75;
const WEEK = 7;
export const NO_WAITING: WaitingCosts = {
  creeps: 0,
  'blight in bloom': 0,
  'breaks under crop': 0,
  shoots: 0,
};

/** @param day on which the visit is made @returns points lost until then, by why */
export function waitingCosts(
  { facts, season, hosts, since }: Waits,
  day: string,
  settings: SeasonSettings,
): WaitingCosts {
  if (!facts || !season || day <= since) return NO_WAITING;
  const { blightPoint, cankerPoint, cankers, atRisk } = facts;
  const aWeek = blightPoint * settings.blightCmAWeek + cankerPoint * settings.cankerCmAWeek;
  const { first, blightShare } = season.bloom;
  const bloomed = first !== null && day > nextDay(since, first);
  const heavy = first !== null && day > nextDay(since, ((first + HEAVY_CROP_DAYS - 1) % YEAR) + 1);
  return {
    creeps: aWeek === 0 ? 0 : aWeek * growthWeeks(season.weeks, since, day),
    'blight in bloom': bloomed ? settings.blightPoints * hosts * cankers * blightShare : 0,
    'breaks under crop': heavy ? settings.breakShare * atRisk : 0,
    shoots: 0,
  };
}

/** What is lost where it is left for a year; of a summer visit its shoots too. */
export function yearsWaiting(waits: Waits, settings: SeasonSettings): WaitingCosts {
  const year = waitingCosts(waits, dayAfter(waits.since, YEAR), settings);
  return { ...year, shoots: (waits.facts?.shoots ?? 0) * settings.shootPoints };
}

export const sumOf = (costs: WaitingCosts): number => waitings.reduce((sum, why) => sum + costs[why], 0);

const YEAR = 365;

/** The day of the year as it comes next. @param ofYear 1 to 365 */
function nextDay(today: string, ofYear: number): string {
  return dayAfter(today, (ofYear - dayOfYear(today) + YEAR) % YEAR);
}

const grown = new WeakMap<Season['weeks'], Map<string, Float64Array>>();

/** Weeks of full growth between two days at most a year apart, by the usual mean of each: a week half as warm counts half. */
export function growthWeeks(weeks: Season['weeks'], from: string, to: string): number {
  const known = grown.get(weeks) ?? new Map<string, Float64Array>();
  grown.set(weeks, known);
  const sums = known.get(from) ?? grownFrom(weeks, from);
  known.set(from, sums);
  return sums[Math.max(0, Math.min(YEAR, daysBetween(from, to)))] ?? 0;
}

/** Weeks of full growth by days from that one on: asked for by every tree of a group and for every day. */
function grownFrom(weeks: Season['weeks'], from: string): Float64Array {
  const first = dayOfYear(from);
  const sums = new Float64Array(YEAR + 1);
  for (let ahead = 0; ahead < YEAR; ahead++) {
    const ofYear = ((first + ahead - 1) % YEAR) + 1;
    const meanC = (weeks.findLast((each) => each.from <= ofYear) ?? weeks[0])?.meanC ?? STILL_C;
    const share = Math.min(1, Math.max(0, (meanC - STILL_C) / (FULL_C - STILL_C)));
    sums[ahead + 1] = (sums[ahead] as number) + share / WEEK;
  }
  return sums;
}

interface Standing {
  id: string;
  x: number;
  y: number;
}

/**
 * Hosts of fire blight within so many metres of each host, itself among them; they are counted within a plot.
 *
 * @param plots trees on the ground, metres
 */
export function hostsNear(
  plots: readonly { trees: readonly Standing[] }[],
  isHost: (treeId: string) => boolean,
  withinM: number,
): Record<string, number> {
  return Object.fromEntries(
    plots.flatMap(({ trees }) => {
      const hosts = trees.filter(({ id }) => isHost(id)).toSorted((a, b) => a.x - b.x);
      let first = 0;
      return hosts.map(({ id, x, y }) => {
        while ((hosts[first] as Standing).x < x - withinM) first += 1;
        let count = 0;
        for (let i = first; i < hosts.length; i++) {
          const other = hosts[i] as Standing;
          if (other.x > x + withinM) break;
          if ((other.x - x) ** 2 + (other.y - y) ** 2 <= withinM ** 2) count += 1;
        }
        return [id, count] as const;
      });
    }),
  );
}
