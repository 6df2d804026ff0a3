// The cuts that are due, read from the trees as lists take them: where, with what, on which wood.

import { contaminationChance } from '../blades/index';
import { Cut } from '../cuts/index';
import type { ListedCut, ListedTree } from './listedShape';

export interface RunItem extends ListedCut {
  tree: ListedTree['tree'];
}

/** All cuts that are due by the plans, whatever was done since. */
export interface RunWork {
  items: RunItem[];
  /** Disorder by finding id, of all trees at hand. */
  known: ReadonlyMap<string, string>;
  /** Trees on which no cut answers something, and nobody has decided yet. */
  toDecide: ListedTree['tree'][];
}

/** @param trees that ask for work, in walking order; one that is not planned yet is not in the run */
export function workOf(trees: readonly ListedTree[]): RunWork {
  return {
    items: trees.flatMap(({ tree, cuts }) => cuts.map((cut) => ({ ...cut, tree }))),
    known: new Map(trees.flatMap(({ known }) => Object.entries(known))),
    toDecide: trees.filter(({ toDecide }) => toDecide.length > 0).map(({ tree }) => tree),
  };
}

/**
 * The cut as the plan has it, with its reasons.
 *
 * @throws {ZodError} where the reasons are not what a cut says; {SyntaxError} where they are no JSON
 */
export const cutAtHand = ({ cut }: Pick<RunItem, 'cut'>): Cut =>
  Cut.parse({ ...cut, because: JSON.parse(cut.because) });

export function aheadOf({ tree, disorders }: Pick<RunItem, 'tree' | 'disorders'>) {
  return { treeId: tree.id, disorders };
}

/**
 * The cuts of the run as the simulator of skipped cleanings reads them.
 *
 * @param soft sound cuts are made in green shoots
 */
export function transmissionCuts(left: readonly RunItem[], soft: boolean) {
  return left.map((item) => ({
    treeId: item.tree.id,
    disorders: item.disorders,
    infected: item.infectedKerf,
    contaminates: contaminationChance(item.wood, item.infectedKerf, item.hidden),
    soft: soft && !item.infectedKerf,
  }));
}
