// In which order are the trees of a run visited: sound, then suspect, then infected, and on the shortest way?

import { woodClasses } from '../blades/index';
import type { Place, RunOrder, RunOrderInput, RunTree } from './runOrderShape';
import { shorterOrder } from './shorter';

const EXACT_UP_TO = 11;

/**
 * Sound trees before suspect before infected ones, and within that the least walking. Proved where no class has more than
 * eleven trees (a dynamic programme over sets, class by class); beyond, a local search whose distance from a bound is told.
 */
export function runOrder(input: RunOrderInput): RunOrder {
  const { trees, start, end, metresPerMinute } = input;
  const groups = woodClasses
    .map((woodClass) => trees.flatMap((tree, i) => (tree.class === woodClass ? [i] : [])))
    .filter((group) => group.length > 0);
  const exact = groups.every((group) => group.length <= EXACT_UP_TO);
  const best = exact ? shortest(input, groups) : shorterOrder({ trees, groups, start, end });
  const lengthOf = (order: readonly number[]) => walkMetres(trees, order, start, end);
  const metres = lengthOf(best);
  const naive = lengthOf(trees.map((_, i) => i));
  const bound = exact ? metres : Math.min(metres, lowerBound(input, groups));
  return {
    order: best.map((i) => (trees[i] as RunTree).id),
    walk: { metres, minutes: metres / metresPerMinute },
    naive: { metres: naive, minutes: naive / metresPerMinute, carried: carriedBack(trees) },
    cleanings: trees.reduce((sum, tree) => sum + tree.cleanings, 0),
    bound,
    gap: metres === 0 ? 0 : (metres - bound) / metres,
  };
}

function carriedBack(trees: readonly RunTree[]): number {
  const rank = (tree: RunTree) => woodClasses.indexOf(tree.class);
  return trees.filter((tree, i) => i > 0 && rank(tree) < rank(trees[i - 1] as RunTree)).length;
}

const between = (a: Place, b: Place) => Math.sqrt((a.x - b.x) ** 2 + (a.y - b.y) ** 2);

function walkMetres(
  trees: readonly Place[],
  order: readonly number[],
  start: Place | null,
  end: Place | null,
): number {
  const way = [...(start ? [start] : []), ...order.map((i) => trees[i] as Place), ...(end ? [end] : [])];
  return way.reduce((sum, at, i) => (i === 0 ? 0 : sum + between(way[i - 1] as Place, at)), 0);
}

interface Layer {
  /** Metres so far by last tree, and the way there. */
  at: number;
  metres: number;
  order: number[];
}

/** Held and Karp's programme over sets of trees, one class after the other. @source Held & Karp 1962, J. SIAM 10:196 */
function shortest({ trees, start, end }: RunOrderInput, groups: readonly number[][]): number[] {
  let from: Layer[] = [{ at: -1, metres: 0, order: [] }];
  for (const group of groups) from = throughClass(trees, group, from, start);
  const closing = (layer: Layer) =>
    layer.metres + (end && layer.at >= 0 ? between(trees[layer.at] as Place, end) : 0);
  return from.reduce((a, b) => (closing(b) < closing(a) ? b : a)).order;
}

function throughClass(
  trees: readonly Place[],
  group: readonly number[],
  from: readonly Layer[],
  start: Place | null,
): Layer[] {
  const n = group.length;
  const whole = 1 << n;
  const metres = new Float64Array(whole * n).fill(Number.POSITIVE_INFINITY);
  const before = new Int16Array(whole * n).fill(-1);
  const entry = new Int16Array(n);
  const spot = (i: number) => trees[group[i] as number] as Place;
  const come = (layer: Layer, to: Place) => {
    const last = layer.at >= 0 ? (trees[layer.at] as Place) : start;
    return layer.metres + (last ? between(last, to) : 0);
  };
  for (let i = 0; i < n; i++) {
    let cheapest = 0;
    from.forEach((layer, l) => {
      if (come(layer, spot(i)) < come(from[cheapest] as Layer, spot(i))) cheapest = l;
    });
    entry[i] = cheapest;
    metres[(1 << i) * n + i] = come(from[cheapest] as Layer, spot(i));
  }
  for (let set = 1; set < whole; set++) {
    for (let last = 0; last < n; last++) {
      const here = metres[set * n + last] as number;
      if (!Number.isFinite(here)) continue;
      for (let next = 0; next < n; next++) {
        if (set & (1 << next)) continue;
        const key = (set | (1 << next)) * n + next;
        const there = here + between(spot(last), spot(next));
        if (there < (metres[key] as number)) {
          metres[key] = there;
          before[key] = last;
        }
      }
    }
  }
  return group.map((at, last): Layer => {
    const way: number[] = [];
    let set = whole - 1;
    let i = last;
    for (;;) {
      way.push(i);
      const previous = before[set * n + i] as number;
      if (previous < 0) break;
      set &= ~(1 << i);
      i = previous;
    }
    const entered = from[entry[way.at(-1) as number] as number] as Layer;
    const wayInGroup = way.reverse().map((k) => group[k] as number);
    return { at, metres: metres[(whole - 1) * n + last] as number, order: [...entered.order, ...wayInGroup] };
  });
}

/** Every class is joined at least as by its shortest tree, and one class to the next by its shortest link. */
function lowerBound({ trees, start, end }: RunOrderInput, groups: readonly number[][]): number {
  const spots = groups.map((group) => group.map((i) => trees[i] as Place));
  const ways = [...(start ? [[start]] : []), ...spots, ...(end ? [[end]] : [])];
  const inside = ways.reduce((sum, way) => sum + spanning(way), 0);
  const links = ways.slice(1).map((way, i) => shortestLink(ways[i] as Place[], way));
  return inside + links.reduce((sum, link) => sum + link, 0);
}

function shortestLink(from: readonly Place[], to: readonly Place[]): number {
  let least = Number.POSITIVE_INFINITY;
  for (const a of from) for (const b of to) least = Math.min(least, between(a, b));
  return least;
}

/** Length of the minimum spanning tree. @source Prim 1957, Bell Syst. Tech. J. 36:1389 */
function spanning(spots: readonly Place[]): number {
  const left = spots.slice(1);
  const away = new Float64Array(left.length).fill(Number.POSITIVE_INFINITY);
  let [here, sum] = [spots[0], 0];
  // What is joined gives its place to the last one that is left
  for (let count = left.length; here && count > 0; count--) {
    let near = 0;
    for (let i = 0; i < count; i++) {
      const metres = Math.min(away[i] as number, between(here, left[i] as Place));
      away[i] = metres;
      if (metres < (away[near] as number)) near = i;
    }
    sum += away[near] as number;
    here = left[near];
    left[near] = left[count - 1] as Place;
    away[near] = away[count - 1] as number;
  }
  return sum;
}
