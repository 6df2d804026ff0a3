// One tree with all that is known of it, and the log of everything.

import { z } from 'zod';
import { LimbMap } from '../tree/index';
import { Action, ActionBody } from './action';
import { moment, RecordId } from './common';
import { Finding, FindingBody } from './finding';
import { Job, JobBody } from './job';
import { Site } from './site';
import { TreeBody, TreeSummary } from './tree';

export const TreeDetail = z
  .object({
    tree: TreeSummary,
    limbs: LimbMap.describe('as surveyed; cuts made later are not taken off it'),
    limbsRevision: z.number().int().min(1),
    surveyedAt: moment,
    findings: z.array(Finding),
    actions: z.array(Action),
    jobs: z.array(Job),
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
      z.object({ kind: z.literal('tree'), revision: z.number(), tree: TreeBody }),
      z.object({ kind: z.literal('limbs'), revision: z.number(), limbs: z.number().int() }),
      z.object({ kind: z.literal('job'), recordId: RecordId, revision: z.number(), job: JobBody }),
    ]),
  })
  .meta({ id: 'LogEntry' });
export type LogEntry = z.infer<typeof LogEntry>;
