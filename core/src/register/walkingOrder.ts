// In which order are the trees walked?

interface Standing {
  rowId: string;
  place: number;
  code: string;
}

/**
 * Serpentine: up one row, down the next, starting anew in every plot, so that no step is walked twice.
 *
 * @param rows in their order, each with its plot
 * @param trees in any order; a tree on a row that is not listed comes last
 * @returns the trees in walking order
 */
export function serpentine<T extends Standing>(
  rows: readonly { id: string; plotId: string }[],
  trees: readonly T[],
): T[] {
  const onRow = grouped(trees);
  const walked: T[] = [];
  let plotId: string | null = null;
  let down = false;
  for (const row of rows) {
    if (row.plotId !== plotId) {
      plotId = row.plotId;
      down = false;
    }
    const own = [...(onRow.get(row.id) ?? [])].sort((a, b) => a.place - b.place || byTag(a, b));
    if (own.length === 0) continue;
    walked.push(...(down ? own.reverse() : own));
    down = !down;
  }
  const known = new Set(rows.map((row) => row.id));
  return [...walked, ...trees.filter((tree) => !known.has(tree.rowId))];
}

function grouped<T extends Standing>(trees: readonly T[]): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const tree of trees) {
    const group = groups.get(tree.rowId);
    if (group) group.push(tree);
    else groups.set(tree.rowId, [tree]);
  }
  return groups;
}

const collator = new Intl.Collator('en', { numeric: true });

/** By the tag on the tree; numbers in it count as numbers. */
export function byTag(a: { code: string }, b: { code: string }): number {
  return collator.compare(a.code, b.code);
}
