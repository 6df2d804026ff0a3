// What the catalogues hold: the same in each language, used, and told as one would.
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { placeOf } from '../../client/src/places/shell/places';

const ROOT = path.join(__dirname, '../..');
const PLACES = readdirSync(path.join(ROOT, 'words/en')).filter((file) => !/terms|us-spelling/.test(file));
const messagesOf = (language: string) =>
  PLACES.flatMap((file) => {
    const messages: Record<string, string> = JSON.parse(
      readFileSync(path.join(ROOT, 'words', language, file), 'utf8'),
    );
    return Object.entries(messages).map(([key, text]): [string, string] => [
      `${path.basename(file, '.json')}.${key}`,
      text,
    ]);
  });
const english = messagesOf('en');
const spanish = new Map(messagesOf('es'));

function sourcesIn(folder: string): string[] {
  return readdirSync(path.join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const at = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return sourcesIn(at);
    return /\.tsx?$/.test(entry.name) && !/\.test\./.test(entry.name) ? [at] : [];
  });
}
const SOURCES = ['client/src', 'client/app', 'server/src', 'words/src']
  .flatMap(sourcesIn)
  .map((file) => readFileSync(path.join(ROOT, file), 'utf8'))
  .join('\n');

test('every message is used', () => {
  const unused = english.filter(([key]) => !key.startsWith('tables.') && !SOURCES.includes(`'${key}'`));
  expect(unused.map(([key]) => key)).toEqual([]);
});

/** What names things of the trade: tables of the core, and what is chosen on pages and in files. */
const NAMING = ['core/src', 'contracts/src', 'client/src', 'server/src', 'words/src']
  .flatMap((folder) => sourcesIn(folder))
  .map((file) => readFileSync(path.join(ROOT, file), 'utf8'))
  .concat(readFileSync(path.join(ROOT, 'core/src/diagnosis/tables.json'), 'utf8'))
  .concat(readFileSync(path.join(ROOT, 'core/src/diagnosis/signTable.json'), 'utf8'))
  .join('\n');

test('every text of the tables belongs to something', () => {
  const unused = english.flatMap(([key]) => {
    const [place, ...rest] = key.split('.');
    const name = rest.join('.');
    const stands = [`'${name}'`, `"${name}"`, `\`${name}\``, `${name}:`];
    return place !== 'tables' || stands.some((each) => NAMING.includes(each)) ? [] : [name];
  });
  expect(unused).toEqual([]);
});

/** Units, names and signs that both languages write alike. */
const ALIKE =
  /^[^\p{L}]*$|^(\{[^}]*\}|[^\p{L}]|\b(?:cm|mm|in|kB|mL|min|h|L|m|Plan|Mortisect|Isopropanol|kg|lb|CSV|GeoJSON|iCalendar|English|g|t|r|p|c|b|mar|jun|jul|sep|oct|nov|Cultivar|lateral|ppm|ft|a|metric|collar)\b)*$/iu;

test('every message is translated', () => {
  const same = english.filter(([key, text]) => spanish.get(key) === text && !ALIKE.test(text));
  expect(same.map(([key]) => key)).toEqual([]);
});

test('the marked pieces of a sentence are the same in both languages', () => {
  const marks = (text = '') => (text.match(/<\/?\w+>/g) ?? []).sort().join('');
  for (const [key, text] of english) expect([key, marks(spanish.get(key))]).toEqual([key, marks(text)]);
});

const CLIENT = path.join(ROOT, 'client');

function filesIn(folder: string): string[] {
  return readdirSync(path.join(CLIENT, folder), { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesIn(`${folder}/${entry.name}`) : [`${folder}/${entry.name}`],
  );
}

/** A module and all that it imports, by their paths in the client. */
function withImports(file: string, found = new Map<string, string>()): Map<string, string> {
  if (found.has(file)) return found;
  const source = readFileSync(path.join(CLIENT, file), 'utf8');
  found.set(file, source);
  for (const [, wanted = ''] of source.matchAll(/from '(\.[^']+)'/g)) {
    const at = path.join(path.dirname(file), wanted);
    const module = ['.ts', '.tsx'].map((end) => at + end).find((each) => existsSync(path.join(CLIENT, each)));
    if (module) withImports(module, found);
  }
  return found;
}

const ROUTES = filesIn('app').filter((file) => !/app\/(_layout|\+not-found|index)\.tsx$/.test(file));

test.each(ROUTES)('%s says only what is loaded for its place', (route) => {
  const place = placeOf(route.replace(/^app|\.tsx$|\/(index|_layout)\.tsx$/g, '')).id;
  const foreign = [...withImports(route)].flatMap(([file, source]) =>
    [...source.matchAll(/'(book|cut|files|plan|problem|round|today)\.\w+'/g)].flatMap(([key, of]) =>
      of === place ? [] : [`${file}: ${key}`],
    ),
  );
  expect(foreign).toEqual([]);
});
