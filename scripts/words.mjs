// Reads the catalogues of words/, checks each language against English, and writes them compiled to words/compiled: the app formats messages and
// reads none. A fault ends with file and key.
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { parse, TYPE } from '@formatjs/icu-messageformat-parser';
import { command, digest, root, StepFailed, say } from './steps.mjs';

const WORDS = path.join(root, 'words');
const COMPILED = path.join(WORDS, 'compiled');
const LANGUAGES = ['en', 'es'];
/** Not messages: terms with their sentences, and how the other spelling of English writes a word. */
const OTHER = ['terms.json', 'us-spelling.json'];

/** Messages of a language by place: `{ round: { startTheRound: 'Start the round' } }`. */
export function catalogue(language) {
  const folder = path.join(WORDS, language);
  return Object.fromEntries(
    readdirSync(folder)
      .filter((file) => file.endsWith('.json') && !OTHER.includes(file))
      .sort()
      .map((file) => [
        path.basename(file, '.json'),
        JSON.parse(readFileSync(path.join(folder, file), 'utf8')),
      ]),
  );
}

/** The parts of an ICU message. @throws {StepFailed} naming file and key */
export function parsed(message, language, place, key) {
  try {
    return parse(message, { requiresOtherClause: true, ignoreTag: true });
  } catch (error) {
    throw new StepFailed(`words/${language}/${place}.json, “${key}”: ${error.message} in “${message}”`);
  }
}

/** What a message is to be given: name → type in TypeScript. */
export function argumentsOf(parts, found = {}) {
  for (const part of parts) {
    if (part.type === TYPE.argument) found[part.value] ??= 'string | number';
    else if (part.type === TYPE.number || part.type === TYPE.plural) found[part.value] = 'number';
    else if (part.type === TYPE.select) found[part.value] = 'string';
    else if (part.type !== TYPE.literal && part.type !== TYPE.pound)
      throw new StepFailed(`A message may hold texts, numbers, plurals and choices: not “${part.value}”.`);
    for (const { value } of Object.values(part.options ?? {})) argumentsOf(value, found);
  }
  return found;
}

/** Faults of a language beside English: keys that are missing or too many, and other arguments. */
export function faultsBeside(english, other, language) {
  const faults = [];
  for (const place of new Set([...Object.keys(english), ...Object.keys(other)])) {
    const [ours, theirs] = [english[place] ?? {}, other[place] ?? {}];
    for (const key of new Set([...Object.keys(ours), ...Object.keys(theirs)])) {
      const at = `words/${language}/${place}.json, “${key}”`;
      if (!(key in theirs)) faults.push(`${at}: missing`);
      else if (!(key in ours)) faults.push(`${at}: English has no such message`);
      else {
        const [wanted, given] = [
          argumentsOf(parsed(ours[key], 'en', place, key)),
          argumentsOf(parsed(theirs[key], language, place, key)),
        ].map((each) => Object.keys(each).sort().join(', '));
        if (wanted !== given) faults.push(`${at}: takes “${given}”, in English “${wanted}”`);
      }
    }
  }
  return faults;
}

/** British English in the other spelling. @param pairs British → American, lower case */
export function respelled(message, pairs) {
  const any = new RegExp(`(?<![\\p{L}{])(?:${Object.keys(pairs).join('|')})(?![\\p{L}}])`, 'giu');
  return message.replace(any, (word) => {
    const other = pairs[word.toLowerCase()];
    return word[0] === word[0].toUpperCase() ? other[0].toUpperCase() + other.slice(1) : other;
  });
}

/** Compiles what has changed since the last time. */
export async function wordsBuilt() {
  const stamp = path.join(COMPILED, '.built-from');
  const wanted = digest(['scripts/words.mjs', ...LANGUAGES.map((language) => `words/${language}`)]);
  try {
    if (readFileSync(stamp, 'utf8') === wanted) return;
  } catch {
    // Never compiled
  }
  const english = catalogue('en');
  const faults = LANGUAGES.slice(1).flatMap((language) =>
    faultsBeside(english, catalogue(language), language),
  );
  if (faults.length > 0) throw new StepFailed(`Words:\n${faults.map((fault) => `  ${fault}`).join('\n')}`);
  const spelling = JSON.parse(readFileSync(path.join(WORDS, 'en/us-spelling.json'), 'utf8'));
  rmSync(COMPILED, { recursive: true, force: true });
  const spell = (message) => respelled(message, spelling);
  write('en-GB', 'en', english, (message) => message);
  write('en-US', 'en', english, spell);
  for (const language of LANGUAGES.slice(1))
    write(language, language, catalogue(language), (message) => message);
  writeFileSync(path.join(COMPILED, 'keys.d.ts'), typesOf(english));
  writeFileSync(stamp, wanted);
}

function write(dictionary, language, messages, spell) {
  mkdirSync(path.join(COMPILED, dictionary), { recursive: true });
  for (const [place, ofPlace] of Object.entries(messages)) {
    const compiled = Object.entries(ofPlace).map(([key, message]) => {
      const parts = parsed(spell(message), language, place, key);
      const [first, ...more] = parts;
      return [`${place}.${key}`, more.length === 0 && first?.type === TYPE.literal ? first.value : parts];
    });
    writeFileSync(
      path.join(COMPILED, dictionary, `${place}.json`),
      JSON.stringify(Object.fromEntries(compiled)),
    );
  }
}

function typesOf(english) {
  const lines = Object.entries(english).flatMap(([place, messages]) =>
    Object.entries(messages).map(([key, message]) => {
      const given = Object.entries(argumentsOf(parsed(message, 'en', place, key)));
      const type =
        given.length === 0 ? 'null' : `{ ${given.map(([name, of]) => `${name}: ${of}`).join('; ')} }`;
      return `  '${place}.${key}': ${type};`;
    }),
  );
  const places = Object.keys(english).map((place) => `'${place}'`);
  return `export type Place = ${places.join(' | ')};\nexport interface Messages {\n${lines.join('\n')}\n}\n`;
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href)
  await command(async () => {
    await wordsBuilt();
    say('The catalogues of words/ are compiled');
  });
