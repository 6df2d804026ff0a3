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

const REFUSING = ['core/src', 'contracts/src', 'server/src'].flatMap((folder) =>
  readdirSync(path.join(CLIENT, '..', folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.ts$/.test(file) && !/\.test\.|^(testing|demo)\/|\/testing\//.test(file))
    .map((file) => `${folder}/${file}`),
);
/** Ways in which a schema is given words of its own. */
const CHECKS = /^(refine|min|max|length|regex|literal|enum|positive|uuid|uuidv7|datetime|date)$/;
/** What whoever starts the server reads in their terminal, in English: settings, and the commands for copies. */
const OF_THE_TERMINAL = /^server\/src\/(config|control)\.ts$/;
const SENTENCE = /\p{L}{2,} \p{L}{2,}/u;

/** Sentences that a refusal is told with: in the checks of a schema, in a problem, as a message or a fault. */
function sentencesIn(file: string, text: string): string[] {
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const wordsOf = (node: ts.Node | undefined): string[] => {
    if (!node) return [];
    if (ts.isStringLiteralLike(node)) return [node.text];
    return ts.isTemplateExpression(node) ? [node.getText()] : [];
  };
  const look = (node: ts.Node): void => {
    if (
      ts.isCallExpression(node) &&
      ts.isPropertyAccessExpression(node.expression) &&
      CHECKS.test(node.expression.name.text)
    )
      found.push(
        ...wordsOf(
          node.arguments[/^(literal|enum)$/.test(node.expression.name.text) ? 1 : node.arguments.length - 1],
        ),
      );
    if (ts.isNewExpression(node) && node.expression.getText() === 'HttpProblem')
      for (const given of node.arguments ?? []) found.push(...wordsOf(given));
    if (ts.isPropertyAssignment(node) && /^(message|fault|error)$/.test(node.name.getText()))
      found.push(...wordsOf(node.initializer));
    ts.forEachChild(node, look);
  };
  look(source);
  return found.filter((text) => SENTENCE.test(text));
}

test('a sentence in a check, a problem and a fault is found; a code and a description are not', () => {
  const source = [
    "z.string().min(1, 'Give it a name.').describe('the name of it').regex(/x/, refusing('noName'));",
    "new HttpProblem(409, 'moved', `It $",
    '{is} moved on.`);',
    "const read = { fault: 'The file is empty.', title: 'What it is called' };",
  ].join('');
  expect(sentencesIn('a.ts', source)).toEqual([
    'Give it a name.',
    '`It $'.concat('{is} moved on.`'),
    'The file is empty.',
  ]);
});

test('what the core, the contracts and the server refuse is told by its code', () => {
  const said = REFUSING.filter((file) => !OF_THE_TERMINAL.test(file)).flatMap((file) =>
    sentencesIn(file, readFileSync(path.join(CLIENT, '..', file), 'utf8')).map((text) => `${file}: ${text}`),
  );
  expect(said).toEqual([]);
});
