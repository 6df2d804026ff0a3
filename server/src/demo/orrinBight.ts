// Orrin Bight: the made-up orchard of a former harbour pilot station. No real place, person or business.
import { readFileSync } from 'node:fs';
import { defaultSchools, type Site } from '@mortisect/contracts';
import { edges } from '@mortisect/core/disorders';
import { hazards } from '@mortisect/core/handling';
import { z } from 'zod';
import { growTree, Scaffold, Stem } from './growTree';

export const site: z.infer<typeof Site> = {
  name: 'Orrin Bight',
  latitude: 54.2,
  longitude: -10.4,
  timeZone: 'Europe/London',
  twelveBearingDeg: 0,
  units: 'metric',
  season: null,
  schools: defaultSchools(),
  agentId: 'alcohol-70',
};

const text = z.string().nullable();
const DemoTree = z
  .strictObject({
    id: z.string(),
    rowId: z.string(),
    place: z.number(),
    code: z.string(),
    nickname: text,
    species: z.string(),
    cultivar: text,
    rootstock: text,
    plantedYearsAgo: z.number().nullable().describe('before the year the demo is loaded in'),
    form: z.string(),
    heightCm: z.number(),
    spreadCm: z.number(),
    susceptible: z.boolean(),
    note: z.string(),
    hazards: z.array(z.enum(hazards)),
    stem: Stem,
    scaffolds: z.array(Scaffold),
  })
  .transform(({ stem, scaffolds, ...tree }) => ({ ...tree, limbs: growTree(stem, scaffolds) }));

const DemoFinding = z.strictObject({
  treeId: z.string(),
  limbId: z.string(),
  span: z.tuple([z.number(), z.number()]).describe('where it lies, as shares of the limb’s length'),
  disorder: z.string(),
  edge: z.enum(edges),
  note: z.string(),
  daysAgo: z.number(),
  crew: z.enum(['wall', 'boat']),
  cutDaysAgo: z.number().optional().describe('when the cut for it was made; open where missing'),
});
export type DemoFinding = z.infer<typeof DemoFinding>;

const Orchard = z.strictObject({
  crews: z.record(z.enum(['wall', 'boat']), z.string()),
  plots: z.array(z.strictObject({ id: z.string(), name: z.string(), note: z.string() })),
  rows: z.array(
    z.strictObject({ id: z.string(), plotId: z.string(), name: z.string(), spacingCm: z.number() }),
  ),
  trees: z.array(DemoTree),
  findings: z.array(DemoFinding),
});

export const { crews, plots, rows, trees, findings } = Orchard.parse(
  JSON.parse(readFileSync(new URL('./orrinBight.json', import.meta.url), 'utf8')),
);
