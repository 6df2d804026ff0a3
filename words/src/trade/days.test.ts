// Days in words: the verdict and its reason say the same.
import { english, sayIn } from '../all';
import { dayReasonWords, laneName, riskWords } from './index';

test.each([
  ['risk', 'wait', 'the risk of infection is high'],
  ['risk', 'possible', 'the risk of infection is fair'],
  ['rain', 'possible', 'rain'],
  ['outside the school', 'wait', 'not the season you chose'],
] as const)('%s, %s: %s', (reason, verdict, words) => {
  expect(dayReasonWords(english, reason, verdict)).toBe(words);
});

test('a risk is told of 100 with its range, in whole numbers', () => {
  expect(riskWords(english, [1.6, 4.4, 20.5])).toBe('risk 4 of 100 (2–21)');
});

test.each([
  ['pome', ['apple', 'crab'], 'Apple, pear', 'Manzano, peral'],
  ['dead', [], 'Dead wood', 'Madera muerta'],
  ['other', [], 'Other trees', 'Otros árboles'],
  ['other', ['fig'], 'Fig', 'Higuera'],
  ['other', ['fig', 'walnut', 'olive'], 'Fig, walnut', 'Higuera, nogal'],
] as const)('the lane %s of %j is called “%s”', (id, species, words, inSpanish) => {
  expect(laneName(english, { id, species })).toBe(words);
  expect(laneName(sayIn('es-ES'), { id, species })).toBe(inSpanish);
});
