// The arborist’s part of a tree: the cuts that no way of the caretaker’s leads to.
import type { Caution } from '../handling/index';
import type { Prepared } from './prepare';
import { answersIt, type Priced } from './price';
import type { TreePlan } from './treePlan';

export interface ArboristCut {
  /** Its handling stands with it: a cut that is no cut needs no arborist. */
  priced: Priced & { handling: NonNullable<Priced['handling']> };
  /** Findings that only such a cut answers. */
  findingIds: string[];
  /** Why it is an arborist’s. */
  because: Caution[];
}

/** For each finding that the plan hands over, the lightest cut that answers it; one that answers several stands once. */
export function arboristPart(
  { all }: Pick<Prepared, 'all'>,
  { handOver }: Pick<TreePlan, 'handOver'>,
): ArboristCut[] {
  const part = new Map<string, ArboristCut>();
  for (const findingId of handOver) {
    const lightest = all
      .filter(isCut)
      .filter((priced) => answersIt(priced, findingId))
      .sort((a, b) => a.handling.massKg - b.handling.massKg)[0];
    if (!lightest) continue;
    const had = part.get(lightest.id);
    if (had) had.findingIds.push(findingId);
    else
      part.set(lightest.id, {
        priced: lightest,
        findingIds: [findingId],
        because: lightest.handling.cautions.filter(({ kind }) => kind === 'hand over'),
      });
  }
  return [...part.values()];
}

const isCut = (priced: Priced): priced is ArboristCut['priced'] => priced.handling !== null;
