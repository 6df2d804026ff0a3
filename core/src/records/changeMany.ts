// Many trees of the register changed alike: moved to another row or plot, numbered anew along their row, kept, retired.
import { type TreeBody, type TreeSummary, treeBodyOf } from './tree';

/** What becomes of all of them; what is not said stays as it is. */
export interface ChangeOfMany {
  plot?: string;
  row?: string;
  status?: TreeBody['status'];
  /** Places along the row from 1 on, in the order in which the trees are given. */
  numbered?: boolean;
}

export interface TreeChange {
  treeId: string;
  code: string;
  baseRevision: number;
  tree: TreeBody;
}

/**
 * The trees that become something else by it, each with what it becomes.
 *
 * @param trees in the order in which they are numbered
 * @example changesOfMany([tree], { status: 'removed' })[0].tree.status //=> 'removed'
 */
export function changesOfMany(
  trees: readonly TreeSummary[],
  { plot, row, status, numbered = false }: ChangeOfMany,
): TreeChange[] {
  return trees.flatMap((summary, i) => {
    const before = treeBodyOf(summary);
    const tree: TreeBody = {
      ...before,
      plot: said(plot) ?? before.plot,
      row: said(row) ?? before.row,
      status: status ?? before.status,
      place: numbered ? i + 1 : before.place,
    };
    const isSame =
      tree.plot === before.plot &&
      tree.row === before.row &&
      tree.status === before.status &&
      tree.place === before.place;
    return isSame ? [] : [{ treeId: summary.id, code: summary.code, baseRevision: summary.revision, tree }];
  });
}

const said = (text: string | undefined) => text?.trim() || undefined;
