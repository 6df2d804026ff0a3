// Entry of a worker thread: teaches it TypeScript, as `node --import tsx` does for the main thread, then loads the tasks.
import { register } from 'tsx/esm/api';

register();
const tasks = await import('./tasks.ts');
export const {
  fold,
  readTreeFile,
  readCopy,
  readWeatherFile,
  openness,
  candidates,
  plan,
  planToKeep,
  treePlan,
  order,
  runOrder,
  transmission,
  cutSheet,
  simulated,
  timing,
  treeTiming,
  treeSeason,
  stage,
  freeze,
  woundRisk,
  windows,
  season,
} = tasks;
