// Which cuts do the open findings of this tree ask for, by the site's schools and in this season?
import { type Clearance, clearance, disorderOf, type Edge, type Season } from '../disorders/index';
import { cutBack, type Kerf, type Limb } from '../tree/index';
import { cutPosition } from './cutPosition';
import type { CutPositionResult, Finish } from './model';

export interface FindingForCut {
  id: string;
  limbId: string;
  fromCm: number;
  toCm: number;
  disorder: string;
  edge: Edge;
  growthRapid: boolean;
}

export interface TreeForCut {
  limbs: Limb[];
  plantedYear: number | null;
  susceptible: boolean;
}

/** The part of a site's settings that decides where cuts fall. */
export interface CuttingSchools {
  clearance: Record<string, string>;
  halveDefiniteDormant: boolean;
  inSeasonStub: boolean;
  finish: Finish;
}

export interface TreeCuts extends CutPositionResult {
  /** The clearance of each finding with its reason. */
  clearances: Record<string, Clearance>;
}

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
  const standing = findings.filter((finding) => stands(tree.limbs, finding));
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

function stands(limbs: Limb[], finding: FindingForCut): boolean {
  const limb = limbs.find((one) => one.id === finding.limbId);
  return limb !== undefined && finding.fromCm < limb.lengthCm && disorderOf(finding.disorder) !== undefined;
}

/** The tree as it stands after the cuts that were made. */
export function treeAfter(limbs: Limb[], made: Kerf[]): Limb[] {
  return made.length === 0 ? limbs : cutBack(limbs, made);
}
