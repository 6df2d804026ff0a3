export { beforeStart, closeDown } from './closeDown';
export {
  brushVolume,
  type DebrisReason,
  DebrisSettings,
  debrisOf,
  debrisSums,
  SCHOOLS_ON_BURNING,
  startingDebris,
} from './debris';
export { DEBRIS_ROUTE_WORDS, debrisRoutes, type RecheckOutcome, recheckKinds, recheckOutcomes } from './done';
export { type Held, type Looked, marginsHeld } from './outcomes';
export {
  type LookFor,
  type MadeCutFacts,
  type Recheck,
  RecheckSettings,
  type RecheckState,
  type RecheckVerdict,
  recheckState,
  rechecksOf,
  startingRechecks,
  verdictOn,
} from './rechecks';
export { type ScionReason, scionGuard } from './scions';
