/**
 * Years since a tree was planted; a year of planting that lies ahead counts as this one.
 *
 * @param plantedYear null where nobody knows
 * @example treeAge(2020, 2026) //=> 6
 */
export function treeAge(plantedYear: number | null, year: number): number | null {
  return plantedYear === null ? null : Math.max(0, year - plantedYear);
}
