// Trees and findings to plan for, in tests.
import type { Limb } from '../../tree/index';
import { PlanInput } from '../input';
import { planning } from '../planTree';

export function limb(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  more: Partial<Limb> = {},
): Limb {
  return {
    id,
    parentId,
    jointCm,
    lengthCm,
    baseMm,
    tipMm: Math.min(10, baseMm),
    ageYears: 12,
    kind: parentId === null ? 'trunk' : parentId === 'T' ? 'scaffold' : 'lateral',
    bearingDeg: 0,
    inclinationDeg: parentId === null ? 90 : 35,
    budsComplete: true,
    ...more,
  };
}

/** An open centre: a stem, four scaffolds all round, three laterals on each. */
export function vase(): Limb[] {
  const limbs = [limb('T', null, 0, 90, 150, { tipMm: 130 })];
  ['A', 'B', 'C', 'D'].forEach((id, i) => {
    limbs.push(limb(id, 'T', 70 + 5 * i, 220, [92, 88, 84, 80][i] as number, { bearingDeg: 90 * i }));
    for (let n = 0; n < 3; n++) {
      limbs.push(
        limb(`${id}${n + 1}`, id, 60 + 50 * n, 90, 30 - 4 * n, {
          bearingDeg: 90 * i + (n % 2 ? 40 : -40),
          ageYears: 5,
          inclinationDeg: 20,
        }),
      );
    }
  });
  return limbs;
}

export const finding = (id: string, limbId: string, fromCm: number, disorder: string, more: object = {}) => ({
  id,
  limbId,
  fromCm,
  toCm: fromCm + 10,
  disorder,
  edge: 'definite',
  growthRapid: false,
  ...more,
});
export const fault = (id: string, limbId: string, kind: string, limbIds = [limbId], atCm = 0) =>
  finding(id, limbId, 0, 'MISPLACED', { place: 'limb', toCm: 5, fault: { kind, limbIds, atCm } });

export function given(findings: object[], more: { tree?: object; plan?: object } = {}): PlanInput {
  return PlanInput.parse({
    tree: {
      limbs: vase(),
      species: 'apple',
      habit: 'spur',
      form: 'open centre',
      plantedYear: 2000,
      susceptible: false,
      heightCm: 280,
      ...more.tree,
    },
    findings,
    schools: { clearance: {}, halveDefiniteDormant: false, inSeasonStub: false, finish: 'tight' },
    season: 'dormant',
    year: 2026,
    seasons: 3,
    ...more.plan,
  });
}

/** The best plan, proved, with what it was made of. */
export function planTree(input: PlanInput, mostNodes = 20_000) {
  const { prepared, step } = planning(input);
  return { prepared, plan: step(mostNodes) };
}
