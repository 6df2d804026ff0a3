// A disorder is one row of its table: rules ask for its traits, and nobody else knows its code.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { disorders } from '@mortisect/core/disorders';

const root = path.join(__dirname, '../..');
/** Tables that say something of each disorder, as their own data; examples in the API's document; orchards that are made up. */
const DATA =
  /^core\/src\/(disorders|diagnosis)\/|^core\/src\/timing\/pathogens|^contracts\/src\/compute(Routes)?\.ts|^(core|server|client)\/src\/(.*\/)?(demo|testing)\/|\.test\.tsx?$/;

function sources(folder: string): string[] {
  return readdirSync(path.join(root, folder), { withFileTypes: true }).flatMap((entry) => {
    const name = `${folder}/${entry.name}`;
    if (entry.isDirectory()) return sources(name);
    return /\.tsx?$/.test(name) && !DATA.test(name) ? [name] : [];
  });
}

/** Lines of a text that are no comment and name a code, or the beginning of codes, in quotes. */
function codesIn(text: string, codes: readonly string[]): string[] {
  const named = new RegExp(`'(${[...codes, '[A-Z]{2,3}_'].join('|')})'`);
  return text.split('\n').filter((line) => !/^\s*(\/?\*|\/\/)/.test(line) && named.test(line));
}

const ofMore = disorders.map(({ code }) => code);

test('the check finds a code, the beginning of codes, and no word in a comment', () => {
  expect(codesIn("if (code === 'SIL') return 1;\n// not 'SIL'\n * 'BRK'\n", ofMore)).toHaveLength(1);
  expect(codesIn("code.startsWith('FB_')", ofMore)).toHaveLength(1);
  expect(codesIn("code === 'silver leaf'", ofMore)).toEqual([]);
});

test('no rule outside the table names a disorder by its code', () => {
  const files = ['core/src', 'contracts/src', 'server/src', 'client/src'].flatMap(sources);
  expect(files.length).toBeGreaterThan(300);
  const found = files.flatMap((file) =>
    codesIn(readFileSync(path.join(root, file), 'utf8'), ofMore).map((line) => `${file}: ${line.trim()}`),
  );
  expect(found).toEqual([]);
});
