// What the cuts of a tree are asked with and answered with, as plain data.
import { z } from 'zod';
import { Clearance, edges } from '../disorders/index';
import { LimbMap } from '../tree/index';
import { CutPositionResult, finishes } from './model';

/** Where on the tree a finding lies. */
export const findingPlaces = ['span', 'limb', 'base', 'rootstock', 'fruit'] as const;

export const FindingForCut = z.object({
  id: z.string().min(1).max(64),
  limbId: z.string().min(1).max(64),
  fromCm: z.number().min(0),
  toCm: z.number().min(0),
  disorder: z.string().min(1).max(60),
  edge: z.enum(edges),
  growthRapid: z.boolean(),
  place: z.enum(findingPlaces).optional().describe('a span of the limb where missing'),
  healed: z.boolean().optional(),
  measured: z.boolean().optional().describe('false: nobody has said where along the limb it lies'),
  held: z.boolean().optional().describe('someone was asked and has not answered: no cut until then'),
  clearanceCm: z
    .number()
    .min(0)
    .max(500)
    .optional()
    .describe('set by hand for this finding; by the site’s school where missing'),
});
export type FindingForCut = z.infer<typeof FindingForCut>;

export const TreeForCut = z.object({
  limbs: LimbMap,
  plantedYear: z.number().int().nullable(),
  susceptible: z.boolean(),
});
export type TreeForCut = z.infer<typeof TreeForCut>;

/** The part of a site's settings that decides where cuts fall. */
export const CuttingSchools = z.object({
  clearance: z.record(z.string(), z.string()).describe('school id by disorder code'),
  halveDefiniteDormant: z.boolean(),
  inSeasonStub: z.boolean(),
  finish: z.enum(finishes),
});
export type CuttingSchools = z.infer<typeof CuttingSchools>;

export const reasonsNotToCut = ['held', 'healed', 'fruit', 'measure', 'wait', 'leave'] as const;
export type ReasonNotToCut = (typeof reasonsNotToCut)[number];

export const TreeCuts = z
  .object({
    ...CutPositionResult.shape,
    clearances: z.record(z.string(), Clearance).describe('clearance of each finding, with its reason'),
    uncut: z
      .array(z.strictObject({ findingId: z.string(), why: z.enum(reasonsNotToCut) }))
      .describe('findings that ask for no cut, or not yet'),
  })
  .meta({ id: 'TreeCuts' });
export type TreeCuts = z.infer<typeof TreeCuts>;
