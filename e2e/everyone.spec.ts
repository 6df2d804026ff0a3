// For everyone: every screen, whatever the theme, the size or the text.
import type { Page } from '@playwright/test';
import { expectForEveryone } from './forEveryone';
import { atBothSizes, expect, open, RECKONED, ROUTES, test } from './orchard';

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
});

async function settled(page: Page): Promise<void> {
  await page.getByRole('main').waitFor();
  for (const waiting of ['Reading the orchard …', 'Reading the weather …', 'Ordering the trees …']) {
    await expect(page.getByText(waiting)).toHaveCount(0, RECKONED);
  }
}
