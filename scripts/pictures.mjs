// Takes the pictures in docs/screenshots from the demo orchard, on a fixed day.
import { mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { launchOptions, NOW, nameDevice, PHONE, WIDE } from './browser.mjs';
import { command, installed, root, say, serverBuilt, webAppBuilt } from './steps.mjs';

const out = path.join(root, 'docs/screenshots');

/** Name, size, colour scheme, route, and what is done before the picture is taken. */
const PICTURES = [
  ['today', PHONE, 'light', '/today', lanesOf],
  ['round', PHONE, 'light', '/round'],
  ['round-tree', PHONE, 'light', '/round/lee-wall-07'],
  ['round-marking', PHONE, 'light', '/round/lee-wall-07?limb=C', mark],
  ['round-shape', PHONE, 'light', '/round/net-loft-01', part('Shape', 'hats come through')],
  ['plan', PHONE, 'light', '/plan/lee-wall-07'],
  ['round-photos', PHONE, 'light', '/round/slip-side-11/map', tapLimbs],
  ['when', PHONE, 'light', '/plan/slip-side-01/when', yearOf],
  ['cut-before', PHONE, 'light', '/cut', chosenTrees],
  ['signs', PHONE, 'light', '/round/lee-wall-07?limb=C', lookForSigns],
  ['cut-wet', PHONE, 'light', '/cut', contactTime],
  ['cut', PHONE, 'light', '/cut', bladeClean],
  ['rechecks', PHONE, 'light', '/book/rechecks', (page) => page.getByText('Due', { exact: true }).waitFor()],
  ['book', PHONE, 'light', '/book'],
  ['round-wide', WIDE, 'light', '/round'],
  ['today-wide', WIDE, 'light', '/today', lanesOf],
  ['season', WIDE, 'light', '/plan/season', sharedOut],
  ['plan-wide', WIDE, 'light', '/plan/slip-side-11', proved],
  ['cut-wide-dusk', WIDE, 'dark', '/cut'],
];

await command(async () => {
  await installed();
  await webAppBuilt();
  await serverBuilt();
  const { startServer, stopServer } = await import('./server.mjs');
  const folder = mkdtempSync(path.join(tmpdir(), 'pictures-'));
  const { child, url } = await startServer(['--demo', '--data', folder, '--port', '0', '--now', NOW], {
    quiet: true,
  });
  try {
    await take(url);
  } finally {
    await stopServer(child);
    rmSync(folder, { recursive: true, force: true });
  }
});

async function take(url) {
  const { chromium } = await import('@playwright/test');
  mkdirSync(out, { recursive: true });
  const browser = await chromium.launch(launchOptions);
  const device = await named(browser, url);
  // All of them, or those that are named
  const asked = process.argv.slice(2);
  for (const [name, viewport, colorScheme, route, first] of PICTURES) {
    if (asked.length > 0 && !asked.includes(name)) continue;
    const context = await browser.newContext({
      locale: 'en-GB',
      viewport,
      colorScheme,
      storageState: device,
      reducedMotion: 'reduce',
      serviceWorkers: 'block',
    });
    const page = await context.newPage();
    await page.goto(url + route);
    await page.getByRole('main').first().waitFor();
    // On a wide screen the list and the page may both say so
    await page.waitForFunction(() => !document.body.innerText.includes('Reading the orchard'));
    await first?.(page);
    await page.waitForTimeout(500);
    await page.screenshot({ path: path.join(out, `${name}.png`) });
    await context.close();
    say(`docs/screenshots/${name}.png`);
  }
  await browser.close();
}

async function named(browser, url) {
  const context = await browser.newContext({ locale: 'en-GB' });
  await nameDevice(await context.newPage(), url);
  return context.storageState();
}

/** The season is shared out, by plans of all trees. */
async function sharedOut(page) {
  await page.getByText(/^Wall crew: [1-9]\d* of/).waitFor({ timeout: 90_000 });
  await page.getByText(/first plan|shared out anew/).waitFor({ state: 'detached', timeout: 90_000 });
}

/** The plan is proved and its numbers stand still. */
async function proved(page) {
  await page
    .getByText('This is the best plan for your settings.')
    .waitFor({ state: 'attached', timeout: 60_000 });
}

/** The weather is read and the cuts are planned. */
async function lanesOf(page) {
  await page.getByText(/cuts to make/).waitFor();
  await page.getByRole('slider', { name: /^Cutting weather/ }).waitFor({ timeout: 60_000 });
}

/** The year of a tree, school by school. */
async function yearOf(page) {
  await page.getByRole('slider', { name: /^The year/ }).waitFor({ timeout: 60_000 });
  await page
    .getByRole('heading', { name: 'The year, school by school' })
    .evaluate((heading) => heading.scrollIntoView());
}

/** Two trees are chosen for the run, and what to bring for them stands there. */
async function chosenTrees(page) {
  await page.getByText('Trees in this order').waitFor({ timeout: 60_000 });
  for (const code of [/Net loft 23/, /Lee wall 07/]) await page.getByRole('checkbox', { name: code }).click();
}

/** The run is begun, and the first blade is wet. */
async function contactTime(page) {
  await page.getByText('Trees in this order').waitFor({ timeout: 60_000 });
  await page.getByRole('checkbox', { name: /Lee wall 07/ }).click();
  await page.getByRole('button', { name: 'Look around first' }).click();
  for (const box of await page.getByRole('dialog').getByRole('checkbox').all()) await box.click();
  await page.getByRole('button', { name: 'Start the run' }).click();
  await page.getByRole('button', { name: 'Blade is wet' }).click();
  await page.getByRole('button', { name: /^(I stand there|The ladder stands)$/ }).click();
  await page.getByRole('timer').waitFor();
}

/** What was recorded for the picture before has reached the server; its contact time is over when its button can be pressed. */
async function bladeClean(page) {
  await page.getByRole('button', { name: 'Blade clean' }).click({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Made the cut' }).waitFor();
}

/** Limbs of Net loft 01, tapped where the simulated camera shows them from 6 o’clock, in pixels of a photo 1,600 high. */
async function tapLimbs(page) {
  await page.getByRole('button', { name: 'Limbs from photos' }).click();
  await page.getByRole('button', { name: 'Simulated camera' }).click();
  await page.getByRole('button', { name: 'Net loft 01' }).click();
  const photo = page.getByRole('group', { name: /^Photo 1/ });
  await photo.waitFor();
  const { height } = await photo.boundingBox();
  const perPx = height / 1600;
  for (const [x, y] of [
    [554, 1157],
    [556, 670],
    [554, 949],
    [793, 573],
    [555, 929],
    [789, 380],
    [555, 910],
    [134, 459],
  ])
    await photo.click({ position: { x: x * perPx, y: y * perPx } });
  await page.getByText('Limb 4: tap its base').waitFor();
}

async function mark(page) {
  await page.getByRole('button', { name: 'New finding' }).click();
  await page.getByRole('radio', { name: 'Diseased' }).click();
  await page.getByRole('button', { name: 'Fire blight canker, active' }).click();
  await page.getByRole('radio', { name: 'Edge clear' }).click();
  await page.getByLabel('Ends at, cm', { exact: true }).fill('86');
  await page.getByLabel('Starts at, cm', { exact: true }).fill('72');
  await page
    .getByRole('main')
    .locator('> div')
    .first()
    .evaluate((scroller) => scroller.scrollTo(0, 0));
}

async function lookForSigns(page) {
  await page.getByRole('button', { name: 'New finding' }).click();
  await page.getByRole('radio', { name: 'Diseased' }).click();
  await page.getByRole('button', { name: 'Signs and causes' }).click();
  await page.getByRole('group', { name: 'Sunken dead bark patch' }).waitFor();
}

/** Opens a part of the tree and waits for its words. */
function part(name, words) {
  return async (page) => {
    await page.getByRole('tab', { name }).click();
    await page.getByText(words).first().waitFor();
  };
}
