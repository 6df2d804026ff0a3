// Is this tree worth the saw, over how many seasons, and who does it?
import { z } from 'zod';
import { type Hazard, hazards, ladderKerfCm, wholeTreeHazards } from '../handling/index';
import { plainReason, reasonSchema } from '../reason/index';
import { treeForms } from '../register/index';
import { purposes } from './purposes';

export const TriageInput = z
  .strictObject({
    heightCm: z.number().min(0).max(20_000),
    targetHeightCm: z.number().min(0).max(20_000).nullable(),
    form: z.enum(treeForms),
    hazards: z.array(z.enum(hazards)),
    leanDeg: z.number().min(0).nullable().default(null).describe('null where nobody measured it'),
    shoulderCm: z.number().min(0).optional().describe('of whoever cuts'),
    purposes: z.array(z.enum(purposes)),
    fruitKnown: z.boolean().describe('a named cultivar, or fruit that somebody has tasted'),
    affectedShare: z.number().min(0).max(1).describe('dead and diseased share of the crown'),
    earlierShare: z
      .number()
      .min(0)
      .max(1)
      .nullable()
      .describe('the same a season ago; null when nobody looked'),
    stemGirdledShare: z.number().min(0).max(1).describe('of the stem, by disease'),
    minutesLastSeason: z.number().min(0).nullable(),
    pace: z
      .number()
      .min(0)
      .optional()
      .describe('minutes that a reckoned minute takes here; 1 where nobody measured'),
    fruitlessYears: z
      .number()
      .int()
      .min(0)
      .optional()
      .describe('years in a row in which somebody wrote down that it bore nothing'),
  })
  .meta({ id: 'TriageInput' });
export type TriageInput = z.infer<typeof TriageInput>;

export const verdicts = ['hand over', 'replace', 'trial year', 'renovate', 'keep'] as const;
const trends = ['better', 'worse', 'steady', 'unknown'] as const;

const share = { share: z.number().describe('0..1') };
export const TriageReason = reasonSchema({
  dangers: { hazards: z.array(z.enum(hazards)) },
  leans: {},
  'for wildlife': {},
  'stem girdled': share,
  'crown dead or diseased': share,
  'crown gone, fruit unknown': share,
  'half gone': share,
  'fruit unknown': {},
  'grown wild': {},
  outgrown: {},
  sound: {},
  'no fruit': { years: z.number().int() },
  'arborist’s part': {
    overCm: z.number().describe('no ladder leads higher: what stands above is left to an arborist'),
  },
});
export type TriageReason = z.infer<typeof TriageReason>;

export const Triage = z
  .strictObject({
    verdict: z.enum(verdicts),
    rule: z.string().describe('the row of the table that matched first'),
    because: z.array(TriageReason),
    seasons: z.number().int().describe('1 where it is done in one'),
    minutesASeason: z.number(),
    trend: z.enum(trends),
  })
  .meta({ id: 'Triage' });
export type Triage = z.infer<typeof Triage>;

/** All figures: common practice, no source. A kept tree takes about 10 minutes, a wild one half a day. */
/** Of what makes a tree an arborist's, all but a lean, which is a row of its own. */
const handedOver = (tree: TriageInput): Hazard[] => {
  const whole: readonly Hazard[] = wholeTreeHazards(tree);
  return tree.hazards.filter((hazard) => hazard !== 'lean' && whole.includes(hazard));
};
const TALL_CM = 600;
const MOSTLY_GONE = 0.75;
const HALF_GONE = 0.5;
const GIRDLED = 0.5;
const NEGLECTED_FROM = 0.2;
const TOO_HIGH_BY = 1.3;
const SHARE_A_SEASON = 0.2;
const MOST_SEASONS = 5;
const KEPT_TREE_MINUTES = 10;
const KEPT_TREE_CM = 300;
const CHANGED_BY = 0.05;
const FRUITLESS_YEARS = 6;

interface Row {
  rule: string;
  holds(tree: TriageInput, trend: Triage['trend']): boolean;
  verdict: Triage['verdict'];
  because(tree: TriageInput): TriageReason;
}

const kept = (tree: TriageInput) =>
  tree.hazards.includes('heritage tree') || tree.hazards.includes('boundary mark');
const neglected = (tree: TriageInput) =>
  tree.form === 'wild' ||
  tree.affectedShare >= NEGLECTED_FROM ||
  (tree.targetHeightCm !== null && tree.heightCm > tree.targetHeightCm * TOO_HIGH_BY);

/** First match wins. The same table stands in docs/methods/triage.md. */
export const triageTable: readonly Row[] = [
  {
    rule: '1 danger',
    verdict: 'hand over',
    holds: (tree) => handedOver(tree).length > 0,
    because: (tree) => ({
      code: 'dangers',
      values: { hazards: handedOver(tree) },
    }),
  },
  {
    rule: '2 leaning',
    verdict: 'hand over',
    holds: (tree) => wholeTreeHazards(tree).includes('lean'),
    because: () => plainReason('leans'),
  },
  {
    rule: '3 for wildlife',
    verdict: 'keep',
    holds: (tree) =>
      tree.purposes.includes('wildlife') &&
      !tree.purposes.includes('picked fruit') &&
      tree.stemGirdledShare < GIRDLED,
    because: () => plainReason('for wildlife'),
  },
  {
    rule: '4 nearly gone',
    verdict: 'replace',
    holds: (tree) => !kept(tree) && (tree.affectedShare >= MOSTLY_GONE || tree.stemGirdledShare >= GIRDLED),
    because: (tree) =>
      tree.stemGirdledShare >= GIRDLED
        ? { code: 'stem girdled', values: { share: tree.stemGirdledShare } }
        : { code: 'crown dead or diseased', values: { share: tree.affectedShare } },
  },
  {
    rule: '5 half gone, fruit unknown',
    verdict: 'replace',
    holds: (tree, trend) =>
      !kept(tree) && !tree.fruitKnown && tree.affectedShare >= HALF_GONE && trend !== 'better',
    because: (tree) => ({ code: 'crown gone, fruit unknown', values: { share: tree.affectedShare } }),
  },
  {
    rule: '6 half gone',
    verdict: 'trial year',
    holds: (tree) => tree.affectedShare >= HALF_GONE,
    because: (tree) => ({ code: 'half gone', values: { share: tree.affectedShare } }),
  },
  {
    rule: '7 fruit unknown',
    verdict: 'trial year',
    holds: (tree) => !tree.fruitKnown && tree.purposes.includes('picked fruit') && neglected(tree),
    because: () => plainReason('fruit unknown'),
  },
  {
    rule: '8 neglected',
    verdict: 'renovate',
    holds: neglected,
    because: (tree) =>
      tree.affectedShare >= NEGLECTED_FROM
        ? { code: 'crown dead or diseased', values: { share: tree.affectedShare } }
        : plainReason(tree.form === 'wild' ? 'grown wild' : 'outgrown'),
  },
  {
    rule: '9 sound',
    verdict: 'keep',
    holds: () => true,
    because: () => plainReason('sound'),
  },
];

/**
 * The verdict by the first row that holds, with hours and seasons and the trend.
 *
 * Seasons: the share to come off (dead and diseased, or the height above target) at a fifth of the crown a season, 2 to 5.
 * Minutes a season: 10 × (height / 3 m)^1.5 × (1 + 6 × affected share), doubled for a wild tree; measured minutes win.
 */
export function triage(tree: TriageInput): Triage {
  const trend = trendOf(tree);
  const row = triageTable.find((candidate) => candidate.holds(tree, trend)) as Row;
  return {
    verdict: row.verdict,
    rule: row.rule,
    because: [
      row.because(tree),
      // As `whoseCut` judges each cut of it, so that triage and plan say the same
      ...(row.verdict !== 'hand over' && tree.heightCm > TALL_CM
        ? [{ code: 'arborist’s part' as const, values: { overCm: ladderKerfCm(tree.shoulderCm) } }]
        : []),
      ...((tree.fruitlessYears ?? 0) >= FRUITLESS_YEARS && tree.purposes.includes('picked fruit')
        ? [{ code: 'no fruit' as const, values: { years: tree.fruitlessYears ?? 0 } }]
        : []),
    ],
    seasons: row.verdict === 'renovate' ? seasonsFor(tree) : 1,
    minutesASeason: tree.minutesLastSeason ?? minutesFor(tree),
    trend,
  };
}

function trendOf({ affectedShare, earlierShare }: TriageInput): Triage['trend'] {
  if (earlierShare === null) return 'unknown';
  if (affectedShare > earlierShare + CHANGED_BY) return 'worse';
  return affectedShare < earlierShare - CHANGED_BY ? 'better' : 'steady';
}

function seasonsFor({ affectedShare, heightCm, targetHeightCm }: TriageInput): number {
  const above = targetHeightCm === null || heightCm === 0 ? 0 : Math.max(0, 1 - targetHeightCm / heightCm);
  return Math.max(2, Math.min(MOST_SEASONS, Math.ceil(Math.max(affectedShare, above) / SHARE_A_SEASON)));
}

function minutesFor({ heightCm, affectedShare, form, pace = 1 }: TriageInput): number {
  const size = Math.max(0.3, (heightCm / KEPT_TREE_CM) ** 1.5);
  return Math.round(KEPT_TREE_MINUTES * size * (1 + 6 * affectedShare) * (form === 'wild' ? 2 : 1) * pace);
}
