// What is answered, and what is done otherwise: a decision, a place that is found on the tree, other settings, a cut elsewhere.
import type { Page } from '@playwright/test';
import {
  allSent,
  expect,
  goTo,
  makeMove,
  open,
  PHONE,
  readAnew,
  runUpTo,
  sayKind,
  sayWhere,
  startRun,
  test,
  WIDE,
} from './orchard';

const heading = (page: Page) => page.getByRole('heading', { level: 1 });

test.use({ viewport: PHONE });

test('a decision about trunk wood is kept with the finding', async ({ page, orchard }) => {
  await open(page, orchard.url, '/plan/net-loft-05');
  await page.getByRole('radio', { name: 'Watch' }).click();
  await page.getByRole('button', { name: 'Set this decision' }).click();
  await expect(page.getByText('Decided: Watch')).toBeVisible();
  await allSent(page);
  await orchard.restart();
  await readAnew(page);
  await expect(page.getByText('Decided: Watch')).toBeVisible();
});

test('where buds are not mapped, the place found on the tree is typed before the cut counts', async ({
  page,
  orchard,
}) => {
  await page.clock.install();
  await open(page, orchard.url, '/round/lee-wall-07?limb=F');
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Dead', 'Dead wood');
  await sayWhere(page);
  await page.getByLabel('Starts at, cm', { exact: true }).fill('60');
  await expect(
    page.getByText(/at the first live bud that points out or under, at or below/).first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await goTo(page, 'Cut');
  await startRun(page, [/Lee wall 07/]);
  const place = page.getByLabel(/^Where did you cut/);
  await runUpTo(page, 'Made the cut');
  while (!(await place.isVisible())) {
    await makeMove(page, 'Made the cut');
    await runUpTo(page, 'Made the cut');
  }
  await expect(page.getByRole('button', { name: 'Made the cut' })).toBeDisabled();
  await place.fill('80');
  await expect(page.getByRole('button', { name: 'Made the cut' })).toBeDisabled();
  await place.fill('38.5');
  await page.getByRole('button', { name: 'Made the cut' }).click();
  await goTo(page, 'Book');
  await expect(
    page.getByRole('link', { name: /Lee wall 07.*Cut on [A-Z] \(8 o’clock, \w+\), at 38.5 cm/ }),
  ).toBeVisible();
});

test('settings of the site change what is answered; keys and units work on a wide screen', async ({
  page,
  orchard,
}) => {
  await page.setViewportSize(WIDE);
  await open(page, orchard.url, '/book/settings');
  await page.getByLabel('Latitude, °').fill('95');
  await page.getByRole('button', { name: 'Save site' }).click();
  await expect(page.getByText('A number from -90 to 90 degrees, south negative.')).toBeVisible();
  await page.getByLabel('Latitude, °').fill('54.2');
  await page
    .getByLabel('Clearance: Fire blight canker, active')
    .selectOption({ label: '12–18 in (30–45 cm)' });
  await page.getByRole('button', { name: 'Save site' }).click();
  await expect(page.getByText(/revision 2/)).toBeVisible();
  await page.locator('body').press('g');
  await page.locator('body').press('p');
  await page.getByRole('link', { name: /Lee wall 07/ }).click();
  await expect(page.getByText('68.5 cm').first()).toBeVisible();
  await page.locator('body').press('u');
  await expect(page.getByText('27 in').first()).toBeVisible();
  await page.locator('body').press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});

test('without the server: a cut elsewhere is what the plan goes on from; brown wood is marked and cut back at once', async ({
  page,
  orchard,
}) => {
  test.setTimeout(120_000);
  await page.clock.install();
  await open(page, orchard.url, '/cut');
  await startRun(page, [/Lee wall 07/]);
  await runUpTo(page, 'Made the cut');
  // From here to the close-down without a server
  await allSent(page);
  await orchard.stop();
  await page.getByRole('button', { name: 'Cut elsewhere' }).click();
  const dialog = page.getByRole('dialog', { name: 'Where did you cut?' });
  await dialog.getByLabel('Cut at, cm from the collar').fill('118');
  await dialog.getByRole('button', { name: 'Record it' }).click();
  await expect(heading(page)).toHaveText('Check the cut face');
  await page.getByRole('radio', { name: 'Still brown' }).click();
  await page.getByLabel('How far toward the trunk, cm').fill('6');
  await page.getByRole('button', { name: 'Still brown: plan a cut further back' }).click();
  // 118 less 6, and the clearance of 45 cm
  await expect(heading(page)).toHaveText('Cut 2 of 2');
  await runUpTo(page, 'Made the cut');
  await expect(page.getByText(/^(Measure|Cut) /).first()).toBeVisible();
  await makeMove(page, 'Made the cut');
  await makeMove(page, 'Cut face is sound');
  await expect(heading(page)).toHaveText('Close down');
  await expect(page.getByText(/\d+ to send/)).toBeVisible();
  await orchard.restart();
  await allSent(page);
  await goTo(page, 'Book');
  await expect(page.getByText(/Lee wall 07 · Wood read, brown/)).toBeVisible();
  await expect(
    page.getByRole('link', { name: /Lee wall 07.*Cut on [A-Z] \(7 o’clock, middle\), at 118 cm/ }),
  ).toBeVisible();
});
