// What makes hidden disease reach farther. Keil & van der Zwet 1972 for the spread; the figures are settings of low confidence.
import { residual } from './index';

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
