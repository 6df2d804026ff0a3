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

/** Paces of a renovation. evenly: the same each season; hard first: more at once, then light; a little: a fifth each season. */
export const spreads = ['evenly', 'hard first', 'a little'] as const;
export type Spread = (typeof spreads)[number];

interface LimitedTree {
  species: string;
  ageYears: number | null;
  vigour: 'weak' | 'moderate' | 'strong' | 'unknown';
  renovated: boolean;
  wild: boolean;
  /** Freeze injury, drought or disease of the roots this year. */
  stressed: boolean;
  /** Thousandths that somebody set for this tree. */
  ownLimit?: number | null;
}

const turned = {
  schoolId: z.enum(limitSchoolIds),
  hundredths: z.number().int().describe('of the limit of the school'),
};

export const LimitReason = reasonSchema({
  'set for this tree': {},
  stressed: {},
  young: turned,
  weak: turned,
  'bears on last year’s shoots': {},
  'cherry or plum': turned,
  'renovated evenly': {},
  'not strong enough to be hard': {},
  'renovated hard first': {},
  'renovated a little': {},
  school: { schoolId: z.enum(limitSchoolIds) },
});
export type LimitReason = z.infer<typeof LimitReason>;

export interface SeasonLimits {
  /** Thousandths, one a season. */
  limits: number[];
  warnsFrom: number;
  /** What a peach may lose a season of its shoots and of its other wood, thousandths; it has no limit of its crown as a whole. */
  peach?: { shoots: number; olderWood: number };
  because: LimitReason;
}

/** @source common practice, no source, but where said; stressed trees after extension practice */
const STRESSED = 100;
const YOUNG_BELOW_YEARS = 5;
const RENOVATION = 330;
const HARD_FIRST = [400, 100, 100, 100, 100];
const STRONG_WILD = 400;
const A_LITTLE = 200;
/** Of last year’s shoots, by their length, and of older wood, by its crown. The brief’s figures; common practice, no source. */
const PEACH = { shoots: 500, olderWood: 250 } as const;
const WHOLE_CROWN = 1000;
const LESS: readonly string[] = ['sweet-cherry', 'sour-cherry', 'european-plum', 'japanese-plum'];
const HARD: readonly string[] = ['apple', 'pear'];

interface Voice {
  code: 'young' | 'weak' | 'cherry or plum';
  hundredths: number;
  speaks(tree: LimitedTree): boolean;
}

/** Trees that turn the limit of the school, the smallest share first: of those that speak the first is heard, never their product. */
const VOICES: readonly Voice[] = [
  {
    code: 'young',
    hundredths: 60,
    speaks: ({ ageYears }) => ageYears !== null && ageYears < YOUNG_BELOW_YEARS,
  },
  { code: 'weak', hundredths: 60, speaks: ({ vigour }) => vigour === 'weak' },
  { code: 'cherry or plum', hundredths: 80, speaks: ({ species }) => LESS.includes(species) },
];

/**
 * The limit of each season: what was set for the tree, else by the site's school, a share of it for young and weak trees and for cherries and plums, a tenth for stressed ones,
 * more for peaches and for a renovation. Dead wood does not count toward it, and what a disease must take at least does not.
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
  const even: Even = (limit, because, warnsFrom = Math.round(limit * 0.8)) => ({
    limits: Array.from({ length: seasons }, () => limit),
    warnsFrom,
    because,
  });
  const voice = VOICES.find(({ speaks }) => speaks(tree));
  const share = (of: Voice): SeasonLimits =>
    even(Math.round((chosen.limit * of.hundredths) / 100), {
      code: of.code,
      values: { schoolId: chosen.id, hundredths: of.hundredths },
    });
  if (tree.ownLimit != null) return even(tree.ownLimit, plainReason('set for this tree'));
  if (tree.stressed) return even(STRESSED, plainReason('stressed'));
  if (voice && voice.code !== 'cherry or plum') return share(voice);
  if (tree.species === 'peach' || tree.species === 'nectarine')
    return { ...even(WHOLE_CROWN, plainReason('bears on last year’s shoots')), peach: { ...PEACH } };
  if (tree.renovated) return renovation(tree, seasons, spread, even);
  if (voice) return share(voice);
  return even(chosen.limit, { code: 'school', values: { schoolId: chosen.id } }, chosen.warnsFrom);
}

type Even = (limit: number, because: LimitReason, warnsFrom?: number) => SeasonLimits;

/** Hard at once and then light is for strong apples and pears; the others are renovated evenly. */
function renovation(tree: LimitedTree, seasons: number, spread: Spread, even: Even): SeasonLimits {
  if (spread === 'evenly') {
    const limit = tree.wild && tree.vigour === 'strong' ? STRONG_WILD : RENOVATION;
    return even(limit, plainReason('renovated evenly'));
  }
  if (spread === 'a little') return even(A_LITTLE, plainReason('renovated a little'));
  if (tree.vigour !== 'strong' || !HARD.includes(tree.species))
    return even(RENOVATION, plainReason('not strong enough to be hard'));
  return {
    limits: HARD_FIRST.slice(0, seasons),
    warnsFrom: RENOVATION,
    because: plainReason('renovated hard first'),
  };
}
