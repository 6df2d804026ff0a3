// What makes hidden disease reach farther. Keil & van der Zwet 1972 for the spread; the figures are settings of low confidence.
import { Residual, ResidualCase, residual } from './index';

const given = {
  disorder: 'NEO',
  season: 'dormant',
  edge: 'definite',
  vigorous: false,
  distanceCm: 15,
  unionCrossed: false,
} as const;
const chance = (more: object) => residual({ ...given, ...more }).chance;

test('vigorous wood and an edge that is not definite are each worse, and not worse twice', () => {
  expect(chance({ vigorous: true })).toBeGreaterThan(chance({}) * 1.3);
  expect(chance({ edge: 'indefinite' })).toBeCloseTo(chance({ vigorous: true }), 12);
  expect(chance({ edge: 'indefinite', vigorous: true })).toBeCloseTo(chance({ vigorous: true }), 12);
});

test.each([
  ['summer', true, 'definite', 25],
  ['summer', false, 'definite', 12],
  ['dormant', true, 'indefinite', 8],
  ['dormant', true, 'definite', 2],
] as const)('fire blight in %s (vigorous %s), edge %s: a median of %i cm', (season, vigorous, edge, cm) => {
  const said = residual({ ...given, disorder: 'FB_CANK_A', season, vigorous, edge, distanceCm: cm });
  expect(said.medianCm).toBe(cm);
  // At the median it is as likely as not
  expect(said.chance).toBeCloseTo(0.5, 6);
});

test('a union into older wood lets 0.7 through, a stub keeps 0.3; where nothing is left of the distance it stays for certain', () => {
  expect(chance({ unionCrossed: true })).toBeCloseTo(0.7 * chance({}), 12);
  expect(chance({ inStub: true })).toBeCloseTo(0.3 * chance({}), 12);
  expect(chance({ distanceCm: 0 })).toBe(1);
  expect(residual({ ...given, disorder: 'DEAD', distanceCm: 0 }).chance).toBe(0);
});

test.each<[object, object[]]>([
  [{}, [{ code: 'extent not known', values: { school: expect.any(String) } }]],
  [
    { disorder: 'FB_CANK_A' },
    [{ code: 'median extent', values: { state: 'dormant, edge definite', cm: 2 } }],
  ],
  [
    { disorder: 'FB_CANK_A', unionCrossed: true, inStub: true },
    [
      { code: 'median extent', values: { state: 'dormant, edge definite', cm: 2 } },
      { code: 'union between', values: { factor: 0.7 } },
      { code: 'in a stub', values: { factor: 0.3 } },
    ],
  ],
  [{ disorder: 'DEAD' }, [{ code: 'nothing spreads', values: {} }]],
  [{ disorder: 'PHY' }, [{ code: 'whole plant', values: {} }]],
])('%j rests on %j', (more, because) => {
  const answer = residual({ ...given, ...more });
  expect(answer.because).toEqual(because);
  expect(Residual.parse(answer)).toEqual(answer);
});

test('what no cut answers and what does not spread is so at any distance', () => {
  expect(residual({ ...given, disorder: 'PHY' })).toMatchObject({
    range: [1, 1],
    comesBack: 0.5,
    medianCm: 0,
  });
  expect(residual({ ...given, disorder: 'BRK' })).toMatchObject({ range: [0, 0], comesBack: 0, medianCm: 0 });
});

test.each([
  [-0.1, false],
  [0, true],
  [1000, true],
  [1000.1, false],
])('a distance of %d cm is taken: %s', (distanceCm, takes) => {
  expect(ResidualCase.safeParse({ ...given, distanceCm }).success).toBe(takes);
});
