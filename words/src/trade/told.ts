// What a table of the core names by a key, in the reader’s language: disorders, trees and tools, what to look for, what is chosen.
import { upperFirst } from '@mortisect/core/measure';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '../say';

/**
 * @param text key of a table, or what people have typed
 * @returns it in the reader’s language; as it is where the catalogue does not know it
 * @example told(sayIn('es-ES'), 'dead wood') //=> 'madera muerta'
 */
export function told<T extends string | null | undefined>(say: Say, text: T): T extends string ? string : T {
  if (typeof text !== 'string') return text as never;
  const key = `tables.${text}`;
  if (say.has(key)) return say(key as PlainKey) as never;
  const lower = `tables.${lowerFirst(text)}`;
  return (say.has(lower) ? upperFirst(say(lower as PlainKey)) : text) as never;
}

/** For a JSON Schema that is made from a schema: what a field of settings is called stands there in words. */
export const describedIn =
  (say: Say) =>
  ({ jsonSchema }: { jsonSchema: { description?: string | undefined } }): void => {
    if (jsonSchema.description !== undefined) jsonSchema.description = told(say, jsonSchema.description);
  };
