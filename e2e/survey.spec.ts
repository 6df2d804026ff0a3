// A tree onto the phone in minutes: by clock, from photos of the simulated camera, by the simulated sensor; at both sizes.
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { pictured, simulatedLens } from '../core/src/survey/index';
import { type Limb, limbShape } from '../core/src/tree/index';
import { allSent, atBothSizes, expect, type Orchard, open, readAnew, test } from './orchard';

/** What the simulated camera is pointed at. */
const SUBJECT = 'Net loft 01';
const SIZE = { widthPx: 1200, heightPx: 1600 };

atBothSizes((name, _viewport, journey) => {
  journey('both')('a tree is measured from two photos and comes out as it is', async ({ page, orchard }) => {
    test.setTimeout(120_000);
    await newTree(page, orchard, 'Slip side 21');
    await page.getByRole('tab', { name: 'Photos' }).click();
    await page.getByLabel('Length of the pole, cm').fill('40');
    await expect(page.getByText('Between 50 and 1000 cm')).toBeVisible();
    await page.getByLabel('Length of the pole, cm').fill('200');
    const limbs = await limbsOf(page, orchard, SUBJECT);
    await photograph(page);
    const shape = limbShape(limbs);
    const main = limbs.filter(({ kind }) => kind === 'scaffold');
    const tap = tapper(page, limbs, 0);
    await tap({ x: 0, y: 0, z: 0 });
    await tap({ x: 0, y: 0, z: 200 });
    let taps = 2;
    for (const { id } of main) {
      const { base, tip } = shape.get(id) as NonNullable<ReturnType<typeof shape.get>>;
      await tap(base);
      await tap(tip);
      taps += 2;
    }
    await expect(page.getByText('Tap its tip on the second photo, or say its hour.').first()).toBeVisible();

    // Left half done, it is there again
    await readAnew(page);
    await expect(
      page.getByRole('listitem').filter({ hasText: 'Tap its tip on the second photo' }),
    ).toHaveCount(main.length);
    if (name === 'phone') await page.getByRole('tab', { name: 'Second photo' }).click();
    // From the same side it is refused, with what to do
    const stands = page.getByLabel('You stand at').last();
    await stands.selectOption('6 o’clock');
    await photograph(page);
    const again = tapper(page, limbs, 1);
    await stands.selectOption('9 o’clock');
    await photograph(page, 'again');
    await again({ x: 0, y: 0, z: 0 });
    await again({ x: 0, y: 0, z: 200 });
    taps += 2;
    await stands.selectOption('6 o’clock');
    await expect(page.getByText(/Both photos show the same side/)).toBeVisible();
    await stands.selectOption('9 o’clock');
    for (const { id } of main) {
      await again((shape.get(id) as NonNullable<ReturnType<typeof shape.get>>).tip);
      taps++;
    }
    expect(taps).toBe(3 * main.length + 4);
    await page.getByRole('button', { name: `Put ${main.length} limbs on the map` }).click();
    await page.getByRole('button', { name: 'Save the limb map' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Slip side 21' })).toBeVisible();
    await allSent(page);
    await expect
      .poll(async () =>
        (await limbsOf(page, orchard, 'Slip side 21')).filter(({ kind }) => kind === 'scaffold'),
      )
      .toHaveLength(main.length);
    const mapped = (await limbsOf(page, orchard, 'Slip side 21')).filter(({ kind }) => kind === 'scaffold');
    // The first photo stands a few degrees from where it was said: all bearings are off by that
    const turns = main.map((limb, i) => turned((mapped[i] as Limb).bearingDeg, limb.bearingDeg));
    const turn = turns.toSorted((a, b) => a - b)[1] as number;
    expect(Math.abs(turn)).toBeLessThan(15);
    for (const [i, limb] of main.entries()) {
      const found = mapped[i] as Limb;
      expect(Math.abs(found.lengthCm / limb.lengthCm - 1)).toBeLessThan(0.12);
      expect(Math.abs((turns[i] as number) - turn)).toBeLessThan(8);
      expect(Math.abs(found.inclinationDeg - limb.inclinationDeg)).toBeLessThan(6);
    }
  });

  journey('either')(
    'a frame by clock: an open-centre tree in under 90 seconds',
    async ({ page, orchard }) => {
      await newTree(page, orchard, 'Slip side 22');
      const began = Date.now();
      await page.getByRole('tab', { name: 'Clock' }).click();
      const clock = page.getByRole('img', { name: /Clock to tap main limbs on/ });
      const box = await clock.boundingBox();
      if (!box) throw new Error('The clock is not drawn.');
      const middle = { x: box.width / 2, y: box.height / 2 };
      let taps = 1;
      for (const hour of [1, 4, 6, 9, 11]) {
        const at = (hour * Math.PI) / 6;
        const far = box.width * 0.3;
        await clock.click({
          position: { x: middle.x + far * Math.sin(at), y: middle.y - far * Math.cos(at) },
        });
        taps++;
      }
      await expect(page.getByRole('button', { name: /^5 .*11 o’clock · reaches/ })).toBeVisible();
      await page.getByRole('radio', { name: 'Forearm' }).click();
      await page.getByRole('radio', { name: 'About 10' }).click();
      await readAnew(page);
      await page.getByRole('button', { name: 'Put 5 limbs on the map' }).click();
      await page.getByRole('button', { name: 'Save the limb map' }).click();
      taps += 4;
      await expect(page.getByRole('heading', { level: 1, name: 'Slip side 22' })).toBeVisible();
      expect(taps).toBeLessThanOrEqual(10);
      expect(Date.now() - began).toBeLessThan(90_000);
      await allSent(page);
      await expect.poll(async () => (await limbsOf(page, orchard, 'Slip side 22')).length).toBe(11);
      const limbs = await limbsOf(page, orchard, 'Slip side 22');
      expect(limbs.filter(({ bundle }) => bundle?.about === 10)).toHaveLength(5);
      expect(limbs.filter(({ kind }) => kind === 'scaffold').map(({ baseMm }) => baseMm)).toEqual([
        60, 60, 60, 60, 90,
      ]);
    },
  );

  journey('either')(
    'a file that is no photo, one with too many pixels, a real one with its lens',
    async ({ page, orchard }) => {
      await newTree(page, orchard, 'Slip side 24');
      await page.getByRole('tab', { name: 'Photos' }).click();
      const gallery = page.getByLabel('Photo 1, from the gallery');
      await gallery.setInputFiles({
        name: 'broken.jpg',
        mimeType: 'image/jpeg',
        buffer: Buffer.from('no picture'),
      });
      await expect(page.getByText('This file is no photo', { exact: false })).toBeVisible();
      const flat = (width: number, height: number) =>
        sharp({ create: { width, height, channels: 3, background: '#99aabb' } });
      const huge = await flat(8200, 6200).png({ compressionLevel: 1 }).toBuffer();
      await gallery.setInputFiles({ name: 'huge.png', mimeType: 'image/png', buffer: huge });
      await expect(
        page.getByText('The photo has 51 million pixels. Take it with at most 50 million.'),
      ).toBeVisible();
      const plain = await flat(2400, 1800)
        .jpeg()
        .withExif({ IFD2: { FocalLengthIn35mmFilm: '24' } })
        .toBuffer();
      await gallery.setInputFiles({ name: 'plain.jpg', mimeType: 'image/jpeg', buffer: plain });
      await expect(page.getByText('The photo tells its lens: 24 mm as on film.')).toBeVisible();
      await expect(page.getByText('The photo has 51', { exact: false })).toHaveCount(0);
      // Whoever has no finger puts a mark by keys
      await page.getByRole('group', { name: /^Photo 1/ }).focus();
      await page.keyboard.press('Enter');
      await expect(page.getByText('Tap the top of the pole')).toBeVisible();
      // Nothing was said of the tree: no limb of it is on record
      expect(await limbsOf(page, orchard, 'Slip side 24')).toHaveLength(1);
    },
  );

  journey('either')(
    'a map that is left half done is there again, and can be thrown away',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/round/slip-side-03/map');
      const title = page.getByText(/^Limb map · \d+ limbs$/);
      await title.waitFor();
      // Fields side by side stand on one height, however many lines a label takes
      const tops = await page
        .getByLabel(/^(Length|Height on the parent limb|Thick at base), cm$/)
        .evaluateAll((fields) => fields.map((field) => field.getBoundingClientRect().top));
      expect(tops).toHaveLength(3);
      expect(new Set(tops).size).toBe(1);
      const before = await title.innerText();
      await page.getByRole('button', { name: 'Add a limb on it' }).click();
      await expect(title).not.toHaveText(before);
      const added = await title.innerText();
      await readAnew(page);
      await expect(title).toHaveText(added);
      await expect(
        page.getByText('Somebody left this map half done on this device.', { exact: false }),
      ).toBeVisible();
      await page.getByRole('button', { name: 'Take the map on record' }).click();
      await expect(title).toHaveText(before);
      await readAnew(page);
      await expect(title).toHaveText(before);
      await expect(page.getByRole('button', { name: 'Take the map on record' })).toHaveCount(0);
      // Left on purpose, it is gone as well
      await page.getByRole('button', { name: 'Add a limb on it' }).click();
      await page.getByRole('button', { name: 'Cancel' }).click();
      await page.getByRole('button', { name: 'Leave, lose the changes' }).click();
      await expect(page).toHaveURL(/\/round\/slip-side-03$/);
      await page.goto(`${orchard.url}/round/slip-side-03/map`);
      await expect(title).toHaveText(before);
    },
  );

  journey('either')(
    'the simulated sensor: 12 o’clock, the stem, then a limb, in that order',
    async ({ page, orchard }) => {
      await newTree(page, orchard, 'Slip side 23');
      await page.getByRole('tab', { name: 'Aiming' }).click();
      await page.getByRole('button', { name: 'Simulated sensor' }).click();
      await page.getByRole('button', { name: SUBJECT }).click();
      const take = page.getByRole('button', { name: 'Take it' });
      await expect(page.getByRole('status').filter({ hasText: 'Aim along 12 o’clock' })).toBeVisible();
      await take.click();
      await expect(page.getByRole('status').filter({ hasText: 'Aim at the foot of the stem' })).toBeVisible();
      await take.click();
      await expect(page.getByRole('status').filter({ hasText: 'Limb 1: aim where it joins' })).toBeVisible();
      await take.click();
      const sight = page.getByRole('slider', { name: /Simulated sensor/ });
      await sight.focus();
      for (let i = 0; i < 6; i++) await page.keyboard.press('Shift+ArrowRight');
      for (let i = 0; i < 3; i++) await page.keyboard.press('Shift+ArrowUp');
      await take.click();
      await expect(page.getByText('Aim at its tip from the second place, or say its hour.')).toBeVisible();
      await page.getByLabel('Its hour').selectOption('3 o’clock');
      await expect(page.getByText(/[34] o’clock · \d+ cm ± \d+ long/)).toBeVisible();
      await page.getByRole('button', { name: 'Put 1 limb on the map' }).click();
      await page.getByRole('button', { name: 'Save the limb map' }).click();
      await allSent(page);
      await expect.poll(async () => (await limbsOf(page, orchard, 'Slip side 23')).length).toBe(2);
    },
  );
});

async function newTree(page: Page, orchard: Orchard, code: string): Promise<void> {
  await open(page, orchard.url, '/round/register');
  await page.getByRole('button', { name: 'New tree' }).click();
  await page.getByLabel('Code on its tag').fill(code);
  await page.getByLabel('Plot', { exact: true }).fill('Slip side');
  await page.getByLabel('Row', { exact: true }).fill('Along the slip');
  await page.getByLabel('Height, cm', { exact: true }).fill('380');
  await page.getByLabel('Spread, cm', { exact: true }).fill('360');
  await page.getByRole('button', { name: 'Save and draw limbs' }).click();
  await page.getByRole('button', { name: 'Draw it' }).waitFor();
}

async function photograph(page: Page, again?: 'again'): Promise<void> {
  const before = again
    ? await page
        .getByRole('group', { name: /^Photo \d/ })
        .last()
        .locator('img')
        .getAttribute('src')
    : null;
  await page.getByRole('button', { name: 'Simulated camera' }).last().click();
  await page.getByRole('button', { name: SUBJECT }).click();
  await expect(page.getByText('Tap the foot of the pole').last()).toBeVisible();
  await expect(
    page
      .getByRole('group', { name: /^Photo \d/ })
      .last()
      .locator('img'),
  ).not.toHaveAttribute('src', before ?? 'none');
}

async function limbsOf(page: Page, orchard: Orchard, code: string): Promise<Limb[]> {
  const { trees } = await (await page.request.get(`${orchard.url}/api/trees`)).json();
  const { id } = trees.find((tree: { code: string }) => tree.code === code);
  return (await (await page.request.get(`${orchard.url}/api/trees/${id}`)).json()).limbs;
}

const turned = (a: number, b: number) => ((((a - b) % 360) + 540) % 360) - 180;

/** Taps a place of the tree where the simulated camera shows it. */
function tapper(page: Page, limbs: Limb[], which: number) {
  return async (point: { x: number; y: number; z: number }) => {
    const photo = page.getByRole('group', { name: `Photo ${which + 1} of` });
    // A phone shows one photo at a time
    const stands = page.getByLabel('You stand at');
    const hour = Number(await stands.nth(Math.min(which, (await stands.count()) - 1)).inputValue());
    const said = { bearingDeg: (hour * 30) % 360, awayCm: 500, eyeCm: 165 };
    const spot = pictured(point, simulatedLens(limbs, said, SIZE), SIZE);
    const box = await photo.boundingBox();
    if (!spot || !box) throw new Error('It is not in the picture.');
    const perPx = box.height / SIZE.heightPx;
    await photo.click({ position: { x: spot.x * perPx, y: spot.y * perPx } });
  };
}
