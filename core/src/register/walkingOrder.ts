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
    const treesOfRow = [...(onRow.get(row.id) ?? [])].sort((a, b) => a.place - b.place || byTag(a, b));
    if (treesOfRow.length === 0) continue;
    walked.push(...(down ? treesOfRow.reverse() : treesOfRow));
    down = !down;
  }
  const rowIds = new Set(rows.map((row) => row.id));
  return [...walked, ...trees.filter((tree) => !rowIds.has(tree.rowId))];
}

/** Between rows and between plots, metres, where nothing was measured. Common practice, no source. */
const ROW_M = 5;
const PLOT_M = 40;

/**
 * Where a tree stands on the ground, metres: along its row by place, rows side by side, plots one after the other.
 *
 * @param rows in their order, each with its plot and the spacing in it; a tree on none of them stands beyond the last
 */
export function groundAt(
  rows: readonly { id: string; plotId: string; spacingCm: number }[],
): (tree: { rowId: string; place: number }) => { x: number; y: number } {
  const rowAt = new Map<string, { y: number; spacingM: number }>();
  let y = 0;
  rows.forEach(({ id, plotId, spacingCm }, i) => {
    if (i > 0) y += rows[i - 1]?.plotId === plotId ? ROW_M : PLOT_M;
    rowAt.set(id, { y, spacingM: spacingCm / 100 });
  });
  const beyond = { y: y + PLOT_M, spacingM: 4 };
  return ({ rowId, place }) => {
    const row = rowAt.get(rowId) ?? beyond;
    return { x: place * row.spacingM, y: row.y };
  };
}

/** All trees by `groundAt`, by id. */
export function groundPlaces(
  rows: Parameters<typeof groundAt>[0],
  trees: readonly { id: string; rowId: string; place: number }[],
): Map<string, { x: number; y: number }> {
  const at = groundAt(rows);
  return new Map(trees.map((tree) => [tree.id, at(tree)]));
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

/** Made when tags are first compared: it takes a slow phone a tenth of a second. */
let collator: Intl.Collator | undefined;

/** By the tag on the tree; numbers in it count as numbers. */
export function byTag(a: { code: string }, b: { code: string }): number {
  collator ??= new Intl.Collator('en', { numeric: true });
  return collator.compare(a.code, b.code);
}
