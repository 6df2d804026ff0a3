// What the database cannot keep is refused at the border with its path, wherever it stands.
import { ZodError } from 'zod';

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
    if (typeof value === 'string' && !isStorable(value)) throw refusal(value, path);
    if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) continue;
    for (const [key, inner] of Object.entries(value)) {
      if (!isStorable(key)) throw refusal(key, path);
      left.push({ value: inner, path: [...path, Array.isArray(value) ? Number(key) : key] });
    }
  }
  return part;
}

function refusal(input: string, path: (string | number)[]): ZodError {
  const message = 'This text has a character that cannot be kept.';
  return new ZodError([{ code: 'custom', path, message, input }]);
}
