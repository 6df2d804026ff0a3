// Files in and out: what an import reports, row by row.
import type { Column } from '@mortisect/core/weather';
import { z } from 'zod';
import { TreeBody } from './records/tree';

export const importFormats = ['csv', 'geojson', 'archive'] as const;

/** Which column of a file fills which field; fields that are not named stay as they start. */
export const ColumnMapping = z.record(z.string(), z.string());
export type ColumnMapping = z.infer<typeof ColumnMapping>;

export const RowReport = z.strictObject({
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
  })
  .meta({ id: 'ImportReport' });
export type ImportReport = z.infer<typeof ImportReport>;

/** Columns of a tree file, in order: the names of the fields of a tree. */
export const treeColumns = Object.keys(TreeBody.shape) as (keyof TreeBody)[];

/** Units a column of weather can be in, the first being the core’s own. */
export const weatherUnits: Record<Column, readonly [own: string, ...others: string[]]> = {
  temperatureC: ['°C', '°F', 'K'],
  humidityPct: ['%', 'share'],
  rainMm: ['mm', 'in'],
  windMs: ['m/s', 'km/h', 'mph', 'kn'],
  wetMinutes: ['min', 'share of the hour'],
};
