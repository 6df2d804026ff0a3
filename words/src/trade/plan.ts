// A plan in a caretaker's words, in one place.

import type { ReasonNotToCut, Telling } from '@mortisect/core/cuts';
import { disorderOf } from '@mortisect/core/disorders';
import {
  clockHour,
  heightReading,
  massReading,
  type Reading,
  thicknessReading,
  type Units,
  upperFirst,
} from '@mortisect/core/measure';
import type {
  ArboristCut,
  ClashPart,
  HeightOfPlan,
  LeftWhy,
  LightOfPlan,
  OtherKind,
  Pass,
  Pin,
  PlannedStep,
  Priced,
  SideEffect,
  SidesOfPlan,
  Visit,
} from '@mortisect/core/plan';
import { type Gap, type Goal, isSameGap, type Lowers, OFF_CENTRE_FROM } from '@mortisect/core/shaping';
import type { PlainKey, Say } from '../say';
import { asText, cutSentence } from './cut';
import { joined, readingIn } from './figures';
import { limbIn, limbInText } from './limbIn';
import { told } from './told';

const OTHER: Record<OtherKind, PlainKey> = {
  'tie down': 'trade.spreadOrTieItDown',
  'tie over': 'trade.tieItOver',
  'thin the fruit': 'trade.thinTheFruitItCarries',
  'pick mummies': 'trade.pickTheMummiesAndCarryThemAway',
  excise: 'trade.pareTheCankerOutToCleanBark',
  'leave the strike': 'trade.leaveTheStrikeTheTreeWallsIt',
};
/** What an alternative to a cut is called. */
export const otherWords = (say: Say, kind: OtherKind) => say(OTHER[kind]);

/** What is done, in one or two sentences. */
export function stepSentence(say: Say, { candidate }: Priced, telling: Telling): string {
  const { what } = candidate;
  if (what.is === 'cut') return asText(cutSentence(say, what.cut, telling));
  const name = limbInText(say, telling.names.get(what.limbId) ?? what.limbId);
  return `${otherWords(say, what.kind)}: ${name}.`;
}

/** What the step is for: each finding once, then what the tree is brought to. */
export function reasonWords(
  say: Say,
  { solves, serves }: Pick<PlannedStep, 'solves' | 'serves'>,
  disorderById: ReadonlyMap<string, string>,
): string {
  const words = solves.flatMap(({ findingId }) => {
    const code = disorderById.get(findingId);
    return code === undefined ? [] : (told(say, disorderOf(code)?.name) ?? code);
  });
  return [...new Set([...words, ...goalWords(say, serves)])].join(' · ');
}

/** How far a cut brings its limb down, and to what; said of a limb that is too tall. */
export function lowersWords(
  say: Say,
  { limbId, tipCm, afterCm, heir }: Lowers,
  targetCm: number,
  telling: Telling,
): string {
  const height = (cm: number) => joined(say, heightReading(cm, telling.units));
  const limb = upperFirst(limbIn(say, telling.names.get(limbId) ?? limbId));
  return [
    heir === 'none'
      ? say('trade.lowersWhole', { limb, tip: height(tipCm), target: height(targetCm) })
      : say('trade.lowersTo', { limb, tip: height(tipCm), after: height(afterCm), target: height(targetCm) }),
    ...(heir === 'weak' ? [say('trade.lowersToWeak')] : []),
  ].join(' ');
}

/** Why a limb still ends above the height, where it does; nothing where it does not. */
export function stillTallWords(say: Say, { limbId, afterCm, left }: TallLimb, telling: Telling): string {
  if (left === 'reached') return '';
  return say(STILL_TALL[left], {
    limb: upperFirst(limbIn(say, telling.names.get(limbId) ?? limbId)),
    after: joined(say, heightReading(afterCm, telling.units)),
  });
}
type TallLimb = HeightOfPlan['limbs'][number];
const STILL_TALL = {
  'no heir': 'trade.tallNoHeir',
  'hand over': 'trade.tallHandOver',
  'out of reach': 'trade.tallOutOfReach',
  'too deep': 'trade.tallTooDeep',
  'no room': 'trade.tallNoRoom',
  'not worth it': 'trade.tallNotWorthIt',
} as const satisfies Record<Exclude<TallLimb['left'], 'reached'>, string>;

/** How the crown hangs round its stem, and what the plan makes of it. @returns nothing where it hangs evenly, with leaf on each side, and stays so */
export function sidesWords(say: Say, { now, after }: SidesOfPlan, telling: Telling): string[] {
  const last = after.at(-1) ?? now;
  const percent = (share: number) => Math.round(share * 100);
  const opened = last.gaps.filter((gap) => !now.gaps.some((had) => isSameGap(had, gap)));
  return [
    ...(Math.max(now.offCentre, last.offCentre) >= OFF_CENTRE_FROM
      ? [
          say('trade.sidesGo', {
            percent: percent(now.offCentre),
            toward: towardWords(say, [now.heavyDeg], telling),
            after: percent(last.offCentre),
          }),
        ]
      : []),
    ...(now.gaps.length > 0
      ? [say('trade.gapsNow', { toward: towardWords(say, now.gaps.map(middleOf), telling) })]
      : []),
    ...(opened.length > 0
      ? [say('trade.gapsOpened', { toward: towardWords(say, opened.map(middleOf), telling) })]
      : []),
  ];
}

/** Where the light lacks because of what stands round the tree: that cutting does not mend it, or only a part. @returns nothing where nothing is hidden or light is enough */
export function lightWords(say: Say, { share, open, enough }: LightOfPlan): string[] {
  const hidden = Math.round((1 - open) * 100);
  if (hidden < 1 || share >= enough) return [];
  return [say(share >= enough * open ? 'trade.shadeOutside' : 'trade.shadePartly', { hidden })];
}

/** What a cut does to the sides of the tree, where that is a point of a hundred or more. */
export function sideEffectWords(say: Say, { points, opens }: SideEffect, telling: Telling): string[] {
  const whole = Math.round(Math.abs(points));
  return [
    ...(whole >= 1 ? [say(points > 0 ? 'trade.bringsBack' : 'trade.takesOff', { points: whole })] : []),
    ...(opens.length > 0
      ? [say('trade.opensGap', { toward: towardWords(say, opens.map(middleOf), telling) })]
      : []),
  ];
}

const middleOf = ({ middleDeg }: Gap) => middleDeg;

function towardWords(
  say: Say,
  bearings: readonly number[],
  { twelveBearingDeg }: Pick<Telling, 'twelveBearingDeg'>,
): string {
  const hours = [...new Set(bearings.map((deg) => clockHour(deg, twelveBearingDeg)))];
  return hours.map((hour) => say('trade.clockHour', { hour })).join(', ');
}

/** What the tree is brought to, a few words each. */
export const goalWords = (say: Say, goals: readonly Goal[]): string[] => goals.map((goal) => say(GOAL[goal]));

const GOAL: Record<Goal, PlainKey> = {
  height: 'trade.goalHeight',
  training: 'trade.goalTraining',
  form: 'trade.goalForm',
  upright: 'trade.goalUpright',
  regrowth: 'trade.goalRegrowth',
  shoots: 'trade.goalShoots',
  gap: 'trade.goalGap',
  spacing: 'trade.goalSpacing',
  renewal: 'trade.goalRenewal',
  balance: 'trade.goalBalance',
  light: 'trade.goalLight',
};

export function passWords(say: Say, season: number, pass: Pass, firstYear: number): string {
  const year = firstYear + season - 1;
  if (pass === 'hired') return say('trade.hired', { year, year2: String(year + 1).slice(2) });
  return pass === 'dormant'
    ? say('trade.winter', { year, year2: String(year + 1).slice(2) })
    : say('trade.summer', { year: year + 1 });
}

/** What a visit is called: its pass and its calendar year. */
export const visitTitle = (say: Say, { season, pass, firstYear }: Visit): string =>
  passWords(say, season, pass, firstYear);

const LEFT: Record<LeftWhy | ReasonNotToCut, PlainKey> = {
  pinned: 'trade.leftBecauseYouPinnedIt',
  'not worth it': 'trade.leftTheCutWouldCostTheCrown',
  'no room': 'trade.leftForALaterPlanTheLimit',
  'hand over': 'trade.forALicensedArboristNothingIsPlanned',
  'no candidate': 'trade.nothingIsCutForThis',
  decision: 'trade.noCutAnswersItSeeTheDecision',
  held: 'trade.onHoldSomebodyWasAskedAndHas',
  healed: 'trade.healedOverNoCutLookAtIt',
  fruit: 'trade.onTheFruitPickItAndCarry',
  measure: 'trade.measureFirstSayWhereOnTheLimb',
  wait: 'trade.notYet',
  leave: 'trade.noWoodIsCutForThis',
};
/** How high, how thick and how heavy: what an arborist asks first. */
export function arboristWords(say: Say, { priced }: ArboristCut, units: Units): string {
  const { kerfHeightCm, kerfMm, massRangeKg } = priced.handling;
  const [low, high] = massRangeKg.map((kg) => readingIn(say, massReading(kg, units))) as [Reading, Reading];
  const to = `${high.value} ${high.unit}`;
  const from = low.unit === high.unit ? low.value : `${low.value} ${low.unit}`;
  return say('trade.arboristCut', {
    height: joined(say, heightReading(kerfHeightCm, units)),
    thickness: joined(say, thicknessReading(kerfMm, units)),
    mass: from === high.value ? to : `${from}–${to}`,
  });
}

/** Why a finding is left as it is. */
export const leftWords = (say: Say, why: LeftWhy | ReasonNotToCut): string => say(LEFT[why]);

export interface Named {
  names: ReadonlyMap<string, string>;
  /** What each finding is, by its id. */
  findings: ReadonlyMap<string, string>;
}

export function pinSentence(say: Say, pin: Pin, { names }: Pick<Named, 'names'>): string {
  const name = (limbId: string) => limbInText(say, names.get(limbId) ?? limbId);
  const cut = (candidateId: string) => name(candidateId.split(' ')[0] ?? candidateId);
  switch (pin.kind) {
    case 'stays':
      return say('trade.stays', { name: upperFirst(name(pin.limbId)) });
    case 'goes':
      return say('trade.theCutOnIsMadeInSeason', { cut: cut(pin.candidateId), season: pin.season });
    case 'not before':
      return say('trade.theCutOnWaitsUntilSeason', { cut: cut(pin.candidateId), season: pin.season });
    case 'follower':
      return say('trade.staysUntilIsMmThick', {
        name: name(pin.limbId),
        name2: name(pin.followerId),
        untilMm: pin.untilMm,
      });
  }
}

/** The smallest set that cannot be kept, as one sentence. */
export function clashSentence(say: Say, parts: readonly ClashPart[], named: Named): string {
  const words = parts.map((part) => {
    if (part.pin) return `“${pinSentence(say, part.pin, named)}”`;
    if (part.findingId)
      return say('trade.mustComeOut', { get: named.findings.get(part.findingId) ?? say('trade.aFinding') });
    return say('trade.theLimitOfSeason', { season: part.season ?? 1 });
  });
  const last = words.at(-1) ?? '';
  const list = words.length > 1 ? say('trade.and', { words: words.slice(0, -1).join(', '), last }) : last;
  return say('trade.cannot', {
    list: upperFirst(list),
    more: words.length > 1 ? say('trade.allBeKeptTogether') : say('trade.beKept'),
  });
}
