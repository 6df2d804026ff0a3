export { clockHour, type Side, sideDeg, sideOf, sides, turn } from './clock';
export { DAY_MS, laterDay } from './day';
export { localDay, moment } from './moment';
export {
  heightReading,
  massReading,
  rainReading,
  temperatureReading,
  thicknessReading,
  windReading,
} from './sizes';
export {
  CM_PER_INCH,
  type Reading,
  roundToTape,
  type SiteUnits,
  siteUnits,
  type TapeRounding,
  tapeReading,
  tapeStepCm,
  type Units,
  unitsOf,
} from './tape';
export { upperFirst } from './text';
export { isBareNumber, type LengthUnit, lengthUnits, typedLengthCm } from './typed';
