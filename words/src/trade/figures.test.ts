import { heightReading, massReading, tapeReading, temperatureReading } from '@mortisect/core/measure';
import { sayIn } from '../all';
import { type Locale, locales } from '../locales';
import { decimalMark, figure, joined, readingIn, tapeText } from './figures';

// Decimal marks: Unicode CLDR 48, numbers/symbols of en, es and es-419
test.each([
  ['en-GB', '.'],
  ['en-US', '.'],
  ['es-ES', ','],
  ['es-419', '.'],
] as const)('%s marks decimals with “%s”', (locale, mark) => {
  expect(decimalMark(sayIn(locale))).toBe(mark);
});

test.each([
  ['en-GB', 2.25, { least: 1 }, '2.3'],
  ['es-ES', 2.25, { least: 1 }, '2,3'],
  ['es-ES', -2.3, { least: 1 }, '−2,3'],
  ['en-GB', -0.04, { least: 1 }, '0.0'],
  ['en-GB', 12345, {}, '12,345'],
  ['es-419', 12345, {}, '12,345'],
  ['es-ES', 12345, {}, '12.345'],
  ['en-GB', 3.6, {}, '4'],
  ['en-GB', 3, { most: 2 }, '3'],
  ['en-GB', 3.456, { most: 2 }, '3.46'],
  ['es-ES', 0.00456, { significant: 1 }, '0,005'],
] as const)('in %s %d with %j is “%s”', (locale, value, digits, text) => {
  expect(figure(sayIn(locale), value, digits)).toBe(text);
});

test.each([
  ['es-ES', tapeReading(41.6, 'metric'), '41,5 cm'],
  ['es-ES', tapeReading(41.6, 'us', 'down'), '16¼ in'],
  ['es-ES', heightReading(412, 'us'), '13 ft 6 in'],
  ['es-ES', massReading(0.0055, 'metric'), '5,5 g'],
  ['es-ES', temperatureReading(-3.26, 'metric', 1), '−3,3 °C'],
  ['es-419', heightReading(412, 'metric'), '4.1 m'],
] as const)('in %s %j is “%s”', (locale, reading, text) => {
  const say = sayIn(locale);
  expect(joined(say, reading)).toBe(text);
  const { value, unit } = readingIn(say, reading);
  expect(text).toBe(`${value} ${unit}`);
});

test.each(locales.map((locale): [Locale] => [locale]))('a length in %s is its reading', (locale) => {
  const say = sayIn(locale);
  expect(tapeText(say, 35.1, 'metric', 'up')).toBe(joined(say, { value: '35.5', unit: 'cm' }));
  expect(tapeText(say, 35.1, 'metric')).toBe(joined(say, { value: '35', unit: 'cm' }));
});
