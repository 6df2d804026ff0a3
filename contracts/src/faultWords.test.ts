// Each fault that a schema can find is said in a sentence, also through the routes that a person fills in.
import { z } from 'zod';
import { routes } from './index';

const said = (schema: z.ZodType, value: unknown) => schema.safeParse(value).error?.issues[0]?.message;

test.each<[string, z.ZodType, unknown, string]>([
  ['a text too long', z.string().max(60), 'x'.repeat(61), 'This can have 60 letters at most.'],
  ['an empty one', z.string().min(1), '', 'This is empty.'],
  ['a short one', z.string().min(12), 'x', 'This needs 12 letters at least.'],
  ['a number too large', z.number().max(5), 6, 'This can be 5 at most.'],
  ['one at an open end', z.number().lt(360), 360, 'This must be less than 360.'],
  ['one too small', z.number().min(2), 1, 'This must be 2 at least.'],
  ['one at an open beginning', z.number().positive(), 0, 'This must be more than 0.'],
  ['a list too long', z.array(z.any()).max(1), [1, 2], 'There can be 1 of these at most.'],
  ['an empty list', z.array(z.any()).min(1), [], 'This is empty.'],
  ['a list too short', z.array(z.any()).min(2), [1], 'There must be 2 of these at least.'],
  ['nothing', z.string(), undefined, 'This is missing.'],
  ['another kind', z.string(), 1, 'This must be a text.'],
  ['half a number', z.int(), 1.5, 'This must be a whole number.'],
  ['a word for a number', z.number(), 'x', 'This must be a number.'],
  ['a word that is none of them', z.enum(['a', 'b']), 'c', 'This must be one of: a, b.'],
  ['another than the one', z.literal('a'), 'c', 'This must be a.'],
  ['no id', z.uuid(), 'x', 'This must be an id (UUID).'],
  ['no moment', z.iso.datetime(), 'x', 'This must be a moment like 2026-11-24T10:00:00Z.'],
  ['a field too many', z.strictObject({}), { x: 1 }, 'Nothing here is called “x”.'],
  ['words of its own', z.string().max(1, 'One letter.'), 'xx', 'One letter.'],
])('%s', (_what, schema, value, words) => {
  expect(said(schema, value)).toBe(words);
});

test('the name of a device that is too long is told in words', () => {
  const { body } = routes.putDevice;
  const fault = (name: string) => body.safeParse({ name }).error?.issues[0]?.message;
  expect(fault('x'.repeat(61))).toBe('This can have 60 letters at most.');
  expect(fault('x'.repeat(60))).toBeUndefined();
});
