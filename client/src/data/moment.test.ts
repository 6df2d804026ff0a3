// How far the clock of the server is ahead: measured to the second, and kept while it may still be right.
import { aheadAfter } from './moment';

test.each([
  // Nothing was known: the middle of question and answer counts
  [undefined, { askedAt: 0, answeredAt: 200, serverAt: 3_600_400 }, 3_600_000],
  [undefined, { askedAt: 0, answeredAt: 0, serverAt: -1600 }, -2000],
  // A second beside what was known is no news; more is
  [0, { askedAt: 0, answeredAt: 0, serverAt: 1000 }, 0],
  [0, { askedAt: 0, answeredAt: 0, serverAt: 1001 }, 1000],
  [0, { askedAt: 0, answeredAt: 0, serverAt: -1001 }, -1000],
  // A slow answer may have been given at its begin or its end
  [0, { askedAt: 0, answeredAt: 4000, serverAt: 5000 }, 0],
  [0, { askedAt: 0, answeredAt: 4000, serverAt: 5001 }, 3000],
])('known as %p ms, %j: %d ms ahead', (known, measured, ahead) => {
  expect(aheadAfter(measured, known)).toBe(ahead);
});
