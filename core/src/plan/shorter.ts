// A shorter way through trees whose classes follow one another: reversals and moves beside what stands near, with kicks out of where these get stuck.

import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

interface Place {
  x: number;
  y: number;
}

const NEIGHBOURS = 8;
const LONGEST_MOVED = 3;
/** Two pieces of at most so many trees change places. */
const LONGEST_KICKED = 50;
const KICKS_A_TREE = 2;
const FEWEST_KICKS = 200;
const MOST_KICKS = 400;
const SEED = 17;
/** Metres: less is no gain. */
const LEAST_GAIN = 1e-9;

export interface Route {
  trees: readonly Place[];
  /** Places in `trees` by class, the classes in the order in which they are walked; none is empty. */
  groups: readonly number[][];
  start: Place | null;
  end: Place | null;
}

/**
 * @returns places in `trees` as they are walked: every class after the one before it, no single reversal or move of a piece of up to three trees beside a near
 * one makes it shorter; the same for the same trees
 * @source Johnson & McGeoch 1997, “The traveling salesman problem: a case study in local optimization”: neighbour lists, trees that are looked at again only
 * where something changed; Martin, Otto & Felten 1991: two neighbouring pieces change places (double bridge) where the search is stuck
 */
export function shorterOrder({ trees, groups, start, end }: Route): number[] {
  const x = Float64Array.from(trees, (tree) => tree.x);
  const y = Float64Array.from(trees, (tree) => tree.y);
  const between = (a: number, b: number) =>
    metres((x[a] as number) - (x[b] as number), (y[a] as number) - (y[b] as number));
  const near: Near[] = [];
  for (const group of groups) for (const tree of group) near[tree] = nearTo(tree, group, between);
  const order = Int32Array.from(groups.flatMap((group) => nearest(group, between)));
  const placeOf = new Int32Array(trees.length);
  /** First place of the tree’s class, and the one behind its last. */
  const [from, to] = bordersOf(groups, trees.length);
  const number = (first: number, last: number) => {
    for (let i = first; i <= last; i++) placeOf[order[i] as number] = i;
  };
  number(0, order.length - 1);

  const toEnd = (tree: number, spot: Place | null) =>
    spot ? metres((x[tree] as number) - spot.x, (y[tree] as number) - spot.y) : 0;
  /** Metres from the tree at one place to that at another; a place before the first is the start, one behind the last the end. */
  const step = (i: number, j: number): number => {
    if (i < 0) return j < order.length ? toEnd(order[j] as number, start) : 0;
    return j < order.length
      ? between(order[i] as number, order[j] as number)
      : toEnd(order[i] as number, end);
  };

  /** Trees beside which something changed. */
  const changed: number[] = [];
  const isChanged = new Uint8Array(trees.length);
  const look = (i: number) => {
    const tree = order[i];
    if (tree === undefined || isChanged[tree]) return;
    isChanged[tree] = 1;
    changed.push(tree);
  };
  let gained = 0;

  function reversed(i: number, j: number): boolean {
    if (j <= i) return false;
    const gain = step(i - 1, i) + step(j, j + 1) - step(i - 1, j) - step(i, j + 1);
    if (gain <= LEAST_GAIN) return false;
    order.subarray(i, j + 1).reverse();
    number(i, j);
    for (const at of [i - 1, i, j, j + 1]) look(at);
    gained += gain;
    return true;
  }
  /** Puts `length` trees from `i` on before the one at `before`. */
  function moved(i: number, length: number, before: number): boolean {
    if (before >= i && before <= i + length) return false;
    const gain =
      step(i - 1, i) +
      step(i + length - 1, i + length) +
      step(before - 1, before) -
      step(i - 1, i + length) -
      step(before - 1, i) -
      step(i + length - 1, before);
    if (gain <= LEAST_GAIN) return false;
    if (before > i) swapped(i, i + length, before);
    else swapped(before, i, i + length);
    gained += gain;
    return true;
  }
  /** The piece from `a` and that from `b` up to before `c` change places. */
  function swapped(a: number, b: number, c: number): void {
    const first = order.slice(a, b);
    order.copyWithin(a, b, c);
    order.set(first, a + c - b);
    number(a, c - 1);
    for (const at of [a - 1, a, a + c - b - 1, a + c - b, c - 1, c]) look(at);
  }
  function isBetter(tree: number): boolean {
    const [first, behind] = [from[tree] as number, to[tree] as number];
    const here = placeOf[tree] as number;
    if (reversed(first, here) || reversed(here, behind - 1)) return true;
    for (let length = 1; length <= LONGEST_MOVED; length++) {
      if (here + length <= behind && (moved(here, length, first) || moved(here, length, behind))) return true;
    }
    const { others, away } = near[tree] as Near;
    const longest = Math.max(step(here - 1, here), step(here, here + 1));
    for (let n = 0; n < others.length; n++) {
      // Nothing is won by a longer step in the place of a shorter one
      if ((away[n] as number) >= longest) return false;
      const [i, beside] = [here, placeOf[others[n] as number] as number];
      const [low, high] = i < beside ? [i, beside] : [beside, i];
      if (reversed(low + 1, high) || reversed(low, high - 1)) return true;
      for (let length = 1; length <= LONGEST_MOVED; length++) {
        if (i + length <= behind && moved(i, length, beside + 1)) return true;
        if (i - length + 1 >= first && moved(i - length + 1, length, beside)) return true;
      }
    }
    return false;
  }
  function settle(): void {
    for (let tree = changed.pop(); tree !== undefined; tree = changed.pop()) {
      isChanged[tree] = 0;
      while (isBetter(tree));
    }
  }

  for (let i = order.length - 1; i >= 0; i--) look(i);
  settle();
  const random = xoroshiro128plus(SEED);
  const before = order.slice();
  for (const group of groups) {
    if (group.length < 4) continue;
    const [first, behind] = [from[group[0] as number] as number, to[group[0] as number] as number];
    const kicks = Math.min(MOST_KICKS, Math.max(FEWEST_KICKS, KICKS_A_TREE * group.length));
    for (let kick = 0; kick < kicks; kick++) {
      const a = uniformInt(random, first, behind - 2);
      const b = uniformInt(random, a + 1, Math.min(a + LONGEST_KICKED, behind - 1));
      const c = uniformInt(random, b + 1, Math.min(b + LONGEST_KICKED, behind));
      gained =
        step(a - 1, a) + step(b - 1, b) + step(c - 1, c) - step(a - 1, b) - step(c - 1, a) - step(b - 1, c);
      swapped(a, b, c);
      settle();
      if (gained > LEAST_GAIN) before.set(order);
      else {
        order.set(before);
        number(0, order.length - 1);
      }
    }
  }
  return [...order];
}

/** Much faster than `Math.hypot`, and nobody walks so far that a square runs over. */
const metres = (dx: number, dy: number) => Math.sqrt(dx * dx + dy * dy);

function bordersOf(groups: readonly number[][], trees: number): [Int32Array, Int32Array] {
  const [from, to] = [new Int32Array(trees), new Int32Array(trees)];
  let first = 0;
  for (const group of groups) {
    for (const tree of group) {
      from[tree] = first;
      to[tree] = first + group.length;
    }
    first += group.length;
  }
  return [from, to];
}

type Between = (a: number, b: number) => number;

/** From the first tree always on to the nearest one that is left. */
function nearest(group: readonly number[], between: Between): number[] {
  const left = [...group];
  const order: number[] = [];
  for (let place = 0; left.length > 0; ) {
    const last = left[place] as number;
    order.push(last);
    left[place] = left.at(-1) as number;
    left.pop();
    let least = Number.POSITIVE_INFINITY;
    for (let i = 0; i < left.length; i++) {
      const away = between(last, left[i] as number);
      if (away >= least) continue;
      least = away;
      place = i;
    }
  }
  return order;
}

interface Near {
  /** The nearest trees of the same class, nearest first. */
  others: Int32Array;
  /** Metres to each. */
  away: Float64Array;
}

function nearTo(tree: number, group: readonly number[], between: Between): Near {
  const others = new Int32Array(Math.min(NEIGHBOURS, group.length - 1));
  const away = new Float64Array(others.length).fill(Number.POSITIVE_INFINITY);
  const last = others.length - 1;
  for (const other of group) {
    if (other === tree) continue;
    const here = between(tree, other);
    if (here >= (away[last] as number)) continue;
    let at = last;
    for (; at > 0 && (away[at - 1] as number) > here; at--) {
      others[at] = others[at - 1] as number;
      away[at] = away[at - 1] as number;
    }
    others[at] = other;
    away[at] = here;
  }
  return { others, away };
}
