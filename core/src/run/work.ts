// The cuts that are due, read from the trees as lists take them: where, with what, on which wood.

import { z } from 'zod';
import { contaminationChance } from '../blades/index';
import { Cut, type Reason } from '../cuts/index';
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

/** What a reason holds mostly; where it does, a list leaves it out. */
const MOSTLY: Partial<Reason> = {
  ...{ walk: [], choices: [], passedOver: [], alternatives: [] },
  ...{ clearanceCm: 0, edgeCm: 0, reachedCm: 0, shortfallCm: 0 },
};

/** A cut as JSON for a list: with its reasons it is much of what thousands of trees come to. {@link cutAtHand} reads it. */
export function cutInShort(cut: Cut): string {
  const isSaid = ([key, value]: [string, unknown]) =>
    JSON.stringify(value) !== JSON.stringify(MOSTLY[key as keyof Reason]);
  const because = cut.because.map((reason) => Object.fromEntries(Object.entries(reason).filter(isSaid)));
  return JSON.stringify({ ...cut, because });
}

const InShort = z.looseObject({ because: z.array(z.record(z.string(), z.unknown())) });

/**
 * The cut as the plan has it, with its reasons.
 *
 * @throws {ZodError} where it is not what a list says of a cut; {SyntaxError} where it is no JSON
 */
export function cutAtHand({ cut }: Pick<ListedCut, 'cut'>): Cut {
  const said = InShort.parse(JSON.parse(cut));
  return Cut.parse({ ...said, because: said.because.map((reason) => ({ ...MOSTLY, ...reason })) });
}

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
