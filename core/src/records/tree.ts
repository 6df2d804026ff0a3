// The register: plots, rows and trees.

import { z } from 'zod';
import { hazards, MOST_DEG } from '../handling/index';
import { bearingHabits, speciesTable, treeForms } from '../register/index';
import { purposes } from '../triage/index';
import { moment, name, Stamp, TreeId, text } from './common';

export const Plot = z.object({ id: z.string(), name: z.string(), note: z.string() });
export type Plot = z.infer<typeof Plot>;
export const Row = z.object({
  id: z.string(),
  plotId: z.string(),
  name: z.string(),
  spacingCm: z.number(),
  revision: z.number().int(),
});
export type Row = z.infer<typeof Row>;

/** Nearer no two trees of a row stand, and no farther. Common practice, no source. */
export const SPACING_CM = { least: 20, most: 3000 } as const;

/** What can be said of a row that trees stand in. */
export const RowBody = z.strictObject({
  name: name(80),
  spacingCm: z.number().min(SPACING_CM.least).max(SPACING_CM.most).describe('from tree to tree'),
  at: z.number().int().min(0).max(9999).describe('which of the rows of its plot it is, the first is 0'),
});
export type RowBody = z.infer<typeof RowBody>;

export const vigours = ['weak', 'moderate', 'strong', 'unknown'] as const;
export const statuses = ['keep', 'trial year', 'renovate', 'replace', 'removed'] as const;
export const drainages = ['good', 'slow', 'wet', 'unknown'] as const;
export const fixtures = ['prop', 'stake', 'vine in the crown', 'rodent guard', 'deer guard'] as const;
export const SpeciesCode = z.enum(speciesTable.map((species) => species.code) as [string, ...string[]]);

const TALLEST_CM = 3000;
const cm = z.number().min(0).max(TALLEST_CM);

/** What a caretaker writes down of a tree. Plot and row are named; unknown ones are made. */
export const TreeBody = z
  .strictObject({
    code: name(40),
    nickname: text(80).nullable().default(null),
    plot: name(60),
    row: name(80),
    place: z.number().int().min(1).max(99_999),
    species: SpeciesCode,
    cultivar: text(80).nullable().default(null),
    rootstock: text(80).nullable().default(null),
    graftUnionCm: z.number().min(0).max(300).nullable().default(null),
    plantedYear: z.number().int().min(1500).max(2200).nullable().default(null),
    form: z.enum(treeForms),
    purposes: z.array(z.enum(purposes)).max(5).default(['picked fruit']),
    pickedBy: text(80).default('').describe('who picks'),
    reachCm: z.number().min(50).max(2000).nullable().default(null).describe('how high they reach'),
    habit: z.enum(bearingHabits).default('unknown'),
    tasted: z.boolean().default(false).describe('somebody has tasted clean fruit from it'),
    heightCm: cm,
    targetHeightCm: cm.nullable().default(null),
    spreadCm: cm,
    girthCm: z.number().min(1).max(800).nullable().default(null),
    vigour: z.enum(vigours).default('unknown'),
    susceptible: z.boolean().default(false),
    hazards: z.array(z.enum(hazards)).max(hazards.length).default([]),
    leanDeg: z.number().min(0).max(MOST_DEG).nullable().default(null).describe('how far the stem leans'),
    slopeDeg: z.number().min(0).max(MOST_DEG).nullable().default(null).describe('of the ground'),
    neighbours: z
      .array(z.strictObject({ code: name(40), how: z.enum(['meets', 'shades']) }))
      .max(8)
      .default([]),
    fixtures: z.array(z.enum(fixtures)).max(5).default([]),
    drainage: z.enum(drainages).default('unknown'),
    frostPocket: z.boolean().default(false),
    status: z.enum(statuses).default('keep'),
    deleted: z
      .literal(true)
      .optional()
      .describe('marked: it is in no list, and goes for good thirty days later unless it is taken back'),
    note: text(1000).default(''),
    latitude: z.number().min(-90).max(90).nullable().default(null),
    longitude: z.number().min(-180).max(180).nullable().default(null),
  })
  .meta({ id: 'TreeBody' });
export type TreeBody = z.infer<typeof TreeBody>;

export const TreeSummary = z
  .object({
    id: TreeId,
    plotId: z.string(),
    rowId: z.string(),
    ...TreeBody.shape,
    ...Stamp.shape,
    openFindings: z.number().int(),
    lastSeenAt: moment.nullable().describe('when somebody last looked at it'),
  })
  .meta({ id: 'TreeSummary' });
export type TreeSummary = z.infer<typeof TreeSummary>;

/** What a caretaker wrote down, without what the server adds. */
export function treeBodyOf(summary: TreeSummary): TreeBody {
  const { id, plotId, rowId, revision, by, receivedAt, openFindings, lastSeenAt, ...body } = summary;
  return body;
}
