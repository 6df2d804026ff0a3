import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { asRead, easeOf, gradeOf, joined, sentencesOf, wordsOf } from './reading';

const PLACES = ['shared', 'today', 'round', 'plan', 'cut', 'book', 'trade', 'tables'];
const messagesOf = (language: string, place: string): [key: string, text: string][] => {
  const file = path.join(__dirname, '..', language, `${place}.json`);
  return Object.entries(JSON.parse(readFileSync(file, 'utf8')) as Record<string, string>).map(
    ([key, message]) => [`${place}.${key}`, asRead(message)],
  );
};

// Worked by hand from the formulas: 4 words, 1 sentence, 4 and 8 syllables
test('the formulas are those that were published', () => {
  expect(gradeOf('The cat sat down.')).toBeCloseTo(0.39 * 4 + 11.8 * 1 - 15.59, 6);
  expect(easeOf('La rama está seca.')).toBeCloseTo(206.84 - 60 * (7 / 4) - 1.02 * 4, 6);
  expect([gradeOf('12 %'), easeOf('12 %')]).toEqual([0, 100]);
});

// Syllables of Spanish words, after any grammar: hia-to and diphthong
test.each([
  ['que', 1],
  ['guía', 2],
  ['cuello', 2],
  ['árbol', 2],
  ['raíz', 2],
  ['aire', 2],
  ['enfermedad', 4],
  ['portainjerto', 4],
  ['quemar', 2],
  ['y', 1],
])('%s has %i syllables', (word, syllables) => {
  expect(easeOf(word)).toBeCloseTo(206.84 - 60 * syllables - 1.02, 6);
});

test('a message is read with its arguments', () => {
  expect(asRead('{cuts, plural, one {# cut} other {# cuts}} on {tree}, <kerf>{at, number}</kerf> m')).toBe(
    '5 cuts on this, 5 m',
  );
});

test.each(PLACES)('%s is read at grade 6 or lower, in Spanish with ease', (place) => {
  expect(gradeOf(joined(messagesOf('en', place).map(([, text]) => text)))).toBeLessThanOrEqual(6);
  const spanish = messagesOf('es', place);
  expect(easeOf(joined(spanish.map(([, text]) => text)))).toBeGreaterThanOrEqual(70);
  const eases = spanish.map(([, text]) => easeOf(text)).sort((a, b) => a - b);
  expect(eases[Math.floor(eases.length / 2)]).toBeGreaterThanOrEqual(80);
});

/** Of Reference: formulas with the names of their terms. */
const OF_REFERENCE =
  /^book\.(expectedInfections|s11DdDd50|infection11|theRangeIs|chillBy|steiner1990|fourConditions|asASensor|killTemperatures|aBladeThatMet|cLeast|rangesOf|exact95|confidence)|^cut\.theStroke|^plan\.(marksNo|chanceToNearby)|^shared\.chillPortions/;
const LONG = 12;

test.each(PLACES)('no message of %s is hard by itself', (place) => {
  const hard = messagesOf('en', place).filter(
    ([key, text]) => wordsOf(text).length >= LONG && gradeOf(text) > 10 && !OF_REFERENCE.test(key),
  );
  expect(hard).toEqual([]);
  const hardInSpanish = messagesOf('es', place).filter(
    ([key, text]) => wordsOf(text).length >= LONG && easeOf(text) < 70 && !OF_REFERENCE.test(key),
  );
  expect(hardInSpanish).toEqual([]);
});

const MOST_WORDS = 22;
test.each(PLACES)('no sentence of %s is longer than twenty-two words', (place) => {
  for (const language of ['en', 'es']) {
    const long = messagesOf(language, place).filter(
      ([key, text]) =>
        sentencesOf(text).some((sentence) =>
          sentence.split(/[;:]/).some((part) => wordsOf(part).length > MOST_WORDS),
        ) && !OF_REFERENCE.test(key),
    );
    expect(long).toEqual([]);
  }
});

const CLIENT = path.join(__dirname, '../../client/src');
const BUTTON_KEYS = readdirSync(CLIENT, { recursive: true, encoding: 'utf8' })
  .filter((file) => /\.tsx$/.test(file) && !/\.test\./.test(file))
  .flatMap(
    (file) => readFileSync(path.join(CLIENT, file), 'utf8').match(/<Button\b[\s\S]*?<\/Button>/g) ?? [],
  )
  .flatMap((button) => [...button.matchAll(/\{say\('(\w+\.\w+)'/g)].map(([, key = '']) => key));

/** Of a button on a phone: two lines at the most. */
const MOST_OF_BUTTON = 44;
test('no text of a button is longer than two lines of a phone', () => {
  const source = (key: string) =>
    messagesOf('es', key.split('.')[0] as string).find(([of]) => of === key)?.[1] ?? '';
  const buttons = BUTTON_KEYS.filter((key) => source(key).length > MOST_OF_BUTTON).map((key) => [
    key,
    source(key),
  ]);
  expect(buttons).toEqual([]);
});
