// What limb map does a tree of this form and size start from, before anyone has measured a limb?
import { z } from 'zod';
import { isTrainedFlat, speciesOf, type TreeForm, treeForms } from '../register/index';
import type { Limb } from './limbMap';

export const StarterTree = z
  .strictObject({
    form: z.enum(treeForms),
    species: z.string().min(1).max(40),
    heightCm: z.number().min(20).max(3000),
    spreadCm: z.number().min(10).max(3000),
    scaffolds: z.number().int().min(1).max(24).describe('main limbs; for a multi-stem tree its stems'),
    girthCm: z.number().min(2).max(800).describe('round the stem, over bark, cm'),
    ageYears: z.number().min(1).max(300).nullable(),
    planeBearingDeg: z
      .number()
      .min(0)
      .lt(360)
      .default(90)
      .describe('along the wall or wires, for trained forms'),
  })
  .meta({ id: 'StarterTree' });
export type StarterTree = z.input<typeof StarterTree>;

/** Girth grows about this much a year on a standing orchard tree. Common practice, no source. */
const GIRTH_CM_A_YEAR = 2.5;
/** Turn from one limb to the next round the stem, as leaves stand on a shoot. */
const TURN_DEG = 137.5;
/** Share of the stem's section that the main limbs take up together: what leaves a node equals what enters it. */
const SECTION_SHARE = 0.85;
const FALLBACK_SLENDERNESS = 4;
const TIP_MM = 8;

/**
 * Main limbs where the form usually has them, thick as the stem's section allows (da Vinci's rule) and no longer than the crown is wide.
 * It is a place to start from: every limb is there to be moved. Side branches are not invented.
 *
 * @returns a sound limb map of the stem or stems and the given number of main limbs
 * @source forms: common practice, no source; sections: Shinozaki et al. 1964, pipe model
 */
export function starterMap(given: StarterTree): Limb[] {
  const tree = { planeBearingDeg: 90, ...given };
  const age = tree.ageYears ?? Math.max(2, Math.round(tree.girthCm / GIRTH_CM_A_YEAR));
  const stemMm = Math.max(8, (tree.girthCm / Math.PI) * 10);
  if (tree.form === 'multi-stem') return stems(tree, stemMm, age);
  const joints = jointsOf(tree);
  const topJointCm = Math.max(...joints.map((joint) => joint.atCm));
  const stemCm = stemLengthCm(tree, topJointCm);
  const limbMm = stemMm * Math.sqrt(SECTION_SHARE / joints.length);
  const stem: Limb = {
    ...straight('T', null, 0, stemCm, stemMm, age, 'trunk'),
    tipMm: tree.form === 'open centre' ? Math.round(stemMm * 0.8) : Math.min(TIP_MM, stemMm),
    bearingDeg: tree.planeBearingDeg,
    inclinationDeg: tree.form === 'cordon' ? CORDON_LEANS_DEG : 90,
  };
  return [stem, ...joints.map((joint, i) => limbAt(tree, joint, i, limbMm, age))];
}

const CORDON_LEANS_DEG = 50;

interface Joint {
  atCm: number;
  bearingDeg: number;
  inclinationDeg: number;
  lengthCm: number;
}

function jointsOf(tree: StarterTree & { planeBearingDeg: number }): Joint[] {
  return Array.from({ length: tree.scaffolds }, (_, i) =>
    within(tree, JOINTS[tree.form as JointedForm](tree, i)),
  );
}

type Given = StarterTree & { planeBearingDeg: number };
const share = (i: number, of: number) => (of === 1 ? 0.5 : i / (of - 1));
const side = (tree: Given, i: number) => (tree.planeBearingDeg + (i % 2 === 0 ? 0 : 180)) % 360;
const halfSpread = (tree: Given) => tree.spreadCm / 2;
const roundTheStem = (i: number) => Math.round((i * TURN_DEG) % 360);

type JointedForm = Exclude<TreeForm, 'multi-stem'>;

/** No limb reaches above the tree. */
function within(tree: Given, joint: Joint): Joint {
  const rise = Math.sin((joint.inclinationDeg * Math.PI) / 180);
  const mostCm = tree.form === 'cordon' ? joint.lengthCm : Math.max(5, (tree.heightCm - joint.atCm) / rise);
  return { ...joint, lengthCm: Math.min(joint.lengthCm, mostCm) };
}

const JOINTS: Record<JointedForm, (tree: Given, i: number) => Joint> = {
  'open centre': (tree, i) => {
    const atCm = tree.heightCm * (0.22 + 0.1 * share(i, tree.scaffolds));
    return {
      atCm,
      bearingDeg: Math.round((i * 360) / tree.scaffolds),
      inclinationDeg: 45,
      lengthCm: Math.min(
        halfSpread(tree) / Math.cos(Math.PI / 4),
        (tree.heightCm - atCm) / Math.sin(Math.PI / 4),
      ),
    };
  },
  'central leader': (tree, i) => tier(tree, i, 0.2, 0.78),
  'modified leader': (tree, i) => tier(tree, i, 0.22, 0.6),
  wild: (tree, i) => ({ ...tier(tree, i, 0.15, 0.7), inclinationDeg: 55 }),
  espalier: (tree, i) => ({
    atCm: tree.heightCm * (0.25 + 0.7 * share(Math.floor(i / 2), Math.ceil(tree.scaffolds / 2))),
    bearingDeg: side(tree, i),
    inclinationDeg: 2,
    lengthCm: halfSpread(tree),
  }),
  fan: (tree, i) => {
    const inclinationDeg = Math.round(18 + 57 * share(Math.floor(i / 2), Math.ceil(tree.scaffolds / 2)));
    const angle = (inclinationDeg * Math.PI) / 180;
    const atCm = tree.heightCm * 0.2;
    return {
      atCm: atCm + 3 * i,
      bearingDeg: side(tree, i),
      inclinationDeg,
      lengthCm: Math.min(halfSpread(tree) / Math.cos(angle), (tree.heightCm - atCm) / Math.sin(angle)),
    };
  },
  cordon: (tree, i) => ({
    atCm: tree.heightCm * (0.2 + 0.9 * share(i, tree.scaffolds)),
    bearingDeg: (tree.planeBearingDeg + (i % 2 === 0 ? 90 : 270)) % 360,
    inclinationDeg: 25,
    lengthCm: Math.min(40, halfSpread(tree)),
  }),
};

/** Limbs up a leader: the higher the shorter, spread round the stem. */
function tier(tree: Given, i: number, from: number, to: number): Joint {
  const at = share(i, tree.scaffolds);
  return {
    atCm: tree.heightCm * (from + (to - from) * at),
    bearingDeg: roundTheStem(i),
    inclinationDeg: 32,
    lengthCm: (halfSpread(tree) / Math.cos((32 * Math.PI) / 180)) * (1 - 0.55 * at),
  };
}

/** How high the stem goes by the form of the tree, cm; null where it ends at its highest limb. Common practice, no source. */
export function stemByForm({ form, heightCm }: Pick<StarterTree, 'form' | 'heightCm'>): number | null {
  if (form === 'open centre' || form === 'fan') return null;
  return form === 'modified leader' ? heightCm * 0.65 : heightCm;
}

function stemLengthCm(tree: StarterTree, topJointCm: number): number {
  // A leaning cordon reaches its height with more wood
  if (tree.form === 'cordon') return Math.round(tree.heightCm / Math.sin((CORDON_LEANS_DEG * Math.PI) / 180));
  return Math.round(Math.max(topJointCm, stemByForm(tree) ?? 0));
}

function limbAt(tree: Given, joint: Joint, i: number, limbMm: number, age: number): Limb {
  const slenderness = speciesOf(tree.species)?.slendernessCmPerMm ?? FALLBACK_SLENDERNESS;
  // As thick as its length needs, and no thicker than its share of the stem
  const baseMm = Math.max(5, Math.min(limbMm, (joint.lengthCm / slenderness) * 1.4));
  return {
    ...straight(
      limbId(i),
      'T',
      joint.atCm,
      Math.max(5, joint.lengthCm),
      baseMm,
      Math.max(1, age - 2),
      'scaffold',
    ),
    bearingDeg: joint.bearingDeg,
    inclinationDeg: joint.inclinationDeg,
    guessed: true,
    ...(isTrainedFlat(tree.form) && tree.form === 'cordon' && { kind: 'lateral' as const }),
  };
}

/** Stems stand on the stool, leaning out evenly all round. */
function stems(tree: Given, stemMm: number, age: number): Limb[] {
  const leanDeg = Math.min(40, (Math.atan2(halfSpread(tree), tree.heightCm) * 180) / Math.PI);
  const lengthCm = tree.heightCm / Math.cos((leanDeg * Math.PI) / 180);
  const mm = stemMm * Math.sqrt(1 / tree.scaffolds);
  return Array.from({ length: tree.scaffolds }, (_, i) => ({
    ...straight(i === 0 ? 'T' : `T${i + 1}`, null, 0, lengthCm, mm, age, 'trunk'),
    bearingDeg: Math.round((i * 360) / tree.scaffolds),
    // To tenths: half a degree is a hand’s breadth at the top of a tall stem
    inclinationDeg: Math.round((90 - leanDeg) * 10) / 10,
  }));
}

/** A, B … S, T2, U … Z, A3, B3 …: short enough to be written on a tag; T is the stem. */
export function limbId(i: number): string {
  const letter = String.fromCharCode(65 + (i % 26));
  return i < 26 && letter !== 'T' ? letter : `${letter}${Math.floor(i / 26) + 2}`;
}

function straight(
  id: string,
  parentId: string | null,
  jointCm: number,
  lengthCm: number,
  baseMm: number,
  ageYears: number,
  kind: Limb['kind'],
): Limb {
  const mm = Math.round(baseMm);
  return {
    id,
    parentId,
    jointCm: Math.round(jointCm),
    lengthCm: Math.round(lengthCm),
    baseMm: mm,
    tipMm: Math.min(TIP_MM, mm),
    ageYears,
    kind,
    bearingDeg: 0,
    inclinationDeg: 90,
  };
}
