// The columns of the register: what each shows and what it sorts by.

import type { TreeSummary } from '@mortisect/core/records';
import { speciesName } from '@mortisect/core/register';
import type { Say } from '@mortisect/words';
import { told } from '@mortisect/words/trade';

export interface Column {
  id: string;
  title: string;
  /** Least width, px; wider screens share out the rest by it. */
  width: number;
  sort(tree: TreeSummary): string | number;
  /** @param height writes a height in the units of this device */
  show(tree: TreeSummary, height: (cm: number) => string): string;
  /** Not shown until it is asked for. */
  hidden?: true;
}

export const columnsIn = (say: Say): readonly Column[] => [
  text('code', say('shared.tree'), 130, (tree) => tree.code),
  text('nickname', say('round.nickname'), 140, (tree) => tree.nickname ?? '', true),
  text('plot', say('round.plot'), 110, (tree) => tree.plot),
  text('row', say('round.row'), 160, (tree) => tree.row, true),
  { ...number('place', say('round.place'), 60, (tree) => tree.place, String), hidden: true },
  text('species', say('round.species'), 120, (tree) => told(say, speciesName(tree.species))),
  text('cultivar', say('round.cultivar'), 140, (tree) => tree.cultivar ?? 'unknown'),
  text('rootstock', say('round.rootstock'), 110, (tree) => tree.rootstock ?? '', true),
  number(
    'planted',
    say('round.planted'),
    70,
    (tree) => tree.plantedYear ?? 0,
    (year) => (year === 0 ? '' : String(year)),
  ),
  text('form', say('round.form'), 120, (tree) => tree.form),
  size('height', say('round.height'), (tree) => tree.heightCm),
  { ...size('spread', say('round.spread'), (tree) => tree.spreadCm), hidden: true },
  number(
    'findings',
    say('round.findings'),
    70,
    (tree) => tree.openFindings,
    (count) => (count === 0 ? '' : String(count)),
  ),
  text('status', say('round.status'), 90, (tree) => tree.status),
  text('hazards', say('round.dangers'), 130, (tree) =>
    tree.hazards.map((each) => told(say, each)).join(', '),
  ),
  text('seen', say('round.lastSeen'), 100, (tree) => tree.lastSeenAt?.slice(0, 10) ?? ''),
];

function text(
  id: string,
  title: string,
  width: number,
  of: (tree: TreeSummary) => string,
  hidden?: true,
): Column {
  return { id, title, width, sort: (tree) => keyOf(of(tree)), show: of, ...(hidden && { hidden }) };
}

function number(
  id: string,
  title: string,
  width: number,
  of: (tree: TreeSummary) => number,
  show: (value: number) => string,
): Column {
  return { id, title, width, sort: of, show: (tree) => show(of(tree)) };
}

function size(id: string, title: string, of: (tree: TreeSummary) => number): Column {
  return { id, title, width: 80, sort: of, show: (tree, height) => height(of(tree)) };
}

/** Numbers in a text are padded, so that 10 comes after 9 by plain comparison. */
function keyOf(value: string): string {
  return value.toLowerCase().replace(/\d+/g, (digits) => digits.padStart(7, '0'));
}

export interface Sorting {
  columnId: string;
  down: boolean;
}

/**
 * The trees in the order of a column; equal ones keep their order. Keys are made once for each tree, not for each comparison.
 *
 * @param sorting null: as they come, in walking order
 */
export function sorted(
  say: Say,
  trees: readonly TreeSummary[],
  sorting: Sorting | null,
): readonly TreeSummary[] {
  const column = sorting && columnsIn(say).find((column) => column.id === sorting.columnId);
  if (!sorting || !column) return trees;
  const keys = trees.map(column.sort);
  const order = Array.from(trees.keys());
  const way = sorting.down ? -1 : 1;
  order.sort((a, b) => {
    const [one, other] = [keys[a] as string | number, keys[b] as string | number];
    return one < other ? -way : one > other ? way : a - b;
  });
  return order.map((at) => trees[at] as TreeSummary);
}
