// What a plan says, in memory and on a wire.
import { z } from 'zod';
import { LimitReason } from '../crown/index';
import { Cut, Decision, reasonsNotToCut } from '../cuts/index';
import { goals } from '../shaping/index';
import { otherKinds } from './otherKind';
import { inPlaceOfCrown, passes } from './passes';
import { Pin } from './pin';
import { Verdict } from './verdictShape';

/** Why a problem is left as it is. */
const leftWhys = ['pinned', 'not worth it', 'no room', 'hand over', 'no candidate', 'decision'] as const;
export type LeftWhy = (typeof leftWhys)[number];

const range = z.tuple([z.number(), z.number()]);

/** How much less, and how much more, it comes to where limbs were counted at a glance. */
export const Grain = z.strictObject({ minutes: range, crown: range });
export type Grain = z.infer<typeof Grain>;
export const NO_GRAIN: Grain = { minutes: [0, 0], crown: [0, 0] };

/** One step of the plan. */
export const PlannedStep = z.strictObject({
  candidateId: z.string(),
  season: z.number().int(),
  pass: z.enum(passes),
  crown: z.number().describe('thousandths of the living crown that count toward the limit'),
  exempt: z.number().describe('thousandths that a must takes at least'),
  fruit: z.number(),
  solves: z
    .array(z.strictObject({ findingId: z.string(), chance: z.number(), range }))
    .describe('findings that it answers, with the chance that infected wood stays behind'),
  serves: z.array(z.enum(goals)).describe('what it is for besides findings'),
  grain: Grain.default(NO_GRAIN).describe(
    'minutes and thousandths of the crown, as much less and as much more',
  ),
});
export type PlannedStep = z.infer<typeof PlannedStep>;

export const SeasonOfPlan = z.strictObject({
  season: z.number().int(),
  limit: z.number(),
  warnsFrom: z.number(),
  crown: z.number().describe('thousandths that count toward the limit'),
  quotas: z
    .array(z.strictObject({ what: z.enum(inPlaceOfCrown), limit: z.number(), used: z.number() }))
    .default([])
    .describe('what has a limit in place of the crown, thousandths of all there is of it'),
  thin: z
    .strictObject({ limit: z.number(), used: z.number() })
    .nullable()
    .default(null)
    .describe('thousandths of the crown that thin cuts take, where a stem is far too high and goes first'),
  off: z.number().default(0).describe('thousandths that came off in it already; its limit is what is left'),
  grown: z.number().describe('thousandths of the limit that regrowth of the season before uses'),
  exempt: z.number(),
  fruit: z.number(),
  minutes: z.number(),
  shootMinutes: z
    .number()
    .describe('for the shoots that its dormant cuts are likely to call up, in the summer after them'),
  massKg: z.number(),
  grain: Grain.default(NO_GRAIN).describe('of minutes and crown'),
});
export type SeasonOfPlan = z.infer<typeof SeasonOfPlan>;

export const ClashPart = z.strictObject({
  what: z.enum(['pin', 'must', 'limit']),
  pin: Pin.optional(),
  findingId: z.string().optional(),
  season: z.number().int().optional(),
});
export type ClashPart = z.infer<typeof ClashPart>;

const heightLefts = [
  'reached',
  'no heir',
  'hand over',
  'out of reach',
  'too deep',
  'no room',
  'not worth it',
] as const;
const Height = z.strictObject({
  targetCm: z.number(),
  nowCm: z.number().describe('highest point of the tree'),
  afterCm: z.array(z.number()).describe('the same after each season'),
  limbs: z.array(
    z.strictObject({
      limbId: z.string(),
      tipCm: z.number(),
      afterCm: z.number().describe('highest point of what is left of it by the plan'),
      left: z.enum(heightLefts).describe('why it ends above the height, where it does'),
    }),
  ),
});
export type HeightOfPlan = z.infer<typeof Height>;

const Sides = z.strictObject({
  offCentre: z.number().describe('how far its leaf hangs off the stem, as a share of the crown’s radius'),
  heavyDeg: z.number().describe('where it hangs to, compass bearing, degrees'),
  gaps: z
    .array(z.strictObject({ middleDeg: z.number(), widthDeg: z.number() }))
    .describe('sides that bear hardly any leaf, degrees'),
});
const Light = z.strictObject({
  share: z.number().describe('share of sky light in the inner third of the crown, as it stands'),
  open: z.number().describe('share of the sky that nothing outside the tree hides'),
  enough: z.number().describe('share that fruit buds and colour ask for'),
});
export type LightOfPlan = z.infer<typeof Light>;

const SidesOfPlan = z.strictObject({ now: Sides, after: z.array(Sides).describe('after each season') });
export type SidesOfPlan = z.infer<typeof SidesOfPlan>;

export const TreePlan = z.strictObject({
  steps: z.array(PlannedStep),
  seasons: z.array(SeasonOfPlan),
  limitBecause: LimitReason,
  left: z.array(z.strictObject({ findingId: z.string(), why: z.enum([...leftWhys, ...reasonsNotToCut]) })),
  swallowed: z
    .array(z.strictObject({ findingId: z.string(), candidateId: z.string() }))
    .describe('findings whose own cut disappears, because a step takes their wood'),
  handOver: z
    .array(z.string())
    .describe(
      'findings that only an arborist’s cut would answer, and “height …” of limbs that only one would bring down',
    ),
  height: Height.nullable().describe('null where no height is set, or nothing stands above it'),
  sides: SidesOfPlan.nullable().describe(
    'null for a tree that is trained flat, that is young, or that has no crown round its stem',
  ),
  light: Light.nullable().describe('null where the map shows no crown'),
  verdict: Verdict.nullable(),
  decisions: z.array(Decision),
  clash: z
    .array(ClashPart)
    .nullable()
    .describe('the smallest set that cannot be kept; null when there is a plan'),
  idlePins: z.array(Pin).describe('pins that bear on nothing'),
  proof: z.strictObject({
    worth: z.number().nullable().describe('null where no plan keeps all'),
    bound: z.number().nullable(),
    gap: z.number().nullable().describe('0 when proved best'),
    done: z.boolean(),
    nodes: z.number().int(),
  }),
});
export type TreePlan = z.infer<typeof TreePlan>;

export const CandidateOut = z
  .strictObject({
    id: z.string(),
    what: z.enum(['cut', ...otherKinds]),
    limbId: z.string(),
    cut: Cut.nullable(),
    passes: z.array(z.enum(passes)),
    answers: z.array(z.string()).describe('ids of findings it was thought of for'),
    crown: z.number().describe('thousandths of the living crown beyond it'),
    fruit: z.number(),
    minutes: z.number(),
    massKg: z.number(),
    massRangeKg: range,
    kerfMm: z.number().nullable(),
    kerfHeightCm: z.number().nullable(),
    pieces: z.number().int(),
    tool: z.string().nullable(),
    station: z.enum(['ground', 'ladder']).nullable(),
    handOver: z.boolean(),
    infected: z.boolean(),
    left: z.array(
      z.strictObject({
        findingId: z.string(),
        distanceCm: z.number().nullable(),
        chance: z.number(),
        range: range,
      }),
    ),
  })
  .meta({ id: 'PlanCandidate' });
export type CandidateOut = z.infer<typeof CandidateOut>;
