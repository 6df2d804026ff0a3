export type { ArboristVisit } from './arborist';
export { type Errand, type RotaGroup, TO_A_TREE_MIN, type VisitKind, visitKinds } from './asked';
export { errandsOf } from './errands';
export type { LaneSeason } from './lanes';
export {
  inSlotsOf,
  isSamePlace,
  Move,
  type MovedBecause,
  movedBecause,
  movesBetween,
  Place,
  type SharedBefore,
  sharedBefore,
} from './moved';
export {
  addedUp,
  knowing,
  type LaterPass,
  type LeftByChoice,
  played,
  type Rota,
  type RotaInput,
  rotaOf,
  type Workable,
  type YearPlayed,
} from './rota';
export { minutesNear, minutesOfYears, type RotaSlot, slotsOf, weekdayOf } from './slots';
export { hostsNear, sumOf, type Waiting, type WaitingCosts, waitings } from './waiting';
export { type Lapse, lapses } from './wishes';
