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
  LATE_DAYS,
  type LeftByChoice,
  played,
  type Rota,
  type RotaGroup,
  type RotaInput,
  rotaOf,
  type Workable,
  type YearPlayed,
} from './rota';
export { minutesNear, minutesOfYears, type RotaSlot, slotsOf, weekdayOf } from './slots';
export { type Lapse, lapses } from './wishes';
