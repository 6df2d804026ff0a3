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
const LONGEST_KICKED = 25;
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
  const between = (a: number, b: number) => {
    const dx = (x[a] as number) - (x[b] as number);
    const dy = (y[a] as number) - (y[b] as number);
    // Much faster than `Math.hypot`, and nobody walks so far that a square runs over
    return Math.sqrt(dx * dx + dy * dy);
  };
  const near: Near[] = [];
  for (const group of groups) {
    const fromWest = group.toSorted((a, b) => (x[a] as number) - (x[b] as number));
    fromWest.forEach((tree, place) => {
      near[tree] = nearTo(place, fromWest, x, between);
    });
  }
  const order = Int32Array.from(groups.flatMap((group) => nearest(group, near, between)));
  const placeOf = new Int32Array(trees.length);
  /** First place of the tree’s class, and the one behind its last. */
  const [from, to] = bordersOf(groups, trees.length);
  const number = (first: number, last: number) => {
    for (let i = first; i <= last; i++) placeOf[order[i] as number] = i;
  };
  number(0, order.length - 1);

  const toEnd = (tree: number, spot: Place | null) =>
    spot ? Math.hypot((x[tree] as number) - spot.x, (y[tree] as number) - spot.y) : 0;
  /** Metres from the tree at one place to that at another; a place before the first is the start, one behind the last the end. */
  const step = (i: number, j: number): number => {
    if (i >= 0 && j < order.length) return between(order[i] as number, order[j] as number);
    if (i >= 0) return toEnd(order[i] as number, end);
    return j < order.length ? toEnd(order[j] as number, start) : 0;
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
  /** Of a piece that changes its place. */
  const aside = new Int32Array(trees.length);
  let gained = 0;

  /** @param taken metres of the steps that go, without those that come: less than a gain, and nothing is done */
  function reversed(i: number, j: number, taken: number): boolean {
    if (j <= i || taken <= LEAST_GAIN) return false;
    for (let [low, high] = [i, j]; low < high; low++, high--) {
      const tree = order[low] as number;
      order[low] = order[high] as number;
      order[high] = tree;
    }
    number(i, j);
    look(i - 1);
    look(i);
    look(j);
    look(j + 1);
    gained += taken;
    return true;
  }
  /** Puts `length` trees from `i` on before the one at `before`. @param taken as above */
  function moved(i: number, length: number, before: number, taken: number): boolean {
    if (taken <= LEAST_GAIN || (before >= i && before <= i + length)) return false;
    if (before > i) swapped(i, i + length, before);
    else swapped(before, i, i + length);
    gained += taken;
    return true;
  }
  /** The piece from `a` and that from `b` up to before `c` change places. */
  function swapped(a: number, b: number, c: number): void {
    for (let i = a; i < b; i++) aside[i - a] = order[i] as number;
    order.copyWithin(a, b, c);
    for (let i = a; i < b; i++) order[i + c - b] = aside[i - a] as number;
    number(a, c - 1);
    look(a - 1);
    look(a);
    look(a + c - b - 1);
    look(a + c - b);
    look(c - 1);
    look(c);
  }
  /** Metres that are won where a piece is taken out and what it stood between is joined; by lengths of pieces, from the tree at hand on and up to it. */
  const won = new Float64Array(LONGEST_MOVED + 1);
  const wonUpTo = new Float64Array(LONGEST_MOVED + 1);
  /** What stands beside a tree is asked for many times over: each step is measured once, and every other way differs by one more. */
  function isBetter(tree: number): boolean {
    const first = from[tree] as number;
    const behind = to[tree] as number;
    const here = placeOf[tree] as number;
    const before = step(here - 1, here);
    const after = step(here, here + 1);
    // At the borders of its class
    const comes = step(first - 1, first);
    const goes = step(behind - 1, behind);
    const asFirst = step(first - 1, here);
    const onFromFirst = step(first, here + 1);
    const asLast = step(here, behind);
    const onFromLast = step(here - 1, behind - 1);
    if (reversed(first, here, comes + after - asFirst - onFromFirst)) return true;
    if (reversed(here, behind - 1, before + goes - onFromLast - asLast)) return true;
    const lastToHere = step(behind - 1, here);
    for (let length = 1; length <= LONGEST_MOVED; length++) {
      const last = here + length - 1;
      const top = here - length + 1;
      const fits = last < behind;
      won[length] = fits
        ? before + step(last, last + 1) - step(here - 1, last + 1)
        : Number.NEGATIVE_INFINITY;
      wonUpTo[length] =
        top >= first ? step(top - 1, top) + after - step(top - 1, here + 1) : Number.NEGATIVE_INFINITY;
      if (!fits) continue;
      const taken = won[length] as number;
      if (moved(here, length, first, taken + comes - asFirst - step(last, first))) return true;
      if (moved(here, length, behind, taken + goes - lastToHere - step(last, behind))) return true;
    }
    const { others, away } = near[tree] as Near;
    const longest = Math.max(before, after);
    for (let n = 0; n < others.length; n++) {
      const joined = away[n] as number;
      // Nothing is won by a longer step in the place of a shorter one
      if (joined >= longest) return false;
      const beside = placeOf[others[n] as number] as number;
      const low = Math.min(here, beside);
      const high = Math.max(here, beside);
      const opensAfter = step(beside, beside + 1) - joined;
      const opensBefore = step(beside - 1, beside) - joined;
      if (reversed(low + 1, high, after + opensAfter - step(low + 1, high + 1))) return true;
      if (reversed(low, high - 1, before + opensBefore - step(low - 1, high - 1))) return true;
      for (let length = 1; length <= LONGEST_MOVED; length++) {
        const on = (won[length] as number) + opensAfter;
        const last = here + length - 1;
        if (on > LEAST_GAIN && moved(here, length, beside + 1, on - step(last, beside + 1))) return true;
        const up = (wonUpTo[length] as number) + opensBefore;
        const top = here - length + 1;
        if (up > LEAST_GAIN && moved(top, length, beside, up - step(beside - 1, top))) return true;
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

/** From the first tree always on to the nearest one that is left: mostly it is one of those beside it. */
function nearest(group: readonly number[], near: readonly Near[], between: Between): number[] {
  const left = new Set(group);
  const order: number[] = [];
  for (let tree = group[0]; tree !== undefined; ) {
    const at = tree;
    order.push(at);
    left.delete(at);
    tree =
      near[at]?.others.find((other) => left.has(other)) ?? nearestOf(left, (other) => between(at, other));
  }
  return order;
}

function nearestOf(left: Iterable<number>, away: (tree: number) => number): number | undefined {
  let found: number | undefined;
  let least = Number.POSITIVE_INFINITY;
  for (const tree of left) {
    const here = away(tree);
    if (here >= least) continue;
    least = here;
    found = tree;
  }
  return found;
}

interface Near {
  /** The nearest trees of the same class, nearest first. */
  others: Int32Array;
  /** Metres to each. */
  away: Float64Array;
}

/** @param place of the tree in `fromWest`: nobody looks on where trees stand farther east or west than the last of the near ones stands away */
function nearTo(place: number, fromWest: readonly number[], x: Float64Array, between: Between): Near {
  const tree = fromWest[place] as number;
  const others = new Int32Array(Math.min(NEIGHBOURS, fromWest.length - 1));
  const away = new Float64Array(others.length).fill(Number.POSITIVE_INFINITY);
  const last = others.length - 1;
  const take = (other: number): boolean => {
    if (Math.abs((x[other] as number) - (x[tree] as number)) >= (away[last] as number)) return false;
    const here = between(tree, other);
    if (here >= (away[last] as number)) return true;
    let at = last;
    for (; at > 0 && (away[at - 1] as number) > here; at--) {
      others[at] = others[at - 1] as number;
      away[at] = away[at - 1] as number;
    }
    others[at] = other;
    away[at] = here;
    return true;
  };
  for (let i = place - 1; i >= 0 && take(fromWest[i] as number); i--);
  for (let i = place + 1; i < fromWest.length && take(fromWest[i] as number); i++);
  return { others, away };
}
