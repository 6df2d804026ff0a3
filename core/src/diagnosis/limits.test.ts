// The limits of scratches and girdling from both sides. Thresholds: common practice, no source.
import { girdled, liveBoundary } from './index';

test('green and brown at one place: brown counts, and the green one is told as a contradiction', () => {
  const said = liveBoundary(
    [
      { atCm: 30, reads: 'green' },
      { atCm: 50, reads: 'green' },
      { atCm: 50, reads: 'brown' },
    ],
    90,
  );
  expect(said).toMatchObject({ liveToCm: 30, deadFromCm: 50, contradictedBy: [50], noneGreen: false });
});

test('green at the very end, and nothing brown: the limb is alive', () => {
  expect(liveBoundary([{ atCm: 90, reads: 'green' }], 90)).toEqual({
    liveToCm: 90,
    deadFromCm: 90,
    nextCm: null,
    contradictedBy: [],
    noneGreen: false,
    noneBrown: true,
  });
});

test('greens beyond brown are told in their order along the limb', () => {
  const reads = (cm: number, what: 'green' | 'brown') => ({ atCm: cm, reads: what });
  expect(
    liveBoundary([reads(80, 'green'), reads(40, 'brown'), reads(60, 'green'), reads(10, 'green')], 90),
  ).toMatchObject({ contradictedBy: [60, 80], liveToCm: 10, deadFromCm: 40 });
});

// Between green at 20 and brown at 60 the middle is 40, and an eighth of the stretch is 5 cm
test.each([
  [[], 40],
  [[40], 30],
  [[44], 32],
  [[36], 48],
  [[45], 40],
  [[35], 40],
  [[42, 38], 29],
  [[42, 37], 51],
])('after unsure scratches at %j cm the next is made at %d', (unsure, next) => {
  const answer = liveBoundary(
    [
      { atCm: 20, reads: 'green' },
      { atCm: 60, reads: 'brown' },
      ...unsure.map((atCm) => ({ atCm, reads: 'unsure' as const })),
    ],
    90,
  );
  expect(answer.nextCm).toBe(next);
});

test('two centimetres are as fine as the tape asks for', () => {
  const next = (deadFromCm: number) =>
    liveBoundary(
      [
        { atCm: 30, reads: 'green' },
        { atCm: deadFromCm, reads: 'brown' },
      ],
      90,
    ).nextCm;
  expect(next(32)).toBeNull();
  expect(next(32.1)).toBeCloseTo(31.05, 6);
});

test.each<[number, 'stem' | 'limb', boolean, string]>([
  [0.249, 'stem', true, 'excise and watch'],
  [0.25, 'stem', true, 'excise and lighten'],
  [0.25, 'limb', true, 'take or excise'],
  [0.499, 'stem', false, 'excise and lighten'],
  [0.5, 'stem', true, 'stem declines'],
  [0.5, 'stem', false, 'bridge in spring'],
  [0.5, 'limb', true, 'limb goes'],
  [0.749, 'stem', true, 'stem declines'],
  [0.75, 'stem', true, 'stem is lost'],
  [0.75, 'stem', false, 'bridge when bark slips'],
  [0.75, 'limb', false, 'limb goes'],
])('girdled by %f on a %s (disease: %s)', (share, on, diseased, advice) => {
  const said = girdled([share * 100], 100, on, diseased);
  expect(said?.share).toBeCloseTo(share, 9);
  expect(said?.advice).toBe(advice);
});

test('there is no share without a width or a circumference', () => {
  expect(girdled([0], 30, 'stem', true)).toBeNull();
  expect(girdled([3], 0, 'stem', true)).toBeNull();
});
