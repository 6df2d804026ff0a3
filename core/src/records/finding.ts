// A finding: what is wrong, on which wood, and what was seen of it.

import { z } from 'zod';
import { findingPlaces } from '../cuts/index';
import { Answers, Scratch } from '../diagnosis/index';
import { DisorderCode, edges, kindOf } from '../disorders/index';
import { Fault } from '../faults/index';
import { refusing } from '../refusal/index';
import { alongCm, limbId, moment, name, RecordId, Stamp, TreeId, text } from './common';

export const findingKinds = ['dead', 'diseased', 'damaged', 'misplaced', 'old cut'] as const;
export type FindingKind = (typeof findingKinds)[number];
export const activities = ['active', 'healed', 'unknown'] as const;

const FoundFault = z.strictObject({ key: z.string().max(300), ...Fault.shape });

/** Of one finding. */
export const MOST_PHOTOS = 8;

export const FindingBody = z
  .strictObject({
    treeId: TreeId,
    limbId,
    limbName: name(120).describe('what the limb was called when it was seen'),
    fromCm: alongCm,
    toCm: alongCm,
    kind: z.enum(findingKinds).optional().describe('as its disorder is where missing'),
    measured: z
      .boolean()
      .default(true)
      .describe('false: seen on this limb, but nobody has said where along it; its cut waits for that'),
    somewhere: z
      .strictObject({ hour: z.number().int().min(1).max(12), heightCm: alongCm })
      .nullable()
      .default(null)
      .describe(
        'somewhere in a crown that nobody has mapped: hour on the crown clock and height, until it is placed on its limb',
      ),
    place: z.enum(findingPlaces).default('span'),
    disorder: DisorderCode,
    edge: z.enum(edges),
    growthRapid: z.boolean(),
    activity: z.enum(activities).default('unknown'),
    signs: Answers.default({}).describe('looked for and seen, or looked for and absent'),
    scratches: z.array(Scratch).max(40).default([]),
    widthsCm: z
      .array(z.number().positive().max(800))
      .max(12)
      .default([])
      .describe('widths of dead patches measured round the limb'),
    circumferenceCm: z.number().positive().max(800).nullable().default(null),
    photoIds: z.array(RecordId).max(MOST_PHOTOS).default([]),
    fault: FoundFault.nullable().default(null).describe('the measure that a misplaced limb was found by'),
    note: text(500),
    seenAt: moment,
    withdrawn: z.boolean().describe('taken back as a mistake; the record stays'),
  })
  .refine((finding) => finding.fromCm <= finding.toCm, {
    path: ['fromCm'],
    ...refusing('endsBeforeItBegins'),
  })
  .refine((finding) => finding.somewhere === null || !finding.measured, {
    path: ['somewhere'],
    ...refusing('measuredNowhere'),
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

/** What a caretaker wrote down, without what the server adds. */
export function findingBodyOf(finding: Finding): FindingBody {
  const { id, state, revision, by, receivedAt, ...body } = finding;
  return body;
}

/** The mark it wears: as the caretaker said, else as its disorder is. */
export function markOf(finding: Pick<FindingBody, 'kind' | 'disorder'>): Exclude<FindingKind, 'old cut'> {
  return finding.kind === undefined || finding.kind === 'old cut' ? kindOf(finding.disorder) : finding.kind;
}
