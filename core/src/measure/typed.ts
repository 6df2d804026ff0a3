// What length did the caretaker mean by what was typed?
import { type Refusal, refusal } from '../refusal/index';
import { CM_PER_INCH, type Units } from './tape';

/** `{ cm }` when understood, else `{ fault }` with what to do. */
type TypedLength = { cm: number } | { fault: Refusal };

const FRACTION: Record<string, number> = { '¼': 0.25, '½': 0.5, '¾': 0.75 };
const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const FEET = String.raw`ft\.?|feet|foot|['’′]`;
const UNIT = String.raw`mm|cm|m|met(?:re|er)s?|in\.?|inch(?:es)?|["”″]|centimet(?:re|er)s?|millimet(?:re|er)s?`;
const LENGTH = new RegExp(
  String.raw`^(?:(${NUMBER})\s*(?:${FEET}))?\s*(?:(${NUMBER})?\s*(?:([¼½¾])|(\d+)\s*\/\s*(\d+))?\s*(${UNIT})?)?$`,
  'i',
);
/** Nobody measures a tree to the millimetre: that it is about so much is understood. */
const ABOUT = /^(?:~|≈|about|approx\.?|circa|ca?\.)\s*/i;

export const lengthUnits = ['mm', 'cm', 'm', 'in', 'ft'] as const;
export type LengthUnit = (typeof lengthUnits)[number];
const CM_PER: Record<LengthUnit, number> = { mm: 0.1, cm: 1, m: 100, in: CM_PER_INCH, ft: 12 * CM_PER_INCH };

/**
 * Reads a typed length. A bare number is in the given unit; a named unit wins. Comma or point, quarters as ¼ or 1/4, feet and inches, “about” or
 * “~” before it.
 *
 * @param text as typed
 * @param bare unit of a bare number: one by name, or the small one of a tape
 * @returns cm, or what is wrong with the text
 * @example typedLengthCm('16 1/4', 'us') //=> { cm: 41.275 }
 * @example typedLengthCm('3,5', 'm') //=> { cm: 350 }
 */
export function typedLengthCm(text: string, bare: Units | LengthUnit): TypedLength {
  const trimmed = text.trim().replace(ABOUT, '');
  const match = LENGTH.exec(trimmed);
  if (trimmed === '' || !match || match.slice(1, 5).every((group) => group === undefined)) {
    return { fault: refusal('noLength', { text, tape: bare === 'us' ? 'us' : 'metric' }) };
  }
  const [, feet, whole, glyph, over, under, unit] = match;
  if (under !== undefined && Number(under) === 0) return { fault: refusal('dividesByZero', { text }) };
  const part = glyph ? (FRACTION[glyph] as number) : over ? Number(over) / Number(under) : 0;
  const rest = unit ? unitNamed(unit) : feet !== undefined ? 'in' : unitOfTape(bare);
  const cm = (number(whole) + part) * CM_PER[rest] + number(feet) * CM_PER.ft;
  return { cm };
}

/** Whether a number stands alone, so that its unit is not said. */
export const isBareNumber = (text: string): boolean =>
  new RegExp(`^${NUMBER}$`).test(text.trim().replace(ABOUT, ''));

const unitOfTape = (bare: Units | LengthUnit): LengthUnit =>
  bare === 'us' ? 'in' : bare === 'metric' ? 'cm' : bare;

function unitNamed(unit: string): LengthUnit {
  const word = unit.toLowerCase();
  if (word.startsWith('mm') || word.startsWith('milli')) return 'mm';
  if (word.startsWith('c')) return 'cm';
  return word.startsWith('m') ? 'm' : 'in';
}

function number(text: string | undefined): number {
  return text === undefined ? 0 : Number(text.replace(',', '.'));
}
