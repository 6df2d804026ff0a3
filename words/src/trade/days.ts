// Days in words, in one place: verdicts, reasons.

import { speciesName } from '@mortisect/core/register';
import { type LaneId, laneNames, type Reason, type Verdict } from '@mortisect/core/timing';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '../say';
import { told } from './told';

export const VERDICT_WORDS: Record<Verdict, PlainKey> = {
  go: 'trade.good',
  possible: 'trade.possible',
  wait: 'trade.wait',
};

/** Why a day is not better, short enough for one line. */
const REASON_WORDS: Record<Reason, PlainKey> = {
  dark: 'trade.itIsDark',
  rain: 'trade.rain',
  'bark wet': 'trade.barkIsWetFromRain',
  'rain coming': 'trade.rainFollowsTooSoon',
  wind: 'trade.tooMuchWindToClimb',
  frost: 'trade.woodIsFrozenAndSplits',
  snow: 'trade.snowLies',
  mud: 'trade.theGroundIsTooSoft',
  'not known': 'trade.nobodyKnowsWhetherItStaysDry',
  risk: 'trade.theRiskOfInfectionIsHigh',
  'severe frost': 'trade.severeFrostFollows',
  'bloom of a blight host': 'trade.aHostOfFireBlightIsIn',
  'outside the school': 'trade.notTheSeasonYouChose',
  'short dry spell': 'trade.theDrySpellIsShort',
  'no weather': 'trade.noWeatherIsKnown',
};

/** Why a half-day or an hour is no better than its verdict. */
export function dayReasonWords(say: Say, reason: Reason, verdict: Verdict): string {
  return reason === 'risk' && verdict === 'possible'
    ? say('trade.theRiskOfInfectionIsFair')
    : say(REASON_WORDS[reason]);
}

/** What a cut risks on a day, as likely as not, and the range it lies in. @param score low, middle and high end, of 100 */
export function riskWords(say: Say, [low, middle, high]: readonly [number, number, number]): string {
  return say('trade.riskOf100', { middle: Math.round(middle), low: Math.round(low), high: Math.round(high) });
}

/** Title of a window in a calendar. */
export function windowTitle(say: Say, what: string, verdict: 'go' | 'possible'): string {
  return verdict === 'go' ? say('trade.goodToCut', { what }) : say('trade.possibleToCut', { what });
}

/** What each factor is called, and what it says. */
export const FACTOR_WORDS = {
  infection: {
    name: 'trade.infection',
    says: 'trade.chanceThatAnInfectionTakesWhileThe',
  },
  cold: {
    name: 'trade.frostAfterTheCut',
    says: 'trade.howNearTheNightsOfTheNext',
  },
  heat: { name: 'trade.sunScorch', says: 'trade.heatWithinFiveDaysOnBarkThat' },
  slip: { name: 'trade.barkSlips', says: 'trade.barkTearsWhenItIsFullOf' },
  late: { name: 'trade.afterTheStopDate', says: 'trade.lateGrowthDoesNotHarden' },
  buds: { name: 'trade.budsKnockedOff', says: 'trade.swollenFlowerBudsBreakAtATouch' },
  growth: { name: 'trade.strongRegrowth', says: 'trade.afterDormantAndSpringCutsTheTree' },
} as const satisfies Record<string, { name: PlainKey; says: PlainKey }>;

/** A kind of wood: of the many that share the last lane, the first two species that stand here. */
export function laneName(say: Say, { id, species }: { id: LaneId; species: readonly string[] }): string {
  const [first, second] = species.map((code) => told(say, speciesName(code)));
  if (id !== 'other' || first === undefined) return told(say, laneNames[id]);
  return second === undefined ? first : `${first}, ${lowerFirst(second)}`;
}
