// Heavy computation off the thread that draws. Static imports only: split chunks are not loaded inside a worker.
import './importMeta';
import { gapTest, HAT_RADIUS_CM, lightInside, type Shade } from '@mortisect/core/faults';
import type { Limb } from '@mortisect/core/tree';
import { expose } from 'comlink';

const work = {
  /** Through the crown of the limbs as they grew, before any cut. */
  openness: (limbs: Limb[], throws: number, seed: number, crown: Limb[], shades: Shade[]) => ({
    gap: gapTest(limbs, throws, seed, HAT_RADIUS_CM, crown),
    light: lightInside(limbs, seed, crown, shades),
  }),
};
export type OpennessWork = typeof work;

expose(work);
