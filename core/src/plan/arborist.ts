// The arborist’s part of a tree: the cuts that no way of the caretaker’s leads to.
import type { Caution } from '../handling/index';
import { type Goal, heightId, stemKeptCm } from '../shaping/index';
import { paceOf } from './input';
import type { Prepared } from './prepare';
import { answersIt, type Priced } from './price';
import type { TreePlan } from './treePlan';

export interface ArboristCut {
  /** Its handling stands with it: a cut that is no cut needs no arborist. */
  priced: Priced & { handling: NonNullable<Priced['handling']> };
  /** Findings that only such a cut answers. */
  findingIds: string[];
  /** What it is for besides findings. */
  goals: Goal[];
  /** Why it is an arborist’s. */
  because: Caution[];
}

type Tree = Pick<Prepared, 'all' | 'heights' | 'input'>;

/**
 * For each finding that the plan hands over, the lightest cut that answers it; for each limb that is too tall, the cut that brings it nearest
 * to the height in one season. One that answers several stands once.
 */
export function arboristPart(tree: Tree, { handOver }: Pick<TreePlan, 'handOver'>): ArboristCut[] {
  const part = new Map<string, ArboristCut>();
  for (const id of handOver) {
    const cuts = tree.all.filter(isCut).filter((priced) => priced.handling.handOver && answersIt(priced, id));
    const tall = tree.heights.tall.find(({ limbId }) => heightId(limbId) === id);
    const found = tall
      ? cuts.filter((priced) => isOneStep(priced, tree)).sort((a, b) => leaves(a, id) - leaves(b, id))[0]
      : cuts.sort((a, b) => a.handling.massKg - b.handling.massKg)[0];
    if (!found) continue;
    const had = part.get(found.id) ?? {
      priced: found,
      findingIds: [],
      goals: [],
      because: found.handling.cautions.filter(({ kind }) => kind === 'hand over'),
    };
    if (!tall) had.findingIds.push(id);
    else if (had.goals.length === 0) had.goals.push('height');
    part.set(found.id, had);
  }
  return [...part.values()];
}

const isCut = (priced: Priced): priced is ArboristCut['priced'] => priced.handling !== null;

/** A stem is not cut deeper in one season than its pace allows. */
function isOneStep({ kerf }: Priced, { input }: Pick<Prepared, 'input'>): boolean {
  const limb = input.tree.limbs.find(({ id }) => id === kerf?.limbId);
  if (limb?.kind !== 'trunk' || paceOf(input) === 'hard first') return true;
  const atCm = kerf?.atCm ?? 0;
  return atCm <= 0 || atCm >= stemKeptCm(limb.lengthCm);
}

/** What it leaves of the height, 0..1. */
const leaves = ({ candidate }: Priced, id: string) =>
  candidate.answers.find(({ findingId }) => findingId === id)?.remains ?? 1;
