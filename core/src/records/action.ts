// What was done in the field.

import { z } from 'zod';
import { debrisRoutes, recheckKinds, recheckOutcomes } from '../aftercare/index';
import { cleaningMethods, keepings, woodClasses } from '../blades/index';
import { VisitWish } from '../campaign/index';
import { crops, spreads } from '../crown/index';
import { choicesBeyondSawing } from '../cuts/index';
import { ClinicEvidence } from '../diagnosis/index';
import { MOST_SHADES, Shade } from '../faults/index';
import { LEAST_LIMIT, MOST_LIMIT, MOST_PLAN_SEASONS, otherKinds, Pin } from '../plan/index';
import { issueOf, refusal } from '../refusal/index';
import { grounds } from '../weather/index';
import { alongCm, limbId, localDay, moment, name, RecordId, TreeId, text } from './common';
import { MOST_RUN_TREES } from './runTrees';
import { SpeciesCode } from './tree';

export const walkingOrders = ['serpentine', 'tag'] as const;
export const partsSeen = ['all round', 'from the ground', 'one side'] as const;
export type PartSeen = (typeof partsSeen)[number];

const MadeCut = z.strictObject({
  limbId,
  limbName: name(120),
  atCm: alongCm,
  kind: z.enum(['collar', 'reduction', 'heading', 'stub']),
  diameterMm: z.number().min(0).max(2500),
  clearanceCm: z.number().min(0).max(500),
  shortfallCm: z.number().min(0).max(500),
  sentence: text(600),
  massKg: z.number().min(0).max(20_000).optional().describe('of what came off, estimated'),
  tool: z.string().max(60).optional(),
  estimatedMinutes: z
    .number()
    .min(0)
    .max(10_000)
    .optional()
    .describe('what was reckoned for it, before anybody’s own pace'),
});

/** A cut that did not fall where it was planned. */
const Elsewhere = z.strictObject({
  why: z.enum(['other place', 'other limb', 'bark tore']),
  plannedLimbId: limbId,
  plannedAtCm: alongCm,
});

const piths = ['green', 'brown', 'stained', 'not read'] as const;
const marksOnLimbs = ['tape', 'chalk'] as const;

const anyFindings = z.array(RecordId).max(500);
const findingIds = anyFindings.min(1);
const blade = name(60).describe('id of a blade of the kit');
const marked = RecordId.optional().describe('a finding that was made with it, taken back with it');
const codes = z.array(z.string().min(1).max(60)).max(60);
/** What was done in the field. Never edited: a mistake is undone by another action. */
export const ActionBody = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('bladeWetted'),
      at: moment.describe('its contact time runs from here'),
      blade,
      agentId: z.string().max(40),
      method: z.enum(cleaningMethods),
      seconds: z.number().min(0).max(7200),
    }),
    z.strictObject({
      kind: z.literal('bladeCleaned'),
      at: moment,
      blade,
      agentId: z.string().max(40),
      before: z
        .literal(true)
        .optional()
        .describe('it was clean already, as somebody says; nobody timed it here'),
    }),
    z.strictObject({ kind: z.literal('bladeSharpened'), at: moment, blade }),
    z.strictObject({
      kind: z.literal('mixMade'),
      at: moment,
      agentId: z.string().max(40),
      litres: z.number().positive().max(1000),
      strength: z.number().min(0).max(200_000).nullable().describe('ppm of chlorine, or % of alcohol'),
      keeping: z.enum(keepings),
      usableHours: z.number().min(0).max(10_000),
    }),
    z.strictObject({
      kind: z.literal('runStarted'),
      at: moment,
      treeIds: z.array(TreeId).min(1).max(MOST_RUN_TREES).describe('in the order they are visited'),
      bladeIds: z.array(blade).max(200).describe('counted out'),
      checked: z.array(name(40)).max(20).describe('what was looked at before the first cut'),
    }),
    z.strictObject({
      kind: z.literal('stationTaken'),
      at: moment,
      treeId: TreeId,
      station: name(60).describe('where one stands: “ground, north”, “ladder, east”'),
    }),
    z.strictObject({ kind: z.literal('runPaused'), at: moment }),
    z.strictObject({ kind: z.literal('runResumed'), at: moment }),
    z.strictObject({
      kind: z.literal('runClosed'),
      at: moment,
      bladeIds: z.array(blade).max(200).describe('counted back in'),
      checked: z.array(name(40)).max(20),
    }),
    z.strictObject({
      kind: z.literal('limbMarked'),
      at: moment,
      treeId: TreeId,
      limbId,
      limbName: name(120),
      how: z.enum(marksOnLimbs),
    }),
    z.strictObject({
      kind: z.literal('stoodBack'),
      at: moment,
      treeId: TreeId,
      cutId: RecordId,
      photoId: RecordId.nullable(),
      note: text(300),
    }),
    z.strictObject({
      kind: z.literal('woodRead'),
      at: moment,
      treeId: TreeId,
      cutId: RecordId,
      pith: z.enum(piths),
      diameterMm: z.number().min(1).max(2500).nullable().describe('as measured on the wood'),
      furtherCm: z
        .number()
        .min(0)
        .max(500)
        .nullable()
        .describe('the edge lay so much nearer to the trunk than was recorded'),
      marked,
    }),
    z.strictObject({
      kind: z.literal('debrisCleared'),
      at: moment,
      class: z.enum(woodClasses),
      route: z.enum(debrisRoutes),
      kg: z.number().min(0).max(100_000),
    }),
    z.strictObject({
      kind: z.literal('recheckDone'),
      at: moment,
      treeId: TreeId,
      cutId: RecordId,
      recheck: z.enum(recheckKinds),
      outcome: z.enum(recheckOutcomes),
      distanceCm: z.number().min(0).max(500).nullable().describe('from the cut toward the trunk'),
      shoots: z.number().int().min(0).max(200).nullable(),
      stay: z
        .number()
        .int()
        .min(0)
        .max(200)
        .optional()
        .describe('how many of the shoots stay as wood of the tree; the others are to come off'),
      note: text(300),
    }),
    z.strictObject({
      kind: z.literal('scionTaken'),
      at: moment,
      treeId: TreeId,
      limbName: name(120),
      label: name(40),
      sticks: z.number().int().min(1).max(500),
    }),
    z.strictObject({
      kind: z.literal('cutMade'),
      at: moment,
      treeId: TreeId,
      blade,
      findingIds: z.array(RecordId).max(500).describe('whose wood came off; none where it fell elsewhere'),
      cut: MadeCut,
      onMap: z
        .number()
        .int()
        .min(1)
        .optional()
        .describe(
          'revision of the limb map that it was made by: it came after that was drawn, whatever clocks say',
        ),
      disorders: codes.optional().describe('what the blade met'),
      elsewhere: Elsewhere.optional(),
      marked,
      dirtyBlade: z.literal(true).optional().describe('it was made with a blade that was not clean'),
    }),
    z.strictObject({
      kind: z.literal('cutNotMade'),
      at: moment,
      treeId: TreeId,
      findingIds: anyFindings.describe('what it was to answer; none for a cut of sound wood'),
      candidateId: z.string().min(1).max(160).optional().describe('which cut of the plan it was'),
      reason: name(300),
    }),
    z.strictObject({
      kind: z.literal('decided'),
      at: moment,
      treeId: TreeId,
      findingIds,
      choice: z.enum(choicesBeyondSawing),
      note: text(500),
    }),
    z.strictObject({ kind: z.literal('undone'), at: moment, actionId: RecordId }),
    z.strictObject({
      kind: z.literal('roundStarted'),
      at: moment,
      order: z.enum(walkingOrders),
      plotIds: z.array(z.string().max(64)).max(500).describe('empty: the whole site'),
    }),
    z.strictObject({ kind: z.literal('roundPaused'), at: moment }),
    z.strictObject({ kind: z.literal('roundResumed'), at: moment }),
    z.strictObject({ kind: z.literal('roundClosed'), at: moment }),
    z.strictObject({
      kind: z.literal('treeSeen'),
      at: moment,
      treeId: TreeId,
      verdict: z.enum(['sound', 'found']),
      seen: z.enum(partsSeen).describe('what was not seen is not sound'),
    }),
    z.strictObject({ kind: z.literal('treeSkipped'), at: moment, treeId: TreeId, reason: text(200) }),
    z.strictObject({
      kind: z.literal('asked'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      of: name(60).describe('who is asked; the cut is held until they answer'),
      question: text(500),
    }),
    z.strictObject({
      kind: z.literal('answered'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      askedId: RecordId,
      answer: name(500),
    }),
    z.strictObject({
      kind: z.literal('sampleSent'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      label: name(20),
    }),
    z.strictObject({
      kind: z.literal('sampleAnswered'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      sampleId: RecordId,
      label: name(20),
      evidence: ClinicEvidence,
    }),
    z.strictObject({
      kind: z.literal('wavedOff'),
      at: moment,
      treeId: TreeId,
      faultKey: z.string().min(1).max(300),
      severity: z.number().min(0).max(1e6),
    }),
    z.strictObject({
      kind: z.literal('stepDone'),
      at: moment,
      treeId: TreeId,
      findingIds: anyFindings.describe('what it answers; none where it shapes sound wood'),
      what: z.enum(otherKinds),
      limbId,
      limbName: name(120),
    }),
    z.strictObject({
      kind: z.literal('planPinned'),
      at: moment,
      treeId: TreeId,
      pin: Pin,
    }),
    z.strictObject({
      kind: z.literal('cropSeen'),
      at: moment,
      treeId: TreeId,
      year: z.number().int().min(1800).max(3000).describe('of the harvest'),
      crop: z.enum(crops),
      thinned: z.boolean().describe('fruit was thinned by hand'),
    }),
    z.strictObject({
      kind: z.literal('shadeSeen'),
      at: moment,
      treeId: TreeId,
      shades: z.array(Shade).max(MOST_SHADES).describe('all that stands round the tree; none: nothing does'),
    }),
    z.strictObject({
      kind: z.literal('bloomCompared'),
      at: moment,
      treeId: TreeId,
      limbId: limbId.describe('bears more bloom'),
      than: limbId,
    }),
    z.strictObject({
      kind: z.literal('paceSet'),
      at: moment,
      treeId: TreeId,
      pace: z.enum(spreads).nullable().describe('null: as on the site again'),
    }),
    z.strictObject({
      kind: z.literal('limitSet'),
      at: moment,
      treeId: TreeId,
      limit: z
        .number()
        .int()
        .min(LEAST_LIMIT)
        .max(MOST_LIMIT)
        .nullable()
        .describe('thousandths of the living crown a season; null: by the school of the site again'),
    }),
    z.strictObject({
      kind: z.literal('visitBooked'),
      at: moment,
      treeId: TreeId,
      on: localDay.describe('a licensed arborist comes; cuts that only they may make are planned for it'),
    }),
    z.strictObject({
      kind: z.literal('visitWished'),
      at: moment,
      treeId: TreeId,
      visitId: z
        .string()
        .min(1)
        .max(200)
        .optional()
        .describe('which visit of its season; the pass that is at hand where it is not said'),
      wish: VisitWish.describe('when, by whom or whether the visit is made this season; the last counts'),
    }),
    z.strictObject({
      kind: z.literal('mustLifted'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      why: z.enum(['kept as feeder', 'watched']),
      until: localDay.optional().describe('it is a must again after this day'),
      note: text(300),
    }),
    z.strictObject({
      kind: z.literal('clearanceSet'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      clearanceCm: z.number().min(0).max(500).nullable().describe('null: by the school of the site again'),
    }),
    z.strictObject({
      kind: z.literal('seasonsPlanned'),
      at: moment,
      treeId: TreeId,
      seasons: z.number().int().min(1).max(MOST_PLAN_SEASONS),
    }),
    z.strictObject({
      kind: z.literal('stageSeen'),
      at: moment,
      species: SpeciesCode,
      cultivar: text(80).nullable().describe('null: every cultivar of the species'),
      stage: name(60),
      share: z.number().min(0).max(2).describe('of the way from the end of rest to full bloom'),
    }),
    z.strictObject({
      kind: z.literal('groundSaid'),
      at: moment,
      state: z.enum(grounds),
      until: moment.describe('what was said of the ground holds until then'),
    }),
    z.strictObject({
      kind: z.literal('protectantApplied'),
      at: moment.describe('when it was put on'),
      product: name(80),
      label: name(120).describe('reference of the label, which is the law'),
      species: z.array(SpeciesCode).max(30).describe('empty: every tree'),
      note: text(300),
    }),
    z.strictObject({
      kind: z.literal('hatThrown'),
      at: moment,
      treeId: TreeId,
      throws: z.number().int().min(1).max(500),
      passed: z.number().int().min(0).max(500),
    }),
  ])
  .superRefine((action, context) => {
    if (action.kind === 'cropSeen' && action.year > Number(action.at.slice(0, 4)))
      context.addIssue(issueOf(['year'], refusal('harvestAhead', { year: action.year })));
    if (action.kind === 'recheckDone' && (action.stay ?? 0) > (action.shoots ?? 0))
      context.addIssue(issueOf(['stay'], refusal('atMost', { most: action.shoots ?? 0 })));
    if (action.kind === 'cutNotMade' && action.findingIds.length === 0 && !action.candidateId)
      context.addIssue(issueOf(['findingIds'], refusal('tooFew', { least: 1 })));
  })
  .meta({ id: 'ActionBody' });
export type ActionBody = z.infer<typeof ActionBody>;

export const Action = z
  .object({ id: RecordId, action: ActionBody, undone: z.boolean(), by: z.string(), receivedAt: moment })
  .meta({ id: 'Action' });
export type Action = z.infer<typeof Action>;

export type ActionOf<K extends ActionBody['kind']> = Extract<ActionBody, { kind: K }>;

/** What a sample is labelled with: short enough to be written on a bag. */
export function sampleLabel(actionId: string): string {
  return `S-${actionId.replaceAll('-', '').slice(-6).toUpperCase()}`;
}
