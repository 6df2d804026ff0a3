export { cleaningsOn } from './bladeAtHand';
export { type Bring, bringFor } from './bring';
export type { AfterCut } from './card';
export { arboristMade, cutMade, type Placed, placedAt } from './cutRecord';
export { findingAt } from './freshFinding';
export { type Due, type ListedCut, ListedTree } from './listedShape';
export { listedTreeOf, standIn } from './listedTree';
export { type LeftOutBecause, type Run, runIn, runOf, runWaiting, type Stop } from './run';
export { cutAtHand, type RunItem, transmissionCuts, workOf } from './work';
