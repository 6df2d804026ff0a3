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

/** What is called so in English, in another language, with a capital as it stands alone. */
export function toldIn(dictionary: keyof typeof LOCALE): (text: string) => string {
  const [english, other] = ['en-GB', dictionary].map(
    (each): Record<string, string> =>
      JSON.parse(readFileSync(path.join(COMPILED, each, 'tables.json'), 'utf8')),
  ) as [Record<string, string>, Record<string, string>];
  return (text) => {
    const key = Object.keys(english).find((each) => english[each]?.toLowerCase() === text.toLowerCase());
    const found = other[key ?? ''] ?? text;
    return found.charAt(0).toUpperCase() + found.slice(1);
  };
}
