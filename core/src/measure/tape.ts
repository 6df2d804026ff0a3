// How is a length read off a measuring tape, in metric or US units, without a digit that nobody measured?

export type Units = 'metric' | 'us';

/** How a site measures: in one of the systems, or as the language of each device has it. */
export const siteUnits = ['metric', 'us', 'language'] as const;
export type SiteUnits = (typeof siteUnits)[number];

/** @param ofLanguage where the site leaves it to the language */
export const unitsOf = (site: SiteUnits, ofLanguage: Units): Units =>
  site === 'language' ? ofLanguage : site;

/** `toward` the stool for cuts, `away` from the disease for a clearance (never short), `nearest` for the rest. */
export type TapeRounding = 'nearest' | 'down' | 'up';

export const CM_PER_INCH = 2.54;
const STEP_CM = { metric: 0.5, us: CM_PER_INCH / 4 } as const;
// A millionth of a step: keeps 41.5 from becoming 41.0 through the last binary digit.
const HAIR = 1e-6;

/** The finest step a tape is read to, in cm: ½ cm or ¼ in. */
export function tapeStepCm(units: Units): number {
  return STEP_CM[units];
}

/**
 * A length rounded to what a tape shows, still in cm.
 *
 * @param cm length, cm
 * @param units the tape in hand
 * @param rounding `down` moves a cut toward the stool, `up` never shortens a clearance
 * @returns cm, a multiple of ½ cm or ¼ in
 * @example roundToTape(41.6, 'metric', 'down') //=> 41.5
 */
export function roundToTape(cm: number, units: Units, rounding: TapeRounding = 'nearest'): number {
  const step = STEP_CM[units];
  const steps = cm / step;
  if (rounding === 'down') return Math.floor(steps + HAIR) * step;
  if (rounding === 'up') return Math.ceil(steps - HAIR) * step;
  return Math.round(steps) * step;
}

const QUARTERS = ['', '¼', '½', '¾'] as const;

/** A value and its unit as they are shown; the two are drawn at different sizes. */
export interface Reading {
  value: string;
  unit: string;
}

/**
 * A length as read off a tape.
 *
 * @param cm length, cm
 * @returns the figure and its unit
 * @example tapeReading(41.6, 'us', 'down') //=> { value: '16¼', unit: 'in' }
 */
export function tapeReading(cm: number, units: Units, rounding: TapeRounding = 'nearest'): Reading {
  const rounded = roundToTape(cm, units, rounding);
  if (units === 'metric') {
    return { value: String(Math.round(rounded * 10) / 10).replace('-', '−'), unit: 'cm' };
  }
  return { value: inQuarters(Math.round((rounded / CM_PER_INCH) * 4)), unit: 'in' };
}

function inQuarters(quarters: number): string {
  const sign = quarters < 0 ? '−' : '';
  const whole = Math.floor(Math.abs(quarters) / 4);
  const part = QUARTERS[Math.abs(quarters) % 4] as string;
  return `${sign}${whole === 0 && part ? '' : whole}${part}`;
}
