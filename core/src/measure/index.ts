export { clockHour, compassPoint, turn } from './clock';
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
  joined,
  type Reading,
  roundToTape,
  type TapeRounding,
  tapeReading,
  tapeStepCm,
  tapeText,
  type Units,
} from './tape';
export { isBareNumber, type LengthUnit, lengthUnits, type TypedLength, typedLengthCm } from './typed';
