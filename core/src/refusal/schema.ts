// What a schema finds wrong, as a code. Loaded once: every schema without a code of its own speaks so.
import { z } from 'zod';
import type { Refusal, RefusalCode } from './refusal';

const KINDS: Readonly<Record<string, RefusalCode>> = {
  string: 'noText',
  number: 'noNumber',
  int: 'noWholeNumber',
  boolean: 'noYesOrNo',
  array: 'noList',
  object: 'noObject',
};

const FORMS: Readonly<Record<string, RefusalCode>> = {
  uuid: 'noId',
  datetime: 'noMoment',
  date: 'noDay',
  regex: 'wrongForm',
};

type Bound = { origin: string; inclusive?: boolean | undefined };

function tooMuch({ origin, inclusive }: Bound): RefusalCode {
  if (origin === 'string') return 'tooManyLetters';
  if (origin === 'number') return inclusive ? 'atMost' : 'lessThan';
  return origin === 'array' ? 'tooMany' : 'notUsable';
}

function tooLittle({ origin, inclusive }: Bound, least: number | bigint): RefusalCode {
  if (origin === 'number') return inclusive ? 'atLeast' : 'moreThan';
  if (origin !== 'string' && origin !== 'array') return 'notUsable';
  if (Number(least) === 1) return 'empty';
  return origin === 'string' ? 'tooFewLetters' : 'tooFew';
}

function codeOf(issue: z.core.$ZodRawIssue): RefusalCode {
  switch (issue.code) {
    case 'too_big':
      return tooMuch(issue);
    case 'too_small':
      return tooLittle(issue, issue.minimum);
    case 'invalid_type':
      return issue.input === undefined ? 'missing' : (KINDS[issue.expected] ?? 'notUsable');
    case 'invalid_format':
      return FORMS[issue.format] ?? 'notUsable';
    case 'invalid_value':
      return issue.values.length === 1 ? 'mustBe' : 'oneOf';
    case 'unrecognized_keys':
      return 'unknownFields';
    default:
      return 'notUsable';
  }
}

z.config({ customError: codeOf });

function givenOf(issue: z.core.$ZodIssue): Refusal['given'] {
  switch (issue.code) {
    case 'too_big':
      return { most: Number(issue.maximum) };
    case 'too_small':
      return { least: Number(issue.minimum) };
    case 'invalid_value':
      return issue.values.length === 1
        ? { value: String(issue.values[0]) }
        : { values: issue.values.map(String).join(', ') };
    case 'unrecognized_keys':
      return { names: issue.keys.map((key) => `“${key}”`).join(', ') };
    case 'custom':
      return (issue.params ?? {}) as Refusal['given'];
    default:
      return {};
  }
}

/** An issue that a schema raised, as its code and what it is told with. */
export const refusalOf = (issue: z.core.$ZodIssue): Refusal => ({
  code: issue.message as RefusalCode,
  given: givenOf(issue),
});
