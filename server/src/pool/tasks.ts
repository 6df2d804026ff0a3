// What is computed off the thread that answers.
import type { Openness } from '@mortisect/contracts';
import { gapTest, HAT_RADIUS_CM, lightInside } from '@mortisect/core/faults';
import type { Limb } from '@mortisect/core/tree';
import { readTrees, type TreeFile, type TreeFileRead } from '../files/readTrees';
import { readWeather, type WeatherFile, type WeatherFileRead } from '../files/readWeather';
import { cutSheetPdf, type SheetPaper, type TreeSheet } from '../files/sheet/sheet';

export { transmission } from '@mortisect/core/blades';
export { orderOf as order, runOrder } from '@mortisect/core/plan';
export { fold } from '@mortisect/core/present';
export { candidates, plan } from './plan';
export { simulated } from './weatherSource';
export { freeze, season, stage, timing, treeSeason, treeTiming, windows, woundRisk } from './when';

/** Sheets and paper come as one task. */
export const cutSheet = ({
  sheets,
  paper,
}: {
  sheets: TreeSheet[];
  paper: SheetPaper;
}): Promise<Uint8Array<ArrayBuffer>> => cutSheetPdf(sheets, paper);

export interface OpennessTask {
  limbs: Limb[];
  grown?: Limb[] | undefined;
  throws: number;
  seed: number;
}

export const readWeatherFile = (file: WeatherFile): WeatherFileRead => readWeather(file);
export const readTreeFile = (file: TreeFile): TreeFileRead => readTrees(file);

export const openness = ({ limbs, grown = limbs, throws, seed }: OpennessTask): Openness => ({
  gap: gapTest(limbs, throws, seed, HAT_RADIUS_CM, grown),
  light: lightInside(limbs, seed, grown),
});
