// When one tree may be cut, before a server: the answer first, its table, each half-day with its curves, and the year school by school.

import type { TreeTiming } from '@mortisect/contracts';
import type { Site } from '@mortisect/core/records';
import { factorNames } from '@mortisect/core/timing';
import { english } from '@mortisect/words/all';
import { configure, fireEvent, screen, waitFor } from '@testing-library/react';
import { FakeServer, refused } from '../../testing/fakeServer';
import { at, buttons, press, show, went } from '../../testing/here';
import { detail, finding } from '../../testing/orchard';
import { WhenTree } from './WhenTree';
import { dayOfYearWords } from './YearStrip';

jest.mock('expo-router', () => require('../../testing/here').router);
jest.mock('comlink', () => require('../../testing/here').comlink);
configure({ defaultHidden: true });

const CANKER = '0193f000-0000-7000-8000-000000000011';
const orchard = (more: object = {}) => new FakeServer([detail([finding(CANKER, 'S', 'FB_CANK_A')], more)]);
const page = () => document.querySelector('main')?.textContent ?? '';

/** The tree’s days as the fake server tells them, changed by `change`. */
async function come(server: FakeServer, change?: (told: TreeTiming) => TreeTiming): Promise<void> {
  if (change) {
    const plain = new FakeServer([...server.details.values()]).install();
    const told = await (await fetch('/api/trees/a/timing?mm=40&crownShare=0.1')).json();
    server.instead.set('getTreeTiming', () => change(told as TreeTiming));
    expect(plain.asked).toHaveLength(1);
  }
  at.path = '/plan/a/when';
  show(<WhenTree treeId="a" />, server);
  await waitFor(() => expect(page()).toMatch(/Day by day|No weather is known/));
}

const window = (verdict: 'go' | 'possible', fromHour: number) => ({
  fromHour,
  toHour: fromHour + 6,
  verdict,
  dryH: 31,
  lightHours: 5,
  score: [4, 12, 21] as [number, number, number],
});

describe('the answer comes first', () => {
  const withWindows =
    (...given: ['go' | 'possible', number][]) =>
    (told: TreeTiming): TreeTiming => {
      const now = Math.floor(Date.parse(told.now) / 3_600_000);
      const windows = given.map(([verdict, from]) => window(verdict, now + from));
      return { ...told, group: { ...told.group, windows } } as TreeTiming;
    };

  test.each([
    [
      'the first that is good, though one that is only possible comes before it',
      withWindows(['possible', 2], ['go', 24], ['go', 72]),
      /Best: Wednesday 25 Nov, 10:00 to Wed 16:00The next window that is good\. Dry for 31 h once it starts · risk 12 of 100 \(4–21\) · 5 h of daylight/,
      /Goodfrom 10:00 Wed/,
    ],
    [
      'where none is good, the first that is possible, and that it is no more',
      withWindows(['possible', 3], ['possible', 50]),
      /Possible at best: Tuesday 24 Nov, 13:00 to Tue 19:00No window of the next ten days is good\./,
      /Possiblefrom 13:00 Tue/,
    ],
    ['one that has begun', withWindows(['go', -2]), /Best: now to Tue 14:00/, /Goodfrom 08:00 Tue/],
    ['none at all', withWindows(), /WindowsNone in the next ten days/, /Waitten days/],
  ])('%s', async (_said, change, answer, header) => {
    await come(orchard(), change);
    expect(page()).toMatch(answer);
    expect(page()).toMatch(header);
    if (answer.source.startsWith('Windows')) expect(page()).not.toMatch(/Best:|at best/);
  });

  test('no weather is said as such, and leads back to the cuts', async () => {
    const server = orchard();
    server.instead.set('getTreeTiming', () => {
      throw refused(409, 'The site goes by no weather.', { type: 'no-weather' });
    });
    await come(server);
    expect(page()).toContain('The site goes by no weather.');
    press('The cuts of this tree');
    expect(went).toEqual([['navigate', '/plan/a']]);
  });

  test('a disease that may be notifiable names its authority; another does not', async () => {
    const rule = { codes: ['FB_CANK_A'], authority: 'Authority of the test', note: 'Ask first.' };
    const server = orchard();
    server.site = { ...server.site, site: { ...server.site.site, notifiable: [rule] } as Site };
    await come(server);
    expect(page()).toContain('Ask Authority of the test before cutting or moving wood. Ask first.');
    const other = new FakeServer([detail([finding(CANKER, 'S', 'DEAD')])]);
    other.site = server.site;
    await come(other);
    expect(page()).not.toContain('Authority of the test');
  });
});

test('six half-days stand there, then all; the curves follow the one that is chosen', async () => {
  const server = orchard();
  await come(server);
  const halfDays = () => buttons(/, (morning|afternoon)(Good|Possible|Wait)/i);
  expect(halfDays()).toHaveLength(6);
  press('All ten days');
  expect(halfDays().length).toBeGreaterThanOrEqual(19);
  expect(buttons('All ten days')).toEqual([]);
  const asked = () => server.asked.filter(({ name }) => name === 'getTreeTiming');
  const before = asked().length;
  expect(asked().at(-1)?.query.get('at')).toBeNull();
  fireEvent.click(halfDays()[5] as HTMLElement);
  await waitFor(() => expect(asked().length).toBe(before + 1));
  const cutAt = asked().at(-1)?.query.get('at') ?? '';
  expect(cutAt).toMatch(/^2026-11-\d\dT\d\d:00:00/);
  const day = String(Number(cutAt.slice(8, 10)));
  await waitFor(() => expect(page()).toMatch(new RegExp(`Cut on \\w+ ${day} Nov`)));
});

test('every factor stands with its share and weight, and each pathogen has its curves', async () => {
  await come(orchard());
  const lines = page().match(/weight [\d.]+/g) ?? [];
  expect(lines.length).toBeGreaterThan(0);
  expect(lines.length).toBeLessThanOrEqual(factorNames.length);
  const pathogens = screen.getAllByRole('radio').filter((element) => /%$/.test(element.textContent ?? ''));
  expect(pathogens.length).toBeGreaterThan(1);
  const chart = () => screen.getByRole('slider', { name: /: a wound day by day$/ });
  const first = chart().getAttribute('aria-label');
  fireEvent.click(pathogens[1] as HTMLElement);
  await waitFor(() => expect(chart().getAttribute('aria-label')).not.toBe(first));
  expect(pathogens[1]?.textContent).toContain(chart().getAttribute('aria-label')?.split(':')[0]);
  // A day further by key is another day in words
  const said = chart().getAttribute('aria-valuetext');
  fireEvent.keyDown(chart(), { key: 'ArrowRight' });
  await waitFor(() => expect(chart().getAttribute('aria-valuetext')).not.toBe(said));
  expect(chart().getAttribute('aria-valuetext')).toMatch(
    /^2\d Nov 2026: open \d+ %, .* infections in 100 wounds$/,
  );
});

test('without a pathogen whose constants are known the risk holds only frost, sun and bark, and says so', async () => {
  await come(orchard(), (told) => ({ ...told, curves: { ...told.curves, pathogens: [] } }));
  expect(page()).toContain('the risk holds only frost, sun and bark');
  expect(screen.queryByRole('slider', { name: /a wound day by day/ })).toBeNull();
});

describe('the year, school by school', () => {
  test('the school with the lowest index stands first; the strip moves by keys and says the week', async () => {
    const server = orchard();
    await come(server);
    const strip = await screen.findByRole('slider', { name: /^The year: risk of a cut/ });
    const season = (await (await fetch('/api/trees/a/season?mm=40&crownShare=0.1')).json()) as {
      schools: { score: [number, number, number] | null }[];
    };
    const sorted = season.schools.map(({ score }) => score?.[1] ?? 999).sort((a, b) => a - b);
    expect(sorted[0]).toBeLessThan(sorted.at(-1) as number);
    expect(page()).toMatch(/From 1 past years, simulated: no instrument measured them/);
    const said = strip.getAttribute('aria-valuetext') ?? '';
    expect(said).toMatch(
      /^Week of \d+ Nov: risk \d+ of 100 \(\d+–\d+\), [\d.]+ of 7 days with a window, rain on \d+ % of days$/,
    );
    fireEvent.keyDown(strip, { key: 'Home' });
    await waitFor(() => expect(strip.getAttribute('aria-valuetext')).toMatch(/^Week of 1 Jan:/));
    const months = screen.getByRole('slider', { name: 'Temperature, rain and spores by month' });
    fireEvent.keyDown(months, { key: 'End' });
    await waitFor(() =>
      expect(months.getAttribute('aria-valuetext')).toMatch(/^Dec: temperature alone \d+ %/),
    );
  });

  test('a tree that keeps its leaves is told so', async () => {
    const server = orchard();
    server.instead.set('getTreeSeason', () => {
      throw refused(422, 'A tree that keeps its leaves has no rest.', { type: 'keeps-its-leaves' });
    });
    await come(server);
    expect(await screen.findByText(/keeps its leaves has no rest/)).toBeTruthy();
  });

  // The calendar itself: 31 + 28 days before 1 March, no leap day
  test.each([
    [1, '1 Jan'],
    [31, '31 Jan'],
    [32, '1 Feb'],
    [60, '1 Mar'],
    [365, '31 Dec'],
  ])('day %i of the year is %s', (day, words) => {
    expect(dayOfYearWords(english, day)).toBe(words);
  });
});
