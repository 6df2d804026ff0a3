// One line of the history: one revision of one record, as it was written. The history only grows; the present is folded from it.
import { z } from 'zod';
import { LimbMap } from '../tree/index';
import { ActionBody } from './action';
import { moment, name, text } from './common';
import { FindingBody } from './finding';
import { JobBody } from './job';
import { Site } from './site';
import { TreeBody } from './tree';

const position = z.number().int().min(0).describe('in the order they are listed');

/** What a line says of its record. */
export const HistoryValue = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('site'), site: Site }),
  z.object({ kind: z.literal('plot'), plot: z.object({ name: name(60), note: text(1000), position }) }),
  z.object({
    kind: z.literal('row'),
    row: z.object({ plotId: z.string(), name: name(80), spacingCm: z.number().positive(), position }),
  }),
  z.object({ kind: z.literal('tree'), tree: TreeBody }),
  z.object({ kind: z.literal('limbs'), limbs: LimbMap }),
  z.object({ kind: z.literal('finding'), finding: FindingBody }),
  z.object({ kind: z.literal('action'), action: ActionBody }),
  z.object({ kind: z.literal('job'), job: JobBody }),
]);
export type HistoryValue = z.infer<typeof HistoryValue>;

export const HistoryLine = z
  .object({
    orchardId: z.uuid(),
    seq: z.number().int().min(0),
    at: moment.describe('when it happened'),
    receivedAt: moment,
    recordId: z.string().min(1).max(64).describe('of a limb map: the id of its tree'),
    revision: z.number().int().min(1),
    treeId: z.string().nullable(),
    deviceId: z.string(),
    by: z.string(),
    value: HistoryValue,
  })
  .meta({ id: 'HistoryLine' });
export type HistoryLine = z.infer<typeof HistoryLine>;
