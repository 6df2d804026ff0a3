export { checkReadings, type Reading, type Repair, repairs, type WeatherFault } from './check';
export { Climate, climateAt } from './climate';
export { daylight, isLight } from './daylight';
export { DayOfWeather, daysOf, hourAt } from './days';
export { type Ground, groundByRecord, grounds } from './ground';
export {
  between,
  type Column,
  columns,
  emptySeries,
  HOUR_MS,
  hourOf,
  hoursUpTo,
  lengthOf,
  momentOf,
  over,
  Series,
  seriesOf,
  WeatherHour,
} from './hour';
export { humidityPct } from './humidity';
export {
  dayAfter,
  dayOfYear,
  daysBetween,
  type LocalClock,
  localClock,
  northernDayOfYear,
} from './localTime';
export { normalOf, uniformsOf } from './noise';
export { placeToSimulate, type SimulatedPlace, simulatedForecast, simulatedWeather } from './simulate';
export { Spell } from './spell';
export { isWet, WET_HUMIDITY_PCT, WET_RAIN_MM } from './wetness';
