// A peach’s shoots in its plan. @source extension handbooks on peach: about half of last year’s shoots go, from memory; weights are the brief’s
import type { Limb } from '../tree/index';
import { given, limb, planTree } from './testing/given';

/** An open centre of three scaffolds with sixty shoots of last year, too close and two thirds of them too long. */
function peach(): Limb[] {
  const limbs = [limb('T', null, 0, 70, 100, { tipMm: 90, ageYears: 8 })];
  ['A', 'B', 'C'].forEach((id, s) => {
    limbs.push(limb(id, 'T', 50 + 6 * s, 240, 70, { bearingDeg: 120 * s, ageYears: 8, tipMm: 12 }));
    for (let i = 0; i < 20; i++)
      limbs.push(
        limb(`${id}${i}`, id, 30 + 10 * i, i % 3 > 0 ? 95 : 50, 9, {
          kind: 'shoot',
          ageYears: 1,
          tipMm: 3,
          bearingDeg: (120 * s + (i % 2 ? 70 : 290)) % 360,
          inclinationDeg: i % 4 === 3 ? 68 : 15,
        }),
      );
  });
  return limbs;
}

test('a peach of 60 shoots loses about half of them and keeps its frame', () => {
  const { plan } = planTree(
    given([], {
      tree: {
        limbs: peach(),
        species: 'peach',
        habit: 'last year’s shoots',
        plantedYear: 2014,
        heightCm: 280,
      },
      plan: { seasons: 1 },
    }),
    60,
  );
  // Half of last year’s shoots by their length, a quarter of the older wood; the wood of the frame counts nothing of either
  const [season] = plan.seasons;
  const [shoots, older] = season?.quotas ?? [];
  expect([shoots?.what, shoots?.limit, older?.what, older?.limit]).toEqual([
    'shoots',
    500,
    'older wood',
    250,
  ]);
  expect(shoots?.used).toBeGreaterThan(300);
  expect(shoots?.used).toBeLessThanOrEqual(500);
  expect(older?.used).toBeLessThanOrEqual(250);
  const gone = plan.steps.filter(({ candidateId }) => candidateId.endsWith(' collar 0'));
  expect(gone.length).toBeGreaterThanOrEqual(25);
  expect(gone.length).toBeLessThanOrEqual(36);
  expect(gone.every(({ serves }) => serves.includes('spacing'))).toBe(true);
  expect(plan.steps.some(({ candidateId }) => /^[ABCT] /.test(candidateId))).toBe(false);
  expect(plan.seasons[0]?.crown).toBeLessThanOrEqual(500);
});

test('a lateral past its age goes back to its follower, not off at its collar', () => {
  const limbs = [
    limb('T', null, 0, 90, 150, { tipMm: 130 }),
    limb('A', 'T', 70, 220, 92, { bearingDeg: 0 }),
    limb('B', 'T', 75, 220, 88, { bearingDeg: 120 }),
    limb('C', 'T', 80, 220, 84, { bearingDeg: 240 }),
    limb('L', 'A', 100, 90, 20, { ageYears: 7, kind: 'lateral', inclinationDeg: 10, bearingDeg: 70 }),
    limb('y', 'L', 20, 40, 9, { ageYears: 2, kind: 'branch', inclinationDeg: 20, bearingDeg: 90 }),
  ];
  const { plan } = planTree(given([], { tree: { limbs, plantedYear: 1990, heightCm: 250 } }));
  expect(plan.steps).toMatchObject([{ pass: 'dormant', serves: ['renewal'] }]);
  expect(plan.steps[0]?.candidateId).toMatch(/^L reduction /);
});
