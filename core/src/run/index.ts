export { bladeFor, cleaningsAhead, cleaningsOn, fitting } from './bladeAtHand';
export { type Bring, bringFor } from './bring';
export type { AfterCut, Card } from './card';
export { cutMade, type Placed, placedAt } from './cutRecord';
export { findingAt } from './freshFinding';
export { type LeftOut, type LeftOutBecause, type Run, runOf, type Stop } from './run';
export { type RunItem, type RunWork, transmissionCuts, workOf } from './work';
