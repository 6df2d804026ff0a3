// What does a plan for one tree need to know?

import { z } from 'zod';
import { cleaningSchools } from '../blades/index';
import { limitSchoolIds, type Spread, spreads } from '../crown/index';
import { CuttingSchools, choicesBeyondSawing, FindingForCut } from '../cuts/index';
import { seasons } from '../disorders/index';
import { faultKinds, MOST_SHADES, Shade } from '../faults/index';
import {
  hazards,
  LIFT_KG,
  LIFT_NEVER_ABOVE_KG,
  MOST_DEG,
  SHOULDER_CM,
  startingKit,
  Tool,
  toolKinds,
} from '../handling/index';
import { issueOf, type Refusal, refusal } from '../refusal/index';
import { bearingHabits, treeForms } from '../register/index';
import { setting } from '../settings/index';
import { targetFault } from '../shaping/index';
import { LimbMap } from '../tree/index';
import { LEAST_LIMIT, MOST_LIMIT, MOST_PLAN_SEASONS, Pin } from './pin';
import { startingCosts } from './problem';
import { startingWeights, Weights } from './weights';

const limbId = z.string().min(1).max(64);
const thousandths = z.number().min(0).max(1000);

/** A finding as the planner reads it. */
export const PlanFinding = FindingForCut.extend({
  active: z
    .boolean()
    .default(false)
    .describe('ooze, fresh strikes: it goes in the first pass that its disorder allows'),
  danger: z
    .boolean()
    .default(false)
    .describe('broken or split wood that may come down on somebody: it goes in the first pass'),
  ooze: z
    .boolean()
    .default(false)
    .describe('wet bacteria were seen on it: the blade that takes its wood is infected'),
  girdledShare: z
    .number()
    .min(0)
    .max(1)
    .nullable()
    .default(null)
    .describe('of the circumference, where measured'),
  fault: z
    .strictObject({ kind: z.enum(faultKinds), limbIds: z.array(limbId).max(40), atCm: z.number() })
    .nullable()
    .default(null)
    .describe('the fault of geometry that was accepted as this finding'),
});
export type PlanFinding = z.infer<typeof PlanFinding>;

const pairSchools = ['either', 'upper', 'lower'] as const;
const twinSchools = ['either', 'thinner', 'steeper'] as const;

/** Common practice, no source. */
const HIRED_MINUTE = 1;

const price = (label: string) => setting(z.number().min(0).max(10), { label });
export const Costs = z.object({
  crown: price('aThousandthOfTheCrown'),
  fruit: price('aThousandthOfItsBearingWood'),
  exemptCrown: price('aThousandthOfTheCrownThat'),
  exemptFruit: price('aThousandthOfBearingWoodThat'),
  minute: price('aMinuteOfWork'),
});

const grownShare = (label: string) => setting(z.number().int().min(0).max(100), { label, unit: '%' });
/** Of the crown that came off, what counts against the next season’s limit too, as the tree grows it back. Common practice, no source. */
export const RegrowthShares = z.object({
  dormant: grownShare('ofWhatWasCutInWinter'),
  summer: grownShare('ofWhatWasCutInSummer'),
});
const STARTING_SHARES = { dormant: 25, summer: 10 };

/** How a site plans: limits, weights and its kit. */
export const PlanSettings = z
  .object({
    limit: z.enum(limitSchoolIds).default('quarter').describe('school of the season’s limit'),
    spread: setting(
      z.enum(spreads).default('evenly').describe('how a renovation is spread over its seasons'),
      {
        label: 'aRenovationIsSpread',
        choices: {
          evenly: 'evenlyOverItsSeasons',
          'hard first': 'hardAtOnceThenLight',
          'a little': 'aLittleEachYear',
        },
        hint: 'bothArePractisedHardAtOnce',
      },
    ),
    stackedPair: setting(
      z.enum(pairSchools).default('either').describe('which of two limbs over one another goes'),
      {
        label: 'ofTwoLimbsOneOverThe',
        choices: { either: 'whicheverCostsLess', upper: 'theUpperOne', lower: 'theLowerShadedOne' },
      },
    ),
    twin: setting(z.enum(twinSchools).default('either').describe('which of a double leader goes'), {
      label: 'ofADoubleLeaderGoes',
      choices: { either: 'whicheverCostsLess', thinner: 'theThinnerOne', steeper: 'theSteeperOne' },
    }),
    liftKg: setting(z.number().min(5).max(LIFT_NEVER_ABOVE_KG).default(LIFT_KG), {
      label: 'onePieceWeighsAtMost',
      unit: 'kg',
      hint: 'liftForOnePerson',
    }),
    shoulderCm: setting(z.number().min(100).max(190).default(SHOULDER_CM), {
      label: 'theirShoulderIsAt',
      unit: 'cm',
      hint: 'shoulderAndReach',
    }),
    kit: z
      .array(Tool)
      .max(40)
      .default([...startingKit]),
    hiredMinute: setting(
      z
        .number()
        .min(0)
        .max(20)
        .default(HIRED_MINUTE)
        .describe('how many minutes of one’s own a minute of an arborist is worth'),
      { label: 'anArboristsMinute' },
    ),
    costs: Costs.default(startingCosts).describe(
      'price of a thousandth of crown, of its fruiting part, and of a minute',
    ),
    regrowth: RegrowthShares.default(STARTING_SHARES).describe(
      'hundredths of a season’s crown that count against the next season’s limit',
    ),
    weights: Weights.default(startingWeights()),
  })
  .meta({ id: 'PlanSettings' });
export type PlanSettings = z.infer<typeof PlanSettings>;

export function startingPlanSettings(): PlanSettings {
  return PlanSettings.parse({});
}

export const PlanTree = z
  .strictObject({
    limbs: LimbMap,
    species: z.string().max(40),
    habit: z.enum(bearingHabits),
    form: z.enum(treeForms),
    plantedYear: z.number().int().nullable(),
    susceptible: z.boolean(),
    resistant: z.boolean().default(false).describe('walls off a small strike by itself'),
    vigour: z.enum(['weak', 'moderate', 'strong', 'unknown']).default('unknown'),
    heightCm: z.number().min(0).max(20_000),
    targetHeightCm: z.number().min(0).max(20_000).nullable().default(null),
    hazards: z.array(z.enum(hazards)).default([]),
    leanDeg: z.number().min(0).max(MOST_DEG).nullable().default(null),
    slopeDeg: z.number().min(0).max(MOST_DEG).nullable().default(null),
    renovated: z.boolean().default(false),
    stressed: z.boolean().default(false),
  })
  .meta({ id: 'PlanTree' });
export type PlanTree = z.infer<typeof PlanTree>;

export const PlanInput = z
  .strictObject({
    tree: PlanTree,
    findings: z.array(PlanFinding),
    schools: CuttingSchools,
    lifted: z
      .array(z.string().max(64))
      .max(500)
      .default([])
      .describe('findings whose must the caretaker has lifted: kept as feeder, or watched'),
    decided: z
      .record(z.string(), z.enum(choicesBeyondSawing))
      .default({})
      .describe('what the caretaker decided on a finding that no cut answers, by its id'),
    pace: z
      .enum(spreads)
      .nullable()
      .default(null)
      .describe('how a renovation of this tree is spread; null: as on the site'),
    limit: z
      .number()
      .int()
      .min(LEAST_LIMIT)
      .max(MOST_LIMIT)
      .nullable()
      .default(null)
      .describe(
        'thousandths of the living crown a season, set for this tree; null: by the school of the site',
      ),
    off: z
      .strictObject({ now: thousandths, lastDormant: thousandths, lastSummer: thousandths })
      .default({ now: 0, lastDormant: 0, lastSummer: 0 })
      .describe(
        'thousandths of the crown that came off this season already, and in the winter and the summer of the season before, but for disease',
      ),
    booked: z
      .array(z.number().int().min(1).max(MOST_PLAN_SEASONS))
      .max(MOST_PLAN_SEASONS)
      .default([])
      .describe('seasons in which an arborist comes'),
    workPace: z
      .partialRecord(z.enum(toolKinds), z.number().min(0.05).max(20))
      .default({})
      .describe('minutes that a reckoned minute takes here, by kind of tool'),
    shades: z
      .array(Shade)
      .max(MOST_SHADES)
      .default([])
      .describe('what stands round the tree and takes its light'),
    moreBloom: z
      .array(z.strictObject({ limbId, than: limbId }))
      .max(500)
      .default([])
      .describe('of two limbs in each other’s way, the one that bears more bloom'),
    offYear: z
      .boolean()
      .default(false)
      .describe('the tree bears every second year, and the coming one is the poor one'),
    regrown: z
      .array(limbId)
      .max(500)
      .default([])
      .describe('shoots that came at cuts and are to come off again'),
    waved: z
      .array(limbId)
      .max(2000)
      .default([])
      .describe('upright limbs that somebody looked at and left as they are'),
    firstWinter: z.number().int().optional().describe('year in which the winter of season 1 begins'),
    tied: z
      .array(limbId)
      .max(500)
      .default([])
      .describe('limbs that were spread or tied down and stand so since'),
    pins: z.array(Pin).max(200).default([]),
    settings: PlanSettings.default(startingPlanSettings()),
    cleaning: z.enum(cleaningSchools).default('every'),
    cleanSeconds: z.number().min(0).max(3600).default(50).describe('of one cleaning, contact included'),
    season: z.enum(seasons),
    year: z.number().int().min(1500).max(3000),
    seasons: z.number().int().min(1).max(MOST_PLAN_SEASONS).default(3),
  })
  .superRefine((input, context) => {
    const ids = new Set(input.tree.limbs.map((limb) => limb.id));
    const issue = (path: (string | number)[], why: Refusal) => context.addIssue(issueOf(path, why));
    input.findings.forEach(({ limbId: id, fromCm, toCm }, i) => {
      if (!ids.has(id)) issue(['findings', i, 'limbId'], refusal('limbNotInMap', { limb: id }));
      if (fromCm > toCm) issue(['findings', i, 'fromCm'], refusal('endsBeforeItBegins'));
    });
    const tooLow = targetFault(input.tree.limbs, input.tree.targetHeightCm);
    if (tooLow) issue(['tree', 'targetHeightCm'], tooLow);
    input.pins.forEach((pin, i) => {
      if (pin.kind === 'follower' && !ids.has(pin.followerId))
        issue(['pins', i, 'followerId'], refusal('limbNotInMap', { limb: pin.followerId }));
      if ('limbId' in pin && !ids.has(pin.limbId))
        issue(['pins', i, 'limbId'], refusal('limbNotInMap', { limb: pin.limbId }));
      if ('season' in pin && pin.season > input.seasons)
        issue(['pins', i, 'season'], refusal('seasonBeyond', { season: pin.season, seasons: input.seasons }));
    });
  })
  .meta({ id: 'PlanInput' });
export type PlanInput = z.infer<typeof PlanInput>;

/** How a renovation of the tree is spread: as set for it, else as on the site. */
export const paceOf = ({ pace, settings }: Pick<PlanInput, 'pace' | 'settings'>): Spread =>
  pace ?? settings.spread;

/** The calendar year in which the winter of season 1 begins. */
export const firstWinterOf = ({ firstWinter, year }: Pick<PlanInput, 'firstWinter' | 'year'>): number =>
  firstWinter ?? year;
