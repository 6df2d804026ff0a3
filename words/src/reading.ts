// How hard a text is to read: grade of English after Kincaid et al. 1975 (Flesch–Kincaid), ease of Spanish after Fernández Huerta 1959 in the
// form that Law 1985 corrected.
import { syllable } from 'syllable';
import { terms } from './terms';

const TERM_NAMES = new Set(Object.values(terms.en).flatMap(({ name }) => name.toLowerCase().split(/[ -]/)));
/** The trade's own words are known to who reads: they count as words of two syllables. */
const TERM_SYLLABLES = 2;

/** A message as it may be read, its arguments filled in with a short word or a figure. */
export function asRead(message: string): string {
  return message
    .replace(/\{\w+, plural,[^{}]*(?:\{[^{}]*\}[^{}]*)*other \{([^{}]*)\}\}/g, (_, other: string) =>
      other.replace('#', '5'),
    )
    .replace(/\{\w+, number\}/g, '5')
    .replace(/\{\w+\}/g, 'this')
    .replace(/<\/?\w+>/g, '');
}

/** Messages one after the other, each a sentence. */
export const joined = (texts: readonly string[]): string =>
  texts.map((text) => (/[.!?]$/.test(text.trim()) ? text : `${text}.`)).join(' ');

export const wordsOf = (text: string): string[] => text.match(/\p{L}[\p{L}’'-]*/gu) ?? [];
export const sentencesOf = (text: string): string[] =>
  text.split(/[.!?](?=\s|$)/).filter((each) => /\p{L}/u.test(each));

/** @returns years at school that it takes to read an English text; 0 for a text without a word */
export function gradeOf(text: string): number {
  const words = wordsOf(text);
  if (words.length === 0) return 0;
  const syllables = words.reduce(
    (sum, word) => sum + (TERM_NAMES.has(word.toLowerCase()) ? TERM_SYLLABLES : Math.max(1, syllable(word))),
    0,
  );
  return 0.39 * (words.length / sentencesOf(text).length) + 11.8 * (syllables / words.length) - 15.59;
}

/** @returns ease of a Spanish text: 100 is very easy, 60 normal, 30 hard; 100 for a text without a word */
export function easeOf(text: string): number {
  const words = wordsOf(text);
  if (words.length === 0) return 100;
  const syllables = words.reduce((sum, word) => sum + spanishSyllables(word), 0);
  return 206.84 - 60 * (syllables / words.length) - 1.02 * (words.length / sentencesOf(text).length);
}

/** A strong vowel, or a weak one alone, makes a syllable; weak ones join it, and those with an accent do not. */
function spanishSyllables(word: string): number {
  const sounded = word
    .toLowerCase()
    .replace(/qu(?=[eiéí])/g, 'q')
    .replace(/gu(?=[eiéí])/g, 'g');
  return Math.max(1, sounded.match(/[iu]?[aeoáéó][iuy]?|[íú]|[iuüy]/g)?.length ?? 0);
}
