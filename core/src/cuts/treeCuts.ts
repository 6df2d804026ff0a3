// Which cuts do the open findings of this tree ask for, by the site's schools and in this season?

import { type Clearance, clearance, disorderOf, isCutFor, kindOf, type Season } from '../disorders/index';
import { treeAge } from '../register/index';
import { cutBack, type Kerf, type Limb } from '../tree/index';
import { cutPosition } from './cutPosition';
import type { CuttingSchools, FindingForCut, ReasonNotToCut, TreeCuts, TreeForCut } from './forCut';
import type { Lesion } from './model';

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
  const uncut = standing.flatMap((finding) => {
    const why = whyNotCut(finding, season);
    return why ? [{ findingId: finding.id, why }] : [];
  });
  const left = new Set(uncut.map((held) => held.findingId));
  const asking = standing.filter((finding) => !left.has(finding.id));
  const clearances: Record<string, Clearance> = {};
  for (const finding of asking) {
    const bySchool = clearance({
      disorder: finding.disorder,
      season,
      edge: finding.edge,
      growthRapid: finding.growthRapid,
      cultivarSusceptible: tree.susceptible,
      treeAgeYears: treeAge(tree.plantedYear, year),
      schools: schools.clearance,
      halveDefiniteDormant: schools.halveDefiniteDormant,
    });
    clearances[finding.id] =
      finding.clearanceCm === undefined
        ? bySchool
        : {
            clearanceCm: finding.clearanceCm,
            because: { ...bySchool.because, byHand: bySchool.clearanceCm },
          };
  }
  const result = cutPosition({
    limbs: tree.limbs,
    lesions: asking.map((finding) => ({
      ...lesionOf(finding),
      clearanceCm: (clearances[finding.id] as Clearance).clearanceCm,
    })),
    alsoOpen: openFindings(tree, standing, uncut),
    clearanceCm: 0,
    finish: schools.finish,
    inSeasonStub: schools.inSeasonStub && season !== 'dormant',
  });
  return { ...result, clearances, uncut };
}

/** A whole limb and the base need no figures. */
function isPlaced({ measured = true, place = 'span' }: FindingForCut): boolean {
  return measured || place !== 'span';
}

function lesionOf({ id, limbId, fromCm, toCm, disorder, edge }: FindingForCut): Lesion {
  return { id, limbId, fromCm, toCm, disorder, edge };
}

/** Findings whose cut is held or waits for its season: until then their branch is no sounder than with a cut to come. */
function openFindings(
  { limbs }: Pick<TreeForCut, 'limbs'>,
  findings: FindingForCut[],
  uncut: TreeCuts['uncut'],
): Lesion[] {
  const waits = new Set(
    uncut.filter(({ why }) => why === 'held' || why === 'wait').map((open) => open.findingId),
  );
  return findings
    .filter(({ id, disorder }) => waits.has(id) && kindOf(disorder) !== 'misplaced')
    .map((finding) => {
      const lengthCm = limbs.find((limb) => limb.id === finding.limbId)?.lengthCm ?? finding.toCm;
      return { ...lesionOf(finding), toCm: Math.min(finding.toCm, lengthCm) };
    });
}

function whyNotCut(finding: FindingForCut, season: Season): ReasonNotToCut | null {
  if (finding.held) return 'held';
  if (finding.healed) return 'healed';
  if (finding.place === 'fruit') return 'fruit';
  if (isCutFor(finding.disorder, season)) return isPlaced(finding) ? null : 'measure';
  return disorderOf(finding.disorder)?.answer === 'wait' ? 'wait' : 'leave';
}

/** Does the wood of this finding still stand? */
export function stillStands(limbs: Limb[], finding: Pick<FindingForCut, 'limbId' | 'fromCm'>): boolean {
  const limb = limbs.find((limb) => limb.id === finding.limbId);
  return limb !== undefined && finding.fromCm < limb.lengthCm;
}

/** The tree as it stands after the cuts that were made. */
export function treeAfter(limbs: Limb[], kerfs: Kerf[]): Limb[] {
  return kerfs.length === 0 ? limbs : cutBack(limbs, kerfs);
}
