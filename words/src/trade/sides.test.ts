// How a crown hangs, and light that no cut brings back, as they are told.
import { english } from '../all';
import { lightWords, sideEffectWords, sidesWords } from './plan';

const telling = {
  limbs: [],
  names: new Map<string, string>(),
  units: 'metric' as const,
  twelveBearingDeg: 0,
};
const sides = (offCentre: number, gaps: { middleDeg: number; widthDeg: number }[] = []) => ({
  offCentre,
  heavyDeg: 90,
  gaps,
});
const gap = { middleDeg: 180, widthDeg: 45 };

test.each([
  ['an even crown', sides(0.149), sides(0.1), 0],
  ['one that hangs off its stem', sides(0.15), sides(0.1), 1],
  ['one that the plan takes off it', sides(0.1), sides(0.15), 1],
  ['a bare side that stays bare', sides(0, [gap]), sides(0, [gap]), 1],
  ['a bare side that the plan makes', sides(0), sides(0, [gap]), 1],
])('%s', (_, now, last, lines) => {
  expect(sidesWords(english, { now, after: [last] }, telling)).toHaveLength(lines);
});

test('where to is told by the clock of the site', () => {
  const [line] = sidesWords(english, { now: sides(0.2), after: [sides(0.12)] }, telling);
  expect(line).toBe(
    'The leaf hangs 20 % of the crown’s reach off the stem, toward 3 o’clock. The plan leaves 12 %.',
  );
  const turned = { ...telling, twelveBearingDeg: 90 };
  expect(sidesWords(english, { now: sides(0, [gap]), after: [] }, turned)).toEqual([
    'Hardly any leaf hangs toward 3 o’clock.',
  ]);
});

test('a cut tells what it does from a whole point on', () => {
  expect(sideEffectWords(english, { points: 0.49, opens: [] }, telling)).toEqual([]);
  expect(sideEffectWords(english, { points: 0.5, opens: [] }, telling)[0]).toMatch(/^It brings the crown 1 /);
  expect(sideEffectWords(english, { points: -2.2, opens: [gap] }, telling)).toEqual([
    expect.stringMatching(/goes 2 percentage points farther off/),
    expect.stringMatching(/hardly any leaf hangs toward 6 o’clock/),
  ]);
});

// Enough is 30 %; of an open sky of 70 % that is 21 %
test.each([
  [0.2, 1, null],
  [0.31, 0.7, null],
  [0.25, 0.7, /cutting will not mend this/],
  [0.21, 0.7, /cutting will not mend this/],
  [0.2, 0.7, /mends only the rest/],
])('light of %s under %s of the sky', (share, open, says) => {
  const lines = lightWords(english, { share, open, enough: 0.3 });
  if (says) expect(lines[0]).toMatch(says);
  else expect(lines).toEqual([]);
});
