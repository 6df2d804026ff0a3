// The orchard from above, to scale: every plot with its rows and trees, by the spacing in the rows or by where each tree was measured.
import { groundPlaces } from './walkingOrder';

export interface OnGround {
  /** Metres to the right, and down. */
  x: number;
  y: number;
}

export interface PlotOnPlan {
  id: string;
  name: string;
  /** Its upper left corner, metres. */
  x: number;
  y: number;
  width: number;
  height: number;
  rows: { id: string; name: string; from: OnGround; to: OnGround }[];
  trees: ({ id: string } & OnGround)[];
}

export interface OrchardPlan {
  plots: PlotOnPlan[];
  /** Metres. */
  width: number;
  height: number;
}

interface Register {
  plots: readonly { id: string; name: string }[];
  rows: readonly { id: string; plotId: string; name: string; spacingCm: number }[];
  trees: readonly {
    id: string;
    plotId: string;
    rowId: string;
    place: number;
    latitude: number | null;
    longitude: number | null;
  }[];
}

/** Between plots and round each of them, metres: how they lie to each other nobody has measured. Common practice, no source. */
const GAP_M = 10;
const EDGE_M = 3;
/** Wider than high, as screens are. */
const SHAPE = 1.5;

/**
 * Plots stand side by side in their order, then in the next line. A plot of which every tree was measured is drawn as it lies, north up.
 *
 * @param register trees that stand on no row listed are left out
 */
export function orchardPlan({ plots, rows, trees }: Register): OrchardPlan {
  const drawn = plots.flatMap(({ id, name }) => {
    const plot = plotOf(
      rows.filter(({ plotId }) => plotId === id),
      trees.filter(({ plotId }) => plotId === id),
    );
    return plot ? [{ id, name, ...plot }] : [];
  });
  const area = drawn.reduce((sum, { width, height }) => sum + (width + GAP_M) * (height + GAP_M), 0);
  const within = Math.max(...drawn.map(({ width }) => width), Math.sqrt(area * SHAPE), 0);
  let [x, y, tall, width] = [0, 0, 0, 0];
  const placed = drawn.map((plot) => {
    if (x > 0 && x + plot.width > within) [x, y, tall] = [0, y + tall + GAP_M, 0];
    const moved = moveBy(plot, x, y);
    x += plot.width + GAP_M;
    tall = Math.max(tall, plot.height);
    width = Math.max(width, moved.x + plot.width);
    return moved;
  });
  return { plots: placed, width, height: y + tall };
}

type Plot = Omit<PlotOnPlan, 'id' | 'name'>;

function plotOf(rows: Register['rows'], trees: Register['trees']): Plot | null {
  const known = new Set(rows.map(({ id }) => id));
  const standing = trees.filter(({ rowId }) => known.has(rowId));
  if (standing.length === 0) return null;
  const places = measured(standing) ?? groundPlaces(rows, standing);
  const all = [...places.values()];
  const [left, top] = [Math.min(...all.map(({ x }) => x)), Math.min(...all.map(({ y }) => y))];
  const at = (id: string): OnGround => {
    const { x, y } = places.get(id) as OnGround;
    return { x: x - left + EDGE_M, y: y - top + EDGE_M };
  };
  return {
    ...{ x: 0, y: 0 },
    width: Math.max(...all.map(({ x }) => x)) - left + 2 * EDGE_M,
    height: Math.max(...all.map(({ y }) => y)) - top + 2 * EDGE_M,
    rows: rows.flatMap(({ id, name }) => {
      const own = standing.filter(({ rowId }) => rowId === id).toSorted((a, b) => a.place - b.place);
      const [first, last] = [own[0], own.at(-1)];
      return first && last ? [{ id, name, from: at(first.id), to: at(last.id) }] : [];
    }),
    trees: standing.map(({ id }) => ({ id, ...at(id) })),
  };
}

/** A degree of latitude, metres. @source WGS 84, mean of the meridian, 111.13 km */
const DEGREE_M = 111_132;

/** By where each tree was measured, north up; null where one was not. */
function measured(trees: Register['trees']): Map<string, OnGround> | null {
  const at = trees.flatMap(({ id, latitude, longitude }) =>
    latitude === null || longitude === null ? [] : [{ id, latitude, longitude }],
  );
  if (at.length < trees.length) return null;
  const middle = at.reduce((sum, { latitude }) => sum + latitude, 0) / at.length;
  const east = DEGREE_M * Math.cos((middle * Math.PI) / 180);
  return new Map(
    at.map(({ id, latitude, longitude }) => [id, { x: longitude * east, y: -latitude * DEGREE_M }]),
  );
}

function moveBy<P extends Plot>(plot: P, right: number, down: number): P {
  const by = <T extends OnGround>(at: T): T => ({ ...at, x: at.x + right, y: at.y + down });
  return {
    ...plot,
    ...{ x: plot.x + right, y: plot.y + down },
    rows: plot.rows.map((row) => ({ ...row, from: by(row.from), to: by(row.to) })),
    trees: plot.trees.map(by),
  };
}

/**
 * The tree that lies next in a direction: as near as may be, and not far aside.
 *
 * @returns its id; the same where none lies there
 */
export function treeToward(
  trees: readonly ({ id: string } & OnGround)[],
  fromId: string,
  toward: 'left' | 'right' | 'up' | 'down',
): string {
  const from = trees.find(({ id }) => id === fromId);
  if (!from) return trees[0]?.id ?? fromId;
  let best = { id: fromId, far: Number.POSITIVE_INFINITY };
  for (const { id, x, y } of trees) {
    const [dx, dy] = [x - from.x, y - from.y];
    const along = { left: -dx, right: dx, up: -dy, down: dy }[toward];
    const aside = Math.abs(toward === 'left' || toward === 'right' ? dy : dx);
    const far = along + ASIDE * aside;
    if (along > 0.01 && far < best.far) best = { id, far };
  }
  return best.id;
}
/** What lies aside counts so many times. */
const ASIDE = 3;
