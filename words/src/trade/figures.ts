// How figures are written in the reader’s language: the decimal mark, and a true minus, days with their month in words.
import { type Reading, type TapeRounding, tapeReading, type Units } from '@mortisect/core/measure';
import type { Locale } from '../locales';
import type { Say } from '../say';

interface Digits {
  /** Decimals that are written even where they are noughts. */
  least?: number;
  most?: number;
  /** Digits that tell something, in place of decimals. */
  significant?: number;
}

const formats = new Map<string, Intl.NumberFormat>();

function formatOf(locale: Locale, { least = 0, most = least, significant }: Digits): Intl.NumberFormat {
  const key = [locale, least, most, significant].join();
  let format = formats.get(key);
  if (!format) {
    format = new Intl.NumberFormat(locale, {
      signDisplay: 'negative',
      ...(significant === undefined
        ? { minimumFractionDigits: least, maximumFractionDigits: most }
        : { maximumSignificantDigits: significant }),
    });
    formats.set(key, format);
  }
  return format;
}

/**
 * A bare number.
 *
 * @param digits none after the mark unless said
 * @example figure(sayIn('es-ES'), -2.25, { least: 1 }) //=> '−2,3'
 */
export function figure({ locale }: Say, value: number, digits: Digits = {}): string {
  return formatOf(locale, digits).format(value).replace('-', '−');
}

const marks = new Map<Locale, string>();

/** What stands before decimals. */
export function decimalMark({ locale }: Say): string {
  const known = marks.get(locale);
  if (known !== undefined) return known;
  const parts = formatOf(locale, { least: 1 }).formatToParts(0.5);
  const mark = parts.find(({ type }) => type === 'decimal')?.value ?? '.';
  marks.set(locale, mark);
  return mark;
}

/** A reading whose value and unit are drawn at different sizes. */
export function readingIn(say: Say, { value, unit }: Reading): Reading {
  return { value: value.replace('.', decimalMark(say)), unit };
}

/** @example joined(sayIn('es-ES'), { value: '41.5', unit: 'cm' }) //=> '41,5 cm' */
export function joined(say: Say, reading: Reading): string {
  const { value, unit } = readingIn(say, reading);
  return `${value} ${unit}`;
}

/** A length as it is read off a tape, value and unit in one. */
export function tapeText(say: Say, cm: number, units: Units, rounding: TapeRounding = 'nearest'): string {
  return joined(say, tapeReading(cm, units, rounding));
}

const days = new Map<Locale, Intl.DateTimeFormat>();

/** @example dayIn(sayIn('en-GB'), '2026-11-24') //=> '24 November 2026' */
export function dayIn({ locale }: Say, day: string): string {
  let format = days.get(locale);
  if (!format) {
    format = new Intl.DateTimeFormat(locale, { dateStyle: 'long', timeZone: 'UTC' });
    days.set(locale, format);
  }
  return format.format(new Date(`${day}T00:00:00Z`));
}
