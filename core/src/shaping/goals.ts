// What is a tree brought to, where nobody has found anything wrong with it?
import { treeAge } from '../register/index';
import type { Limb } from '../tree/index';

/** What a step may be for besides findings. */
export const goals = [
  'height',
  'training',
  'form',
  'upright',
  'regrowth',
  'gap',
  'balance',
  'spacing',
  'renewal',
  'shoots',
  'light',
] as const;
export type Goal = (typeof goals)[number];

/** So long a tree is still built up, whatever its form. Common practice, no source. */
export const TRAINED_UP_TO_YEARS = 6;

/** Is it still being built up? Not where nobody knows when it was planted. */
export function isInTraining(plantedYear: number | null, year: number): boolean {
  const age = treeAge(plantedYear, year);
  return age !== null && age <= TRAINED_UP_TO_YEARS;
}

interface Shaped {
  heightCm: number;
  targetHeightCm: number | null;
  plantedYear: number | null;
}

/** May the plan of this tree hold work that no finding asks for? Said from the register alone, so that thousands of trees can be asked. */
export function asksForShape({ heightCm, targetHeightCm, plantedYear }: Shaped, year: number): boolean {
  return (targetHeightCm !== null && heightCm > targetHeightCm) || isInTraining(plantedYear, year);
}

/** Does the map hold wood that hardly ever stays as it is: water sprouts, or a bundle that was counted? */
export function showsWork(limbs: readonly Limb[]): boolean {
  return limbs.some(({ kind, bundle }) => kind === 'sprout' || bundle !== undefined);
}
