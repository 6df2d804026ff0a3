// A flat form in its plan: shoots in summer, worth 0.4 each; a rib too close, worth 1. The brief's figures; common practice, no source.
import { preparePlan } from './prepare';
import { given, limb, planTree } from './testing/given';

const tier = (more: object = {}) =>
  given([], {
    tree: {
      limbs: [
        limb('T', null, 0, 120, 60, { tipMm: 40, ageYears: 12 }),
        limb('A', 'T', 60, 150, 30, { ageYears: 10, inclinationDeg: 0 }),
        limb('s', 'A', 50, 45, 6, {
          kind: 'shoot',
          ageYears: 1,
          inclinationDeg: 80,
          budsComplete: false,
          bundle: { about: 6, overCm: 80 },
        }),
        limb('r', 'A', 90, 60, 12, { kind: 'branch', ageYears: 4, inclinationDeg: 30 }),
        limb('q', 'A', 96, 60, 10, { kind: 'branch', ageYears: 4, inclinationDeg: 30 }),
      ],
      species: 'pear',
      form: 'espalier',
      habit: 'spur',
      plantedYear: 2010,
      heightCm: 180,
      ...more,
    },
  });

test('an espalier’s shoots are shortened in summer, all of a bundle as one', () => {
  const { prepared } = { prepared: preparePlan(tier()) };
  expect(prepared.asked.filter(({ what }) => what === 'form')).toMatchObject([
    { id: 'form s', value: 6 * 0.4 },
  ]);
  const { plan } = planTree(tier(), 60);
  const steps = plan.steps.filter(({ serves }) => serves.includes('form'));
  expect(steps.map(({ pass }) => pass)).toEqual(['summer']);
  expect(steps[0]?.candidateId).toMatch(/^s /);
});

test('a fan loses the thinner of two ribs that stand too close', () => {
  const asked = preparePlan(tier({ form: 'fan' })).asked.filter(({ what }) => what === 'form');
  expect(asked).toMatchObject([{ id: 'form q', value: 1 }]);
  expect(preparePlan(tier({ form: 'central leader' })).asked.some(({ what }) => what === 'form')).toBe(false);
});
