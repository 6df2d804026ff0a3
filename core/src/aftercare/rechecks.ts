// When is a cut looked at again, and for what?

import { z } from 'zod';
import { woodClass } from '../blades/index';
import { type AnsweredCut, regrowth, type ShootsAt } from '../crown/index';
import { isGrowing, type Season } from '../disorders/index';
import { laterDay } from '../measure/index';
import { COMMON_PRACTICE, setting } from '../settings/index';
import type { RecheckKind, RecheckOutcome } from './done';

export const RecheckSettings = z
  .strictObject({
    meanC: setting(
      z.number().min(0).max(40).default(18).describe('in summer, where no weather says otherwise'),
      {
        label: 'meanOfASummerDay',
        unit: '°C',
        hint: 'newStrikesAreLookedForAfter',
      },
    ),
    monthDays: setting(z.number().int().min(14).max(60).default(30), {
      label: 'lookedAtAgainAfter',
      unit: 'days',
      ...COMMON_PRACTICE,
    }),
    overdueDays: setting(
      z.number().int().min(1).max(90).default(21).describe('later than this a recheck has lapsed'),
      { label: 'notAskedForAnyMoreAfter', unit: 'days', ...COMMON_PRACTICE },
    ),
  })
  .meta({ id: 'RecheckSettings' });
export type RecheckSettings = z.infer<typeof RecheckSettings>;
export const startingRechecks = (): RecheckSettings => RecheckSettings.parse({});

export interface MadeCutFacts {
  id: string;
  treeId: string;
  /** Local date, YYYY-MM-DD. */
  day: string;
  season: Season;
  kind: AnsweredCut['kind'];
  diameterMm: number;
  disorders: readonly string[];
  /** Made with a blade that was not clean, or short of the clearance that was asked. */
  doubtful: boolean;
}

/** New strikes near it, dieback from it, shoots at the collar or below the cut, canker toward the trunk. */
export type LookFor = 'strikes' | 'dieback' | 'canker' | ShootsAt;

export interface Recheck {
  /** Always the same for the same cut and kind. */
  id: string;
  cutId: string;
  treeId: string;
  kind: RecheckKind;
  dueOn: string;
  /** What to look for at it. */
  lookFor: LookFor;
  /** Shoots to expect at the cut; null where none are looked for. */
  shoots: readonly [number, number] | null;
}

const LEAST_DAYS = 5;
const MOST_DAYS = 14;
/** Degree-days from infection to the first strike over their base. @source Steiner's sums in fire blight models, from memory */
const STRIKE_DEGREE_DAYS = 57.2;
const STRIKE_BASE_C = 12.8;

/**
 * Days until new strikes would show.
 *
 * @example strikeDays(18) //=> 11
 */
export function strikeDays(meanC: number): number {
  const days = meanC > STRIKE_BASE_C ? STRIKE_DEGREE_DAYS / (meanC - STRIKE_BASE_C) : MOST_DAYS;
  return Math.max(LEAST_DAYS, Math.min(MOST_DAYS, days));
}

/**
 * In season one to two weeks, then a month; early summer for the shoots that answer; next winter for the wood itself.
 *
 * @source common practice, no source; the first interval by degree-days
 */
export function rechecksOf(cut: MadeCutFacts, southern: boolean, settings: RecheckSettings): Recheck[] {
  const diseased = woodClass(cut.disorders) === 'infected';
  const growing = isGrowing(cut.season);
  const list: Recheck[] = [];
  const add = (kind: RecheckKind, dueOn: string, lookFor: LookFor, shoots: Recheck['shoots'] = null) =>
    list.push({ id: `${cut.id}:${kind}`, cutId: cut.id, treeId: cut.treeId, kind, dueOn, lookFor, shoots });
  if (growing && (diseased || cut.doubtful)) {
    add('strikes', laterDay(cut.day, Math.round(strikeDays(settings.meanC))), 'strikes');
    add('month', laterDay(cut.day, settings.monthDays), 'dieback');
  }
  const pass = growing ? 'summer' : 'dormant';
  const { shoots, where } = regrowth({ kind: cut.kind, kerfMm: cut.diameterMm, pass, seasonShare: 0 });
  if (shoots[1] > 0 || diseased || cut.doubtful) {
    const from = growing ? laterDay(cut.day, settings.monthDays * 2) : cut.day;
    add('early summer', nextDate(from, southern ? EARLY_SUMMER_SOUTH : EARLY_SUMMER_NORTH), where, shoots);
  }
  if (diseased || cut.doubtful) {
    const midwinter = southern ? MIDWINTER_SOUTH : MIDWINTER_NORTH;
    add('next winter', nextDate(laterDay(cut.day, HALF_YEAR_DAYS), midwinter), 'canker');
  }
  return list;
}

const EARLY_SUMMER_NORTH = '06-10';
const EARLY_SUMMER_SOUTH = '12-10';
const MIDWINTER_NORTH = '01-20';
const MIDWINTER_SOUTH = '07-20';
const HALF_YEAR_DAYS = 150;

/** The next day after this one with that month and day. */
function nextDate(day: string, monthDay: string): string {
  const year = Number(day.slice(0, 4));
  const same = `${day.slice(0, 4)}-${monthDay}`;
  return same > day ? same : `${String(year + 1).padStart(4, '0')}-${monthDay}`;
}

export type RecheckState = 'done' | 'due' | 'to come' | 'lapsed';

/** One that a later one of the same cut has overtaken is not asked for any more. */
export function recheckState(
  recheck: Recheck,
  today: string,
  doneIds: ReadonlySet<string>,
  settings: RecheckSettings,
): RecheckState {
  if (doneIds.has(recheck.id)) return 'done';
  if (recheck.dueOn > today) return 'to come';
  return laterDay(recheck.dueOn, settings.overdueDays) < today ? 'lapsed' : 'due';
}

/** Infection this near toward the trunk, this soon, means that the cut fell short. @source common practice, no source */
const FAILED_WITHIN_CM = 30;
const FAILED_WITHIN_DAYS = 60;

export type RecheckVerdict = 'clean so far' | 'regrown' | 'fell short' | 'new or crept';

/** What was seen at a cut says of it. */
export function verdictOn(
  outcome: RecheckOutcome,
  distanceCm: number | null,
  daysSince: number,
): RecheckVerdict {
  if (outcome === 'clean') return 'clean so far';
  if (outcome === 'regrown') return 'regrown';
  const near = distanceCm !== null && distanceCm <= FAILED_WITHIN_CM;
  return near && daysSince <= FAILED_WITHIN_DAYS ? 'fell short' : 'new or crept';
}
