// Each term has its name and one short sentence in every language, and is found in texts as a whole word.
import english from '../en/terms.json';
import spanish from '../es/terms.json';
import { languages, type Term, terms, termsByName, termsIn } from './terms';

const all = Object.keys(english) as Term[];

test('about eighty, the same in every language', () => {
  expect(all.length).toBeGreaterThanOrEqual(80);
  expect(Object.keys(spanish)).toEqual(all);
});

test.each(languages)(
  'each says one thing in %s, in 22 words at most, under a name of its own',
  (language) => {
    const names = all.map((term) => terms[language][term].name);
    expect(new Set(names).size).toBe(all.length);
    for (const term of all) {
      const { name, says } = terms[language][term];
      expect(name.trim()).not.toBe('');
      expect([term, says.match(/[.!?]/g)]).toEqual([term, ['.']]);
      expect(says).toMatch(/^\p{Lu}.*\.$/u);
      expect(says.split(/\s+/).length).toBeLessThanOrEqual(22);
    }
  },
);

test.each([english, spanish])('no word stands for two terms', (language) => {
  const words = all.flatMap((term) => [language[term].name, ...language[term].also]);
  expect(words.filter((word, i) => words.indexOf(word) !== i)).toEqual([]);
});

test.each<[string, string[]]>([
  ['Cut at the collar.', ['branch collar']],
  ['Collar first.', ['branch collar']],
  ['The collared dove cuts no scollar.', []],
  ['Cut back to the central leader.', ['leader']],
  ['A stub, and another stub of two stubs.', ['stub']],
  ['The branch collar and the bark ridge', ['branch collar', 'bark ridge']],
  ['A fire-blight canker of a canker-free row', ['canker']],
  ['', []],
])('in “%s”: %j', (text, found) => {
  const parts = termsIn(text, 'en');
  expect(parts.flatMap(({ term }) => term ?? [])).toEqual(found);
  // Nothing of the text is lost
  expect(parts.map((part) => part.text).join('')).toBe(text);
});

test('in a Spanish text its own words are found, and no English ones', () => {
  const found = (text: string) => termsIn(text, 'es').flatMap(({ term }) => term ?? []);
  expect(found('Corta en el collar de la rama.')).toEqual(['branch collar']);
  expect(found('El portainjerto y la guía; el stub no.')).toEqual(['rootstock', 'leader']);
  expect(found('Dos chupones')).toEqual(['water sprout']);
});

test('a list is sorted as its language sorts', () => {
  const names = termsByName('es').map((term) => terms.es[term].name);
  expect(names).toEqual([...names].sort(new Intl.Collator('es').compare));
  expect(termsByName('en')[0]).toBe('bark ridge');
});
