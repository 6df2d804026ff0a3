export { beforeStart, type CloseItem, closeDown } from './closeDown';
export {
  brushVolume,
  type Debris,
  type DebrisRoute,
  DebrisSettings,
  type DebrisSum,
  debrisOf,
  debrisRoutes,
  debrisSums,
  SCHOOLS_ON_BURNING,
  startingDebris,
} from './debris';
export { type Held, type Looked, marginsHeld, shareInterval, upperWhenNone } from './outcomes';
export {
  type MadeCutFacts,
  type Recheck,
  type RecheckKind,
  type RecheckOutcome,
  RecheckSettings,
  type RecheckState,
  recheckKinds,
  recheckOutcomes,
  recheckState,
  rechecksOf,
  startingRechecks,
  strikeDays,
  verdictOn,
} from './rechecks';
export { type ScionGuard, scionGuard, type TreeRecord } from './scions';
