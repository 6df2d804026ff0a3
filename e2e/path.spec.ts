// The path of the trade: found in Round, answered, planned, cut with a clean blade, in the Book after a restart.
import type { Page } from '@playwright/test';
import {
  allSent,
  atBothSizes,
  dueMove,
  expect,
  goTo,
  makeMove,
  type Orchard,
  open,
  readAnew,
  runUpTo,
  sayKind,
  startRun,
} from './orchard';

atBothSizes((_name, _viewport, journey) => {
  // The longest of them: one size at a turn
  journey('either')(
    'a canker is marked, measured back from, cut and remembered',
    async ({ page, orchard }) => {
      await page.clock.install();
      await open(page, orchard.url);
      await expect(page.getByText('40 cuts to make on 12 trees')).toBeVisible();
      await markCanker(page);
      await readPlan(page);
      await cutIt(page);
      await findInBook(page, orchard);
    },
  );
});

async function markCanker(page: Page): Promise<void> {
  await goTo(page, 'Round');
  await page.getByRole('button', { name: /^Lee wall,/ }).click();
  await page.getByRole('link', { name: /Lee wall 07/ }).click();
  await pickOnClock(page);
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Diseased', 'Fire blight canker, active');
  await page.getByRole('radio', { name: 'Edge clear' }).click();

  // By drag: to the tip and back. By keys: to the exact place. By figures: the far end.
  const edge = page.getByRole('slider', { name: 'Starts at' });
  const far = page.getByRole('slider', { name: 'Ends at' });
  await drag(page, far, 60);
  const dragged = Number(await far.getAttribute('aria-valuenow'));
  expect(dragged).toBeGreaterThan(85);
  await edge.focus();
  const before = Number(await edge.getAttribute('aria-valuenow'));
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  expect(Number(await edge.getAttribute('aria-valuenow'))).toBeCloseTo(before + 5.5);
  await page.getByLabel('Ends at, cm', { exact: true }).fill('86');
  await page.getByLabel('Starts at, cm', { exact: true }).fill('72');

  await expect(page.getByRole('button', { name: 'Clearance 30 cm. Why this margin?' })).toBeVisible();
  await expect(page.getByText(/toward the trunk from the dark edge/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Why here, and other schools' }).click();
  await expect(page.getByRole('dialog')).toContainText('A range means its upper end: 30 cm.');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(page.getByText('You find it in the plan and in the Book.')).toBeVisible();
}

/** The limb at 4 o'clock: bearing 122°, a touch two thirds of the way to the rim. */
async function pickOnClock(page: Page): Promise<void> {
  const clock = page.getByRole('img', { name: /^Crown clock/ });
  const box = await clock.boundingBox();
  if (!box) throw new Error('The crown clock is not on the screen.');
  const reach = box.width * 0.14;
  const bearing = (122 * Math.PI) / 180;
  await page.mouse.click(
    box.x + box.width / 2 + Math.sin(bearing) * reach,
    box.y + box.height / 2 - Math.cos(bearing) * reach,
  );
  const asked = page.getByRole('dialog', { name: 'Which limb?' });
  const chosen = page.getByText(/^[A-Z] · 4 o’clock, low$/).first();
  await expect(asked.or(chosen).first()).toBeVisible();
  if (await asked.isVisible()) await asked.getByRole('button', { name: /^[A-Z] · 4 o’clock, low/ }).click();
  await expect(chosen).toBeVisible();
}

async function drag(page: Page, handle: ReturnType<Page['getByRole']>, byPx: number): Promise<void> {
  await handle.scrollIntoViewIfNeeded();
  const box = await handle.boundingBox();
  if (!box) throw new Error('The handle is not on the screen.');
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + byPx / 2, y, { steps: 4 });
  await page.mouse.move(x + byPx, y, { steps: 4 });
  await page.mouse.up();
}

async function readPlan(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'See the plan of this tree' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Lee wall 07' })).toBeVisible();
  const row = page.getByRole('button', { name: /^\d [A-Z] .*4 o’clock, low/ });
  await expect(row).toContainText('Fire blight canker, active');
  await row.click();
  await page.getByRole('button', { name: /^Why, and what else: [A-Z] · 4 o’clock, low$/ }).click();
  await expect(page.getByRole('table', { name: 'What each school would do here' })).toContainText('12–18 in');
  await page.getByRole('button', { name: 'Close', exact: true }).click();
}

async function cutIt(page: Page): Promise<void> {
  await goTo(page, 'Cut');
  await startRun(page, [/Lee wall 07/]);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cut 1 of 2');
  await expect(page.getByText('Its history is unknown today: unknown is dirty.')).toBeVisible();
  const shown = await cutsShown(page);
  await runUpTo(page, 'Made the cut');
  await makeMove(page, 'Made the cut');
  await runUpTo(page, 'Cut face is sound');
  await makeMove(page, 'Cut face is sound');
  // Every cut into disease starts clean: the blade must be cleaned before the second.
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Cut 2 of 2');
  await expect(dueMove(page)).toHaveText('Blade is wet');
  await runUpTo(page, 'Made the cut');
  await expect(page.getByText(/^Lee wall 07 · [A-Z] · (4|7) o’clock/)).toBeVisible();
  await makeMove(page, 'Made the cut');
  await makeMove(page, 'Cut face is sound');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Close down');
  // A card of a cut that was not due came up now and then, for a second
  expect(await shown()).toEqual(['Cut 1 of 2', 'Cut 2 of 2']);
}

/** @returns what tells which cuts the cards were of from here on, one after another */
async function cutsShown(page: Page): Promise<() => Promise<string[]>> {
  const titles = await page.evaluateHandle(() => {
    const seen: string[] = [];
    const look = () => {
      const title = document.querySelector('h1')?.textContent ?? '';
      if (title.startsWith('Cut ') && title !== seen.at(-1)) seen.push(title);
    };
    look();
    new MutationObserver(look).observe(document.body, {
      childList: true,
      subtree: true,
      characterData: true,
    });
    return seen;
  });
  return () => titles.jsonValue();
}

async function findInBook(page: Page, orchard: Orchard): Promise<void> {
  await allSent(page);
  await orchard.restart();
  await goTo(page, 'Book');
  await readAnew(page);
  // In a line on a phone, in columns on a wide screen
  for (const entry of [
    /Lee wall 07.*Cut on [A-Z] \(4 o’clock, low\)/,
    /Lee wall 07.*Fire blight canker, active, found/,
    /Wall crew, 24 Nov 2026|24 Nov 2026, \d\d:\d\d\s*Wall crew/,
  ])
    await expect(page.getByRole('link', { name: entry }).first()).toBeVisible();
  await goTo(page, 'Today');
  await expect(page.getByText('39 cuts to make on 11 trees')).toBeVisible();
}
