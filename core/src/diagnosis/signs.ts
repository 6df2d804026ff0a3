// Which signs can be looked for, where on the tree, and in which season do they show?
import { z } from 'zod';
import type { Season } from '../disorders/index';
import table from './signTable.json';

export const signPlaces = ['leaf', 'shoot', 'fruit', 'bark', 'inner wood', 'base', 'circumstances'] as const;
export type SignPlace = (typeof signPlaces)[number];

/** D dormant · P swelling buds to petal fall · U after bloom to harvest · A harvest to leaf fall. */
export type SeasonLetter = 'D' | 'P' | 'U' | 'A';
const LETTER: Record<Season, SeasonLetter> = { dormant: 'D', bloom: 'P', summer: 'U', autumn: 'A' };
export function seasonLetter(season: Season): SeasonLetter {
  return LETTER[season];
}

export interface Sign {
  code: string;
  label: string;
  place: SignPlace;
  /** Letters of the seasons in which it can be judged; outside them an answer counts as not looked. */
  seasons: string;
  /** Share of trees without the disorder that show it all the same. */
  leak: number;
  /** Minutes that a look takes. Common practice, no source. */
  minutes: number;
}

const BASE = new Set(['BK_GALL', 'BK_BASE', 'BK_STOCK', 'BK_SCRAPE', 'BK_GNAW', 'IN_ORANGE']);
const PLACE_OF: Record<string, SignPlace> = {
  LF: 'leaf',
  BL: 'leaf',
  BD: 'shoot',
  FR: 'fruit',
  SH: 'shoot',
  BK: 'bark',
  IN: 'inner wood',
  CX: 'circumstances',
};
/** A knife for the inner bark, a cut end for stain, a spade for the collar; the rest is a look. */
const MINUTES: Record<string, number> = {
  IN_GREEN: 1,
  IN_DRY: 1,
  IN_FLECK: 1,
  IN_CAMB: 1,
  IN_HEART: 3,
  IN_STAIN: 3,
  IN_WEDGE: 3,
  IN_TUNNEL: 2,
  IN_ORANGE: 5,
  BK_BASE: 5,
  BK_STOCK: 2,
};
const A_LOOK = 0.5;

export const signs: readonly Sign[] = Object.entries(table).map(([code, { label, seasons, leak }]) => ({
  code,
  label,
  place: BASE.has(code) ? 'base' : (PLACE_OF[code.slice(0, 2)] as SignPlace),
  seasons,
  leak,
  minutes: MINUTES[code] ?? A_LOOK,
}));

const SignCode = z.enum(signs.map((sign) => sign.code) as [string, ...string[]]);
const byCode = new Map(signs.map((sign) => [sign.code, sign]));

export function signOf(code: string): Sign | undefined {
  return byCode.get(code);
}

/** Can this sign be judged in this season? */
export function shows(sign: Sign, season: Season): boolean {
  return sign.seasons.includes(seasonLetter(season));
}

/** `absent` means looked for and not there; a sign that is not listed was not looked for. */
export const Answers = z.partialRecord(SignCode, z.enum(['present', 'absent']));
export type Answers = z.infer<typeof Answers>;

/** One drop is ooze or gum, one edge sharp or blurred, one scratch green or brown. */
const EITHER_OR: readonly (readonly [string, string])[] = [
  ['IN_GREEN', 'IN_DRY'],
  ['BK_EDGE', 'BK_BLUR'],
  ['BK_OOZE', 'BK_GUM'],
];

/** The answers that count: in season, and of an either-or only the one that was seen. */
export function usable(answers: Answers, season: Season): Map<string, 'present' | 'absent'> {
  const kept = new Map<string, 'present' | 'absent'>();
  for (const [code, answer] of Object.entries(answers)) {
    const sign = byCode.get(code);
    if (sign && answer && shows(sign, season)) kept.set(code, answer);
  }
  for (const [one, other] of EITHER_OR) {
    if (kept.get(one) === 'present' && kept.get(other) === 'absent') kept.delete(other);
    if (kept.get(other) === 'present' && kept.get(one) === 'absent') kept.delete(one);
  }
  return kept;
}
