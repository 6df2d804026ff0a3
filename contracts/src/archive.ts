// The archive of an orchard: its history, line by line, with devices, weather and photos. One JSON object a line.

import { HistoryLine, moment, RecordId } from '@mortisect/core/records';
import { refusing } from '@mortisect/core/refusal';
import { z } from 'zod';

export const ARCHIVE_KIND = 'mortisect archive';
/** Of the archives that are written; those of version 1 are brought to it when they are read. */
export const ARCHIVE_VERSION = 2;

const orchardId = z.uuid();
const figure = z.number().nullable();

/** The hours of weather as they are kept: null is not known. */
const Hour = z.strictObject({
  is: z.literal('hour'),
  orchardId,
  kind: z.enum(['observed', 'forecast']),
  hour: z.number().int().describe('since 1970, UTC'),
  temperatureC: figure,
  humidityPct: figure,
  rainMm: figure,
  windMs: figure,
  wetMinutes: figure,
  source: z.string(),
  receivedAt: moment,
});

/**
 * One line of an archive. The first is the head, the last the end with the number of lines between them, so that a file that was cut off is
 * known for one. A history line of a kind that is not known is kept as it came.
 */
export const ArchiveLine = z
  .discriminatedUnion('is', [
    z.strictObject({
      is: z.literal('archive'),
      kind: z.literal(ARCHIVE_KIND),
      version: z.literal(ARCHIVE_VERSION, refusing('laterArchive')),
      orchardId,
    }),
    z.strictObject({ is: z.literal('device'), orchardId, id: z.uuid(), name: z.string().max(80) }),
    z.strictObject({
      is: z.literal('history'),
      ...HistoryLine.shape,
      value: z.looseObject({ kind: z.string().max(40) }),
    }),
    Hour,
    z.strictObject({
      is: z.literal('hour before'),
      orchardId,
      seq: z.number().int().min(0),
      kind: z.string(),
      hour: z.number().int(),
      value: z.looseObject({}).describe('the hour as it stood before it was told otherwise'),
      replacedAt: moment,
      by: z.string(),
    }),
    z.strictObject({ is: z.literal('photo'), orchardId, id: RecordId, jpeg: z.base64() }),
    z.strictObject({ is: z.literal('end'), orchardId, lines: z.number().int() }),
  ])
  .meta({ id: 'ArchiveLine' });
export type ArchiveLine = z.infer<typeof ArchiveLine>;
