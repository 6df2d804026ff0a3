// The three trees of docs/methods/worked-trees.md, every figure worked there by hand with a tape and a pencil.

import type { Limb } from '../tree/index';
import { orderOf, PlanInput } from './index';
import { limb as plainLimb, planTree } from './testing/given';
import { visitOf } from './visit';

const BEARINGS: Record<string, number> = { T: 0, A: 0, B: 120, C: 240, D: 40, E: 160 };
const limb = (
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  tipMm: number,
): Limb =>
  plainLimb(id, parentId, jointCm, lengthCm, baseMm, { tipMm, ageYears: 8, bearingDeg: BEARINGS[id] ?? 0 });

/** A stem that ends at its topmost joint; scaffolds of 90, 80 and 70 mm; a lateral of 45 mm on A and one of 40 mm on B. */
const limbs = [
  limb('T', null, 0, 100, 130, 110),
  limb('A', 'T', 90, 200, 90, 10),
  limb('B', 'T', 95, 200, 80, 10),
  limb('C', 'T', 100, 200, 70, 10),
  limb('D', 'A', 100, 120, 45, 5),
  limb('E', 'B', 100, 120, 40, 5),
];

function plan(findings: object[], tree: object = {}, more: object = {}) {
  return planTree(
    PlanInput.parse({
      tree: {
        limbs,
        species: 'apple',
        habit: 'unknown',
        form: 'open centre',
        plantedYear: 2000,
        susceptible: false,
        heightCm: 240,
        ...tree,
      },
      findings: findings.map((finding) => ({ growthRapid: false, edge: 'definite', ...finding })),
      schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
      season: 'dormant',
      year: 2026,
      seasons: 2,
      ...more,
    }),
  );
}

test('tree 1: an active canker on a lateral', () => {
  const { plan: said, prepared } = plan([
    { id: 'canker', limbId: 'D', fromCm: 40, toCm: 50, disorder: 'FB_CANK_A' },
  ]);
  const [step] = said.steps;
  expect(said.steps).toHaveLength(1);
  expect(step).toMatchObject({ candidateId: 'D collar 0', season: 1, pass: 'dormant', crown: 0, exempt: 83 });
  const onD = prepared.all.find((each) => each.id === 'D collar 0');
  expect(onD?.left).toMatchObject([{ findingId: 'canker', distanceCm: 40 }]);
  // z = ln(40 / 2) / ln 2.2 = 3.80; the union of D on A counts × 0.7 only where the way passes one: it does not
  expect(onD?.left[0]?.chance).toBeLessThan(0.0002);
  expect(onD?.handling?.kerfMm).toBe(45);
  expect(onD?.handling?.massKg).toBeCloseTo(1.26, 2);
  expect(onD?.handling?.strokes).toMatchObject({ undercutCm: null, finalCm: 0 });
  expect(onD?.handling?.wielded?.tool.id).toBe('saw');
});

test('tree 2: more than a stressed tree may lose at once waits a season', () => {
  const inward = (id: string) => ({
    id: `in ${id}`,
    limbId: id,
    fromCm: 0,
    toCm: 120,
    disorder: 'MISPLACED',
    place: 'limb',
    fault: { kind: 'inward', limbIds: [id], atCm: 0 },
  });
  const { plan: said } = plan([inward('D'), inward('E')], { stressed: true });
  expect(said.seasons.map(({ crown, limit }) => [crown, limit])).toEqual([
    [66, 100],
    [83, 100],
  ]);
  expect(said.steps.map(({ candidateId, season }) => [candidateId, season])).toEqual([
    ['E collar 0', 1],
    ['D collar 0', 2],
  ]);
});

test('tree 3: a stem more than half girdled', () => {
  const { plan: said } = plan([
    { id: 'stem', limbId: 'T', fromCm: 20, toCm: 40, disorder: 'NEO', girdledShare: (13 + 10) / 39.6 },
    { id: 'dead', limbId: 'C', fromCm: 150, toCm: 200, disorder: 'DEAD' },
  ]);
  expect(said.verdict).toMatchObject({ choice: 'remove tree', findingIds: ['stem'] });
  expect(said.verdict?.because).toEqual({
    code: 'girdled by disease',
    values: { share: expect.closeTo(0.58, 2) },
  });
  expect(said.steps).toEqual([]);
});

test('the order of tree 1 with dead wood beside it: sound wood first, each blade cleaned once', () => {
  const { plan: said, prepared } = plan([
    { id: 'canker', limbId: 'D', fromCm: 8, toCm: 20, disorder: 'NEO', clearanceCm: 5 },
    { id: 'dead', limbId: 'C', fromCm: 150, toCm: 200, disorder: 'DEAD' },
  ]);
  const steps = said.steps.flatMap(
    (step) => prepared.all.find((priced) => priced.id === step.candidateId) ?? [],
  );
  const { order, tally } = orderOf(visitOf(steps, prepared.input, { growing: false }));
  expect(order.at(-1)).toMatch(/^D /);
  expect(tally.cleanings).toBe(2);
});
