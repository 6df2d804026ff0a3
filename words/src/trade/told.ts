// What stands in a table of the core, in the reader’s language: names of disorders, trees and tools, what to look for, what is chosen.
import { upperFirst } from '@mortisect/core/measure';
import { lowerFirst } from '@mortisect/core/tree';
import type { PlainKey, Say } from '../say';

/**
 * @param text as the table has it, in English, or what people have typed
 * @returns it in the reader’s language; as it is where the catalogue does not know it
 * @example told(sayIn('es-ES'), 'Dead wood') //=> 'Madera muerta'
 */
export function told<T extends string | null | undefined>(say: Say, text: T): T extends string ? string : T {
  if (typeof text !== 'string') return text as never;
  const key = `table.${text}`;
  if (say.has(key)) return say(key as PlainKey) as never;
  const lower = `table.${lowerFirst(text)}`;
  return (say.has(lower) ? upperFirst(say(lower as PlainKey)) : text) as never;
}
