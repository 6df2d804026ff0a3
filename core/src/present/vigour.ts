// How strongly a tree grows: as somebody said, else as its shoots say.
import type { TreeBody, TreeDetail } from '../records/index';
import { joinBundles, type Limb, type TreeVigour, treeVigour } from '../tree/index';

export interface VigourKnown {
  vigour: TreeBody['vigour'];
  /** What its shoots say; null where too few were measured. */
  shoots: TreeVigour | null;
}

/** @param limbs as they stand */
export function vigourOf(
  { vigour }: Pick<TreeDetail['tree'], 'vigour'>,
  limbs: readonly Limb[],
): VigourKnown {
  const shoots = treeVigour(joinBundles(limbs));
  return { vigour: vigour === 'unknown' ? (shoots?.vigour ?? 'unknown') : vigour, shoots };
}
