// A tree to renovate, planned with every fault of shape that is found on them beside what was found: who reads the list nods.
import { type FaultKind, geometryFaults } from '@mortisect/core/faults';
import { PlanInput, preparePlan } from '@mortisect/core/plan';
import { findings, site, trees } from './orrinBight';

/** What was found on it, as the planner reads it. */
const foundOn = ({ id, limbs }: (typeof trees)[number]) =>
  findings
    .filter(({ treeId }) => treeId === id)
    .map(({ limbId, span, disorder, edge }, i) => {
      const lengthCm = limbs.find((limb) => limb.id === limbId)?.lengthCm ?? 0;
      const [fromCm, toCm] = span.map((share) => share * lengthCm);
      return { id: `found ${i}`, limbId, fromCm, toCm, disorder, edge, growthRapid: false };
    });
const faultsOf = ({ limbs, species, form, habit, reachCm }: (typeof trees)[number]) =>
  geometryFaults({ limbs, species, form, habit, reachCm }, site.limits);

test.each(['net-loft-05', 'net-loft-07'])(
  '%s: every upright is seen, whatever its age; they are at most half of what its renovation is worth, narrow unions a quarter',
  (id) => {
    const tree = trees.find((each) => each.id === id) as (typeof trees)[number];
    const faults = faultsOf(tree);
    const byId = new Map(tree.limbs.map((limb) => [limb.id, limb]));
    const upright = tree.limbs.filter(
      ({ parentId, inclinationDeg, lengthCm }) =>
        parentId !== null &&
        byId.get(parentId)?.kind !== 'trunk' &&
        inclinationDeg > 70 &&
        lengthCm > site.limits.sproutFromCm,
    );
    const seen = faults.filter(({ kind }) => kind === 'upright sprout').map(({ limbIds }) => limbIds[0]);
    expect(upright.map(({ ageYears }) => ageYears)).toContain(4);
    expect(seen.toSorted()).toEqual(upright.map(({ id }) => id).toSorted());

    const { asked } = preparePlan(
      PlanInput.parse({
        tree: {
          limbs: tree.limbs,
          ...{ species: tree.species, habit: tree.habit, form: tree.form, susceptible: tree.susceptible },
          ...{ heightCm: tree.heightCm, targetHeightCm: tree.targetHeightCm, hazards: tree.hazards },
          ...{ plantedYear: null, renovated: true },
        },
        findings: [
          ...foundOn(tree),
          ...faults.map(({ kind, limbIds, atCm }, i) => ({
            ...{ id: `${i} ${kind}`, limbId: limbIds[0], fromCm: 0, toCm: 5, disorder: 'MISPLACED' },
            ...{ edge: 'definite', growthRapid: false, place: 'limb', fault: { kind, limbIds, atCm } },
          })),
        ],
        schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
        ...{ season: 'dormant', year: 2026, seasons: 3 },
      }),
    );
    const worth = (kind?: FaultKind) =>
      asked.reduce(
        (sum, { findingId, what, value }) =>
          (!kind && what === 'height') || (findingId && (!kind || findingId.endsWith(` ${kind}`)))
            ? sum + value
            : sum,
        0,
      );
    expect(worth()).toBeGreaterThan(10);
    expect(worth('upright sprout') / worth()).toBeLessThanOrEqual(0.5);
    expect(worth('narrow union') / worth()).toBeLessThanOrEqual(0.25);
  },
);
