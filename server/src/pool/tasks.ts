// What is computed off the thread that answers.
import type { Openness } from '@mortisect/contracts';
import { gapTest, lightInside } from '@mortisect/core/faults';
import type { Limb } from '@mortisect/core/tree';
import { readTrees, type TreeFile, type TreeFileRead } from '../files/readTrees';

export interface OpennessTask {
  limbs: Limb[];
  throws: number;
  seed: number;
}

export const readTreeFile = (file: TreeFile): TreeFileRead => readTrees(file);

export const openness = ({ limbs, throws, seed }: OpennessTask): Openness => ({
  gap: gapTest(limbs, throws, seed),
  light: lightInside(limbs, seed),
});
