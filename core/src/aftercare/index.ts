export { beforeStart, closeDown } from './closeDown';
export {
  brushVolume,
  DEBRIS_ROUTE_WORDS,
  type DebrisReason,
  DebrisSettings,
  debrisOf,
  debrisRoutes,
  debrisSums,
  SCHOOLS_ON_BURNING,
  startingDebris,
} from './debris';
export { type Held, type Looked, marginsHeld } from './outcomes';
export {
  type LookFor,
  type MadeCutFacts,
  type Recheck,
  type RecheckOutcome,
  RecheckSettings,
  type RecheckState,
  type RecheckVerdict,
  recheckKinds,
  recheckOutcomes,
  recheckState,
  rechecksOf,
  startingRechecks,
  verdictOn,
} from './rechecks';
export { type ScionReason, scionGuard } from './scions';
