// A job without a saw: one of the usual ones, or one in somebody’s own words.

import { z } from 'zod';
import { issueOf, refusal } from '../refusal/index';
import { jobKinds, OWN_JOB } from '../register/index';
import { localDay, moment, name, RecordId, Stamp, TreeId, text } from './common';

export const MOST_JOB_MINUTES = 10_000;

export const JobBody = z
  .strictObject({
    treeId: TreeId,
    job: z.enum(jobKinds.map((kind) => kind.code) as [string, ...string[]]),
    dueOn: localDay,
    title: name(80).optional().describe('what is to be done, in own words'),
    minutes: z
      .number()
      .int()
      .min(1)
      .max(MOST_JOB_MINUTES)
      .optional()
      .describe('how long it takes, as somebody thinks'),
    note: text(300),
    doneAt: moment.nullable(),
    withdrawn: z.boolean(),
  })
  .superRefine(({ job, title }, context) => {
    if (job === OWN_JOB && title === undefined) context.addIssue(issueOf(['title'], refusal('noJobTitle')));
  })
  .meta({ id: 'JobBody' });
export type JobBody = z.infer<typeof JobBody>;

export const Job = z.object({ id: RecordId, ...JobBody.shape, ...Stamp.shape }).meta({ id: 'Job' });
export type Job = z.infer<typeof Job>;
