import fc from 'fast-check';
import { jStat } from 'jstat';
import { beyond, residual } from './index';

const case30 = {
  disorder: 'FB_CANK_A',
  season: 'summer',
  edge: 'definite',
  vigorous: false,
  distanceCm: 30,
  unionCrossed: false,
} as const;

describe('what lies beyond the visible edge', () => {
  // Log-normal, median 12 or 25 cm, geometric standard deviation 2.2: proposed for fire blight, low confidence
  test.each([
    [30, 12, 0.122591],
    [20, 12, 0.258531],
    [76, 25, 0.079245],
    [43.8951, 12, 0.05],
  ])('more than %f cm where the median is %i', (cm, median, chance) => {
    expect(beyond(cm, median)).toBeCloseTo(chance, 4);
  });

  test('agrees with a general statistics library', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2000 }), fc.integer({ min: 1, max: 400 }), (cm, median) => {
        const there = 1 - jStat.lognormal.cdf(cm / 10, Math.log(median / 10), Math.log(2.2));
        expect(Math.abs(beyond(cm / 10, median / 10) - there)).toBeLessThan(2e-6);
      }),
    );
  });

  test('an ordinary strike at 30 cm: 12 in 100, half of which shows again; the range is that of the median', () => {
    const said = residual(case30);
    expect(said.chance).toBeCloseTo(0.1226, 3);
    expect(said.comesBack).toBeCloseTo(0.0613, 3);
    expect(said.range[0]).toBeCloseTo(0.021, 3);
    expect(said.range[1]).toBeCloseTo(0.389, 3);
    // Eight strikes, each at 0.12: none left behind in 36 of 100
    expect((1 - 0.12) ** 8).toBeCloseTo(0.359635, 5);
  });

  test('more distance, a definite edge, a union between and a stub each leave less', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 1, max: 40 }), (distanceCm, more) => {
        const at = (change: object) =>
          residual({ ...case30, season: 'dormant', edge: 'indefinite', distanceCm, ...change }).chance;
        expect(at({ distanceCm: distanceCm + more })).toBeLessThanOrEqual(at({}));
        expect(at({ edge: 'definite' })).toBeLessThanOrEqual(at({}));
        expect(at({ unionCrossed: true })).toBeLessThanOrEqual(at({}));
        expect(at({ inStub: true })).toBeLessThanOrEqual(at({ unionCrossed: true }));
      }),
    );
  });

  test('dead wood leaves nothing behind, a rootstock everything', () => {
    expect(residual({ ...case30, disorder: 'DEAD' }).chance).toBe(0);
    expect(residual({ ...case30, disorder: 'PHY' }).chance).toBe(1);
  });
});
