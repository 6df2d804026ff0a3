import type { Page } from '@playwright/test';

const PLAIN = 'abcdefghijklmnopqrstuvwxyz';
const ACCENTED = 'àƀçđéƒğħîĵķļɱñöþɋŕšţûṽŵẋýž';
const letters = new Map(
  [...PLAIN].flatMap((letter, i): [string, string][] => {
    const accented = [...ACCENTED][i] ?? letter;
    return [
      [letter, accented],
      [letter.toUpperCase(), accented.toUpperCase()],
    ];
  }),
);

/** A marked piece keeps its mark. */
const MARK = /(<\/?\w+>)/;

export const disguised = (text: string): string =>
  text
    .split(MARK)
    .map((part) =>
      MARK.test(part)
        ? part
        : [...part].map((sign) => (letters.get(sign) ?? sign).repeat(/[aeiou]/.test(sign) ? 2 : 1)).join(''),
    )
    .join('');

/** Kinds of parts of a compiled message (FormatJS): a literal text, and those that hold messages of their own. */
const LITERAL = 0;

interface Part {
  type: number;
  value?: unknown;
  options?: Record<string, { value: Part[] }>;
}

function disguisedPart(part: Part): Part {
  if (part.type === LITERAL) return { ...part, value: disguised(String(part.value)) };
  if (!part.options) return part;
  const options = Object.entries(part.options).map(([name, { value }]) => [
    name,
    { value: value.map(disguisedPart) },
  ]);
  return { ...part, options: Object.fromEntries(options) };
}

const literal = (value: string): Part => ({ type: LITERAL, value });

export const inPseudo = (message: string | Part[]): string | Part[] =>
  typeof message === 'string'
    ? `⟦${disguised(message)}⟧`
    : [literal('⟦'), ...message.map(disguisedPart), literal('⟧')];

type Define = (factory: (...given: unknown[]) => void, id: number, dependencies: number[]) => void;

/** The module of a catalogue as the app loads it, in the language of no country; null for any other module. */
export function disguisedModule(source: string): string | null {
  if (!/^__d\(function\([\w,]*\)\{\w+\.exports=\{__esModule:!0,default:JSON\.parse\('\{"\w+\./.test(source))
    return null;
  let module: string | null = null;
  const define: Define = (factory, id, dependencies) => {
    const held: { exports: { default: Record<string, string | Part[]> } } = { exports: { default: {} } };
    factory(null, null, null, null, held);
    const messages = Object.entries(held.exports.default).map(([key, message]) => [key, inPseudo(message)]);
    const exported = JSON.stringify(Object.fromEntries(messages));
    module = `__d(function(g,r,i,a,m){m.exports={__esModule:!0,default:${exported}}},${id},${JSON.stringify(dependencies)});`;
  };
  new Function('__d', source)(define);
  return module;
}

/** Every catalogue that this page loads comes in the language of no country. */
export async function speakPseudo(page: Page): Promise<void> {
  await page.route(/\/static\/js\/web\/[\w-]+-[0-9a-f]{32}\.js$/, async (route) => {
    // The server closes a connection that was idle for some seconds: one that closes just then is asked for again
    const response = await route.fetch({ maxRetries: 3 });
    const disguise = disguisedModule(await response.text());
    await route.fulfill({ response, ...(disguise !== null && { body: disguise }) });
  });
}

/** What days and spans of time are called in English: they come from the calendar, not from the catalogue. */
const OF_TIME =
  /^(mon|tues|wednes|thurs|fri|satur|sun)(day)?$|^(tue|wed|thu|fri|sat|sun|mon)$|^(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*$|^(ago|about|almost|over|less|than|half|minutes?|hours?|days?|months?|years?|seconds?)$/i;
/** Units and names of files, written alike in every language. */
const ALIKE = /^(min|ppm|csv|json|geojson|icalendar|mortisect|alcohol|english)$/i;
/** Sources of values stay as they were written, beside how sure they are; so does a folder of the server. */
const CITED = new RegExp(
  [
    ...['source', 'confidence', 'confident', 'unsure', 'default'].map(disguised),
    'et al|from memory|no source|/tmp/',
  ].join('|'),
  'i',
);

/**
 * Texts on the page with plain words in them that nobody typed.
 *
 * @param typed words of records, in lower case
 */
export async function escaped(page: Page, typed: ReadonlySet<string>): Promise<string[]> {
  const texts = await page.evaluate(() => {
    const found: string[] = [];
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    while (walker.nextNode()) {
      const { parentElement: parent, textContent } = walker.currentNode;
      if (!parent || ['STYLE', 'SCRIPT', 'NOSCRIPT'].includes(parent.tagName)) continue;
      found.push(textContent ?? '');
    }
    for (const element of document.querySelectorAll('[aria-label]'))
      found.push(element.getAttribute('aria-label') ?? '');
    return found;
  });
  const isPlain = (word: string) =>
    !typed.has(word.toLowerCase()) && !OF_TIME.test(word) && !ALIKE.test(word);
  return [...new Set(texts)].filter(
    (text) =>
      !CITED.test(text) && (text.match(/(?<![\p{L}\d])[a-z]{3,}(?![\p{L}\d])/giu) ?? []).some(isPlain),
  );
}

/** Fields of records that hold what somebody typed. */
const TYPED = new Set(
  'code nickname plot row cultivar rootstock note name by pickedBy product label reason question answer of what where authority'.split(
    ' ',
  ),
);

/** Words that people typed, in lower case. @param record as the server answered */
export function typedWords(record: unknown, field = ''): string[] {
  if (typeof record === 'string')
    return TYPED.has(field) ? (record.toLowerCase().match(/[a-z]{3,}/g) ?? []) : [];
  if (typeof record !== 'object' || record === null) return [];
  return Array.isArray(record)
    ? record.flatMap((each) => typedWords(each, field))
    : Object.entries(record).flatMap(([name, value]) => typedWords(value, name));
}

/** Buttons whose words take three lines or more. */
export function tallButtons(page: Page): Promise<string[]> {
  return page.locator('button, [role=tab]').evaluateAll((buttons) =>
    buttons.flatMap((button) => {
      // A row that can be pressed holds more than the words of a button
      const texts = document.createTreeWalker(button, NodeFilter.SHOW_TEXT);
      if (texts.nextNode() && texts.nextNode()) return [];
      const words = document.createRange();
      words.selectNodeContents(button);
      const lines = new Set(
        [...words.getClientRects()].filter(({ width }) => width > 1).map(({ top }) => Math.round(top / 6)),
      );
      return lines.size > 2 && button.textContent ? [`${lines.size} lines: ${button.textContent}`] : [];
    }),
  );
}
