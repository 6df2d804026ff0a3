// Typed figures of the site: kept as typed until they are good, refused in words that say the range.
import { english } from '@mortisect/words/all';
import { site } from '../../testing/orchard';
import { formOf, siteFormIn } from './siteForm';

test('what is shown can be saved as it was', () => {
  expect(siteFormIn(english).parse(formOf(site))).toEqual(site);
});

test.each([
  ['latitude', '-33,5', -33.5],
  ['longitude', ' 151.2 ', 151.2],
  ['twelveBearingDeg', '350', 350],
] as const)('%s typed as “%s” is %f', (field, typed, value) => {
  expect(siteFormIn(english).parse({ ...formOf(site), [field]: typed })).toMatchObject({ [field]: value });
});

test.each([
  ['latitude', '91', 'A number from -90 to 90 degrees, south negative.'],
  ['longitude', 'west', 'A number from -180 to 180 degrees, west negative.'],
  ['twelveBearingDeg', '', 'A number from 0 to 359.9 degrees.'],
  ['twelveBearingDeg', '360', 'A number from 0 to 359.9 degrees.'],
  ['timeZone', 'Nowhere/Town', 'This is no time zone. Write it like Europe/Lisbon.'],
  ['name', '   ', 'Give it a name.'],
] as const)('%s typed as “%s” is refused in words', (field, typed, words) => {
  const parsed = siteFormIn(english).safeParse({ ...formOf(site), [field]: typed });
  expect(parsed.error?.issues.map(({ path, message }) => [path.join('.'), message])).toEqual([
    [field, words],
  ]);
});
