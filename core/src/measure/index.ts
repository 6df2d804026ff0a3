export { clockHour, turn } from './clock';
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
  joined,
  type Reading,
  roundToTape,
  tapeReading,
  tapeStepCm,
  tapeText,
  type Units,
} from './tape';
export { upperFirst } from './text';
export { isBareNumber, type LengthUnit, lengthUnits, typedLengthCm } from './typed';
