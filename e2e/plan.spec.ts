// The plan: a canker to a two-season plan with a pin and a printed sheet; a neglected apple over its years; a pear that comes out.
import type { Page } from '@playwright/test';
import { allSent, atBothSizes, dragBy, expect, goTo, type Orchard, open, RECKONED, test } from './orchard';

atBothSizes((_name, _viewport, journey) => {
  journey('wide')(
    'a canker: its margin on the curve, one pin, two seasons, and the sheet on paper',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/plan/slip-side-11');
      const canker = page.getByRole('button', { name: /Cytospora canker/ });
      await expect(canker).toContainText('collar');
      await page
        .getByRole('radiogroup', { name: 'Planned over how many seasons?' })
        .getByRole('radio', { name: '2' })
        .click();
      await expect(page.getByRole('row', { name: /^Season/ })).toHaveCount(2);

      // The margin, dragged with keys along what it costs and leaves
      await canker.click();
      await page.getByRole('button', { name: /^Why, and what else: [A-Z] · 7 o’clock, low$/ }).click();
      const sheet = page.getByRole('dialog', { name: /^[A-Z] · 7 o’clock, low$/ });
      const margin = sheet.getByRole('slider', { name: 'Clearance' });
      const before = Number(await margin.getAttribute('aria-valuenow'));
      await margin.press('ArrowLeft');
      expect(Number(await margin.getAttribute('aria-valuenow'))).toBeLessThan(before);
      await expect(margin).toHaveAttribute('aria-valuetext', /in 100 that disease stays/);
      await expect(sheet).toContainText('Do nothing');
      await sheet.getByRole('button', { name: 'Close', exact: true }).click();

      // The dead twig waits: the plan is solved round the pin
      const twig = page.getByRole('button', { name: /Dead wood/ });
      await twig.click();
      await page.getByRole('button', { name: /^Why, and what else: [A-Z]\d* · 5 o’clock/ }).click();
      await page.getByRole('button', { name: 'Not before season 2' }).click();
      await page.getByRole('button', { name: 'Close', exact: true }).click();
      await expect(page.getByText(/waits until season 2/).first()).toBeVisible();
      await expect(page.getByRole('heading', { name: 'Winter 2027/28' })).toBeVisible();
      await expect(page.getByText('This is the best plan for your settings.')).toBeVisible();
      await allSent(page);
      await expectSheet(page, orchard);
    },
  );

  journey('phone')(
    'a neglected apple is renovated over its years, round what is to stay',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/plan/net-loft-07');
      await expect(page.getByText(/of the crown in season 1\. Your limit is \d+ %\./)).toBeVisible();
      await expect(page.getByRole('heading', { name: 'Winter 2026/27 · now' })).toBeVisible();
      await expect(page.getByRole('heading', { name: 'Winter 2027/28' })).toBeVisible();
      await expect(page.getByText(/of hats thrown come through/)).toBeVisible();
      const [first] = await page.getByRole('row', { name: /^Season/ }).allInnerTexts();
      expect(Number(/(\d+) %/.exec(first ?? '')?.[1])).toBeGreaterThanOrEqual(5);
      await expect(page.getByText(/^In this order: .* As listed: .* min saved/).first()).toBeVisible();
      await page.getByRole('button', { name: /^Remove this pin: / }).click();
      await expect(page.getByRole('heading', { name: 'Pinned' })).toHaveCount(0);
      await expect(page.getByText('This is the best plan for your settings.')).toBeVisible({
        timeout: 60_000,
      });
    },
  );
});

atBothSizes((_name, _viewport, journey) => {
  journey('either')(
    'a pear that is too tall: nobody found anything, the arborist is booked, makes a cut, and the plan follows',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/plan');
      await page.getByRole('link', { name: /Net loft 06/ }).click();
      await expect(page.getByText('The tree is 5.6 m tall and should be 3.5 m.')).toBeVisible();
      await expect(
        page.getByText(/^Stem still ends at 5\.6 m: only an arborist can bring it down/),
      ).toBeVisible();
      await page.getByRole('button', { name: 'Book the arborist' }).click();
      const day = page.getByLabel('Day of the visit (year-month-day)');
      await day.fill('2026-02-30');
      await expect(page.getByRole('button', { name: 'Book the arborist' })).toBeDisabled();
      await day.fill('2027-02-10');
      await page.getByRole('button', { name: 'Book the arborist' }).click();
      await expect(page.getByRole('heading', { name: 'Arborist’s visit 2026/27' })).toBeVisible();
      await expect(page.getByText('After season 1: 4.5 m')).toBeVisible();
      await page.getByRole('button', { name: 'The arborist made this cut' }).click();
      await expect(page.getByText('The tree is 4.5 m tall and should be 3.5 m.')).toBeVisible();
      await allSent(page);
      await page.reload();
      await expect(page.getByText('The tree is 4.5 m tall and should be 3.5 m.')).toBeVisible();
      await page.getByRole('button', { name: 'Cancel this visit' }).click();
      await expect(page.getByText(/Arborist booked for/)).toHaveCount(0);
      // What is the arborist’s never comes into one’s own run
      await goTo(page, 'Cut');
      await expect(page.getByText('Trees in this order')).toBeVisible();
      await expect(page.getByRole('checkbox', { name: /Net loft 01/ })).toBeVisible();
      await expect(page.getByRole('checkbox', { name: /Net loft 24/ })).toHaveCount(0);
    },
  );
});

test('a pear whose stem is half girdled comes out, unless the caretaker decides otherwise', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/plan');
  await expect(page.getByRole('link', { name: /Net loft 22/ })).toContainText('remove tree');
  await page.getByRole('link', { name: /Net loft 22/ }).click();
  await expect(page.getByText('Remove the tree', { exact: true })).toBeVisible();
  await expect(page.getByText(/a licensed arborist/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Decide: watch' }).click();
  await expect(page.getByText('Decided: Watch')).toBeVisible();
  await expect(page.getByText('Remove the tree', { exact: true })).toHaveCount(1);
});

/** The better season has taken the place of the first plan: what moves from then on is told. */
const goesByIt = (page: Page) =>
  expect(page.getByText('This is a first plan. A better one is being made.')).toHaveCount(0, RECKONED);

test('the season is shared out; a crew on another day moves what it does, and nothing is lost without a crew', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/plan');
  await page.getByRole('link', { name: /^Season/ }).click();
  await expect(page.getByText(/^Wall crew: [1-9]\d* of/)).toBeVisible(RECKONED);
  await expect(page.getByRole('button', { name: /^Lee wall 07.*cannot wait/ })).toBeVisible();
  // A wrong crew is told, and nothing is saved of it
  await page.getByRole('button', { name: 'Add a crew' }).click();
  await page.getByRole('button', { name: 'Save the crew' }).click();
  await expect(page.getByText('Give it a name.')).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).click();
  await page.goBack();
  await expect(page).toHaveURL(/\/plan$/);
  await page.goForward();
  for (const crew of ['Wall crew', 'Boat crew']) {
    await page.getByRole('button', { name: new RegExp(`^${crew}`) }).click();
    await page.getByRole('button', { name: 'Take this crew out' }).click();
    await expect(page.getByRole('button', { name: new RegExp(`^${crew}`) })).toHaveCount(0);
  }
  await expect(page.getByText(/^Nobody works here yet/)).toBeVisible();
  await page.getByRole('button', { name: 'Add a crew' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Night boat');
  await page.getByRole('checkbox', { name: 'Sat' }).click();
  await page.getByRole('checkbox', { name: 'Sun' }).click();
  await page.getByRole('button', { name: 'Save the crew' }).click();
  await expect(page.getByText(/^Night boat: [1-9]\d* of/)).toBeVisible(RECKONED);
  await page.reload();
  await expect(page.getByText(/Sun .*, (morning|afternoon) · Night boat/).first()).toBeVisible(RECKONED);
});

test.describe('a dry Saturday', () => {
  test.use({ startsAt: '2026-11-28T07:00:00Z' });

  atBothSizes((name, _viewport, journey) => {
    journey('either')(
      'a client wants next week, a nest is found, and the crew goes to what the season has for it today',
      async ({ page, orchard }) => {
        await open(page, orchard.url, '/plan/season');
        const today = page.getByRole('button', { name: /^Sat 28 Nov 2026, morning · Wall crew/ });
        await expect(today).toBeVisible(RECKONED);
        await goesByIt(page);
        // One is fixed to another week: with the mouse where there is one, else in its sheet
        const wanted = page.getByRole('button', { name: /^Net loft 01/ }).first();
        if (name === 'wide') {
          // So tall that the board and the tree are both seen
          await page.setViewportSize({ width: 1280, height: 1900 });
          const weeks = page.getByRole('img', { name: /^Wall crew/ });
          const [from, to] = [await wanted.boundingBox(), await weeks.boundingBox()];
          if (!from || !to) throw new Error('Nothing to drag.');
          await dragBy(
            page,
            wanted,
            to.x + to.width * 0.5 - from.x - from.width / 2,
            to.y + 20 - from.y - from.height / 2,
          );
          await page.setViewportSize({ width: 1280, height: 800 });
        } else {
          await wanted.click();
          await page.getByRole('radio', { name: 'Fix it' }).click();
          await page.getByRole('button', { name: 'Save', exact: true }).click();
          await expect(page.getByText('Choose a day, a crew or both.')).toBeVisible();
          await page.getByLabel('Who does it').selectOption('Boat crew');
          await page.getByRole('button', { name: 'Save', exact: true }).click();
        }
        await expect(page.getByRole('heading', { name: 'What moved' })).toBeVisible(RECKONED);
        await expect(page.getByText(/You said so\./).first()).toBeVisible();
        // Another is left, with a reason
        await page
          .getByRole('button', { name: /^Slip side 08/ })
          .first()
          .click();
        await page.getByRole('radio', { name: 'Not this season' }).click();
        await page.getByLabel('Why it is left').fill('A nest in the wall');
        await page.getByRole('button', { name: 'Save', exact: true }).click();
        await expect(page.getByText(/until .*: A nest in the wall/)).toBeVisible(RECKONED);
        await allSent(page);
        await page.reload();
        await expect(page.getByText(/until .*: A nest in the wall/)).toBeVisible(RECKONED);
        // Today leads into Cut with the trees of the crew
        await goTo(page, 'Today');
        const row = page.getByRole('link', { name: /^Wall crew, this morning/ });
        await expect(row).toBeVisible(RECKONED);
        await row.click();
        await expect(page.getByText('Wall crew, as the season has it today.')).toBeVisible(RECKONED);
        await expect(page.getByRole('checkbox', { name: /Lee wall 07/ })).toBeChecked();
        await expect(page.getByRole('checkbox', { name: /Lee wall 12/ })).not.toBeChecked();
        await page.goBack();
        await expect(row).toBeVisible();
      },
    );
  });
});

test('pins that clash come back as the smallest set, and one taken off makes a plan again', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/plan/lee-wall-07');
  await page.getByRole('button', { name: /^Why, and what else/ }).click();
  // Active disease must come out in the first pass: it cannot wait
  await page.getByRole('button', { name: 'Not before season 2' }).click();
  await expect(page.getByText('No plan keeps all of this')).toBeVisible();
  await expect(page.getByText(/must come out/).first()).toBeVisible();
  await page.getByRole('button', { name: /^Remove this pin: .* waits until season 2$/ }).click();
  await expect(page.getByText('No plan keeps all of this')).toHaveCount(0);
});

async function expectSheet(page: Page, orchard: Orchard): Promise<void> {
  const href = await page.getByRole('link', { name: 'Cut sheet, A4' }).getAttribute('href');
  const answer = await page.request.get(`${orchard.url}${href}`);
  expect(answer.headers()['content-type']).toContain('application/pdf');
  expect((await answer.body()).subarray(0, 5).toString()).toBe('%PDF-');
  const csv = await (await page.request.get(`${orchard.url}/api/trees/slip-side-11/plan.csv`)).text();
  expect(csv.split('\r\n')).toHaveLength(3);
  expect(csv).toContain('Slip side 11,2,dormant');
}
