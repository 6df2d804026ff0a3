// Each fault that a schema can find has a code and what it is told with.
import { z } from 'zod';
import { issueOf, refusal, refusalOf, refusing } from './index';

const found = (schema: z.ZodType, value: unknown) => {
  const [issue] = schema.safeParse(value).error?.issues ?? [];
  const told = issue && refusalOf(issue);
  return told && [told.code, told.given];
};

test.each<[string, z.ZodType, unknown, string, object]>([
  ['a text too long', z.string().max(60), 'x'.repeat(61), 'tooManyLetters', { most: 60 }],
  ['an empty one', z.string().min(1), '', 'empty', { least: 1 }],
  ['a short one', z.string().min(12), 'x', 'tooFewLetters', { least: 12 }],
  ['a number too large', z.number().max(5), 6, 'atMost', { most: 5 }],
  ['one at an open end', z.number().lt(360), 360, 'lessThan', { most: 360 }],
  ['one too small', z.number().min(2), 1, 'atLeast', { least: 2 }],
  ['one at an open beginning', z.number().positive(), 0, 'moreThan', { least: 0 }],
  ['a list too long', z.array(z.any()).max(1), [1, 2], 'tooMany', { most: 1 }],
  ['an empty list', z.array(z.any()).min(1), [], 'empty', { least: 1 }],
  ['a list too short', z.array(z.any()).min(2), [1], 'tooFew', { least: 2 }],
  ['nothing', z.string(), undefined, 'missing', {}],
  ['another kind', z.string(), 1, 'noText', {}],
  ['half a number', z.int(), 1.5, 'noWholeNumber', {}],
  ['a word for a number', z.number(), 'x', 'noNumber', {}],
  ['a word for yes', z.boolean(), 'x', 'noYesOrNo', {}],
  ['no list', z.array(z.any()), 1, 'noList', {}],
  ['no object', z.object({}), 1, 'noObject', {}],
  ['a word that is none of them', z.enum(['a', 'b']), 'c', 'oneOf', { values: 'a, b' }],
  ['another than the one', z.literal('a'), 'c', 'mustBe', { value: 'a' }],
  ['no id', z.uuid(), 'x', 'noId', {}],
  ['no moment', z.iso.datetime(), 'x', 'noMoment', {}],
  ['no day', z.iso.date(), 'x', 'noDay', {}],
  ['another form', z.string().regex(/^a/), 'x', 'wrongForm', {}],
  ['a field too many', z.strictObject({}), { x: 1 }, 'unknownFields', { names: '“x”' }],
  ['what no word fits', z.map(z.string(), z.string()), 1, 'notUsable', {}],
  ['a code of its own', z.string().min(1, refusing('noName')), '', 'noName', { least: 1 }],
  [
    'one with what it is told with',
    z.string().refine(() => false, refusing('limbTwice', { limb: 'B' })),
    'x',
    'limbTwice',
    { limb: 'B' },
  ],
])('%s', (_what, schema, value, code, given) => {
  expect(found(schema, value)).toEqual([code, given]);
});

test('a value that is looked at as a whole is refused at its path', () => {
  const schema = z.any().superRefine((_, context) => {
    context.addIssue(issueOf(['limbs', 3], refusal('onItself', { limb: 'C' })));
  });
  expect(schema.safeParse({}).error?.issues).toMatchObject([{ path: ['limbs', 3], message: 'onItself' }]);
  expect(found(schema, {})).toEqual(['onItself', { limb: 'C' }]);
});
