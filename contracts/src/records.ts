// The records of an orchard: what is kept, who made it, on which revision.
import { cleaningSchools } from '@mortisect/core/blades';
import { choicesBeyondSawing, finishes } from '@mortisect/core/cuts';
import { DisorderCode, defaultSchoolOf, edges, seasons } from '@mortisect/core/disorders';
import { hazards } from '@mortisect/core/handling';
import { LimbMap } from '@mortisect/core/tree';
import { z } from 'zod';

const text = (most: number) => z.string().trim().max(most);
const name = (most: number) => text(most).min(1, 'Give it a name.');
export const RecordId = z.uuidv7('An id is a UUID of version 7, minted on the device.');
export const TreeId = z.string().min(1).max(64);
const moment = z.iso.datetime({ offset: true });

/** Who made a record and when it was received; stamped by the server. */
export const Stamp = z.object({
  revision: z.number().int().min(1),
  by: z.string(),
  receivedAt: moment,
});
export type Stamp = z.infer<typeof Stamp>;

const timeZone = z.string().refine(isTimeZone, 'Not a time zone; write it like Europe/Lisbon.');
function isTimeZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}

const SiteSchools = z.strictObject({
  clearance: z.record(DisorderCode, z.string()).describe('school id by disorder code'),
  halveDefiniteDormant: z.boolean(),
  inSeasonStub: z.boolean(),
  finish: z.enum(finishes),
  cleaning: z.enum(cleaningSchools),
});

/** What a site goes by until its caretaker says otherwise. */
export function defaultSchools(): z.infer<typeof SiteSchools> {
  return {
    clearance: { ...defaultSchoolOf },
    halveDefiniteDormant: false,
    inSeasonStub: false,
    finish: 'tight',
    cleaning: 'every',
  };
}

export const Site = z
  .strictObject({
    name: name(80),
    latitude: z.number().min(-90).max(90),
    longitude: z.number().min(-180).max(180),
    timeZone,
    twelveBearingDeg: z.number().min(0).lt(360).describe('bearing of 12 o’clock on every crown clock'),
    units: z.enum(['metric', 'us']),
    season: z.enum(seasons).nullable().describe('null: by the calendar'),
    schools: SiteSchools,
    agentId: z.string().max(40),
  })
  .meta({ id: 'Site' });
export type Site = z.infer<typeof Site>;

export const Plot = z.object({ id: z.string(), name: z.string(), note: z.string() });
export type Plot = z.infer<typeof Plot>;
export const Row = z.object({ id: z.string(), plotId: z.string(), name: z.string(), spacingCm: z.number() });
export type Row = z.infer<typeof Row>;

export const TreeSummary = z
  .object({
    id: TreeId,
    code: z.string(),
    nickname: z.string().nullable(),
    plotId: z.string(),
    rowId: z.string(),
    place: z.number().int(),
    species: z.string(),
    cultivar: z.string().nullable(),
    rootstock: z.string().nullable(),
    plantedYear: z.number().int().nullable(),
    form: z.string(),
    heightCm: z.number(),
    spreadCm: z.number(),
    susceptible: z.boolean(),
    note: z.string(),
    hazards: z.array(z.enum(hazards)),
    latitude: z.number().nullable(),
    longitude: z.number().nullable(),
    openFindings: z.number().int(),
  })
  .meta({ id: 'TreeSummary' });
export type TreeSummary = z.infer<typeof TreeSummary>;

export const FindingBody = z
  .strictObject({
    treeId: TreeId,
    limbId: z.string().min(1).max(64),
    limbName: name(120).describe('what the limb was called when it was seen'),
    fromCm: z.number().min(0).max(3000),
    toCm: z.number().min(0).max(3000),
    disorder: DisorderCode,
    edge: z.enum(edges),
    growthRapid: z.boolean(),
    note: text(500),
    seenAt: moment,
    withdrawn: z.boolean().describe('taken back as a mistake; the record stays'),
  })
  .refine((finding) => finding.fromCm <= finding.toCm, {
    path: ['fromCm'],
    message: 'The finding ends before it begins.',
  })
  .meta({ id: 'FindingBody' });
export type FindingBody = z.infer<typeof FindingBody>;

export const Finding = z
  .object({
    id: RecordId,
    state: z.enum(['open', 'closed', 'withdrawn']),
    ...FindingBody.shape,
    ...Stamp.shape,
  })
  .meta({ id: 'Finding' });
export type Finding = z.infer<typeof Finding>;

const MadeCut = z.strictObject({
  limbId: z.string().min(1).max(64),
  limbName: name(120),
  atCm: z.number().min(0).max(3000),
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
  ])
  .meta({ id: 'ActionBody' });
export type ActionBody = z.infer<typeof ActionBody>;

export const Action = z
  .object({ id: RecordId, action: ActionBody, undone: z.boolean(), by: z.string(), receivedAt: moment })
  .meta({ id: 'Action' });
export type Action = z.infer<typeof Action>;

export const TreeDetail = z
  .object({
    tree: TreeSummary,
    limbs: LimbMap.describe('as surveyed, before any recorded cut'),
    findings: z.array(Finding),
    actions: z.array(Action),
  })
  .meta({ id: 'TreeDetail' });
export type TreeDetail = z.infer<typeof TreeDetail>;

export const LogEntry = z
  .object({
    seq: z.number().int(),
    at: moment,
    by: z.string(),
    treeId: z.string().nullable(),
    treeCode: z.string().nullable(),
    entry: z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('finding'),
        recordId: RecordId,
        revision: z.number(),
        finding: FindingBody,
      }),
      z.object({ kind: z.literal('action'), recordId: RecordId, action: ActionBody, undone: z.boolean() }),
      z.object({ kind: z.literal('site'), revision: z.number(), site: Site }),
    ]),
  })
  .meta({ id: 'LogEntry' });
export type LogEntry = z.infer<typeof LogEntry>;
