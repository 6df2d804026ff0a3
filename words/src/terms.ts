// Terms of the trade, each with one sentence in every language, and where a text uses them.
import english from '../en/terms.json';
import spanish from '../es/terms.json';

export const languages = ['en', 'es'] as const;
export type Language = (typeof languages)[number];
export type Term = keyof typeof english;

export interface TermWords {
  name: string;
  /** One sentence. */
  says: string;
}

export const terms: Readonly<Record<Language, Readonly<Record<Term, TermWords>>>> = {
  en: english,
  es: spanish,
};

/** In the order of their names in a language. */
export function termsByName(language: Language): Term[] {
  const name = (term: Term) => terms[language][term].name;
  return (Object.keys(english) as Term[]).sort((a, b) => name(a).localeCompare(name(b), language));
}

/** What each word is a word for, and where one stands in a text. */
function wordsOf(language: Language): { termOf: Map<string, Term>; any: RegExp } {
  const words: Readonly<Record<Term, { name: string; also: string[] }>> =
    language === 'en' ? english : spanish;
  const termOf = new Map(
    (Object.keys(english) as Term[]).flatMap((term) =>
      [words[term].name, ...words[term].also].map((name): [string, Term] => [name.toLowerCase(), term]),
    ),
  );
  // The longest first: “central leader” is not “leader”
  const longest = [...termOf.keys()].sort((a, b) => b.length - a.length).join('|');
  return { termOf, any: new RegExp(`(?<![\\p{L}’-])(?:${longest})(?![\\p{L}’-])`, 'giu') };
}
const WORDS: Record<Language, ReturnType<typeof wordsOf>> = { en: wordsOf('en'), es: wordsOf('es') };

export interface TextPart {
  text: string;
  /** What it is a word for; null for the text between. */
  term: Term | null;
}

/**
 * A text in parts, each term where it comes first.
 *
 * @example termsIn('Cut at the collar.', 'en') //=> [{ text: 'Cut at the ', term: null }, { text: 'collar', term: 'branch collar' }, { text: '.', term: null }]
 */
export function termsIn(text: string, language: Language): TextPart[] {
  const { termOf, any } = WORDS[language];
  const parts: TextPart[] = [];
  const seen = new Set<Term>();
  let from = 0;
  for (const { 0: word, index } of text.matchAll(any)) {
    const term = termOf.get(word.toLowerCase()) as Term;
    if (seen.has(term)) continue;
    seen.add(term);
    if (index > from) parts.push({ text: text.slice(from, index), term: null });
    parts.push({ text: word, term });
    from = index + word.length;
  }
  if (from < text.length) parts.push({ text: text.slice(from), term: null });
  return parts;
}
