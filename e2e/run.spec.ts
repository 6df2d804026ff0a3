// The run at the saw: three trees, a strike found on the way, a stopped cut, a pause and another phone, the close-down, and the way back.
import type { Page } from '@playwright/test';
import { nameDevice } from '../scripts/browser.mjs';
import {
  allSent,
  atBothSizes,
  closeDown,
  dueMove,
  expect,
  goTo,
  makeMove,
  open,
  readAnew,
  runUpTo,
  sayKind,
  sayWhere,
  startRun,
  test,
} from './orchard';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

atBothSizes((_name, viewport, journey) => {
  journey('phone')(
    'three trees: a strike found on the way, a cut stopped, paused and taken up on another phone, closed down',
    async ({ page, orchard, browser }) => {
      await page.clock.install();
      await open(page, orchard.url, '/cut');
      await startRun(page, [/Net loft 23/, /Lee wall 07/, /Lee wall 12/]);
      await expect(heading(page)).toHaveText('Cut 1 of 5');
      // Sound wood first
      await runUpTo(page, 'Made the cut');
      await expect(page.getByText(/^Net loft 23 · \w+ · /)).toBeVisible();
      await makeMove(page, 'Made the cut');
      await runUpTo(page, 'Made the cut');
      await makeMove(page, 'Made the cut');
      // A third cut was to let light in; with two made the plan asks for it no more
      await runUpTo(page, 'Made the cut');
      await foundMore(page);
      await expect(heading(page)).toHaveText('Cut 3 of 4');
      await runUpTo(page, 'Made the cut');
      await makeMove(page, 'Made the cut');
      await makeMove(page, 'Cut face is sound');
      await stopped(page);

      await page.getByRole('button', { name: 'Pause the run' }).click();
      await expect(heading(page)).toHaveText('Run paused');
      await allSent(page);
      const other = await (await browser.newContext({ viewport, serviceWorkers: 'block' })).newPage();
      await other.clock.install();
      await nameDevice(other, orchard.url, 'Boat crew');
      await other.goto(`${orchard.url}/cut`);
      await expect(other.getByText(/^Wall crew, /)).toBeVisible();
      // The first phone’s clock was put forward by its contact times
      await other.clock.fastForward(600_000);
      await other.getByRole('button', { name: 'Continue the run' }).click();
      expect(await closeDown(other)).toBe(4);
      await allSent(other);
      await goTo(other, 'Book');
      await expect(other.getByText(/Run closed/).first()).toBeVisible();
      await expect(other.getByText(/wood, to landfill, bagged/).first()).toBeVisible();
      // The first phone sees that it is over
      await readAnew(page);
      await expect(page.getByText('Trees in this order')).toBeVisible();
    },
  );
});

/** Straight back to the tape of the same limb, and on with the run. */
async function foundMore(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Found more' }).click();
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Diseased', 'Fire blight shoot strike');
  await sayWhere(page);
  await page.getByRole('radio', { name: 'Edge clear' }).click();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await goTo(page, 'Cut');
}

/** A blade that met blight is taken in hand for the next tree. */
async function stopped(page: Page): Promise<void> {
  await expect(dueMove(page)).toHaveText('Blade is wet');
  await page.getByRole('button', { name: /^Blade: / }).click();
  const dialog = page.getByRole('dialog', { name: 'Which blade is in your hand?' });
  await dialog
    .getByRole('button', { name: /Met .*Fire blight shoot strike/ })
    .first()
    .click();
  await expect(page.getByText('Stop. Do not cut with this blade')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Made the cut' })).toHaveCount(0);
  await expect(page.getByText(/^Clean this one: 50 s\.$/)).toBeVisible();
}

test('the mix by arithmetic, what skipping costs, and a recheck with its outcome', async ({
  page,
  orchard,
}) => {
  test.setTimeout(120_000);
  await open(page, orchard.url, '/cut/mix');
  await page.getByLabel('Agent').selectOption({ label: 'Bleach, 1 part + 9 parts water' });
  await page.getByLabel('Litres wanted, L').fill('2');
  await page.getByLabel('On the bottle, %').fill('8.25');
  await expect(page.getByText('200 mL', { exact: true })).toBeVisible();
  await expect(page.getByText('It holds 8,250 ppm of available chlorine.')).toBeVisible();
  await expect(page.getByText(/chlorine gas/)).toBeVisible();
  await page.getByRole('button', { name: 'Record the mix' }).click();
  await expect(page.getByText(/^Last mixed less than a minute ago, 2 L/)).toBeVisible();

  await page.goto(`${orchard.url}/cut/skipping`);
  await page.getByRole('radio', { name: 'In growth' }).click();
  await page.getByRole('radio', { name: 'Wet', exact: true }).click();
  await page.getByRole('radio', { name: 'In soft shoots' }).click();
  await expect(page.getByRole('listitem').first()).toContainText(/Never.*0 cleanings/s);
  await page.getByRole('radio', { name: 'Dormant' }).click();
  await expect(page.getByText('The evidence is thin')).toBeVisible();

  await goTo(page, 'Today');
  await page.getByRole('link', { name: /3 rechecks due/ }).click();
  await page.getByRole('button', { name: /Lee wall 10/ }).click();
  await page.getByRole('radio', { name: 'Came back' }).click();
  await page.getByLabel(/^How far from the cut/).fill('12');
  await expect(page.getByText(/The cut fell short: cut again, 30 cm further/)).toBeVisible();
  await page.getByRole('button', { name: 'Record, mark it' }).click();
  await expect(page).toHaveURL(/round\/lee-wall-10/);
  await goTo(page, 'Book');
  await page.getByRole('link', { name: 'Rechecks', exact: true }).click();
  await expect(page.getByText('2 rechecks')).toBeVisible();
  await expect(page.getByText('Lee wall 10 · came back, 12 cm from the cut')).toBeVisible();
});
