// What a tap on the clock means: a frame that is tapped at 12 begins with A there, and not with the last letter.
import { hourBearing, tappedBearing } from './hours';

test.each([
  [359.7, 0, 0],
  [2.4, 0, 0],
  [2.6, 0, 5],
  [357.4, 0, 355],
  [164.6, 165, 165],
  [162.4, 165, 160],
  [359, 358, 358],
])('tapped at %s°, 12 o’clock at %s°: %s°', (at, twelve, means) =>
  expect(tappedBearing(at, twelve)).toBe(means),
);

test('hours go round by 30°', () => {
  expect([1, 6, 12, 15].map((hour) => hourBearing(hour, 345))).toEqual([15, 165, 345, 75]);
});
