// The catalogues as they are built: a fault in a language ends the build with its file and key.
import { execFileSync } from 'node:child_process';
import path from 'node:path';

const BUILD = path.join(__dirname, '../../scripts/words.mjs');

/** @param asked an expression over what the build is made of */
function built(asked: string): unknown {
  const program = `const words = await import(${JSON.stringify(BUILD)});
    try { console.log(JSON.stringify(${asked})); } catch (error) { console.log(JSON.stringify({ failed: error.message })); }`;
  return JSON.parse(
    execFileSync(process.execPath, ['--input-type=module', '-e', program], { encoding: 'utf8' }),
  );
}

test('a message that breaks the syntax is named by file and key', () => {
  const { failed } = built("words.parsed('{trees, plural, one {x}', 'es', 'round', 'seen')") as {
    failed: string;
  };
  expect(failed).toMatch(/^words\/es\/round\.json, “seen”: .* in “\{trees, plural, one \{x\}”$/);
});

test('a choice without “other”, and a kind of argument that no page gives, end it too', () => {
  const choice = built("words.parsed('{n, select, a {x}}', 'en', 'cut', 'k')") as { failed: string };
  expect(choice.failed).toContain('words/en/cut.json, “k”');
  const day = built("words.argumentsOf(words.parsed('{d, date}', 'en', 'cut', 'k'))") as { failed: string };
  expect(day.failed).toContain('“d”');
});

test.each([
  ['the same', { round: { seen: '{n, number} seen' } }, []],
  ['missing', { round: {} }, ['words/es/round.json, “seen”: missing']],
  [
    'too many',
    { round: { seen: '{n, number}', more: 'x' } },
    ['words/es/round.json, “more”: English has no such message'],
  ],
  [
    'other arguments',
    { round: { seen: '{m, number} vistos' } },
    ['words/es/round.json, “seen”: takes “m”, in English “n”'],
  ],
])('beside English %s is told', (_what, other, faults) => {
  const english = { round: { seen: '{n, number} seen' } };
  expect(built(`words.faultsBeside(${JSON.stringify(english)}, ${JSON.stringify(other)}, 'es')`)).toEqual(
    faults,
  );
});

test('what a message takes has its type', () => {
  const message =
    '{who} {trees, plural, one {# tree} other {# trees}} {place, select, a {A} other {B}} {mm, number}';
  expect(built(`words.argumentsOf(words.parsed(${JSON.stringify(message)}, 'en', 'x', 'y'))`)).toEqual({
    who: 'string | number',
    trees: 'number',
    place: 'string',
    mm: 'number',
  });
});

test.each([
  ['Colour of the fibres.', 'Color of the fibers.'],
  ['Discoloured {colour} stays.', 'Discoloured {colour} stays.'],
])('British “%s” is American “%s”', (british, american) => {
  expect(built(`words.respelled(${JSON.stringify(british)}, { colour: 'color', fibres: 'fibers' })`)).toBe(
    american,
  );
});
