// What was done in the field.
import { choicesBeyondSawing } from '@mortisect/core/cuts';
import { ClinicEvidence } from '@mortisect/core/diagnosis';
import { MOST_PLAN_SEASONS, otherKinds, Pin } from '@mortisect/core/plan';
import { grounds } from '@mortisect/core/weather';
import { z } from 'zod';
import { alongCm, limbId, moment, name, RecordId, TreeId, text } from './common';
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
});

const findingIds = z.array(RecordId).min(1).max(500);
/** What was done in the field. Never edited: a mistake is undone by another action. */
export const ActionBody = z
  .discriminatedUnion('kind', [
    z.strictObject({
      kind: z.literal('bladeCleaned'),
      at: moment,
      blade: name(60),
      agentId: z.string().max(40),
    }),
    z.strictObject({
      kind: z.literal('cutMade'),
      at: moment,
      treeId: TreeId,
      blade: name(60),
      findingIds,
      cut: MadeCut,
    }),
    z.strictObject({
      kind: z.literal('cutNotMade'),
      at: moment,
      treeId: TreeId,
      findingIds,
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
      findingIds,
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
      kind: z.literal('mustLifted'),
      at: moment,
      treeId: TreeId,
      findingId: RecordId,
      why: z.enum(['kept as feeder', 'watched']),
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
