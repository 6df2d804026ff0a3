// Days: a wet week with one dry window from a file; a warm wet bloom in the south with its strikes; a frost after a warm spell; the year and the calendar.
import type { Page } from '@playwright/test';
import { allSent, atBothSizes, expect, goTo, NOW, type Orchard, open, RECKONED, test } from './orchard';

const HOUR_MS = 3_600_000;
const DEVICE = '0193f000-0000-7000-8000-0000000000bb';

interface Hour {
  at: string;
  temperatureC: number;
  humidityPct: number;
  rainMm: number;
  windMs: number;
}

/** Hours from a number of days before now to a number after, by functions of the hours from now. */
function hours(
  fromDays: number,
  toDays: number,
  t: (h: number) => number,
  rain: (h: number) => number,
): Hour[] {
  return Array.from({ length: (toDays - fromDays) * 24 }, (_, i) => {
    const h = fromDays * 24 + i;
    return {
      at: new Date(Date.parse(NOW) + h * HOUR_MS).toISOString(),
      temperatureC: Math.round(t(h) * 10) / 10,
      humidityPct: rain(h) > 0 ? 96 : 70,
      rainMm: rain(h),
      windMs: 3,
    };
  });
}

/** Warmest five hours after now, which is ten in the morning. */
const wave = (mean: number, half: number) => (h: number) =>
  mean + half * Math.cos((2 * Math.PI * (h - 5)) / 24);

const csvOf = (list: Hour[]) =>
  ['time,temp C,humidity,rain mm,wind m/s', ...list.map((hour) => Object.values(hour).join(','))].join('\n');

/** The site moved or set to another weather, as its settings would do it. */
async function setSite(
  page: Page,
  { url }: Orchard,
  change: (site: { weather: object }) => object,
): Promise<void> {
  const headers = { 'X-Device-Id': DEVICE };
  await page.request.put(`${url}/api/devices/${DEVICE}`, { data: { name: 'Boat crew' } });
  const { site, revision } = await (await page.request.get(`${url}/api/site`)).json();
  const answer = await page.request.put(`${url}/api/site`, {
    headers,
    data: { baseRevision: revision, site: { ...site, ...change(site) } },
  });
  expect(answer.ok()).toBe(true);
}

async function push(page: Page, { url }: Orchard, observed: Hour[], forecast: Hour[]): Promise<void> {
  await page.request.put(`${url}/api/devices/${DEVICE}`, { data: { name: 'Boat crew' } });
  const station = await page.request.put(`${url}/api/weather/stations/0193f000-0000-7000-8000-0000000000cc`, {
    headers: { 'X-Device-Id': DEVICE },
    data: { name: 'Mast by the slip' },
  });
  const { token } = await station.json();
  for (const [kind, list] of [
    ['observed', observed],
    ['forecast', forecast],
  ] as const) {
    const answer = await page.request.post(`${url}/api/weather/push`, {
      headers: { Authorization: `Bearer ${token}` },
      data: { kind, hours: list },
    });
    expect(answer.ok()).toBe(true);
  }
}

const lanes = (page: Page) => page.getByRole('slider', { name: /^Cutting weather/ });
const ORCHARD_IN_THE_SOUTH = { latitude: -41.3, longitude: 174.8, timeZone: 'Pacific/Auckland' };

atBothSizes((_name, _viewport, journey) => {
  journey('wide')(
    'a wet week with one dry window: from a file with a gap to the window on Today',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/book/weather');
      await expect(page.getByText('This weather is simulated')).toBeVisible(RECKONED);
      await page.getByRole('button', { name: 'Weather from a file' }).click();
      const dryFrom = 30;
      const dryTo = 30 + 130;
      const rain = (h: number) => (h < dryFrom || h > dryTo ? 0.3 : 0);
      const measured = hours(-60, 0, wave(5, 3), rain).filter((_, i) => i < 100 || i > 101);
      const file = (list: Hour[]) => ({
        name: 'station.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(csvOf(list)),
      });
      const input = page.getByLabel('File of weather');
      await input.setInputFiles(file(measured));
      await expect(page.getByText('No temperature for 2 h.')).toBeVisible();
      await page.getByRole('checkbox', { name: /Fill gaps/ }).click();
      await expect(page.getByText('Gap, mended').first()).toBeVisible();
      await page.getByRole('button', { name: /^Take [\d,]+ hours$/ }).click();
      await expect(page.getByText(/hours taken$/)).toBeVisible();
      await page.getByRole('button', { name: 'To the weather' }).click();
      await page.getByRole('button', { name: 'Weather from a file' }).click();
      await page.getByLabel('File of weather').setInputFiles(file(hours(0, 13, wave(5, 3), rain)));
      await page.getByRole('radio', { name: 'Forecast' }).click();
      await page.getByRole('button', { name: /^Take 312 hours$/ }).click();
      await expect(page.getByText('312 hours taken')).toBeVisible();

      await page.goto(`${orchard.url}/book/settings`);
      await page.getByLabel('The weather comes from').selectOption('recorded');
      await page.getByRole('button', { name: 'Save site' }).click();
      await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible();

      await goTo(page, 'Today');
      await expect(page.getByText('no instrument measured it')).toHaveCount(0);
      await expect(lanes(page)).toBeVisible(RECKONED);
      await lanes(page).press('ArrowRight');
      await expect(lanes(page)).toHaveAttribute('aria-valuetext', /Apple, pear, 2026-11-25: /);
      await expect(page.getByText(/^Apple, pear\. Good: Friday 27 Nov, 09:00 to Sun/)).toBeVisible();
      await page.getByRole('button', { name: 'Why' }).click();
      const why = page.getByRole('dialog', { name: /^Apple, pear/ });
      await expect(why).toContainText('24 h dry before and 48 h after');
      await expect(why).toContainText('neonectria canker');
      await why.getByRole('button', { name: 'Close' }).click();
      // Every cell can be read as a table
      const table = page.getByRole('table', { name: 'Cutting weather by kind of wood and day' });
      await expect(table.getByRole('row')).toHaveCount(11);
      await expect(table.getByRole('row', { name: /^2026-11-24/ })).toContainText('wait');
      await expect(
        table
          .getByRole('row', { name: /^2026-12-03/ })
          .getByRole('cell')
          .nth(1),
      ).toHaveText('wait');
    },
  );

  journey('phone')(
    'a warm wet bloom in the south: blight hosts wait, and strikes are foretold',
    async ({ page, orchard }) => {
      const warmAndWet = (h: number) => ((h + 48) % 24 === 8 ? 4 : 0);
      await push(
        page,
        orchard,
        hours(
          -300,
          0,
          (h) => (h > -240 ? wave(20, 6) : wave(9, 4))(h),
          (h) => (h > -240 ? warmAndWet(h) : 0),
        ),
        hours(0, 13, wave(20, 6), warmAndWet),
      );
      await setSite(page, orchard, (site) => ({
        ...ORCHARD_IN_THE_SOUTH,
        weather: { ...site.weather, source: 'recorded' },
      }));
      await open(page, orchard.url, '/book/weather');
      await page.getByRole('button', { name: 'Say what stage I saw' }).click(RECKONED);
      await page.getByLabel('Kind of tree').selectOption({ label: 'Apple' });
      await page.getByLabel('Stage of most buds').selectOption({ label: 'full bloom' });
      await page.getByRole('button', { name: 'Seen today' }).click();
      await allSent(page);
      await goTo(page, 'Today');
      await expect(page.getByText('Fire blight in bloom: all four conditions are met').first()).toBeVisible(
        RECKONED,
      );
      await page.getByRole('button', { name: 'Why' }).click();
      await expect(page.getByRole('dialog', { name: /^Apple, pear/ })).toContainText(
        'A host of fire blight is in bloom',
      );
      await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
      await expect(page.getByText(/Strikes (may show|are ripening) on apple/).first()).toBeVisible();
      // The year of the south: the plum's summer school lies round New Year
      await page.goto(`${orchard.url}/plan/slip-side-01/when`);
      await expect(page.getByText(/(Sep|Oct|Nov) to (29|30|31) Jan/).first()).toBeVisible(RECKONED);
    },
  );

  journey('wide')(
    'a frost after a warm spell: wait before it, look after it, and not too soon',
    async ({ page, orchard }) => {
      const spring = (h: number) => (h < -75 && h > -90 ? -7 : wave(h > -600 ? 11 : 7, 4)(h));
      await push(
        page,
        orchard,
        hours(-300, 0, spring, () => 0),
        hours(
          0,
          13,
          (h) => (h > 60 && h < 75 ? -8 : wave(9, 4)(h)),
          () => 0,
        ),
      );
      await setSite(page, orchard, (site) => ({
        ...ORCHARD_IN_THE_SOUTH,
        weather: { ...site.weather, source: 'recorded' },
      }));
      await open(page, orchard.url);
      await expect(page.getByText(/^Look at \d+ trees? after the frost of 2[01] Nov/).first()).toBeVisible(
        RECKONED,
      );
      await page.getByRole('button', { name: 'Why' }).click();
      await expect(page.getByRole('dialog', { name: /^Apple, pear/ })).toContainText('Severe frost follows');
      await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();
      await goTo(page, 'Book');
      await page.getByRole('link', { name: 'Weather', exact: true }).click();
      await expect(page.getByText(/of buds killed|injury to wood likely/).first()).toBeVisible(RECKONED);
      await expect(page.getByText(/Wait until then\./).first()).toBeVisible();
    },
  );

  journey('phone')(
    'one tree: its windows, a wound’s curves by keys, the year, and a calendar by address',
    async ({ page, orchard }) => {
      await open(page, orchard.url, '/plan/lee-wall-07');
      await page.getByRole('button', { name: 'When', exact: true }).click();
      await expect(page.getByText(/^Good: (Thursday|Friday)/).first()).toBeVisible(RECKONED);
      await expect(page.getByRole('slider', { name: /a wound day by day/ })).toBeVisible(RECKONED);
      const wound = page.getByRole('slider', { name: /a wound day by day/ });
      const before = await wound.getAttribute('aria-valuetext');
      await wound.press('End');
      expect(await wound.getAttribute('aria-valuetext')).not.toBe(before);
      await expect(wound).toHaveAttribute('aria-valuetext', /open \d+ %, warmth \d+ %, spores \d+ %/);
      await expect(
        page.getByText('With equal rain the effects of temperature nearly cancel', { exact: false }),
      ).toBeVisible(RECKONED);
      const year = page.getByRole('slider', { name: /^The year/ });
      await year.press('Home');
      await expect(year).toHaveAttribute('aria-valuetext', /^Week of 1 Jan: risk/);

      await page.goto(`${orchard.url}/book/weather`);
      await page.getByRole('button', { name: 'Make an address' }).click(RECKONED);
      const address = await page.getByLabel('Address').inputValue();
      const calendar = await page.request.get(address);
      expect(await calendar.text()).toContain('SUMMARY:Good to cut: Apple\\, pear');
      // Mud outweighs the record: said once, every lane waits
      await page.getByRole('radio', { name: 'Too soft' }).click();
      await allSent(page);
      await goTo(page, 'Today');
      await expect(lanes(page)).toHaveAttribute('aria-valuetext', /: wait$/, RECKONED);
    },
  );
});

test('without weather it says what it still can', async ({ page, orchard }) => {
  await setSite(page, orchard, (site) => ({ weather: { ...site.weather, source: 'none' } }));
  await open(page, orchard.url);
  await expect(page.getByText('No weather is known')).toBeVisible();
  await expect(page.getByText(/Dormant, by the calendar/).first()).toBeVisible();
  await page.goto(`${orchard.url}/plan/lee-wall-07/when`);
  await expect(page.getByText('No weather is known')).toBeVisible();
});
