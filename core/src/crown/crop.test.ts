// Biennial bearing: good and poor years in turn; facts of the trade, common practice, no source.
import { type Crop, type CropRhythm, cropRhythm } from './crop';

const from = (first: number, ...seen: Crop[]) => seen.map((crop, i) => ({ year: first + i, crop }));

test.each<[string, Parameters<typeof cropRhythm>, Partial<CropRhythm>]>([
  [
    'five years in turn, the last one good',
    [from(2022, 'heavy', 'none', 'good', 'light', 'limbs broke'), 2027],
    { biennial: true, next: 'off' },
  ],
  [
    'four are enough, the last one poor',
    [from(2023, 'good', 'light', 'heavy', 'none'), 2027],
    { biennial: true, next: 'on' },
  ],
  ['three are not', [from(2024, 'good', 'light', 'heavy'), 2027], { biennial: false, next: null }],
  ['a fair year breaks it', [from(2022, 'good', 'none', 'fair', 'none', 'good'), 2027], { biennial: false }],
  [
    'two good ones after one another too',
    [from(2022, 'none', 'good', 'light', 'good', 'heavy'), 2027],
    { biennial: false },
  ],
  [
    'a year that nobody wrote down too',
    [[...from(2021, 'good', 'none'), ...from(2024, 'none', 'good', 'none')], 2027],
    { biennial: false },
  ],
  [
    'of a year that is not the next one nothing is said',
    [from(2022, 'good', 'none', 'good', 'none'), 2027],
    { biennial: true, next: null },
  ],
  ['nothing written down', [[], 2027], { biennial: false, next: null, fruitlessYears: 0 }],
  [
    'six years without fruit',
    [from(2020, 'fair', 'none', 'none', 'none', 'none', 'none', 'none'), 2027],
    { fruitlessYears: 6, biennial: false },
  ],
  ['fruit in the last year ends them', [from(2022, 'none', 'none', 'light'), 2025], { fruitlessYears: 0 }],
])('%s', (_, given, expected) => {
  expect(cropRhythm(...given)).toMatchObject(expected);
});

test('the last word on a year holds, in whatever order years are told', () => {
  const seen = [
    ...from(2023, 'good', 'light', 'heavy', 'heavy'),
    { year: 2026, crop: 'none' as const },
  ].toReversed();
  expect(cropRhythm(seen.toReversed(), 2027)).toMatchObject({ biennial: true, next: 'on' });
  expect(cropRhythm(from(2023, 'good', 'light', 'heavy', 'none').toReversed(), 2027)).toMatchObject({
    next: 'on',
  });
});
