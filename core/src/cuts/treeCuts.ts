// Which cuts do the open findings of this tree ask for, by the site's schools and in this season?
import { z } from 'zod';
import { Clearance, clearance, disorderOf, edges, type Season } from '../disorders/index';
import { cutBack, type Kerf, type Limb, LimbMap } from '../tree/index';
import { cutPosition } from './cutPosition';
import { CutPositionResult, finishes } from './model';

export const FindingForCut = z.object({
  id: z.string().min(1).max(64),
  limbId: z.string().min(1).max(64),
  fromCm: z.number().min(0),
  toCm: z.number().min(0),
  disorder: z.string().min(1).max(60),
  edge: z.enum(edges),
  growthRapid: z.boolean(),
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

export const TreeCuts = z
  .object({
    ...CutPositionResult.shape,
    clearances: z.record(z.string(), Clearance).describe('clearance of each finding, with its reason'),
  })
  .meta({ id: 'TreeCuts' });
export type TreeCuts = z.infer<typeof TreeCuts>;

/**
 * Cuts and decisions for the open findings of one tree as it stands.
 *
 * @param findings open findings; those on limbs no longer there are left out
 * @param season of the day, dormant or one of the growing seasons
 * @param year of the day, for the age of the tree
 */
export function treeCuts(
  tree: TreeForCut,
  findings: FindingForCut[],
  schools: CuttingSchools,
  season: Season,
  year: number,
): TreeCuts {
  const standing = findings.filter(
    (finding) => stillStands(tree.limbs, finding) && disorderOf(finding.disorder) !== undefined,
  );
  const clearances: Record<string, Clearance> = {};
  for (const finding of standing) {
    clearances[finding.id] = clearance({
      disorder: finding.disorder,
      season,
      edge: finding.edge,
      growthRapid: finding.growthRapid,
      cultivarSusceptible: tree.susceptible,
      treeAgeYears: tree.plantedYear === null ? null : Math.max(0, year - tree.plantedYear),
      schools: schools.clearance,
      halveDefiniteDormant: schools.halveDefiniteDormant,
    });
  }
  const result = cutPosition({
    limbs: tree.limbs,
    lesions: standing.map(({ id, limbId, fromCm, toCm, disorder, edge }) => ({
      id,
      limbId,
      fromCm,
      toCm,
      disorder,
      edge,
      clearanceCm: (clearances[id] as Clearance).clearanceCm,
    })),
    clearanceCm: 0,
    finish: schools.finish,
    inSeasonStub: schools.inSeasonStub && season !== 'dormant',
  });
  return { ...result, clearances };
}

/** Does the wood of this finding still stand? */
export function stillStands(limbs: Limb[], finding: Pick<FindingForCut, 'limbId' | 'fromCm'>): boolean {
  const limb = limbs.find((one) => one.id === finding.limbId);
  return limb !== undefined && finding.fromCm < limb.lengthCm;
}

/** The tree as it stands after the cuts that were made. */
export function treeAfter(limbs: Limb[], made: Kerf[]): Limb[] {
  return made.length === 0 ? limbs : cutBack(limbs, made);
}
