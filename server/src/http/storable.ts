// What is refused at the border: texts that the database cannot keep, with their path, and lists too long to compute.

import { MOST_LESIONS, MOST_LIMBS } from '@mortisect/core/cuts';
import { issueOf, refusal } from '@mortisect/core/refusal';
import { unsaid } from '@mortisect/words';
import { ZodError } from 'zod';
import { HttpProblem } from '../refusal';

const NUL = '\0';
/** Half of a character that takes two. */
const HALF = /\p{Surrogate}/u;

const isStorable = (text: string) => !text.includes(NUL) && !HALF.test(text);

/**
 * @param part params, query or body of a request
 * @returns the same
 * @throws {ZodError} naming the first text that no database keeps
 */
export function storable<T>(part: T): T {
  const left: { value: unknown; path: (string | number)[] }[] = [{ value: part, path: [] }];
  // Without recursion: what is nested a thousand deep must not end the process
  for (let next = left.pop(); next; next = left.pop()) {
    const { value, path } = next;
    if (typeof value === 'string' && !isStorable(value)) throw notStorable(value, path);
    if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) continue;
    for (const [key, inner] of Object.entries(value)) {
      if (!isStorable(key)) throw notStorable(key, path);
      left.push({ value: inner, path: [...path, Array.isArray(value) ? Number(key) : key] });
    }
  }
  return part;
}

function notStorable(input: string, path: (string | number)[]): ZodError {
  return new ZodError([{ ...issueOf(path, refusal('notStorable')), input }]);
}

const MOST = { limbs: MOST_LIMBS, lesions: MOST_LESIONS, findings: MOST_LESIONS } as const;

/** Size is told before a limb map is read: 413, not a thousand faults. */
export function withinSize(body: unknown): unknown {
  const parts = [body, (body as { tree?: unknown } | null | undefined)?.tree];
  for (const [field, most] of Object.entries(MOST)) {
    for (const part of parts) {
      const list = (part as Record<string, unknown> | null | undefined)?.[field];
      if (!Array.isArray(list) || list.length <= most) continue;
      throw new HttpProblem(
        413,
        'too-large',
        unsaid('problem.listTooLarge', { field, given: list.length, most }),
      );
    }
  }
  return body;
}
