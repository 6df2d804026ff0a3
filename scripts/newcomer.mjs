// Somebody who has never seen the product, on a phone, before an orchard without a tree: from nothing to the first cut with its reason. Walked
// by the journeys and by the bench.

/**
 * Seconds that a person takes: to make up one's mind and to reach for a place on the screen, for a key of a phone, and for a word that is read.
 * Card, Moran and Newell 1980, CACM 23:396 (M 1.35 s, P 1.1 s; K 0.5 s for whoever does not know the keys); Brysbaert 2019, J. Mem. Lang.
 * 109:104047 (238 words a minute). From memory.
 */
const SECONDS = { mind: 1.35, reach: 1.1, key: 0.5, word: 60 / 238 };

/**
 * @param page of a device that was never here, with a place of its own
 * @param url of a server without a tree
 * @returns taps, keys and words that it took, the seconds that the machine took, and those that a person takes for all of it
 */
export async function newcomer(page, url) {
  const from = performance.now();
  const counted = { taps: 0, keys: 0, words: 0 };
  const tap = async (target) => {
    await target.click();
    counted.taps++;
  };
  const button = (name) => tap(page.getByRole('button', { name }));
  const type = async (label, text) => {
    await tap(page.getByLabel(label, { exact: true }));
    await page.keyboard.press('Control+A');
    await page.keyboard.type(text);
    counted.keys += text.length;
  };
  /** A new screen is up once this is on it: all that can be seen of it is read. */
  const look = async (target) => {
    await target.first().waitFor();
    counted.words += await page.evaluate(wordsInSight);
  };
  await page.goto(url);
  await look(page.getByLabel('Who works on this device?'));
  await type('Who works on this device?', 'Wall crew');
  await button('Start');
  // The orchard
  await look(page.getByLabel('What it is called'));
  await type('What it is called', 'Above the slip');
  await button('Use this device’s place');
  await tap(page.getByRole('checkbox', { name: 'Pear', exact: true }));
  await button('Save the orchard');
  await page.getByRole('button', { name: 'Saved', exact: true }).waitFor();
  // One tree, and its limbs by the clock
  await tap(page.getByRole('link', { name: /^One tree now/ }));
  await look(page.getByLabel('Code on its tag'));
  await type('Code on its tag', 'P1');
  await type('Plot', 'Slip');
  await type('Row', 'Wall');
  await type('Height, cm', '380');
  await type('Spread, cm', '320');
  await button('Save and draw limbs');
  await look(page.getByRole('tab', { name: 'Clock' }));
  await tap(page.getByRole('tab', { name: 'Clock' }));
  const clock = page.getByRole('img', { name: /^Clock to tap main limbs on/ });
  await look(clock);
  const { width } = await clock.boundingBox();
  for (const hour of [1, 4, 7, 10]) {
    const at = (hour * Math.PI) / 6;
    const position = { x: width / 2 + Math.sin(at) * width * 0.3, y: width / 2 - Math.cos(at) * width * 0.3 };
    await clock.click({ position });
    counted.taps++;
  }
  await button('Put 4 limbs on the map');
  await look(page.getByRole('button', { name: 'Save the limb map' }));
  await button('Save the limb map');
  // What is wrong with it
  await look(page.getByRole('button', { name: 'New finding' }));
  await button('New finding');
  await look(page.getByRole('radio', { name: 'Dead', exact: true }));
  await tap(page.getByRole('radio', { name: 'Dead', exact: true }));
  await tap(page.getByRole('radio', { name: 'Whole limb' }));
  await button('Save finding');
  // The cut, and why
  await tap(page.getByRole('navigation', { name: 'Places' }).getByRole('link', { name: 'Plan' }));
  await look(page.getByRole('link', { name: /^P1/ }));
  await tap(page.getByRole('link', { name: /^P1/ }));
  await look(page.getByText(/^Follow the limb toward the trunk/));
  await button('Why, and what else');
  await page.getByRole('dialog').getByText(/dead/i).first().waitFor();
  const machine = (performance.now() - from) / 1000;
  const { mind, reach, key, word } = SECONDS;
  const person = counted.taps * (mind + reach) + counted.keys * key + counted.words * word;
  return { ...counted, machine, seconds: machine + person };
}

/** In the page: words that are on the screen, without what one would have to scroll to. */
function wordsInSight() {
  const walker = document.createTreeWalker(
    document.querySelector('main') ?? document.body,
    NodeFilter.SHOW_TEXT,
  );
  const range = document.createRange();
  let words = 0;
  while (walker.nextNode()) {
    range.selectNodeContents(walker.currentNode);
    const { top, bottom, width } = range.getBoundingClientRect();
    const isSeen = width > 0 && top >= 0 && bottom <= window.innerHeight;
    if (isSeen) words += (walker.currentNode.textContent ?? '').split(/\s+/).filter(Boolean).length;
  }
  return words;
}
