// What the catalogues hold and how hard they are to read, place by place.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { asRead, easeOf, gradeOf } from '../words/src/reading';

const WORDS = fileURLToPath(new URL('../words/', import.meta.url));
const messagesOf = (language: string, file: string) =>
  Object.values(
    JSON.parse(readFileSync(path.join(WORDS, language, file), 'utf8')) as Record<string, string>,
  ).map(asRead);
const joined = (texts: string[]) =>
  texts.map((text) => (/[.!?]$/.test(text.trim()) ? text : `${text}.`)).join(' ');

const files = readdirSync(path.join(WORDS, 'en')).filter((file) => !/terms|us-spelling/.test(file));
const counts = ['en', 'es'].map(
  (language) => `${language} ${files.reduce((sum, file) => sum + messagesOf(language, file).length, 0)}`,
);
const tables = Object.keys(JSON.parse(readFileSync(path.join(WORDS, 'es/tables.json'), 'utf8'))).length;
console.log(`\nMessages: ${counts.join(', ')}; texts of tables in Spanish: ${tables}; terms: 83 in both`);
const places = files.map((file) => {
  const grade = gradeOf(joined(messagesOf('en', file)));
  const ease = easeOf(joined(messagesOf('es', file)));
  return `${path.basename(file, '.json')} ${grade.toFixed(1)} / ${ease.toFixed(0)}`;
});
console.log(
  `Reading, grade in English (aim: at most 6) / ease in Spanish (aim: at least 70): ${places.join(', ')}`,
);
