// Entry of a worker thread: teaches it TypeScript, as `node --import tsx` does for the main thread, then loads the tasks.
import { register } from 'tsx/esm/api';

register();
const tasks = await import('./tasks.ts');
export const {
  compute,
  damagedPages,
  fold,
  listedTrees,
  readTreeFile,
  readCopy,
  readWeatherFile,
  planToKeep,
  treePlan,
  cutSheet,
  simulated,
  siteSeason,
  timing,
  treeTiming,
  treeSeason,
} = tasks;
