// Files in and out: what an import reports, row by row.
import { lengthUnits } from '@mortisect/core/measure';
import { RecordId, SpeciesCode, TreeBody, TreeId } from '@mortisect/core/records';
import { treeSizes } from '@mortisect/core/register';
import type { Column } from '@mortisect/core/weather';
import { z } from 'zod';

export const importFormats = ['csv', 'geojson', 'archive'] as const;

/** Which column of a file fills which field; fields that are not named stay as they start. */
export const ColumnMapping = z.record(z.string(), z.string());
export type ColumnMapping = z.infer<typeof ColumnMapping>;

/** What a file of trees can leave out: what to write then is said once, for all rows. */
export const startingFields = ['plot', 'row', 'species', 'form', 'heightCm', 'spreadCm'] as const;
export type StartingField = (typeof startingFields)[number];

/** What somebody said of a file, beside which column is what. */
export const ImportChoices = z
  .strictObject({
    starts: z.partialRecord(z.enum(startingFields), z.string().max(80)).default({}),
    kinds: z
      .record(z.string(), SpeciesCode)
      .default({})
      .describe('species by the word that stands for it in the file'),
    units: z
      .partialRecord(z.enum(treeSizes), z.enum(lengthUnits))
      .default({})
      .describe('unit of bare numbers'),
  })
  .meta({ id: 'ImportChoices' });
export type ImportChoices = z.infer<typeof ImportChoices>;

const RowReport = z.strictObject({
  line: z.number().int().describe('line in the file, or number of the feature; from 1'),
  code: z.string(),
  reasons: z
    .array(z.strictObject({ field: z.string(), message: z.string() }))
    .describe('empty: the row is good'),
});

export const ImportReport = z
  .object({
    columns: z.array(z.string()),
    mapping: ColumnMapping,
    sample: z.array(z.record(z.string(), z.string())).describe('the first rows as they stand in the file'),
    good: z.number().int(),
    refused: z.number().int(),
    rows: z.array(RowReport).describe('the refused rows, and the first good ones'),
    refusedCsv: z.string().describe('refused rows with their reasons, to be mended and read again'),
    written: z.number().int(),
    starts: z
      .array(z.strictObject({ field: z.enum(startingFields), value: z.string(), rows: z.number().int() }))
      .describe('what was written where the file says nothing, and in how many rows'),
    asks: z
      .array(z.strictObject({ word: z.string(), rows: z.number().int(), options: z.array(SpeciesCode) }))
      .describe('words that can mean several species, or none that is known; their rows wait for an answer'),
    units: z
      .array(
        z.strictObject({
          field: z.enum(treeSizes),
          unit: z.enum(lengthUnits),
          by: z.enum(['heading', 'size', 'choice']),
          rows: z.number().int(),
        }),
      )
      .describe('unit in which bare numbers of a column were read, and what told it'),
  })
  .meta({ id: 'ImportReport' });
export type ImportReport = z.infer<typeof ImportReport>;

/** What came in with an archive. */
export const ArchiveReport = z
  .object({
    orchardId: z.uuid(),
    lines: z.number().int().describe('of the history'),
    trees: z.number().int(),
    findings: z.number().int(),
    actions: z.number().int(),
    hours: z.number().int().describe('of weather'),
    photos: z.number().int(),
    aside: z
      .array(z.object({ seq: z.number(), why: z.string() }))
      .describe('lines that are kept and lead to nothing yet, each with why'),
  })
  .meta({ id: 'ArchiveReport' });
export type ArchiveReport = z.infer<typeof ArchiveReport>;

const { deleted: _mark, ...treeFields } = TreeBody.shape;
/** Columns of a tree file, in order: the names of the fields of a tree. */
export const treeColumns = Object.keys(treeFields) as TreeColumn[];
export type TreeColumn = Exclude<keyof TreeBody, 'deleted'>;

/** Units a column of weather can be in, the first being the core’s own. */
export const weatherUnits: Record<Column, readonly [own: string, ...others: string[]]> = {
  temperatureC: ['°C', '°F', 'K'],
  humidityPct: ['%', 'share'],
  rainMm: ['mm', 'in'],
  windMs: ['m/s', 'km/h', 'mph', 'kn'],
  wetMinutes: ['min', 'share of the hour'],
};

/** What a device takes over when it first opens the app, bytes; less goes over the line, packed. */
export const FirstSync = z.object({
  appBytes: z.number().int().min(0).describe('the app; 0 where none is built'),
  orchardBytes: z.number().min(0).describe('of the orchard: the register, and the trees with something open'),
});
export type FirstSync = z.infer<typeof FirstSync>;

const daysLeft = z.number().int().describe('until it is deleted for good');

/** Trees that were deleted and can be taken back. */
export const DeletedTrees = z
  .object({
    trees: z
      .array(
        z.object({
          treeId: TreeId,
          code: z.string(),
          plot: z.string(),
          row: z.string(),
          daysLeft,
        }),
      )
      .describe('by their codes'),
    keptDays: z.number().int().describe('as long as a deleted tree can be taken back'),
  })
  .meta({ id: 'DeletedTrees' });
export type DeletedTrees = z.infer<typeof DeletedTrees>;

/** Photos that were removed from their finding and can be put back. */
export const RemovedPhotos = z
  .object({
    photos: z
      .array(
        z.object({
          photoId: RecordId,
          findingId: RecordId.describe('that it was removed from'),
          treeId: TreeId,
          treeCode: z.string(),
          daysLeft,
        }),
      )
      .describe('the last removed first'),
    keptDays: z.number().int().describe('as long as a removed photo can be put back'),
  })
  .meta({ id: 'RemovedPhotos' });
export type RemovedPhotos = z.infer<typeof RemovedPhotos>;

/** The safe copies of this server: whole archives, packed, each read back before it counts. */
export const Copies = z
  .object({
    folder: z
      .string()
      .nullable()
      .describe('where they lie on the machine of the server; null: none are made by themselves'),
    kept: z
      .array(z.object({ name: z.string(), madeAt: z.iso.datetime(), bytes: z.number().int() }))
      .describe('newest first'),
    isOld: z
      .boolean()
      .describe('the last good copy is older than it should be, or there should be one by now'),
    failed: z
      .object({ at: z.iso.datetime(), why: z.string() })
      .nullable()
      .describe('why the last try came to nothing; null once a copy is made'),
    database: z
      .object({
        damage: z
          .object({ seenAt: z.iso.datetime(), what: z.string() })
          .nullable()
          .describe('what is not as it was written; null: nothing is known to be wrong'),
        isReadOnly: z.boolean().describe('the disk takes nothing for now: what is there is read'),
      })
      .describe('that which is copied'),
  })
  .meta({ id: 'Copies' });
export type Copies = z.infer<typeof Copies>;
