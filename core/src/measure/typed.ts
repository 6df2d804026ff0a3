// What length did the caretaker mean by what was typed?
import { CM_PER_INCH, type Units } from './tape';

/** `{ cm }` when understood, else `{ fault }` with what to do. */
export type TypedLength = { cm: number } | { fault: string };

const FRACTION: Record<string, number> = { '¼': 0.25, '½': 0.5, '¾': 0.75 };
const NUMBER = String.raw`\d+(?:[.,]\d+)?`;
const LENGTH = new RegExp(
  String.raw`^(?:(${NUMBER})\s*(?:ft|'))?\s*(?:(${NUMBER})?\s*(?:([¼½¾])|(\d+)\s*\/\s*(\d+))?\s*(mm|cm|m|in|")?)?$`,
  'i',
);
const CM_PER: Record<string, number> = { mm: 0.1, cm: 1, m: 100, in: CM_PER_INCH, '"': CM_PER_INCH };

/**
 * Reads a typed length. A bare number is in the tape's own unit; a named unit wins. Comma or point, quarters as ¼ or 1/4, feet and inches.
 *
 * @param text as typed
 * @param units unit of a bare number
 * @returns cm, or what is wrong with the text
 * @example typedLengthCm('16 1/4', 'us') //=> { cm: 41.275 }
 */
export function typedLengthCm(text: string, units: Units): TypedLength {
  const trimmed = text.trim();
  const match = LENGTH.exec(trimmed);
  if (trimmed === '' || !match || match.slice(1, 5).every((group) => group === undefined)) {
    return {
      fault: `“${text}” is not a length. Type a number such as ${units === 'us' ? '16¼ or 16.25' : '41.5'}.`,
    };
  }
  const [, feet, whole, glyph, over, under, unit] = match;
  if (under !== undefined && Number(under) === 0) return { fault: `“${text}” divides by zero.` };
  const part = glyph ? (FRACTION[glyph] as number) : over ? Number(over) / Number(under) : 0;
  const named = unit?.toLowerCase() ?? (feet !== undefined || units === 'us' ? 'in' : 'cm');
  const cm = (number(whole) + part) * (CM_PER[named] as number) + number(feet) * 12 * CM_PER_INCH;
  return { cm };
}

function number(text: string | undefined): number {
  return text === undefined ? 0 : Number(text.replace(',', '.'));
}
