// No serious fault that axe can find, nothing cut off sideways, nothing too small for a thumb.
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { atBothSizes, expect, open, PHONE, RECKONED, test } from './orchard';
import { sayIn } from './words';

/** Journeys that look at these pages, half of them each: two browsers walk at once. */
export function lookAtRoutes(places: string, routes: readonly string[]): void {
  const middle = Math.ceil(routes.length / 2);
  atBothSizes((name, _viewport, journey) => {
    for (const [half, own] of [
      ['first', routes.slice(0, middle)],
      ['second', routes.slice(middle)],
    ] as const)
      journey('phone')(
        `every screen of ${places}, in both themes, narrow and with large text: the ${half} half`,
        async ({ page, orchard }) => {
          test.setTimeout(300_000);
          await open(page, orchard.url);
          for (const route of own) {
            await page.goto(`${orchard.url}${route}`);
            await settled(page);
            await expectForEveryone(page, route, name === 'phone');
          }
        },
      );
  });
}

const say = sayIn('en-GB');
/** What a page says while it waits. */
export const WAITING = [
  say('shared.readingTheOrchard'),
  say('today.readingTheWeather'),
  say('cut.orderingTheTrees'),
];

export async function settled(page: Page, waitings: readonly string[] = WAITING): Promise<void> {
  await page.getByRole('main').waitFor();
  for (const waiting of waitings) {
    await expect(page.getByText(waiting)).toHaveCount(0, RECKONED);
  }
}

/** Looks at what is on the page now; on a phone in both themes, at 320 px and with text twice as large. */
export async function expectForEveryone(page: Page, where: string, phone: boolean): Promise<void> {
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
export function runOff(page: Page): Promise<string[]> {
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
