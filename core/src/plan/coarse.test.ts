// A tree mapped coarsely is planned much as the same tree mapped limb by limb. Its grain is the brief’s; the trees are invented.
import { twiceMapped } from './testing/coarse';
import { planTree } from './testing/given';

const sums = (input: Parameters<typeof planTree>[0]) => {
  const { plan } = planTree(input, 60);
  const whole = (of: (season: (typeof plan.seasons)[number]) => number) =>
    plan.seasons.reduce((sum, season) => sum + of(season), 0);
  return { crown: whole(({ crown }) => crown), steps: plan.steps.length };
};

test('with counts a fifth wrong, the crown that comes off lies within 70 thousandths in the median and 150 at most', () => {
  const errors = Array.from({ length: 10 }, (_, i) => {
    const { full, coarse } = twiceMapped(i + 1, (i % 5) * 10 - 20);
    const [limbByLimb, bundled] = [sums(full), sums(coarse)];
    // One step for each handful, not for each shoot
    expect(bundled.steps).toBeLessThanOrEqual(5);
    expect(limbByLimb.steps).toBeGreaterThan(bundled.steps);
    return Math.abs(limbByLimb.crown - bundled.crown);
  }).sort((a, b) => a - b);
  expect(errors[5]).toBeLessThan(70);
  expect(errors[9]).toBeLessThan(150);
});
