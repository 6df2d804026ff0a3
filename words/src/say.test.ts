import { unitsOf } from '@mortisect/core/measure';
import { english, sayIn } from './all';
import { dictionaryOf, FALLBACK, languageOf, localeFor, locales, unitsOfLocale } from './locales';
import { makeSay } from './say';

test.each([
  [['en-US'], 'en-US'],
  [['en'], 'en-GB'],
  [['en-AU', 'es'], 'en-GB'],
  [['es'], 'es-ES'],
  [['es-ES'], 'es-ES'],
  [['es-MX'], 'es-419'],
  [['es-419'], 'es-419'],
  [['es_AR'], 'es-419'],
  [['zh-Hant-TW', 'es-US'], 'es-419'],
  [[], 'en-GB'],
] as const)('%j asks for %s', (wanted, locale) => {
  expect(localeFor(wanted)).toBe(locale);
});

test('a language that is not spoken is told, one by one, before English is', () => {
  const told: string[] = [];
  expect(localeFor(['fr-FR', 'nonsense!', 'es'], (tag) => told.push(tag))).toBe('es-ES');
  expect(told).toEqual(['fr-FR', 'nonsense!']);
  expect(localeFor(['de'], (tag) => told.push(tag))).toBe(FALLBACK);
  expect(told.at(-1)).toBe('de');
});

test('each locale has a dictionary of its language', () => {
  expect(locales.map((locale) => [languageOf(locale), dictionaryOf(locale)])).toEqual([
    ['en', 'en-GB'],
    ['en', 'en-US'],
    ['es', 'es'],
    ['es', 'es'],
  ]);
});

// One and many in English and Spanish; marks of thousands and decimals after the Unicode CLDR
test('plurals, thousands and decimals go by the locale', () => {
  expect([1, 2].map((cuts) => english('cut.cuts', { cuts }))).toEqual(['1 cut', '2 cuts']);
  expect([1, 0].map((cuts) => sayIn('es-ES')('cut.cuts', { cuts }))).toEqual(['1 corte', '0 cortes']);
  const hatched = { temperatureTerm: 1.5, rainShare: 2, inoculum: 12_345 };
  const said = (locale: (typeof locales)[number]) =>
    sayIn(locale)('plan.temperatureAloneOfItsMostRainIn', hatched);
  expect(said('en-GB')).toContain('12,345');
  expect(said('en-US')).toContain('1.5');
  expect(said('es-ES')).toContain('1,5');
  expect(said('es-ES')).toContain('12.345');
  expect(said('es-419')).toContain('1.5');
});

// Against the Unicode CLDR as this runtime has it
test.each(locales)(
  'numbers within texts are written as in %s, and small counts need no format of the runtime',
  (locale) => {
    const message = [{ type: 2, value: 'n', style: null }];
    const say = makeSay(locale, [{ n: message }]) as unknown as (key: 'n', given: { n: number }) => string;
    const { format } = new Intl.NumberFormat(locale);
    for (const n of [0, 7, 999, 1000, 12_345, -1, -12, 0.5, 999.5, 1e9])
      expect(say('n', { n })).toBe(format(n));
    const prototype: object = Intl.NumberFormat.prototype;
    const getter = jest.spyOn(prototype as { format: unknown }, 'format', 'get');
    try {
      for (const n of [0, 999]) say('n', { n });
      expect(getter).not.toHaveBeenCalled();
      say('n', { n: 1000 });
      expect(getter).toHaveBeenCalledTimes(1);
    } finally {
      getter.mockRestore();
    }
  },
);

test('English has two spellings, and only words change', () => {
  expect(english('round.neighbours')).toBe('Neighbours');
  expect(sayIn('en-US')('round.neighbours')).toBe('Neighbors');
  expect(sayIn('en-US')('cut.litresWanted')).toBe('Liters wanted');
});

test('a key that no loaded catalogue holds is a fault with its name, and can be asked for before', () => {
  const say = makeSay('en-GB', [{ 'round.open': 'Open' }]);
  expect(say('round.open')).toBe('Open');
  expect([say.has('round.open'), say.has('round.seen'), say.has('toString')]).toEqual([true, false, false]);
  expect(() => say('round.seen')).toThrow('“round.seen”');
});

test('a later catalogue adds to the earlier', () => {
  const say = makeSay('en-GB', [{ 'round.open': 'Open' }, { 'round.sound': '✓ sound' }]);
  expect([say('round.open'), say('round.sound')]).toEqual(['Open', '✓ sound']);
  expect(say.has('round.seen')).toBe(false);
  say.add({ 'round.seen': 'Seen' });
  expect([say('round.open'), (say as (key: string) => string)('round.seen')]).toEqual(['Open', 'Seen']);
  expect(say.has('round.seen')).toBe(true);
});

test.each([
  ['metric', 'en-US', 'metric'],
  ['us', 'es-ES', 'us'],
  ['language', 'en-US', 'us'],
  ['language', 'en-GB', 'metric'],
  ['language', 'es-419', 'metric'],
] as const)('a site in %s is measured on a device in %s in %s', (site, locale, units) => {
  expect(unitsOf(site, unitsOfLocale(locale))).toBe(units);
});
