// A reason is a code with the values that its sentence tells: no more, no fewer.
import { z } from 'zod';
import { plainReason, reasonSchema, type Sentences, sentenceOf } from './index';

const Reason = reasonSchema({ girdled: { share: z.number().max(1) }, healed: {} });
type Reason = z.infer<typeof Reason>;

test.each<[unknown, boolean]>([
  [{ code: 'girdled', values: { share: 0.6 } }, true],
  [{ code: 'girdled', values: { share: 1.1 } }, false],
  [{ code: 'girdled', values: {} }, false],
  [{ code: 'girdled', values: { share: 0.6, more: 1 } }, false],
  [{ code: 'healed', values: {} }, true],
  [{ code: 'healed' }, false],
  [{ code: 'healed', values: {}, text: 'Healed over.' }, false],
  [{ code: 'unheard of', values: {} }, false],
])('%j is a reason: %s', (given, is) => {
  const { success, data } = Reason.safeParse(given);
  expect(success).toBe(is);
  if (is) expect(data).toEqual(given);
});

test('each has its sentence, with its values in it', () => {
  const sentences: Sentences<Reason> = {
    girdled: ({ share }) => `${share * 100} % of it`,
    healed: () => 'It has healed.',
  };
  expect(sentenceOf(sentences, { code: 'girdled', values: { share: 0.5 } })).toBe('50 % of it');
  expect(sentenceOf<Reason>(sentences, plainReason('healed'))).toBe('It has healed.');
  expect(plainReason('healed')).toEqual({ code: 'healed', values: {} });
});
