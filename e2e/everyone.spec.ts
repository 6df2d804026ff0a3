// For everyone: no serious fault that axe can find, nothing cut off sideways, whatever the theme, the size or the text.
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import {
  atBothSizes,
  dueMove,
  expect,
  makeMove,
  open,
  PHONE,
  RECKONED,
  ROUTES,
  sayKind,
  sayWhere,
  startRun,
  test,
} from './orchard';

atBothSizes((name, _viewport, journey) => {
  // In halves, which two browsers walk at once
  for (const [half, routes] of [
    ['first', ROUTES.slice(0, ROUTES.length / 2)],
    ['second', ROUTES.slice(ROUTES.length / 2)],
  ] as const)
    journey('phone')(
      `every screen, in both themes, narrow and with large text: the ${half} half`,
      async ({ page, orchard }) => {
        test.setTimeout(300_000);
        await open(page, orchard.url);
        for (const route of routes) {
          await page.goto(`${orchard.url}${route}`);
          await settled(page);
          await expectForEveryone(page, route, name === 'phone');
        }
      },
    );
  journey('phone')('the gate, the parts of a tree, and every sheet of marking', async ({ page, orchard }) => {
    test.setTimeout(300_000);
    await page.goto(orchard.url);
    await page.getByLabel('Who works on this device?').waitFor();
    await expectForEveryone(page, 'the gate', name === 'phone');
    await open(page, orchard.url);
    await page.goto(`${orchard.url}/round/net-loft-05`);
    for (const part of ['Shape', 'Tree']) {
      await page.getByRole('tab', { name: part }).click();
      await expectForEveryone(page, part, name === 'phone');
    }
    await page.goto(`${orchard.url}/round/lee-wall-07`);
    await page.getByRole('button', { name: 'New finding' }).click();
    await sayKind(page, 'Diseased', 'Cytospora canker');
    await sayWhere(page);
    await expectForEveryone(page, 'marking', name === 'phone');
    for (const sheet of ['Signs and causes', 'Scratch test', 'Girdling', 'Photo']) {
      await page.getByRole('button', { name: sheet, exact: true }).click();
      await expectForEveryone(page, sheet, name === 'phone');
      await page.keyboard.press('Escape');
    }
    await page.getByRole('button', { name: 'Why here, and other schools' }).click();
    await expectForEveryone(page, 'why', name === 'phone');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
  });
  journey('wide')('every card of a run', async ({ page, orchard }) => {
    test.setTimeout(300_000);
    await page.clock.install();
    await open(page, orchard.url, '/cut');
    await startRun(page, [/Lee wall 07/]);
    for (let cards = 0; cards < 12; cards++) {
      await expect(dueMove(page).or(page.getByText('Count the blades back in'))).toHaveCount(1);
      const title = await page.getByRole('heading', { level: 1 }).innerText();
      const move = (await dueMove(page).count()) > 0 ? await dueMove(page).innerText() : '';
      await expectForEveryone(page, `${title}, ${move}`, name === 'phone');
      if (move === '') return;
      await makeMove(page, move);
    }
    throw new Error('The run has no end.');
  });
});

async function expectForEveryone(page: Page, where: string, phone: boolean): Promise<void> {
  if (phone) {
    // Only colours differ from the other theme, and they are the same at both sizes
    await inTheme(page, 'dark');
    await expectNoFault(page, `${where}, dusk`, ['color-contrast']);
    await inTheme(page, 'light');
  }
  await expectNoFault(page, where);
  expect(await runOff(page), where).toEqual([]);
  if (!phone) return;
  expect(await smallTargets(page), where).toEqual([]);
  await page.setViewportSize({ width: 320, height: 700 });
  expect(await runOff(page), `${where}, 320 px`).toEqual([]);
  await page.setViewportSize(PHONE);
  for (const size of ['200%', '']) {
    await page.evaluate((to) => {
      document.documentElement.style.fontSize = to;
    }, size);
    expect(await runOff(page), `${where}, text at ${size || '100%'}`).toEqual([]);
  }
}

async function inTheme(page: Page, colorScheme: 'light' | 'dark'): Promise<void> {
  await page.emulateMedia({ colorScheme });
  const theme = colorScheme === 'dark' ? 'dusk' : 'daylight';
  await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
}

function smallTargets(page: Page): Promise<{ name: string; height: number }[]> {
  return page
    .locator('button, a[href], [role=radio], [role=slider], input, select')
    .evaluateAll((targets) =>
      targets
        .map((target) => ({ name: target.textContent ?? '', height: target.getBoundingClientRect().height }))
        .filter(({ height }) => height > 0 && height < 47.5),
    );
}

async function settled(page: Page): Promise<void> {
  await page.getByRole('main').waitFor();
  for (const waiting of ['Reading the orchard …', 'Reading the weather …', 'Ordering the trees …']) {
    await expect(page.getByText(waiting)).toHaveCount(0, RECKONED);
  }
}

async function expectNoFault(page: Page, where: string, rules?: string[]): Promise<void> {
  // The app has no frames: without the mode for them no second page is opened each time
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] });
  const { violations } = await (rules ? axe.withRules(rules) : axe).analyze();
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
  expect(
    serious.map(
      ({ id, nodes }) => `${where}: ${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' | ')}`,
    ),
  ).toEqual([]);
}

/** Words and controls whose right edge lies beyond the screen, and boxes that can be scrolled sideways. */
function runOff(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const off: string[] = [];
    // Tables for screen readers are clipped to nothing
    const unseen = (element: Element | null): boolean =>
      element !== null &&
      (getComputedStyle(element).clipPath === 'inset(50%)' || unseen(element.parentElement));
    for (const element of document.querySelectorAll('body *')) {
      if (element.closest('svg') || unseen(element)) continue;
      const { right, width } = element.getBoundingClientRect();
      const hasWords = [...element.childNodes].some(
        (node) => node.nodeType === 3 && node.textContent?.trim(),
      );
      if (hasWords && width > 0 && right > innerWidth + 1)
        off.push(`${element.textContent?.slice(0, 60)} (${Math.round(right)})`);
      if (element.scrollWidth > element.clientWidth + 1 && getComputedStyle(element).overflowX === 'auto') {
        off.push(`scrolls: ${element.textContent?.slice(0, 40)}`);
      }
    }
    return off;
  });
}
