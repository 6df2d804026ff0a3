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

const TERM_OF = new Map(
  (Object.keys(english) as Term[]).flatMap((term) =>
    [english[term].name, ...english[term].also].map((name): [string, Term] => [name.toLowerCase(), term]),
  ),
);
// The longest first: “central leader” is not “leader”
const ANY = new RegExp(
  `(?<![\\p{L}’-])(?:${[...TERM_OF.keys()].sort((a, b) => b.length - a.length).join('|')})(?![\\p{L}’-])`,
  'giu',
);

export interface TextPart {
  text: string;
  /** What it is a word for; null for the text between. */
  term: Term | null;
}

/**
 * An English text in parts, each term where it comes first.
 *
 * @example termsIn('Cut at the collar.') //=> [{ text: 'Cut at the ', term: null }, { text: 'collar', term: 'branch collar' }, { text: '.', term: null }]
 */
export function termsIn(text: string): TextPart[] {
  const parts: TextPart[] = [];
  const seen = new Set<Term>();
  let from = 0;
  for (const { 0: word, index } of text.matchAll(ANY)) {
    const term = TERM_OF.get(word.toLowerCase()) as Term;
    if (seen.has(term)) continue;
    seen.add(term);
    if (index > from) parts.push({ text: text.slice(from, index), term: null });
    parts.push({ text: word, term });
    from = index + word.length;
  }
  if (from < text.length) parts.push({ text: text.slice(from), term: null });
  return parts;
}
