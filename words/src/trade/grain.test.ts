// What a count at a glance leaves open, in words; and nothing of it where every limb was mapped by itself.
import { english } from '../all';
import { countedWords, minutesWords, shareWords } from './index';

test.each<[number, [number, number], string]>([
  [15, [0, 0], '15 min'],
  [15.4, [6, 27], '15 min (9–42)'],
  [15.2, [0.1, 0.2], '15 min'],
  [0.4, [0.1, 2.7], '1 min (1–3)'],
  [15, [0, 1], '15 min'],
  [15, [1, 1], '15 min (14–16)'],
])('%d minutes, %j less and more', (figure, within, words) => {
  expect(minutesWords(english, figure, within)).toBe(words);
});

test.each<[[number, number], string]>([
  [[0, 0], '15 %'],
  [[60, 190], '15 % (9–34)'],
  [[2, 4], '15 %'],
])('a share with %j less and more', (within, words) => {
  expect(shareWords(english, '15 %', 150, within)).toBe(words);
});

test.each<[[number, number], [number, number], string | null]>([
  [[0, 0], [0, 0], null],
  [[0.1, 0.1], [1, 1], null],
  [[5, 20], [0, 0], 'Some limbs were only counted. Likely: 7–32 min.'],
  [[0, 0], [40, 90], 'Some limbs were only counted. Likely: 6–19 % of the crown.'],
  [[5, 20], [40, 90], 'Some limbs were only counted. Likely: 7–32 min, 6–19 % of the crown.'],
])('a season with %j minutes and %j of the crown less and more', (minutes, crown, words) => {
  expect(countedWords(english, { minutes: 12, crown: 100, grain: { minutes, crown } })).toBe(words);
});

test('minutes alone, where nothing is said of the crown', () => {
  const grain = { minutes: [5, 20] as [number, number], crown: [40, 90] as [number, number] };
  expect(countedWords(english, { minutes: 12, grain })).toBe(
    'Some limbs were only counted. Likely: 7–32 min.',
  );
});
