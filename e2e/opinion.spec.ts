// Not sure: signs, a photo without signal, another person's word, a plant clinic, and a tag read from a photo.
import encodeQR from 'qr';
import sharp from 'sharp';
import {
  allSent,
  expect,
  goTo,
  open,
  PHONE,
  RECKONED,
  readAnew,
  sayKind,
  sayWhere,
  test,
  WIDE,
} from './orchard';

test.use({ viewport: PHONE, serverEnv: { MORTISECT_CLINIC_SECONDS: '1' } });

const bark = () =>
  sharp({ create: { width: 640, height: 480, channels: 3, background: '#6b5138' } })
    .jpeg()
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '54/1 12/1 0/1' } })
    .toBuffer();

test('signs name a group, a photo waits with its finding, a clinic answers on the record', async ({
  page,
  orchard,
}) => {
  await open(page, orchard.url, '/round/slip-side-02');
  await page.getByRole('button', { name: 'New finding' }).click();
  await sayKind(page, 'Diseased');
  await sayWhere(page);
  await expect(page.getByText('Not identified yet').first()).toBeVisible();
  await page.getByRole('button', { name: 'Signs and causes' }).click();
  const sheet = page.getByRole('dialog', { name: 'Signs and causes' });
  const sign = (label: string, word: 'Seen' | 'Absent') =>
    sheet.getByRole('group', { name: label, exact: true }).last().getByRole('button', { name: word }).click();
  await sign('Sunken dead bark patch', 'Seen');
  await sign('Black pin-head pimples on dead bark', 'Seen');
  await sign('Wet bark smells sour', 'Absent');
  await expect(sheet.getByText('Most likely: a canker fungus')).toBeVisible();
  await expect(sheet.getByText('Check next')).toBeVisible();
  await sheet.getByRole('button', { name: /^Look-alikes of/ }).click();
  await expect(sheet.getByText('Lichen', { exact: true })).toBeVisible();
  await sheet.getByRole('button', { name: 'Take Cytospora canker' }).click();
  await sheet.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByText('Cytospora canker').first()).toBeVisible();

  await page.getByRole('button', { name: 'Scratch test' }).click();
  await page.getByRole('radio', { name: 'Green' }).click();
  await page.getByRole('radio', { name: 'Brown' }).click();
  await expect(page.getByText(/^Live wood ends between/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();

  await page.getByRole('button', { name: 'Girdling' }).click();
  await page.getByLabel('Width of a dead patch, cm').fill('4');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByText(/% of the circumference/)).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();

  await orchard.stop();
  await page.getByRole('button', { name: 'Photo', exact: true }).click();
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'bark.jpg', mimeType: 'image/jpeg', buffer: await bark() });
  await expect(page.getByRole('img', { name: 'Photo 1 of this finding' })).toBeVisible();
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'x.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('no picture') });
  await expect(
    page.getByText('This file is no photo that can be read here.', { exact: false }),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await expect(page.getByText('2 to send', { exact: false })).toBeVisible();
  await orchard.restart();
  await allSent(page);
  const { findings } = await (await page.request.get(`${orchard.url}/api/trees/slip-side-02`)).json();
  const [photoId] = findings.at(-1).photoIds;
  const photo = await page.request.get(`${orchard.url}/api/photos/${photoId}`);
  expect((await sharp(await photo.body()).metadata()).exif).toBeUndefined();

  await page.getByRole('button', { name: /^Change: Cytospora canker/ }).click();
  await page.getByRole('button', { name: /^Causes/ }).click();
  await sheet.getByRole('button', { name: 'Send a sample' }).click();
  await expect(sheet.getByText(/^Sample S-/)).toBeVisible();
  await allSent(page);
  await expect(async () => {
    const { actions } = await (await page.request.get(`${orchard.url}/api/trees/slip-side-02`)).json();
    expect(actions.map(({ action }: { action: { kind: string } }) => action.kind)).toContain(
      'sampleAnswered',
    );
  }).toPass({ timeout: 60_000 });
  await readAnew(page);
  await page.getByRole('button', { name: 'Cancel' }).click();
  await goTo(page, 'Book');
  await expect(page.getByText(/Sample S-\w+: (the clinic reports|nothing found)/).first()).toBeVisible();
  await expect(page.getByText(/Plant clinic \(simulated\)/).first()).toBeVisible();

  // A photo that is removed can be put back for thirty days
  const photosOnRecord = async () => {
    const tree = await (await page.request.get(`${orchard.url}/api/trees/slip-side-02`)).json();
    return tree.findings.at(-1).photoIds;
  };
  await page.goto(`${orchard.url}/round/slip-side-02`);
  await page
    .getByRole('button', { name: /^Change: / })
    .last()
    .click();
  await page.getByRole('button', { name: '1 photo' }).click();
  await page.getByRole('button', { name: 'Remove photo 1' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Save finding' }).click();
  await allSent(page);
  expect(await photosOnRecord()).toEqual([]);
  await goTo(page, 'Book');
  await page.getByRole('link', { name: 'Settings' }).click();
  await expect(page.getByText('Deleted for good in 30 days')).toBeVisible();
  await page.getByRole('button', { name: 'Put back the photo of Slip side 02' }).click();
  await expect(page.getByText('Removed photos')).toBeHidden();
  await allSent(page);
  expect(await photosOnRecord()).toEqual([photoId]);
});

test('another is asked: the cut is held, stands in their list, and is free once they answer', async ({
  page,
  orchard,
  browser,
}) => {
  await open(page, orchard.url, '/round/slip-side-11');
  const other = await (await browser.newContext({ viewport: WIDE })).newPage();
  await other.goto(orchard.url);
  await other.getByLabel('Who works on this device?').fill('Net loft keeper');
  await other.getByRole('button', { name: 'Start' }).click();
  await other.getByRole('navigation', { name: 'Places' }).waitFor();

  await page.getByRole('button', { name: /^Change: Cytospora canker/ }).click();
  await page.getByRole('button', { name: 'Ask another' }).click();
  await page.getByLabel('Who?').selectOption('Net loft keeper');
  await page.getByLabel('Question').fill('Would you take the whole limb?');
  await page.getByRole('button', { name: 'Ask Net loft keeper' }).click();
  await expect(page.getByText('On hold: somebody was asked', { exact: false }).first()).toBeVisible();
  await allSent(page);

  await other.goto(`${orchard.url}/today`);
  const asked = other.getByRole('link', { name: /Wall crew asks you/ });
  await expect(asked).toBeVisible(RECKONED);
  await asked.click();
  await other.getByRole('button', { name: /^Change: Cytospora canker/ }).click();
  await other.getByRole('button', { name: 'Ask another' }).click();
  await other.getByLabel('Answer').fill('No: back to the fork.');
  await other.getByRole('button', { name: 'Answer, and free the cut' }).click();
  await expect(other.getByText('On hold: somebody was asked', { exact: false })).toHaveCount(0);
  await allSent(other);
  await other.goto(`${orchard.url}/plan/slip-side-11`);
  await expect(other.getByText('Asks for no cut now')).toHaveCount(0);
});

test('a tag is read from a photo, and a fault of shape is noted or waved off', async ({ page, orchard }) => {
  await open(page, orchard.url, '/round');
  await page.getByRole('button', { name: 'Find by tag' }).click();
  const svg = encodeQR('Net loft 05', 'svg', { scale: 12, border: 4 });
  const tag = await sharp(Buffer.from(svg))
    .resize(500, 500)
    .flatten({ background: '#fff' })
    .extend({ top: 60, left: 90, background: '#887' })
    .jpeg()
    .toBuffer();
  await page
    .getByLabel('Photo of a tag')
    .setInputFiles({ name: 'tag.jpg', mimeType: 'image/jpeg', buffer: tag });
  await expect(page.getByRole('heading', { level: 1, name: 'Net loft 05' })).toBeVisible();

  await page.getByRole('tab', { name: 'Shape' }).click();
  await expect(page.getByText(/hats come through/)).toBeVisible();
  const heading = page.getByRole('heading', { name: /faults of shape$/ });
  const before = Number((await heading.textContent())?.split(' ')[0]);
  await page
    .getByRole('button', { name: /^Note: / })
    .first()
    .click();
  await expect(heading).toHaveText(`${before - 1} faults of shape`);
  await page
    .getByRole('button', { name: /^Ignore: / })
    .first()
    .click();
  await expect(heading).toHaveText(`${before - 2} faults of shape`);
  await expect(page.getByText('1 fault waved off earlier and not worse since.')).toBeVisible();
  await page.getByRole('button', { name: 'I tested it with a hat' }).click();
  await page.getByLabel('Came through').fill('4');
  await page.getByRole('button', { name: 'Enter' }).click();
  await expect(page.getByText('Thrown for real: 4 of 10 came through')).toBeVisible();
  await page.getByRole('tab', { name: 'Tree' }).click();
  await page.getByRole('button', { name: 'Add a job' }).click();
  await page.getByLabel('Job', { exact: true }).selectOption('vines');
  await page.getByRole('dialog').getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.getByRole('button', { name: 'Done: Take vines out of the crown' }).click();
  await expect(page.getByText('None open.')).toBeVisible();
  await allSent(page);
});
