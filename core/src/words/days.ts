// Days in words, in one place: verdicts, reasons.

import type { Reason, Verdict } from '../timing/index';

export const VERDICT_WORDS: Record<Verdict, string> = { go: 'Good', possible: 'Possible', wait: 'Wait' };

/** Why a day is not better, short enough for one line. */
const REASON_WORDS: Record<Reason, string> = {
  dark: 'it is dark',
  rain: 'rain',
  'bark wet': 'bark is wet from rain',
  'rain coming': 'rain follows too soon',
  wind: 'too much wind to climb',
  frost: 'wood is frozen and splits',
  snow: 'snow lies',
  mud: 'the ground is too soft',
  'not known': 'nobody knows whether it stays dry',
  risk: 'the risk of infection is high',
  'severe frost': 'severe frost follows',
  'bloom of a blight host': 'a host of fire blight is in bloom',
  'outside the school': 'not the season you chose',
  'short dry spell': 'the dry spell is short',
  'no weather': 'no weather is known',
};

/** Why a half-day or an hour is no better than its verdict. */
export function dayReasonWords(reason: Reason, verdict: Verdict): string {
  return reason === 'risk' && verdict === 'possible' ? 'the risk of infection is fair' : REASON_WORDS[reason];
}

/** What a cut risks on a day, as likely as not, and the range it lies in. @param score low, middle and high end, of 100 */
export function riskWords([low, middle, high]: readonly [number, number, number]): string {
  return `risk ${Math.round(middle)} of 100 (${Math.round(low)}–${Math.round(high)})`;
}

/** Title of a window in a calendar. */
export function windowTitle(what: string, verdict: 'go' | 'possible'): string {
  return verdict === 'go' ? `Good to cut: ${what}` : `Possible to cut: ${what}`;
}

/** What each factor is called, and what it says. */
export const FACTOR_WORDS = {
  infection: {
    name: 'Infection',
    says: 'chance that an infection takes while the wound heals, weighed by what it costs',
  },
  cold: {
    name: 'Frost after the cut',
    says: 'how near the nights of the next two weeks come to the frost that kills its wood',
  },
  heat: { name: 'Sun scorch', says: 'heat within five days on bark that was in shade' },
  slip: { name: 'Bark slips', says: 'bark tears when it is full of sap, worse on large cuts' },
  late: { name: 'After the stop date', says: 'late growth does not harden' },
  buds: { name: 'Buds knocked off', says: 'swollen flower buds break at a touch' },
  growth: { name: 'Strong regrowth', says: 'after dormant and spring cuts the tree grows many shoots' },
} as const;

/** Says of the schools what a chart alone would hide. */
export const LESSON =
  'With equal rain the effects of temperature nearly cancel: cold slows the pathogen and the healing alike. What makes the seasons differ is how often it rains and how many spores fly. A wet summer is not safe.';
