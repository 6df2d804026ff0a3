// What is computed off the thread that answers.
import type { Openness } from '@mortisect/contracts';
import { gapTest, HAT_RADIUS_CM, lightInside } from '@mortisect/core/faults';
import type { Limb } from '@mortisect/core/tree';
import type { CopyRead } from '../files/archiveFile';
import type { TreeFile, TreeFileRead } from '../files/readTrees';
import type { WeatherFile, WeatherFileRead } from '../files/readWeather';
import type { SheetPaper, TreeSheet } from '../files/sheet/sheet';

export { transmission } from '@mortisect/core/blades';
export { orderOf as order, runOrder } from '@mortisect/core/plan';
export { fold } from '@mortisect/core/present';
export { candidates, plan, planToKeep, treePlan } from './plan';
export { simulated } from './weatherSource';
export { freeze, season, stage, timing, treeSeason, treeTiming, windows, woundRisk } from './when';

// What reads and writes files brings large packages: it is loaded when it is asked for, so that a worker plans a third of a second after it was called

/** Sheets and paper come as one task. */
export async function cutSheet({
  sheets,
  paper,
}: {
  sheets: TreeSheet[];
  paper: SheetPaper;
}): Promise<Uint8Array<ArrayBuffer>> {
  const { cutSheetPdf } = await import('../files/sheet/sheet');
  return cutSheetPdf(sheets, paper);
}

export interface OpennessTask {
  limbs: Limb[];
  grown?: Limb[] | undefined;
  throws: number;
  seed: number;
}

export async function readWeatherFile(file: WeatherFile): Promise<WeatherFileRead> {
  return (await import('../files/readWeather')).readWeather(file);
}
export async function readTreeFile(file: TreeFile): Promise<TreeFileRead> {
  return (await import('../files/readTrees')).readTrees(file);
}

export async function readCopy(file: string): Promise<CopyRead> {
  return (await import('../files/archiveFile')).readCopy(file);
}

export const openness = ({ limbs, grown = limbs, throws, seed }: OpennessTask): Openness => ({
  gap: gapTest(limbs, throws, seed, HAT_RADIUS_CM, grown),
  light: lightInside(limbs, seed, grown),
});
