// Every page in a language of no country, a third longer and accented, so that what is cut off and what is in no catalogue shows; and in Spanish.
import type { Page } from '@playwright/test';
import { runOff, settled, WAITING } from './forEveryone';
import { expect, type Orchard, PHONE, ROUTES, test } from './orchard';
import { disguised, escaped, speakPseudo, tallButtons, typedWords } from './pseudo';
import { sayIn } from './words';

const TURN = Number(process.env.TURN ?? 0);
/** A third of the pages by turns; the long check looks at all. */
const LOOKED_AT = ROUTES.filter((_, at) => process.env.LONG || (at + TURN) % 3 === 0);
const english = sayIn('en-GB');
const spanish = sayIn('es');

async function typedIn({ url }: Orchard): Promise<Set<string>> {
  const paths = ['trees', 'site', 'open-work', 'people', 'jobs', 'log', 'timing', 'aftercare'];
  const records = await Promise.all(paths.map(async (name) => (await fetch(`${url}/api/${name}`)).json()));
  return new Set(typedWords([...records, { name: 'Wall crew' }]));
}

async function begin(page: Page, { url }: Orchard, asked: string, start: string): Promise<void> {
  await page.goto(`${url}/today`);
  await page.getByLabel(asked).fill('Wall crew');
  await page.getByRole('button', { name: start }).click();
  await expect(page.getByRole('navigation')).toBeVisible();
}

/** At the width of a phone, and of a narrow one. */
async function expectRoom(page: Page, route: string, look: () => Promise<string[]>): Promise<void> {
  for (const width of [PHONE.width, 320]) {
    await page.setViewportSize({ ...PHONE, width });
    expect(await look(), `${route}, ${width} px`).toEqual([]);
  }
  await page.setViewportSize(PHONE);
}

test.describe('phone', () => {
  test.use({ viewport: PHONE });

  test('in a longer language nothing runs off, and no text is outside of the catalogue', async ({
    page,
    orchard,
  }) => {
    const typed = await typedIn(orchard);
    await speakPseudo(page);
    await begin(
      page,
      orchard,
      disguised(english('shared.whoWorksOnThisDevice')),
      disguised(english('shared.start')),
    );
    for (const route of LOOKED_AT) {
      await page.goto(`${orchard.url}${route}`);
      await settled(page, WAITING.map(disguised));
      await expect(page.getByRole('main')).toContainText('⟦');
      await expectRoom(page, route, () => runOff(page));
      expect(await escaped(page, typed), route).toEqual([]);
    }
  });
});

test.describe('phone in Spanish', () => {
  test.use({ viewport: PHONE, locale: 'es-ES' });

  test('in Spanish nothing runs off, and no button takes three lines', async ({ page, orchard }) => {
    await begin(page, orchard, spanish('shared.whoWorksOnThisDevice'), spanish('shared.start'));
    for (const route of LOOKED_AT) {
      await page.goto(`${orchard.url}${route}`);
      await settled(page, [
        spanish('shared.readingTheOrchard'),
        spanish('today.readingTheWeather'),
        spanish('cut.orderingTheTrees'),
      ]);
      await expectRoom(page, route, async () => [...(await runOff(page)), ...(await tallButtons(page))]);
    }
  });
});
