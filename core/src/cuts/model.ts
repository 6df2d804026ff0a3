// What goes into the cut position rule and what comes out.

import { z } from 'zod';
import { edges } from '../disorders/index';
import { issueOf, type Refusal, refusal } from '../refusal/index';
import { budDirections, LimbMap } from '../tree/index';

export const MOST_LIMBS = 2000;
export const MOST_LESIONS = 500;

const id = z.string().min(1).max(64);
const cm = z.number();

export const Lesion = z
  .strictObject({
    id,
    limbId: id,
    fromCm: z.number().min(0).describe('the edge nearest the trunk, cm along the limb'),
    toCm: z.number().min(0),
    disorder: z.string().min(1).max(60),
    edge: z.enum(edges),
    clearanceCm: z
      .number()
      .min(0)
      .max(500)
      .optional()
      .describe('overrides the common clearance for this lesion'),
  })
  .meta({ id: 'Lesion', description: 'A span of wrong wood on one limb.' });
export type Lesion = z.infer<typeof Lesion>;

export const finishes = ['tight', 'stub', 'heel'] as const;
export type Finish = (typeof finishes)[number];

export const CutPositionInput = z
  .strictObject({
    limbs: LimbMap,
    lesions: z.array(Lesion),
    alsoOpen: z
      .array(Lesion)
      .max(MOST_LESIONS)
      .default([])
      .describe('lesions that ask for no cut yet: a branch that they lie on cannot take over'),
    clearanceCm: z.number().min(0).max(500).describe('measured from each lesion toward the stool, cm'),
    finish: z.enum(finishes).optional().describe('how a collar cut is finished; tight unless said'),
    inSeasonStub: z
      .boolean()
      .optional()
      .describe('leave a bare stub beyond a union, to come off when dormant'),
  })
  .superRefine((input, context) => {
    const byId = new Map(input.limbs.map((limb) => [limb.id, limb]));
    const seen = new Set<string>();
    input.lesions.forEach((lesion, i) => {
      const issue = (field: string, why: Refusal) => context.addIssue(issueOf(['lesions', i, field], why));
      const limb = byId.get(lesion.limbId);
      if (seen.has(lesion.id)) issue('id', refusal('lesionTwice', { lesion: lesion.id }));
      seen.add(lesion.id);
      if (!limb) issue('limbId', refusal('lesionOnNoLimb', { lesion: lesion.id, limb: lesion.limbId }));
      if (lesion.fromCm > lesion.toCm) issue('fromCm', refusal('lesionEndsFirst', { lesion: lesion.id }));
      if (limb && lesion.toCm > limb.lengthCm) {
        issue(
          'toCm',
          refusal('lesionBeyond', {
            lesion: lesion.id,
            limb: limb.id,
            toCm: lesion.toCm,
            lengthCm: limb.lengthCm,
          }),
        );
      }
    });
  })
  .meta({ id: 'CutPositionInput' });
export type CutPositionInput = z.input<typeof CutPositionInput>;

export const Place = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('collar'),
      limbId: id,
      atCm: cm,
      finish: z.enum(finishes),
    }),
    z.strictObject({
      kind: z.literal('reduction'),
      limbId: id,
      atCm: cm,
      toLimbId: id.describe('the side branch that takes over'),
      jointCm: cm,
      branchMm: z.number(),
      limbMm: z.number(),
      neededMm: z.number(),
    }),
    z.strictObject({
      kind: z.literal('heading'),
      limbId: id,
      atCm: cm,
      budAtCm: cm,
      points: z.enum(budDirections),
      limbMm: z.number(),
    }),
    z.strictObject({ kind: z.literal('stub'), limbId: id, atCm: cm, unionLimbId: id, unionCm: cm }),
  ])
  .meta({ id: 'Place', description: 'A real place on the wood where a cut may fall.' });
export type Place = z.infer<typeof Place>;

const passedOverWhy = [
  'bud points up',
  'bud points in',
  'bud dead',
  'flower bud',
  'wood too thick and too old',
  'an out or under bud is near',
  'branch too thin',
  'branch not sound',
  'too near the lesion',
] as const;

const PassedOver = z.strictObject({
  limbId: id,
  atCm: cm.describe('joint or bud, cm'),
  branchId: id.optional(),
  why: z.enum(passedOverWhy),
});
export type PassedOver = z.infer<typeof PassedOver>;

export const choicesBeyondSawing = [
  'excise',
  'bridge',
  'watch',
  'remove tree',
  'lower the leader',
  'top-work',
] as const;

const Stretch = z.strictObject({ limbId: id, fromCm: cm, toCm: cm });

export const Reason = z
  .strictObject({
    lesionId: id,
    disorder: z.string(),
    edgeLimbId: id,
    edgeCm: cm,
    clearanceCm: cm,
    walk: z.array(Stretch),
    target: z.strictObject({
      on: z.enum(['limb', 'leader', 'trunk']),
      limbId: id.nullable(),
      atCm: cm.nullable(),
    }),
    place: Place,
    reachedCm: cm.describe('from the kerf to the edge, along the wood'),
    shortfallCm: cm,
    passedOver: z.array(PassedOver),
    alternatives: z.array(Place),
    choices: z.array(z.enum(choicesBeyondSawing)),
  })
  .meta({ id: 'Reason', description: 'Why a cut falls where it does, for one lesion.' });
export type Reason = z.infer<typeof Reason>;

export const Cut = z
  .strictObject({
    limbId: id,
    atCm: cm,
    upToCm: cm.optional().describe('the bud is still to be found on the tree: cut between atCm and here'),
    towardDeg: z.number().optional().describe('compass bearing that the bud is to point to, degrees'),
    kind: z.enum(['collar', 'reduction', 'heading', 'stub']),
    targetLimbId: id.nullable(),
    targetCm: cm.nullable().describe('null when the target is the trunk'),
    shortfallCm: cm,
    lesionIds: z.array(id),
    swallowedBy: z.number().int().nullable().describe('index in cuts of the cut that takes this wood'),
    because: z.array(Reason),
  })
  .meta({ id: 'Cut' });
export type Cut = z.infer<typeof Cut>;

export const Decision = z
  .strictObject({
    lesionId: id,
    limbId: id,
    wood: z.enum(['trunk', 'leader', 'rootstock']),
    clearanceCm: cm,
    choices: z.array(z.enum(choicesBeyondSawing)),
    upToCm: cm
      .optional()
      .describe('on a thin leader with unmapped buds: a first live bud at or below here would do'),
  })
  .meta({ id: 'Decision', description: 'A lesion that no cut position answers.' });
export type Decision = z.infer<typeof Decision>;

export const CutPositionResult = z
  .strictObject({ cuts: z.array(Cut), decisions: z.array(Decision) })
  .meta({ id: 'CutPositionResult' });
export type CutPositionResult = z.infer<typeof CutPositionResult>;
