// Every way from every page to every other: by the bar, by keys, by Back, by reload; none of them ends in a white page.
import type { Page } from '@playwright/test';
import { expectAlive, type Watch, watch } from './alive';
import { atBothSizes, expect, goTo, open, ROUTES, readAnew } from './orchard';

const PLACES = ['Today', 'Round', 'Plan', 'Cut', 'Book'] as const;
const PAGES = ROUTES.filter((route) => route !== '/nowhere');
const TURN = Number(process.env.TURN ?? 0);
const pathOf = (page: Page) => new URL(page.url()).pathname;

async function expectAt(page: Page, on: Watch, path: string, how: string): Promise<void> {
  await expect.poll(() => pathOf(page), { message: how }).toBe(path);
  await expectAlive(page, on, how);
}

atBothSizes((name, _viewport, journey) => {
  journey('both')('from every page to every place and Back, and a reload', async ({ page, orchard }) => {
    const on = watch(page);
    await open(page, orchard.url);
    for (const [at, route] of PAGES.entries()) {
      // A quarter of the pages at one size, another quarter at the other, by turns; the long check takes all at both
      if (!process.env.LONG && (at + TURN) % 4 !== (name === 'phone' ? 0 : 2)) continue;
      await page.goto(`${orchard.url}${route}`);
      await expectAt(page, on, route, `${route}, opened`);
      // The place it is in, and one other by turns: all pairs of places come up over the pages
      const own = PLACES.filter((place) => route.startsWith(`/${place.toLowerCase()}`));
      const other = PLACES.filter((place) => !own.includes(place))[at % 4];
      for (const place of [...own, ...(other ? [other] : [])]) {
        const to = `/${place.toLowerCase()}`;
        if (name === 'wide') await page.keyboard.press('g');
        if (name === 'wide') await page.keyboard.press(place[0]?.toLowerCase() ?? '');
        else await goTo(page, place);
        await expectAt(page, on, to, `${route} → ${place}`);
        if (to === route) continue;
        await page.goBack();
        await expectAt(page, on, route, `${route} → ${place} → Back`);
      }
      await readAnew(page);
      await expectAt(page, on, route, `${route}, read anew`);
    }
  });

  journey('phone')(
    'Back closes what is open, then leads to the list, never to another place',
    async ({ page, orchard }) => {
      const on = watch(page);
      await open(page, orchard.url);
      // By its address: the list lies under the tree
      await page.goto(`${orchard.url}/plan/net-loft-05/when`);
      await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
      await page.goBack();
      await expectAt(page, on, '/plan/net-loft-05', 'Back from its days');
      await page.goBack();
      await expectAt(page, on, '/plan', 'Back from the tree');
      // A sheet, then marking, then the list
      await page.goto(`${orchard.url}/round`);
      await page.goto(`${orchard.url}/round/lee-wall-07`);
      await page.getByRole('button', { name: 'New finding' }).click();
      await page.getByRole('radio', { name: 'Diseased', exact: true }).click();
      await page.getByRole('button', { name: 'Choose what it is' }).click();
      await expect(page.getByRole('dialog', { name: 'Choose what it is' })).toBeVisible();
      await page.goBack();
      await expect(page.getByRole('dialog')).toHaveCount(0);
      await expect(page.getByRole('button', { name: 'Choose what it is' })).toBeVisible();
      await page.goBack();
      await expect(page.getByText('Started, not saved')).toBeVisible();
      await expectAt(page, on, '/round/lee-wall-07', 'Back from marking');
      await page.getByRole('button', { name: 'Continue marking' }).click();
      await expect(page.getByRole('button', { name: 'Choose what it is' })).toBeVisible();
      await page.goBack();
      await page.goBack();
      await expectAt(page, on, '/round', 'Back from the tree');
      // A sheet that was closed by its button leaves nothing behind
      await page.goto(`${orchard.url}/round/net-loft-03`);
      await page.getByRole('tab', { name: 'Tree' }).click();
      for (let times = 0; times < 3; times++) {
        await page.getByRole('button', { name: 'Why', exact: true }).click();
        await page.getByRole('button', { name: 'Close', exact: true }).click();
      }
      await page.goBack();
      await expectAt(page, on, '/round', 'Back after a sheet');
    },
  );

  journey('wide')('a tree that does not exist says so and offers the list', async ({ page, orchard }) => {
    const on = watch(page);
    await open(page, orchard.url);
    for (const [path, list] of [
      ['/round/no-such-tree', '/round'],
      ['/round/no-such-tree/map', '/round'],
      ['/round/no-such-tree/edit', '/round'],
      ['/plan/no-such-tree', '/plan'],
      ['/plan/no-such-tree/when', '/plan'],
    ] as const) {
      await page.goto(`${orchard.url}${path}`);
      await page.getByRole('button', { name: 'Go to the list' }).click();
      await expectAt(page, on, list, path);
    }
    // The last is a page that the router of the app would have of its own
    for (const path of ['/nowhere', '/_sitemap']) {
      await page.goto(`${orchard.url}${path}`);
      await page.getByRole('button', { name: 'Go to Today' }).click();
      await expectAt(page, on, '/today', path);
    }
  });

  journey('phone')('the last tree of a round is marked sound', async ({ page, orchard }) => {
    const on = watch(page);
    await open(page, orchard.url, '/round');
    await page.getByRole('button', { name: 'Round options', exact: true }).click();
    await page.getByRole('button', { name: /^Close the round/ }).click();
    // A slip: it goes on where it stood
    await page.getByRole('button', { name: /^Reopen the round of/ }).click();
    await page.getByRole('button', { name: 'Round options', exact: true }).click();
    await page.getByRole('button', { name: /^Close the round/ }).click();
    await page.getByRole('button', { name: 'Start a round' }).click();
    for (const plot of ['Lee wall', 'Net loft', 'Slip side'])
      await page.getByRole('checkbox', { name: plot }).click();
    await page.getByRole('button', { name: 'Start', exact: true }).click();
    await page.getByRole('button', { name: /^Continue: Boiler court/ }).click();
    for (let trees = 0; trees < 20 && pathOf(page) !== '/round'; trees++) {
      const from = pathOf(page);
      await page.getByRole('button', { name: /^(Mark sound|Done here)$/ }).click();
      await expect.poll(() => pathOf(page)).not.toBe(from);
      await expectAlive(page, on, `after tree ${trees + 1}`);
    }
    await expectAt(page, on, '/round', 'after the last tree');
    await expect(page.getByRole('button', { name: 'All seen' })).toBeVisible();
  });

  journey('phone')('why a misplaced limb is cut there', async ({ page, orchard }) => {
    const on = watch(page);
    await open(page, orchard.url);
    await page.goto(`${orchard.url}/plan/net-loft-07`);
    await page
      .getByRole('button', { name: /^Why, and what else/ })
      .first()
      .click();
    await expect(page.getByRole('dialog')).toContainText('Why');
    await expectAlive(page, on, 'why a step');
    await page.goBack();
    await expect(page.getByRole('dialog')).toHaveCount(0);
    const cuts = page.getByRole('button', { name: /^\d+ .*o’clock/ });
    const steps = Math.min(8, await cuts.count());
    for (let step = 0; step < steps; step++) {
      await cuts.nth(step).click();
      await page.keyboard.press('w');
      await expect(page.getByRole('dialog')).toBeVisible();
      await expectAlive(page, on, `why step ${step + 1}`);
      await page.keyboard.press('Escape');
      await expect(page.getByRole('dialog')).toHaveCount(0);
    }
  });
});
