// No page says a word that is not in the catalogue.
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';

const CLIENT = path.join(__dirname, '../../client');
const FILES = ['src', 'app'].flatMap((folder) =>
  readdirSync(path.join(CLIENT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.tsx$/.test(file) && !/\.test\.|^testing/.test(file))
    .map((file) => `${folder}/${file}`),
);
/** Attributes that people read or hear. */
const SAID =
  /^(label|title|subtitle|hint|detail|caption|words|says|aria-label|alt|closeLabel|placeholder|fault|figure)$/;
const WORD = /\p{L}{2,}/u;
/** Names of languages stand in their own language; files and units are written alike everywhere. */
const ALIKE = /^(Mortisect|Español|CSV|GeoJSON|cm|mm|in|ft|kg)$/;

/** What a source says by itself: texts between tags, and literals in what is read. */
function literalsIn(file: string, text: string): string[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const look = (node: ts.Node): void => {
    if (ts.isJsxText(node)) found.push(node.text.trim());
    if (ts.isJsxAttribute(node) && SAID.test(node.name.getText()) && node.initializer) {
      const of = ts.isJsxExpression(node.initializer) ? node.initializer.expression : node.initializer;
      if (of && ts.isStringLiteralLike(of)) found.push(of.text);
      if (of && ts.isTemplateExpression(of))
        found.push(of.head.text, ...of.templateSpans.map((span) => span.literal.text));
    }
    ts.forEachChild(node, look);
  };
  look(source);
  return found.filter((literal) => WORD.test(literal) && !ALIKE.test(literal));
}

test('a literal between tags, in a label and in a template is found; a key and a style are not', () => {
  const source = [
    "<A title='Open it' hint={`Most $",
    "{n} days`} label={say('round.open')} style='bold'>Some words {x} · </A>",
  ].join('');
  expect(literalsIn('a.tsx', source)).toEqual(['Open it', 'Most ', ' days', 'Some words']);
});

test.each(FILES)('%s', (file) => {
  expect(literalsIn(file, readFileSync(path.join(CLIENT, file), 'utf8'))).toEqual([]);
});
