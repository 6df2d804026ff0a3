// Heavy computation off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import { gapTest, lightInside } from '@mortisect/core/faults';
import type { Limb } from '@mortisect/core/tree';
import { expose } from 'comlink';

const work = {
  openness: (limbs: Limb[], throws: number, seed: number) => ({
    gap: gapTest(limbs, throws, seed),
    light: lightInside(limbs, seed),
  }),
};
export type OpennessWork = typeof work;

expose(work);
