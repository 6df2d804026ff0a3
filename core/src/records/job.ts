// A job without a saw: guards, stakes, vines, grass, mulch, mummies, thinning.

import { z } from 'zod';
import { jobKinds } from '../register/index';
import { localDay, moment, RecordId, Stamp, TreeId, text } from './common';

export const JobBody = z
  .strictObject({
    treeId: TreeId,
    job: z.enum(jobKinds.map((kind) => kind.code) as [string, ...string[]]),
    dueOn: localDay,
    note: text(300),
    doneAt: moment.nullable(),
    withdrawn: z.boolean(),
  })
  .meta({ id: 'JobBody' });
export type JobBody = z.infer<typeof JobBody>;

export const Job = z.object({ id: RecordId, ...JobBody.shape, ...Stamp.shape }).meta({ id: 'Job' });
export type Job = z.infer<typeof Job>;
