// What the core calls by a key is told in words wherever it shows. It is looked for before the library below clears the page.
const KEYS = new Set(
  Object.keys(require('../words/en/tables.json')).filter((key) => /^[a-z]+[A-Z]\w*$/.test(key)),
);
afterEach(() => {
  const said = [...document.querySelectorAll('*')].flatMap((element) => [
    ...element.getAttributeNames().map((name) => element.getAttribute(name)),
    ...[...element.childNodes].filter((node) => node.nodeType === Node.TEXT_NODE).map((node) => node.data),
  ]);
  const untold = said.flatMap((text) => text?.match(/\w+/g) ?? []).filter((word) => KEYS.has(word));
  if (untold.length > 0) throw new Error(`Shown by its key: ${[...new Set(untold)].join(', ')}`);
});
// What was not found is named without printing the whole page: that is written anew at every look while a test waits.
const { configure } = require('@testing-library/react');

configure({
  // Long enough for a machine that does something else besides, and well within the time of a whole test
  asyncUtilTimeout: 60_000,
  getElementError: (message) =>
    Object.assign(new Error(message ?? ''), { name: 'TestingLibraryElementError' }),
});
// A page speaks at once, as in England: in the app it waits for the catalogues of its place.
const { useWords } = require('./src/data/useSay');
const { english } = require('@mortisect/words/all');

useWords.setState({ say: english });
