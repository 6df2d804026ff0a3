// A crew that reads Spanish: found in Round, planned, cut. What is looked for is taken from the catalogue, so that it is found however it is worded.
import type { Page } from '@playwright/test';
import { expect, type Orchard, PHONE, RECKONED, test } from './orchard';
import { sayIn, toldIn } from './words';

const say = sayIn('es');
const told = toldIn('es');
const WHERE = say('trade.limbOnStem', { hour: 4, tier: say('trade.tierLow') });
const LIMB = `C · ${WHERE}`;

test.describe('phone', () => {
  test.use({ viewport: PHONE, locale: 'es-ES' });
  test('a canker is marked, planned and cut in Spanish, and what was typed stays when the language changes', async ({
    page,
    orchard,
  }) => {
    await page.clock.install();
    await begin(page, orchard);
    await markCanker(page);
    await readPlan(page);
    await cutOnce(page);
    await changeLanguage(page);
  });
});

async function begin(page: Page, { url }: Orchard): Promise<void> {
  await page.goto(`${url}/today`);
  await page.getByLabel(say('shared.whoWorksOnThisDevice')).fill('Cuadrilla del muro');
  await page.getByRole('button', { name: say('shared.start'), exact: true }).click();
  await expect(page.getByText(say('today.cutsToMakeOnTrees', { waiting: 40, trees: 12 }))).toBeVisible(
    RECKONED,
  );
  await expect(page.locator('html')).toHaveAttribute('lang', 'es-ES');
}

async function goTo(page: Page, place: 'round' | 'cut' | 'book'): Promise<void> {
  await page
    .getByRole('navigation', { name: say('shared.places') })
    .getByRole('link', { name: say(`shared.${place}`) })
    .click();
}

async function markCanker(page: Page): Promise<void> {
  await goTo(page, 'round');
  await page.getByRole('button', { name: /^Lee wall,/ }).click();
  await page.getByRole('link', { name: /Lee wall 07/ }).click();
  const box = await page.getByRole('img', { name: /^Reloj de la copa/ }).boundingBox();
  if (!box) throw new Error('The crown clock is not on the screen.');
  const [reach, bearing] = [box.width * 0.14, (122 * Math.PI) / 180];
  await page.mouse.click(
    box.x + box.width / 2 + Math.sin(bearing) * reach,
    box.y + box.height / 2 - Math.cos(bearing) * reach,
  );
  const asked = page.getByRole('dialog', { name: say('shared.whichLimb') });
  const chosen = page.getByText(LIMB, { exact: true }).first();
  await expect(asked.or(chosen).first()).toBeVisible();
  if (await asked.isVisible()) await asked.getByRole('button', { name: new RegExp(`^${LIMB}`) }).click();
  await page.getByRole('button', { name: say('round.newFinding') }).click();
  await page.getByRole('radio', { name: told('Diseased'), exact: true }).click();
  await page.getByRole('button', { name: say('round.chooseWhatItIs') }).click();
  await page
    .getByRole('dialog', { name: say('round.chooseWhatItIs') })
    .getByRole('button', { name: new RegExp(`^${told('Fire blight canker, active')}`) })
    .click();
  await page.getByRole('radio', { name: say('round.edgeClear') }).click();
  await page.getByLabel(`${say('shared.endsAt')}, cm`, { exact: true }).fill('86');
  await page.getByLabel(`${say('shared.startsAt')}, cm`, { exact: true }).fill('72');
  await page.getByRole('button', { name: say('round.saveFinding') }).click();
  await expect(page.getByText(say('round.youFindItInThePlanAnd'))).toBeVisible();
}

async function readPlan(page: Page): Promise<void> {
  await page.getByRole('button', { name: say('round.seeThePlanOfThisTree') }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Lee wall 07' })).toBeVisible();
  const row = page.getByRole('button', { name: new RegExp(`^\\d C .*${WHERE}`) });
  await expect(row).toContainText(told('Fire blight canker, active'));
  await row.click();
  await page.getByRole('button', { name: say('plan.whyAndWhatElse', { name: LIMB }) }).click();
  await expect(page.getByRole('table', { name: say('shared.whatEachSchoolWouldDoHere') })).toContainText(
    '12–18 in',
  );
  await page.getByRole('button', { name: say('shared.close'), exact: true }).click();
}

const MOVES = [
  'cut.bladeIsWet',
  'cut.iStandThere',
  'cut.theLadderStands',
  'cut.bladeClean',
  'cut.madeTheCut',
] as const;

async function cutOnce(page: Page): Promise<void> {
  await goTo(page, 'cut');
  await expect(page.getByRole('checkbox').first()).toBeVisible(RECKONED);
  // What stands under the trees is drawn with the last of them
  await page.getByLabel('Acabar el recorrido en').waitFor();
  for (const box of await page.getByRole('checkbox').all()) {
    const wanted = /Lee wall 07/.test((await box.getAttribute('aria-label')) ?? '');
    if (((await box.getAttribute('aria-checked')) === 'true') !== wanted) await box.click();
  }
  await page.getByRole('button', { name: say('cut.lookAroundFirst') }).click();
  const dialog = page.getByRole('dialog', { name: say('cut.lookAroundFirst') });
  for (const box of await dialog.getByRole('checkbox').all()) await box.click();
  await dialog.getByRole('button', { name: say('cut.startTheRun') }).click();
  const title = page.getByRole('heading', { level: 1 });
  await expect(title).toHaveText(say('cut.cutOf', { madeCount: 1, madeCount2: 2 }));
  const made = page.getByRole('button', { name: say('cut.madeTheCut'), exact: true });
  for (let cards = 0; cards < 12 && !(await made.isVisible()); cards++) {
    const due = MOVES.map((key) => page.getByRole('button', { name: say(key), exact: true })).reduce((a, b) =>
      a.or(b),
    );
    await expect(due).toHaveCount(1);
    if (!(await due.isEnabled())) await page.clock.fastForward(31_000);
    await due.click();
    await page.waitForTimeout(900);
  }
  await made.click();
  await page.getByRole('radio', { name: say('cut.greenClean') }).click();
  await page.getByRole('button', { name: say('cut.cutFaceIsSound') }).click();
  await expect(title).toHaveText(say('cut.cutOf', { madeCount: 2, madeCount2: 2 }));
}

async function changeLanguage(page: Page): Promise<void> {
  await goTo(page, 'book');
  await page
    .getByRole('tab', { name: say('book.settings') })
    .or(page.getByRole('link', { name: say('book.settings') }))
    .first()
    .click();
  await page.getByLabel(say('shared.whoWorksOnThisDevice')).fill('Otro nombre');
  await page.getByLabel(say('shared.languageOfThisDevice')).selectOption('en-US');
  const english = sayIn('en-US');
  await expect(page.getByLabel(english('shared.whoWorksOnThisDevice'))).toHaveValue('Otro nombre');
  await page.reload();
  await expect(page.getByLabel(english('shared.languageOfThisDevice'))).toHaveValue('en-US');
}
