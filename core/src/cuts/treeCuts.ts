// Which cuts do the open findings of this tree ask for, by the site's schools and in this season?

import { z } from 'zod';
import { Clearance, clearance, disorderOf, edges, isCutFor, kindOf, type Season } from '../disorders/index';
import { treeAge } from '../register/index';
import { cutBack, type Kerf, type Limb, LimbMap } from '../tree/index';
import { cutPosition } from './cutPosition';
import { CutPositionResult, finishes, type Lesion } from './model';

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
