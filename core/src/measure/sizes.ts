// How are thickness, height, distance and mass shown, with no more digits than were measured?
import { CM_PER_INCH, type Reading, type Units } from './tape';

const KG_PER_LB = 0.45359237;

/** Diameter over bark: whole mm, or the nearest ⅛ in. */
export function thicknessReading(mm: number, units: Units): Reading {
  if (units === 'metric') return { value: String(Math.round(mm)), unit: 'mm' };
  const eighths = Math.round((mm / 10 / CM_PER_INCH) * 8);
  const whole = Math.floor(eighths / 8);
  const rest = eighths % 8;
  if (rest === 0) return { value: String(whole), unit: 'in' };
  const divisor = rest % 4 === 0 ? 4 : rest % 2 === 0 ? 2 : 1;
  const part = `${rest / divisor}/${8 / divisor}`;
  return { value: whole === 0 ? part : `${whole} ${part}`, unit: 'in' };
}

/** Height or spread of a tree: tenths of a metre, or whole feet and inches. */
export function heightReading(cm: number, units: Units): Reading {
  if (units === 'metric') return { value: (Math.round(cm / 10) / 10).toFixed(1), unit: 'm' };
  const inches = Math.round(cm / CM_PER_INCH);
  const feet = Math.floor(inches / 12);
  return inches % 12 === 0
    ? { value: String(feet), unit: 'ft' }
    : { value: `${feet} ft ${inches % 12}`, unit: 'in' };
}

/** Mass: two significant digits under 10, whole kilograms or pounds above; what is lighter than one of them in grams or ounces. */
export function massReading(kg: number, units: Units): Reading {
  const [large, small, smallsOfLarge] = units === 'metric' ? ['kg', 'g', 1000] : ['lb', 'oz', 16];
  const mass = units === 'metric' ? kg : kg / KG_PER_LB;
  const light = shortened(mass * smallsOfLarge);
  return mass === 0 || light >= smallsOfLarge
    ? { value: String(shortened(mass)), unit: large }
    : { value: String(light), unit: small };
}

const shortened = (value: number) => (value < 10 ? Number(value.toPrecision(2)) : Math.round(value));

/** Temperature to the degree, or to its tenths where it is asked for. */
export function temperatureReading(celsius: number, units: Units, digits = 0): Reading {
  const value = units === 'metric' ? celsius : (celsius * 9) / 5 + 32;
  const text = value.toFixed(digits);
  return {
    value: Number(text) === 0 ? (0).toFixed(digits) : text.replace('-', '−'),
    unit: units === 'metric' ? '°C' : '°F',
  };
}

const MM_PER_INCH = 25.4;
const MPH_PER_MS = 2.23694;

/** Rain: tenths of a millimetre, or hundredths of an inch. */
export function rainReading(mm: number, units: Units): Reading {
  return units === 'metric'
    ? { value: mm < 10 ? String(Math.round(mm * 10) / 10) : String(Math.round(mm)), unit: 'mm' }
    : { value: (mm / MM_PER_INCH).toFixed(2), unit: 'in' };
}

/** Mean wind: whole metres a second, or miles an hour. */
export function windReading(ms: number, units: Units): Reading {
  return units === 'metric'
    ? { value: String(Math.round(ms)), unit: 'm/s' }
    : { value: String(Math.round(ms * MPH_PER_MS)), unit: 'mph' };
}
