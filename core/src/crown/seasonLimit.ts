// How much of the living crown may go in one season?
import { z } from 'zod';
import { plainReason, reasonSchema } from '../reason/index';
import type { Confidence } from '../register/index';

interface LimitSchool {
  id: 'cautious' | 'quarter' | 'three tenths' | 'third';
  name: string;
  /** Thousandths of the living crown a season. */
  limit: number;
  warnsFrom: number;
  use: string;
  source: string;
  confidence: Confidence;
}

export const limitSchools: readonly LimitSchool[] = [
  {
    id: 'cautious',
    name: 'aFifth',
    limit: 200,
    warnsFrom: 150,
    use: 'matureApplesAndPearsEveryYear',
    source: 'horticultural guidance, 10–20 %, from memory',
    confidence: 'high',
  },
  {
    id: 'quarter',
    name: 'aQuarter',
    limit: 250,
    warnsFrom: 200,
    use: 'generalTheDefaultHere',
    source: 'ANSI A300, older text, from memory',
    confidence: 'high',
  },
  {
    id: 'three tenths',
    name: 'threeTenths',
    limit: 300,
    warnsFrom: 250,
    use: 'theMostInOneOperation',
    source: 'BS 3998, from memory',
    confidence: 'low',
  },
  {
    id: 'third',
    name: 'aThird',
    limit: 330,
    warnsFrom: 300,
    use: 'neglectedTreesOverSeveralSeasons',
    source: 'extension services, common',
    confidence: 'high',
  },
];
export const limitSchoolIds = ['cautious', 'quarter', 'three tenths', 'third'] as const;

/** evenly: the same each season; hard first: more at once, then light. */
export const spreads = ['evenly', 'hard first'] as const;
export type Spread = (typeof spreads)[number];

interface LimitedTree {
  species: string;
  ageYears: number | null;
  vigour: 'weak' | 'moderate' | 'strong' | 'unknown';
  renovated: boolean;
  wild: boolean;
  /** Freeze injury, drought or disease of the roots this year. */
  stressed: boolean;
}

export const LimitReason = reasonSchema({
  stressed: {},
  young: {},
  weak: {},
  'bears on last year’s shoots': {},
  'cherry or plum': {},
  'renovated evenly': {},
  'renovated hard first': {},
  school: { schoolId: z.enum(limitSchoolIds) },
});
export type LimitReason = z.infer<typeof LimitReason>;

export interface SeasonLimits {
  /** Thousandths, one a season. */
  limits: number[];
  warnsFrom: number;
  because: LimitReason;
}

/** @source common practice, no source, but where said; stressed trees after extension practice */
const STRESSED = 100;
const YOUNG_BELOW_YEARS = 5;
const YOUNG = 150;
const WEAK = 150;
const RENOVATION = 330;
const HARD_FIRST = [400, 250, 150, 150, 150];
const STRONG_WILD = 400;
const PEACH = 500;
const CHERRY_OR_PLUM = 200;
const LESS: readonly string[] = ['sweet-cherry', 'sour-cherry', 'european-plum', 'japanese-plum'];

/**
 * The limit of each season by the site's school, less for young, weak and stressed trees and for cherries and plums, more for peaches
 * and for a renovation. Dead wood does not count toward it, and what a disease must take at least does not.
 *
 * @returns thousandths of the living crown before the first season, with the reason
 */
export function seasonLimits(
  tree: LimitedTree,
  seasons: number,
  school: LimitSchool['id'],
  spread: Spread,
): SeasonLimits {
  const chosen =
    limitSchools.find((limitSchool) => limitSchool.id === school) ?? (limitSchools[1] as LimitSchool);
  const even: Even = (limit, code, warnsFrom = Math.round(limit * 0.8)) => ({
    limits: Array.from({ length: seasons }, () => limit),
    warnsFrom,
    because: code === 'school' ? { code, values: { schoolId: chosen.id } } : plainReason(code),
  });
  if (tree.stressed) return even(STRESSED, 'stressed');
  if (tree.ageYears !== null && tree.ageYears < YOUNG_BELOW_YEARS)
    return even(Math.min(YOUNG, chosen.limit), 'young');
  if (tree.vigour === 'weak') return even(Math.min(WEAK, chosen.limit), 'weak');
  if (tree.species === 'peach' || tree.species === 'nectarine')
    return even(PEACH, 'bears on last year’s shoots');
  if (tree.renovated) return renovation(tree, seasons, spread, even);
  if (LESS.includes(tree.species)) return even(Math.min(CHERRY_OR_PLUM, chosen.limit), 'cherry or plum');
  return even(chosen.limit, 'school', chosen.warnsFrom);
}

type Even = (limit: number, code: LimitReason['code'], warnsFrom?: number) => SeasonLimits;

function renovation(tree: LimitedTree, seasons: number, spread: Spread, even: Even): SeasonLimits {
  if (spread === 'evenly') {
    const limit = tree.wild && tree.vigour === 'strong' ? STRONG_WILD : RENOVATION;
    return even(limit, 'renovated evenly');
  }
  return {
    limits: HARD_FIRST.slice(0, seasons),
    warnsFrom: RENOVATION,
    because: plainReason('renovated hard first'),
  };
}
