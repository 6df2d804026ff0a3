// The catalogues, as they were compiled for the app: journeys find things by them.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeSay, type Say } from '../words/src/say';

const COMPILED = fileURLToPath(new URL('../words/compiled/', import.meta.url));
const LOCALE = { es: 'es-ES', 'en-GB': 'en-GB', 'en-US': 'en-US' } as const;

export function sayIn(dictionary: keyof typeof LOCALE): Say {
  const folder = path.join(COMPILED, dictionary);
  const read = (file: string) => JSON.parse(readFileSync(path.join(folder, file), 'utf8'));
  return makeSay(LOCALE[dictionary], readdirSync(folder).map(read));
}

/** What a text of the tables is called, with a capital as it stands alone. */
export function toldIn(dictionary: keyof typeof LOCALE): (text: string) => string {
  const table: Record<string, string> = JSON.parse(
    readFileSync(path.join(COMPILED, dictionary, 'trade.json'), 'utf8'),
  );
  return (text) => {
    const found =
      table[`table.${text}`] ?? table[`table.${text.charAt(0).toLowerCase()}${text.slice(1)}`] ?? text;
    return found.charAt(0).toUpperCase() + found.slice(1);
  };
}
