// What is known of a tree before anybody has mapped it, as first limb maps are made from it.
import type { TreeSummary } from '@mortisect/core/records';
import { treeAge } from '@mortisect/core/register';
import type { StarterTree } from '@mortisect/core/tree';

/** Round the stem, for a metre of height, where nobody has measured it. Common practice, no source. */
const GIRTH_CM_A_METRE = 9;

/** @param year that it is */
export function starterTreeOf(
  tree: TreeSummary,
  year: number,
): Omit<StarterTree, 'scaffolds'> & { girthCm: number } {
  const age = treeAge(tree.plantedYear, year);
  const heightCm = Math.max(20, tree.heightCm);
  return {
    form: tree.form,
    species: tree.species,
    heightCm,
    spreadCm: Math.max(10, tree.spreadCm),
    girthCm: tree.girthCm ?? Math.round((heightCm / 100) * GIRTH_CM_A_METRE),
    ageYears: age === null ? null : Math.max(1, age),
  };
}
