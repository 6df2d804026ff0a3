// Refusals of the core in the words of each language.
import { refusal, refusalOf, refusing } from '@mortisect/core/refusal';
import { z } from 'zod';
import { english, sayIn } from '../all';
import { sayUnsaid, unsaid } from '../unsaid';
import { issueUnsaid, issueWords, refusalWords } from './refusals';

const spanish = sayIn('es-ES');
const found = (schema: z.ZodType, value: unknown) => {
  const [issue] = schema.safeParse(value).error?.issues ?? [];
  if (!issue) throw new Error('Nothing is wrong.');
  return issue;
};

test.each([
  [refusal('limbTwice', { limb: 'B' }), 'Limb B is listed twice.', 'La rama B está dos veces.'],
  [
    refusal('noLength', { text: 'x', tape: 'us' }),
    '“x” is not a length. Type a number such as 16¼ or 16.25.',
    '«x» no es una longitud. Escribe un número como 16¼ o 16,25.',
  ],
  [
    refusal('noLength', { text: 'x', tape: 'metric' }),
    '“x” is not a length. Type a number such as 41.5.',
    '«x» no es una longitud. Escribe un número como 41,5.',
  ],
  [
    refusal('productHolds', { ppm: 52500 }),
    'The product itself holds 52,500 ppm.',
    'El producto mismo tiene 52.500 ppm.',
  ],
])('%j', (why, inEnglish, inSpanish) => {
  expect([refusalWords(english, why), refusalWords(spanish, why)]).toEqual([inEnglish, inSpanish]);
});

test('a code that a later version gives is told as what cannot be used', () => {
  expect(refusalWords(english, { code: 'dreamt' as never, given: {} })).toBe('This cannot be used.');
});

test('what a form has said in words of its own stays; else the code is said', () => {
  expect(issueWords(spanish, found(z.string().max(2), 'xxx'))).toBe('Puede tener 2 letras como mucho.');
  expect(issueWords(spanish, found(z.string().min(1, refusing('noName')), ''))).toBe('Ponle un nombre.');
  expect(issueWords(spanish, found(z.string().min(1, 'Escribe algo.'), ''))).toBe('Escribe algo.');
});

test('a field stands before what is wrong with it', () => {
  const inside = z.object({ limbs: z.array(z.object({ id: z.string() })) });
  const told = (value: unknown) =>
    sayUnsaid(english, issueUnsaid(found(inside, value), unsaid('problem.file')));
  expect(told({ limbs: [{ id: 1 }] })).toBe('limbs.0.id: This must be a text.');
  expect(told(1)).toBe('file: This must be an object with named fields.');
  expect(sayUnsaid(english, issueUnsaid(undefined))).toBe('This cannot be used.');
  expect(refusalOf(found(inside, 1)).code).toBe('noObject');
});
