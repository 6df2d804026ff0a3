// What is wrong with a value, said to the person who typed it. Loaded once: every schema without words of its own speaks so.
import { z } from 'zod';

const KINDS: Readonly<Record<string, string>> = {
  string: 'This must be a text.',
  number: 'This must be a number.',
  int: 'This must be a whole number.',
  boolean: 'This must be true or false.',
  array: 'This must be a list.',
  object: 'This must be an object with named fields.',
};

const FORMS: Readonly<Record<string, string>> = {
  uuid: 'This must be an id (UUID).',
  datetime: 'This must be a moment like 2026-11-24T10:00:00Z.',
  date: 'This must be a day like 2026-11-24.',
  regex: 'This is not written in the right form.',
};

type Bound = { origin: string; inclusive?: boolean | undefined };

function tooMuch({ origin, inclusive }: Bound, most: number | bigint): string | undefined {
  if (origin === 'string') return `This can have ${most} letters at most.`;
  if (origin === 'number')
    return inclusive ? `This can be ${most} at most.` : `This must be less than ${most}.`;
  return origin === 'array' ? `There can be ${most} of these at most.` : undefined;
}

function tooLittle({ origin, inclusive }: Bound, least: number | bigint): string | undefined {
  if (origin === 'number')
    return inclusive ? `This must be ${least} at least.` : `This must be more than ${least}.`;
  if (origin !== 'string' && origin !== 'array') return undefined;
  if (Number(least) === 1) return 'This is empty.';
  return origin === 'string'
    ? `This needs ${least} letters at least.`
    : `There must be ${least} of these at least.`;
}

export const oneOfWords = (values: readonly unknown[]) =>
  `This must be one of: ${values.map(String).join(', ')}.`;

/** @returns undefined where the words of the schema library do */
export function faultWords(issue: z.core.$ZodRawIssue): string | undefined {
  switch (issue.code) {
    case 'too_big':
      return tooMuch(issue, issue.maximum);
    case 'too_small':
      return tooLittle(issue, issue.minimum);
    case 'invalid_type':
      return issue.input === undefined ? 'This is missing.' : KINDS[issue.expected];
    case 'invalid_format':
      return FORMS[issue.format];
    case 'invalid_value':
      return issue.values.length === 1
        ? `This must be ${String(issue.values[0])}.`
        : oneOfWords(issue.values);
    case 'unrecognized_keys':
      return `Nothing here is called ${issue.keys.map((key) => `“${key}”`).join(', ')}.`;
    default:
      return undefined;
  }
}

z.config({ customError: faultWords });
