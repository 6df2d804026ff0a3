export {
  LATE_DAYS,
  played,
  type Rota,
  type RotaGroup,
  type RotaInput,
  rotaOf,
  type Workable,
  type YearPlayed,
} from './rota';
export { minutesNear, minutesOfYears, type RotaSlot, slotsOf, weekdayOf } from './slots';
